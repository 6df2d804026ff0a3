// A limb that the map does not have yet, added without leaving the marking: the finding moves onto it.

import { clockHour, upperFirst } from '@mortisect/core/measure';
import type { SiteToday, TreeView } from '@mortisect/core/present';
import type { TreeDetail } from '@mortisect/core/records';
import {
  joinBundles,
  type Limb,
  LONGEST_CM,
  limbKinds,
  measured,
  THICKEST_MM,
  withGivenNames,
  withLimb,
} from '@mortisect/core/tree';
import { limbIn } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { useClock } from '../../../data/useClock';
import { useSay } from '../../../data/useSay';
import { useSaveLimbs } from '../../../data/writes';
import { Failed } from '../../../ui/Failed';
import { LengthField } from '../../../ui/LengthField';
import { SaveButton } from '../../../ui/SaveButton';
import { Select } from '../../../ui/Select';
import { Sheet } from '../../../ui/Sheet';
import { Small } from '../../../ui/type';
import { hoursIn } from './WhereSheet';

interface AddLimbProps {
  detail: TreeDetail;
  view: TreeView;
  today: SiteToday;
  /** The limb it most likely grows from: the one in hand. */
  onLimb: Limb;
  open: boolean;
  onClose(): void;
  onAdded(limb: Limb): void;
}

const KINDS = limbKinds
  .filter((kind) => kind !== 'trunk')
  .map((value) => ({ value, label: upperFirst(value) }));
const DEG_AN_HOUR = 30;

export function AddLimb(props: AddLimbProps) {
  return props.open ? <Open key={props.onLimb.id} {...props} /> : null;
}

function Open({ detail, view, today, onLimb, onClose, onAdded }: AddLimbProps) {
  const say = useSay();
  const clock = useClock();
  const saving = useSaveLimbs();
  const twelve = today.site.twelveBearingDeg;
  const [parentId, setParent] = useState(onLimb.id);
  const [jointCm, setJoint] = useState(Math.round(onLimb.lengthCm / 2));
  const [entered, setEntered] = useState<Partial<Limb>>({});
  const parent = view.limbs.find((limb) => limb.id === parentId) ?? onLimb;
  const { limbs, id } = withLimb(joinBundles(view.limbs), parent.id, Math.min(jointCm, parent.lengthCm));
  const drawn = withGivenNames(measured(limbs, id, entered), twelve, detail.limbs);
  const limb = drawn.find((limb) => limb.id === id) as Limb;
  const set = (part: Partial<Limb>) => setEntered({ ...entered, ...part });
  const add = () =>
    saving.mutate(
      { treeId: detail.tree.id, baseRevision: detail.limbsRevision, surveyedAt: clock(), limbs: drawn },
      {
        onSuccess: () => {
          onAdded(limb);
          onClose();
        },
      },
    );
  return (
    <Sheet
      title={say('round.aLimbThatIsNotOnThe')}
      open
      onClose={onClose}
      closeLabel={say('shared.back')}
      actions={
        <SaveButton kind="main" saving={saving.isPending} onSave={add}>
          {say('round.addIt')}
        </SaveButton>
      }
    >
      <Failed title={say('shared.notSavedYet')} error={saving.error} />
      <Select
        label={say('round.itGrowsFrom')}
        value={parent.id}
        options={view.limbs.map((limb) => ({
          value: limb.id,
          label: limbIn(say, view.names.get(limb.id) ?? limb.id),
        }))}
        onChange={(next) => {
          setParent(next);
          const length = view.limbs.find((limb) => limb.id === next)?.lengthCm ?? jointCm;
          setJoint(Math.min(jointCm, length));
        }}
      />
      <View flexDirection="row" gap={12}>
        <LengthField
          key={parent.id}
          grow
          label={say('round.soFarOutOnIt')}
          cm={Math.min(jointCm, parent.lengthCm)}
          leastCm={0}
          mostCm={parent.lengthCm}
          onChange={setJoint}
        />
        <View flex={1} minWidth={0}>
          <Select
            label={say('round.itPointsTo')}
            value={String(clockHour(limb.bearingDeg, twelve))}
            options={hoursIn(say)}
            onChange={(hour) => set({ bearingDeg: (twelve + Number(hour) * DEG_AN_HOUR) % 360 })}
          />
        </View>
      </View>
      <View flexDirection="row" gap={12}>
        <LengthField
          grow
          label={say('round.length')}
          cm={limb.lengthCm}
          leastCm={5}
          mostCm={LONGEST_CM}
          onChange={(lengthCm) => set({ lengthCm })}
        />
        <LengthField
          grow
          label={say('round.thickAtBase')}
          cm={limb.baseMm / 10}
          leastCm={0.2}
          mostCm={THICKEST_MM / 10}
          onChange={(cm) => set({ baseMm: Math.round(cm * 10) })}
        />
      </View>
      <Select
        label={say('round.itIsA')}
        value={limb.kind}
        options={KINDS}
        onChange={(kind) => set({ kind: kind as Limb['kind'] })}
      />
      <Small>{say('round.whatYouLeaveAsItIsIs')}</Small>
    </Sheet>
  );
}
