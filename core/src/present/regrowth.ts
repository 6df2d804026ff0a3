// What grew back at cuts, as somebody counted it: wood of the tree that no map shows yet.
import type { Action, ActionOf, TreeDetail } from '../records/index';
import { type Limb, wholeId } from '../tree/index';

type Mapped = Pick<TreeDetail, 'limbs' | 'surveyedAt' | 'actions'>;

/** A shoot of early summer, until somebody measures it. Common practice, no source. */
const SHOOT = { lengthCm: 40, baseMm: 6, tipMm: 2, ageYears: 1, inclinationDeg: 80 } as const;
/** Shoots stand so close to a cut, and over so much of the wood. Common practice, no source. */
const BELOW_CUT_CM = 8;
const OVER_CM = 10;

export interface Regrown {
  limb: Limb;
  /** They are to come off again; the others stay as wood of the tree. */
  goes: boolean;
}

/**
 * The shoots that rechecks counted since the map was drawn, at most two limbs of the map for each cut: those that stay and those that go.
 *
 * @returns none where the wood that they grew on is on no map
 */
export function regrown({ limbs, surveyedAt, actions }: Mapped): Regrown[] {
  const standing = actions.filter(({ undone }) => !undone);
  const cuts = new Map(
    standing.flatMap(({ id, action }) => (action.kind === 'cutMade' ? [[id, action.cut] as const] : [])),
  );
  return [...lastCounts(standing, surveyedAt)].flatMap(([cutId, { shoots, stay = 0 }]): Regrown[] => {
    const cut = cuts.get(cutId);
    const on = cut && placeOf(cut, limbs);
    if (!on || !shoots) return [];
    return [
      ...shootsAt(`stay-${cutId}`, on, Math.min(stay, shoots), false),
      ...shootsAt(`regrown-${cutId}`, on, shoots - Math.min(stay, shoots), true),
    ];
  });
}

/** The last count at each cut, of those made since the map was drawn. */
function lastCounts(actions: readonly Action[], surveyedAt: string): Map<string, ActionOf<'recheckDone'>> {
  const counts = new Map<string, ActionOf<'recheckDone'>>();
  for (const { action } of actions) {
    // Who was not asked which of them stay has said nothing of what is to be done
    if (action.kind !== 'recheckDone' || action.shoots === null || action.stay === undefined) continue;
    if (Date.parse(action.at) <= Date.parse(surveyedAt)) continue;
    const before = counts.get(action.cutId);
    if (!before || Date.parse(before.at) <= Date.parse(action.at)) counts.set(action.cutId, action);
  }
  return counts;
}

interface Place {
  parent: Limb;
  atCm: number;
}

/** Just below the cut; at a collar, on the wood that the limb stood on. */
function placeOf({ limbId, atCm }: ActionOf<'cutMade'>['cut'], limbs: readonly Limb[]): Place | null {
  const cut = limbs.find(({ id }) => id === wholeId(limbId));
  if (!cut) return null;
  if (atCm > 0) {
    const endCm = Math.min(atCm, cut.lengthCm);
    return { parent: cut, atCm: Math.max(endCm / 2, endCm - BELOW_CUT_CM) };
  }
  const parent = limbs.find(({ id }) => id === cut.parentId);
  return parent ? { parent, atCm: cut.jointCm } : null;
}

function shootsAt(id: string, { parent, atCm }: Place, count: number, goes: boolean): Regrown[] {
  if (count < 1 || parent.bundle) return [];
  const overCm = Math.min(OVER_CM, 2 * atCm, 2 * (parent.lengthCm - atCm));
  const limb: Limb = {
    ...SHOOT,
    id,
    parentId: parent.id,
    jointCm: atCm,
    kind: goes ? 'sprout' : 'shoot',
    bearingDeg: parent.bearingDeg,
    budsComplete: false,
    guessed: true,
    ...(count > 1 && { bundle: { about: count, overCm } }),
  };
  return [{ limb, goes }];
}
