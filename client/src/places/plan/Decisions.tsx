// Lesions that no saw answers: the honest choices, what was decided, and the word of the caretaker kept with it.

import type { Decision } from '@mortisect/core/cuts';
import { disorderOf } from '@mortisect/core/disorders';

import { decisionOn, type SiteToday, type TreeView } from '@mortisect/core/present';
import type { PlainKey } from '@mortisect/words';
import { tapeText, told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { useClock } from '../../data/useClock';
import { useSay } from '../../data/useSay';
import { useRecordAction } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Failed } from '../../ui/Failed';
import { Notice } from '../../ui/Notice';
import { Body, Section, Small } from '../../ui/type';

interface DecisionsProps {
  view: TreeView;
  today: SiteToday;
  /** Findings that the plan has a verdict on already. */
  except: readonly string[];
}

export function Decisions({ view, today, except }: DecisionsProps) {
  const say = useSay();
  const open = view.cuts.decisions.filter(({ lesionId }) => !except.includes(lesionId));
  if (open.length === 0) return null;
  return (
    <View gap={12}>
      <Section>{say('plan.decisions')}</Section>
      {open.map((decision) => (
        <OneDecision key={decision.lesionId} view={view} today={today} decision={decision} />
      ))}
    </View>
  );
}

type ChoiceWord = Decision['choices'][number];

const CHOICE_WORDS: Record<ChoiceWord, PlainKey> = {
  excise: 'plan.exciseIt',
  bridge: 'plan.bridgeGraft',
  watch: 'plan.watch',
  'remove tree': 'plan.removeTheTree',
  'lower the leader': 'plan.lowerTheLeader',
  'top-work': 'plan.topWorkIt',
};

function OneDecision({ view, today, decision }: { view: TreeView; today: SiteToday; decision: Decision }) {
  const say = useSay();
  const clock = useClock();
  const recording = useRecordAction();
  const finding = view.findings.find((finding) => finding.id === decision.lesionId);
  const decided = decisionOn(view, decision.lesionId);
  const [draft, setDraft] = useState<ChoiceWord | null>(null);
  if (!finding) return null;
  const disorder = disorderOf(finding.disorder);
  const decide = () => {
    if (!draft) return;
    recording.record({
      kind: 'decided',
      at: clock(),
      treeId: view.tree.id,
      findingIds: [decision.lesionId],
      choice: draft,
      note: '',
    });
  };
  return (
    <View gap={8}>
      <Body>
        {say('plan.on', { disorder: told(say, disorder?.name) ?? finding.disorder })}{' '}
        {say('plan.toNoCutAnswersIt', {
          more:
            decision.wood === 'trunk'
              ? say('plan.theTrunk')
              : decision.wood === 'leader'
                ? say('shared.theLeader')
                : say('shared.theRootstock'),
          tape: tapeText(say, finding.fromCm, today.units),
          tape2: tapeText(say, finding.toCm, today.units),
        })}
      </Body>
      <Body>{told(say, disorder?.onTrunk)}</Body>
      {decided ? (
        <Notice kind="said" title={say('plan.decided', { choiceWords: say(CHOICE_WORDS[decided.choice]) })}>
          {say('plan.itStaysOpenUntilTheWoodIs')}
        </Notice>
      ) : null}
      <Choice<ChoiceWord>
        label={say('plan.whatWillBeDone')}
        layout="wrap"
        options={decision.choices.map((value) => ({ value, label: say(CHOICE_WORDS[value]) }))}
        value={draft ?? decided?.choice ?? null}
        onChange={setDraft}
      />
      {draft && draft !== decided?.choice ? (
        <View flexDirection="row">
          <Button kind="main" onPress={decide} disabled={recording.isPending}>
            {say('plan.setThisDecision')}
          </Button>
        </View>
      ) : null}
      <Failed title={say('shared.notSavedYet')} error={recording.error} />
      <Small>{say('plan.removingExcisingAndBridgingAreSetOut')}</Small>
    </View>
  );
}
