// What was aimed at so far of a tree, and what core makes of it.
import { type Aiming, aimed } from '@mortisect/core/survey';
import { useMemo } from 'react';
import { AWAY_STARTS_CM, EYE_STARTS_CM, keepMapDraft, useMapDrafts } from './mapDraft';

const newAiming = (twelveDeg: number): Aiming => ({
  twelveDeg,
  towardTwelve: null,
  eyeCm: EYE_STARTS_CM,
  places: [
    { towardStem: null, awayCm: AWAY_STARTS_CM },
    { towardStem: null, awayCm: AWAY_STARTS_CM },
  ],
  limbs: [],
});

export function useAiming(treeId: string, twelveDeg: number) {
  const draft = useMapDrafts(({ aimings }) => aimings[treeId]);
  const aiming = useMemo(() => draft ?? newAiming(twelveDeg), [draft, twelveDeg]);
  const found = useMemo(() => aimed(aiming), [aiming]);
  return {
    aiming,
    keep: (next: Aiming) => keepMapDraft('aimings', treeId, next),
    found,
    limbs: found.flatMap((limb) => ('fault' in limb ? [] : [limb])),
  };
}
