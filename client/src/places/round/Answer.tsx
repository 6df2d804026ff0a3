// The answer to a lesion: the cut in a sentence, or the decision where no cut position answers it.

import type { Cut, Decision, ReasonNotToCut } from '@mortisect/core/cuts';
import { disorderOf } from '@mortisect/core/disorders';
import { judgedAt, type SiteToday, type TreeView, telling } from '@mortisect/core/present';
import { cutSentence, leftWords, limbInText, told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useSay } from '../../data/useSay';
import { Button } from '../../ui/Button';
import { Body } from '../../ui/type';
import { Cautions } from '../Cautions';
import { Sentence } from '../Sentence';

/** The cut of a lesion, and the one that takes its wood where it is swallowed. */
export function cutOf(view: TreeView, lesionId: string): { own: Cut; taker: Cut | null } | null {
  const ownCut = view.cuts.cuts.find((cut) => cut.lesionIds.includes(lesionId));
  if (!ownCut) return null;
  return {
    own: ownCut,
    taker: ownCut.swallowedBy === null ? null : (view.cuts.cuts[ownCut.swallowedBy] ?? null),
  };
}

interface AnswerProps {
  view: TreeView;
  today: SiteToday;
  lesionId: string;
  onWhy(): void;
}

export function Answer({ view, today, lesionId, onWhy }: AnswerProps) {
  const say = useSay();
  const uncut = view.cuts.uncut.find((uncut) => uncut.findingId === lesionId);
  if (uncut) return <UncutWords view={view} lesionId={lesionId} why={uncut.why} />;
  const decision = view.cuts.decisions.find((decision) => decision.lesionId === lesionId);
  if (decision) return <DecisionWords view={view} decision={decision} />;
  const answer = cutOf(view, lesionId);
  if (!answer) return null;
  const { own, taker } = answer;
  const { cautions } = judgedAt(view, taker ?? own, today).handling;
  return (
    <View gap={8}>
      <Cautions list={cautions.filter((caution) => caution.kind === 'hand over')} />
      <Sentence phrases={cutSentence(say, own, telling(view, today))} />
      {taker ? (
        <Body>
          {say('round.theCutOnRemovesThisWoodToo', {
            get: limbInText(say, view.names.get(taker.limbId) ?? taker.limbId),
          })}
        </Body>
      ) : null}
      <View flexDirection="row">
        <Button kind="quiet" paddingHorizontal={0} onPress={onWhy}>
          {say('round.whyHereAndOtherSchools')}
        </Button>
      </View>
      <Cautions list={cautions.filter((caution) => caution.kind === 'care')} />
    </View>
  );
}

/** Findings that ask for no cut, or not yet, and what is done instead. */
function UncutWords({ view, lesionId, why }: { view: TreeView; lesionId: string; why: ReasonNotToCut }) {
  const say = useSay();
  const finding = view.considered.find((finding) => finding.id === lesionId);
  const instead = finding ? told(say, disorderOf(finding.disorder)?.instead) : undefined;
  return (
    <View gap={8}>
      <Body fontSize="$18" lineHeight="$18">
        {leftWords(say, why)}
      </Body>
      {(why === 'wait' || why === 'leave') && instead ? <Body>{instead}</Body> : null}
    </View>
  );
}

const WOOD = {
  trunk: 'round.trunkWood',
  leader: 'shared.theLeader',
  rootstock: 'shared.theRootstock',
} as const;

function DecisionWords({ view, decision }: { view: TreeView; decision: Decision }) {
  const say = useSay();
  const code = view.considered.find((finding) => finding.id === decision.lesionId)?.disorder ?? '';
  return (
    <View gap={8}>
      <Body fontSize="$18" lineHeight="$18">
        {say('round.thisLiesOnNoCutAnswersIt', { wood: say(WOOD[decision.wood]) })}{' '}
        {decision.choices.map((each) => told(say, each)).join(', ')}.
      </Body>
      <Body>{told(say, disorderOf(code)?.onTrunk)}</Body>
    </View>
  );
}
