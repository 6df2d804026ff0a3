// How much a season, for this tree: a limit of its own, and the pace of a renovation, with what each pace leads to.

import { type Spread, spreads } from '@mortisect/core/crown';
import {
  LEAST_LIMIT,
  MOST_LIMIT,
  type Outlook,
  outlookOf,
  type PlanInput,
  type Solved,
} from '@mortisect/core/plan';
import type { TreeView } from '@mortisect/core/present';
import type { PlainKey, Say } from '@mortisect/words';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { useClock } from '../../data/useClock';
import { usePlansOf } from '../../data/usePlan';
import { useSay } from '../../data/useSay';
import { useRecordAction } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Failed } from '../../ui/Failed';
import { Field } from '../../ui/Field';
import { Label, Section, Small } from '../../ui/type';

const PACES: Record<Spread | 'site', PlainKey> = {
  site: 'plan.paceSite',
  evenly: 'plan.paceEvenly',
  'hard first': 'plan.paceHard',
  'a little': 'plan.paceLittle',
};

export function Pace({ view, input }: { view: TreeView; input: PlanInput }) {
  const say = useSay();
  const clock = useClock();
  const recording = useRecordAction();
  const [comparing, setComparing] = useState(false);
  const set = (pace: Spread | null) =>
    recording.record({ kind: 'paceSet', at: clock(), treeId: view.tree.id, pace });
  return (
    <View gap={12}>
      {input.tree.renovated ? (
        <>
          <Choice<Spread | 'site'>
            label={say('plan.paceOfRenovation')}
            layout="wrap"
            options={(['site', ...spreads] as const).map((value) => ({ value, label: say(PACES[value]) }))}
            value={input.pace ?? 'site'}
            onChange={(pace) => set(pace === 'site' ? null : pace)}
          />
          {comparing ? (
            <Compared view={view} input={input} />
          ) : (
            <View flexDirection="row">
              <Button onPress={() => setComparing(true)}>{say('plan.pacesCompared')}</Button>
            </View>
          )}
        </>
      ) : null}
      <OwnLimit view={view} limit={input.limit} />
      <Failed title={say('shared.notRecordedYet')} error={recording.error} />
    </View>
  );
}

/** Each pace planned for this tree as it stands. */
function Compared({ view, input }: { view: TreeView; input: PlanInput }) {
  const say = useSay();
  const plans = usePlansOf(view.tree.id, input, spreads, withPace);
  return (
    <View gap={8}>
      <Section>{say('plan.pacesCompared')}</Section>
      {spreads.map((pace, i) => (
        <View key={pace} borderTopWidth={1} borderStyle="solid" borderColor="$rule" paddingTop={6} gap={2}>
          <Label>{say(PACES[pace])}</Label>
          <Small color="$ink">{plans[i] ? outlookWords(say, outlookOf(plans[i] as Solved)) : '…'}</Small>
        </View>
      ))}
    </View>
  );
}

const withPace = (input: PlanInput, pace: Spread): PlanInput => ({ ...input, pace });

function outlookWords(say: Say, { left, shoots, fullCropIn, doneIn }: Outlook): string {
  const [from, to] = fullCropIn;
  return [
    say('plan.paceLeft', { left }),
    say('plan.paceSeasons', { season: doneIn }),
    say('plan.paceShoots', { least: shoots[0], most: shoots[1] }),
    say('plan.paceCrop', { from, to }),
  ].join(' · ');
}

/** In hundredths on the screen, in thousandths on record. */
function OwnLimit({ view, limit }: { view: TreeView; limit: number | null }) {
  const say = useSay();
  const clock = useClock();
  const recording = useRecordAction();
  const [typed, setTyped] = useState('');
  const asked = Math.round(Number(typed.replace(',', '.')) * 10);
  const fits = typed.trim() !== '' && asked >= LEAST_LIMIT && asked <= MOST_LIMIT;
  const set = (value: number | null) =>
    recording.record({ kind: 'limitSet', at: clock(), treeId: view.tree.id, limit: value }, () =>
      setTyped(''),
    );
  return (
    <View gap={8}>
      <View maxWidth={420}>
        <Field
          label={say('plan.ownLimit')}
          kind="decimal"
          value={typed}
          onChangeText={setTyped}
          fault={
            typed.trim() === '' || fits
              ? undefined
              : say('plan.ownLimitRange', { least: LEAST_LIMIT / 10, most: MOST_LIMIT / 10 })
          }
        />
      </View>
      <View flexDirection="row" flexWrap="wrap" gap={8}>
        <Button disabled={!fits || recording.isPending} onPress={() => set(asked)}>
          {say('plan.setLimit')}
        </Button>
        {limit === null ? null : (
          <Button disabled={recording.isPending} onPress={() => set(null)}>
            {say('plan.limitAsSite')}
          </Button>
        )}
      </View>
      <Failed title={say('shared.notRecordedYet')} error={recording.error} />
    </View>
  );
}
