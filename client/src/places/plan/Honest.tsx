// What no plan answers: pins that clash, a tree that comes out, work for an arborist, and findings that are left.

import { disorderOf } from '@mortisect/core/disorders';
import type { Solved } from '@mortisect/core/plan';
import type { TreeView } from '@mortisect/core/present';
import { markOf } from '@mortisect/core/records';
import { lowerFirst } from '@mortisect/core/tree';
import { cautionWords, clashSentence, insteadWords, leftWords, verdictWords } from '@mortisect/core/words';
import { View } from '@tamagui/core';
import { useClock } from '../../data/useClock';
import { useRecordAction } from '../../data/writes';
import { Mark } from '../../drawings/marks';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { Body, Label, Section, Small } from '../../ui/type';
import { WithTerms } from '../Terms';
import { findingWords } from '../words';

const TITLES = {
  'remove tree': 'Remove the tree',
  'bridge graft': 'Bridge-graft the stem',
  'restart or remove': 'Too much must go',
} as const;

export function Clash({ view, solved }: { view: TreeView; solved: Solved }) {
  const { clash } = solved.plan;
  if (!clash) return null;
  const findings = new Map(
    view.findings.map((finding) => [
      finding.id,
      `${lowerFirst(disorderOf(finding.disorder)?.name ?? finding.disorder)} on ${lowerFirst(view.names.get(finding.limbId) ?? finding.limbId)}`,
    ]),
  );
  return (
    <Notice kind="caution" title="No plan keeps all of this">
      {`${clashSentence(clash, { names: view.names, findings })} Take one off below, and it is solved again.`}
    </Notice>
  );
}

export function VerdictNotice({ view, solved }: { view: TreeView; solved: Solved }) {
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
      <Notice kind={verdict.choice === 'remove tree' ? 'danger' : 'caution'} title={TITLES[verdict.choice]}>
        <WithTerms>{verdictWords(verdict.because)}</WithTerms>
      </Notice>
      {verdict.choice === 'remove tree' ? (
        <Body>
          With stump and, where the rootstock is infected, with its roots. A whole tree is felled by somebody
          trained for it: a licensed arborist. Protected trees and nesting birds: ask first.
        </Body>
      ) : null}
      {verdict.instead.map((choice) => (
        <View key={choice} flexDirection="row" alignItems="center" gap={12}>
          <Body flex={1}>{insteadWords(verdict, choice)}</Body>
          <Button
            onPress={() => decide(choice)}
            disabled={recording.isPending}
            aria-label={`Decide: ${choice}`}
          >
            Choose this
          </Button>
        </View>
      ))}
    </View>
  );
}

/** Findings that stay, each with why; and those whose own cut a larger one makes needless. */
export function LeftAsIs({ view, solved }: { view: TreeView; solved: Solved }) {
  const { left, swallowed } = solved.plan;
  const takerOf = (candidateId: string) => {
    const priced = solved.prepared.all.find((each) => each.id === candidateId);
    return view.names.get(priced?.kerf?.limbId ?? '') ?? '';
  };
  const rows = [
    ...swallowed.map(({ findingId, candidateId }) => ({
      findingId,
      words: `The cut on ${lowerFirst(takerOf(candidateId))} removes it too.`,
    })),
    ...left
      .filter(({ why }) => why !== 'decision')
      .map(({ findingId, why }) => ({
        findingId,
        words:
          why === 'hand over' ? handOverWords(solved, findingId) : insteadOf(view, findingId, leftWords(why)),
      })),
  ];
  if (rows.length === 0) return null;
  return (
    <View gap={8}>
      <Section>Findings without a cut</Section>
      {rows.map(({ findingId, words }) => {
        const finding = view.findings.find((finding) => finding.id === findingId);
        if (!finding) return null;
        return (
          <View key={findingId} flexDirection="row" gap={12} alignItems="flex-start">
            <Mark kind={markOf(finding)} />
            <View flex={1} minWidth={0}>
              <Label>{`${findingWords([finding])}, ${finding.limbName}`}</Label>
              <Small>{words}</Small>
            </View>
          </View>
        );
      })}
    </View>
  );
}

/** Why it is work for an arborist: what speaks against the smallest of its cuts. */
function handOverWords({ prepared }: Solved, findingId: string): string {
  const answering = prepared.all.filter((priced) =>
    priced.candidate.answers.some((answer) => answer.findingId === findingId),
  );
  const smallest = answering.toSorted((a, b) => (a.handling?.massKg ?? 0) - (b.handling?.massKg ?? 0))[0];
  const texts =
    smallest?.handling?.cautions.filter(({ kind }) => kind === 'hand over').map(cautionWords) ?? [];
  return [leftWords('hand over'), ...texts].join(' ');
}

function insteadOf(view: TreeView, findingId: string, words: string): string {
  const uncut = view.cuts.uncut.find((uncut) => uncut.findingId === findingId);
  const finding = view.findings.find((finding) => finding.id === findingId);
  const instead =
    uncut && finding && (uncut.why === 'wait' || uncut.why === 'leave')
      ? disorderOf(finding.disorder)?.instead
      : undefined;
  return instead ? `${words} ${instead}` : words;
}
