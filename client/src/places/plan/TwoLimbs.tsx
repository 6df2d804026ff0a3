// Of two limbs in each other's way: which stays, what speaks for it, and the one thing that an eye sees better than a map.

import { type RankedPair, rankedPairs, type Solved, type StepView } from '@mortisect/core/plan';
import type { TreeView } from '@mortisect/core/present';
import type { PairReason } from '@mortisect/core/shaping';
import type { PlainKey } from '@mortisect/words';
import { limbIn } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useClock } from '../../data/useClock';
import { useSay } from '../../data/useSay';
import { useRecordAction } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Failed } from '../../ui/Failed';
import { Body, Section, Small } from '../../ui/type';

const REASON: Record<PairReason, PlainKey> = {
  sound: 'plan.pairSound',
  outward: 'plan.pairOutward',
  flatter: 'plan.pairFlatter',
  'by school': 'plan.pairSchool',
  'more bloom': 'plan.pairBloom',
  younger: 'plan.pairYounger',
};

export function TwoLimbs({ view, solved, stepView }: { view: TreeView; solved: Solved; stepView: StepView }) {
  const answered = stepView.step.solves.map(({ findingId }) => findingId);
  const pairs = rankedPairs(solved.prepared.input).filter(({ findingId }) => answered.includes(findingId));
  return pairs.map((pair) => <Pair key={pair.findingId} view={view} pair={pair} />);
}

function Pair({ view, pair }: { view: TreeView; pair: RankedPair }) {
  const say = useSay();
  const clock = useClock();
  const recording = useRecordAction();
  const name = (id: string) => limbIn(say, view.names.get(id) ?? id);
  const { staysId, goesId, because, forStays, forGoes } = pair;
  const reasons = (all: readonly PairReason[]) => all.map((reason) => say(REASON[reason])).join(', ');
  const bloom = (limbId: string, than: string) =>
    recording.record({ kind: 'bloomCompared', at: clock(), treeId: view.tree.id, limbId, than });
  return (
    <View gap={6}>
      <Section>{say('plan.whichOfTwoStays')}</Section>
      <Body>
        {because === null
          ? say('plan.nothingTellsThemApart')
          : say('plan.ratherStays', { limb: name(staysId), reason: say(REASON[because]) })}
      </Body>
      {forStays.length > 1 ? (
        <Small>{say('plan.speaksForIt', { limb: name(staysId), reasons: reasons(forStays) })}</Small>
      ) : null}
      {forGoes.length > 0 ? (
        <Small>{say('plan.speaksForIt', { limb: name(goesId), reasons: reasons(forGoes) })}</Small>
      ) : null}
      <View flexDirection="row" flexWrap="wrap" gap={8}>
        {(
          [
            [staysId, goesId],
            [goesId, staysId],
          ] as const
        ).map(([limbId, than]) => (
          <Button
            key={limbId}
            kind="quiet"
            disabled={recording.isPending}
            onPress={() => bloom(limbId, than)}
          >
            {say('plan.moreBloomOn', { limb: name(limbId) })}
          </Button>
        ))}
      </View>
      <Failed title={say('shared.notRecordedYet')} error={recording.error} />
    </View>
  );
}
