// Lesions that no saw answers: the honest choices, what was decided, and the word of the caretaker kept with it.

import type { Decision } from '@mortisect/core/cuts';
import { disorderOf } from '@mortisect/core/disorders';
import { tapeText } from '@mortisect/core/measure';
import { decisionOn, type SiteToday, type TreeView } from '@mortisect/core/present';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { useClock } from '../../data/useClock';
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
  const open = view.cuts.decisions.filter(({ lesionId }) => !except.includes(lesionId));
  if (open.length === 0) return null;
  return (
    <View gap={12}>
      <Section>Decisions</Section>
      {open.map((decision) => (
        <OneDecision key={decision.lesionId} view={view} today={today} decision={decision} />
      ))}
    </View>
  );
}

type ChoiceWord = Decision['choices'][number];

const CHOICE_WORDS: Record<ChoiceWord, string> = {
  excise: 'Excise it',
  bridge: 'Bridge-graft',
  watch: 'Watch',
  'remove tree': 'Remove the tree',
  'lower the leader': 'Lower the leader',
  'top-work': 'Top-work it',
};

function OneDecision({ view, today, decision }: { view: TreeView; today: SiteToday; decision: Decision }) {
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
        {disorder?.name ?? finding.disorder} on{' '}
        {decision.wood === 'trunk'
          ? 'the trunk'
          : decision.wood === 'leader'
            ? 'the leader'
            : 'the rootstock'}
        , {tapeText(finding.fromCm, today.units)} to {tapeText(finding.toCm, today.units)}. No cut answers it.
      </Body>
      <Body>{disorder?.onTrunk}</Body>
      {decided ? (
        <Notice kind="said" title={`Decided: ${CHOICE_WORDS[decided.choice]}`}>
          It stays open until the wood is sound or gone. Choose again to change your mind.
        </Notice>
      ) : null}
      <Choice<ChoiceWord>
        label="What will be done?"
        layout="wrap"
        options={decision.choices.map((value) => ({ value, label: CHOICE_WORDS[value] }))}
        value={draft ?? decided?.choice ?? null}
        onChange={setDraft}
      />
      {draft && draft !== decided?.choice ? (
        <View flexDirection="row">
          <Button kind="main" onPress={decide} disabled={recording.isPending}>
            Set this decision
          </Button>
        </View>
      ) : null}
      <Failed title="Not saved yet" error={recording.error} />
      <Small>
        Removing, excising and bridging are set out here only as choices: ask an advisory service or a
        licensed arborist first.
      </Small>
    </View>
  );
}
