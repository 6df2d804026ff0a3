// What no plan answers: pins that clash, a tree that comes out, and findings that are left.

import { disorderOf } from '@mortisect/core/disorders';
import type { Solved } from '@mortisect/core/plan';
import type { TreeView } from '@mortisect/core/present';
import { markOf } from '@mortisect/core/records';
import { lowerFirst } from '@mortisect/core/tree';
import type { Say } from '@mortisect/words';
import {
  clashSentence,
  insteadWords,
  leftWords,
  limbIn,
  limbInText,
  told,
  verdictWords,
} from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useClock } from '../../data/useClock';
import { useSay } from '../../data/useSay';
import { useRecordAction } from '../../data/writes';
import { Mark } from '../../drawings/marks';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { Body, Label, Section, Small } from '../../ui/type';
import { WithTerms } from '../Terms';
import { findingWords } from '../words';

const TITLES = {
  'remove tree': 'plan.removeTheTree',
  'bridge graft': 'plan.bridgeGraftTheStem',
  'restart or remove': 'plan.tooMuchMustGo',
} as const;

export function Clash({ view, solved }: { view: TreeView; solved: Solved }) {
  const say = useSay();
  const { clash } = solved.plan;
  if (!clash) return null;
  const findings = new Map(
    view.findings.map((finding) => [
      finding.id,
      say('plan.on2', {
        disorder: lowerFirst(told(say, disorderOf(finding.disorder)?.name) ?? finding.disorder),
        get: limbInText(say, view.names.get(finding.limbId) ?? finding.limbId),
      }),
    ]),
  );
  return (
    <Notice kind="caution" title={say('plan.noPlanKeepsAllOfThis')}>
      {say('plan.takeOneOffBelowAndItIs', {
        clashSentence: clashSentence(say, clash, { names: view.names, findings }),
      })}
    </Notice>
  );
}

export function VerdictNotice({ view, solved }: { view: TreeView; solved: Solved }) {
  const say = useSay();
  const clock = useClock();
  const recording = useRecordAction();
  const { verdict } = solved.plan;
  if (!verdict) return null;
  const decide = (choice: (typeof verdict.instead)[number]) =>
    recording.record({
      kind: 'decided',
      at: clock(),
      treeId: view.tree.id,
      findingIds: verdict.findingIds,
      choice,
      note: '',
    });
  return (
    <View gap={8}>
      <Notice
        kind={verdict.choice === 'remove tree' ? 'danger' : 'caution'}
        title={say(TITLES[verdict.choice])}
      >
        <WithTerms>{verdictWords(say, verdict.because)}</WithTerms>
      </Notice>
      {verdict.choice === 'remove tree' ? <Body>{say('plan.withStumpAndWhereTheRootstockIs')}</Body> : null}
      {verdict.instead.map((choice) => (
        <View key={choice} flexDirection="row" alignItems="center" gap={12}>
          <Body flex={1}>{insteadWords(say, verdict, choice)}</Body>
          <Button
            onPress={() => decide(choice)}
            disabled={recording.isPending}
            aria-label={say('plan.decide', { choice: told(say, choice) })}
          >
            {say('plan.chooseThis')}
          </Button>
        </View>
      ))}
    </View>
  );
}

/** Findings that stay, each with why; and those whose own cut a larger one makes needless. */
export function LeftAsIs({ view, solved }: { view: TreeView; solved: Solved }) {
  const say = useSay();
  const { left, swallowed } = solved.plan;
  const takerOf = (candidateId: string) => {
    const priced = solved.prepared.all.find((each) => each.id === candidateId);
    return limbIn(say, view.names.get(priced?.kerf?.limbId ?? '') ?? '');
  };
  const rows = [
    ...swallowed.map(({ findingId, candidateId }) => ({
      findingId,
      words: say('plan.theCutOnRemovesItToo', { taker: lowerFirst(takerOf(candidateId)) }),
    })),
    ...left
      // The arborist’s part and decisions stand by themselves
      .filter(({ why }) => why !== 'decision' && why !== 'hand over')
      .map(({ findingId, why }) => ({
        findingId,
        words: insteadOf(say, view, findingId, leftWords(say, why)),
      })),
  ];
  if (rows.length === 0) return null;
  return (
    <View gap={8}>
      <Section>{say('plan.findingsWithoutACut')}</Section>
      {rows.map(({ findingId, words }) => {
        const finding = view.findings.find((finding) => finding.id === findingId);
        if (!finding) return null;
        return (
          <View key={findingId} flexDirection="row" gap={12} alignItems="flex-start">
            <Mark kind={markOf(finding)} />
            <View flex={1} minWidth={0}>
              <Label>{`${findingWords(say, [finding])}, ${limbIn(say, finding.limbName)}`}</Label>
              <Small>{words}</Small>
            </View>
          </View>
        );
      })}
    </View>
  );
}

function insteadOf(say: Say, view: TreeView, findingId: string, words: string): string {
  const uncut = view.cuts.uncut.find((uncut) => uncut.findingId === findingId);
  const finding = view.findings.find((finding) => finding.id === findingId);
  const instead =
    uncut && finding && (uncut.why === 'wait' || uncut.why === 'leave')
      ? told(say, disorderOf(finding.disorder)?.instead)
      : undefined;
  return instead ? `${words} ${instead}` : words;
}
