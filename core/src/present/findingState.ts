// Is a finding open? Its own word and what was done decide, in whatever order they arrive.
import type { Action, ActionBody, ActionOf, Finding, TreeDetail } from '../records/index';
import { standingActions } from './done';

/** Kinds of action that answer findings: a cut, and a step without a saw. */
export const answerKinds = ['cutMade', 'stepDone'] as const satisfies readonly ActionBody['kind'][];
type Answer = ActionOf<(typeof answerKinds)[number]>;

/** Whether it answers findings, as long as nobody takes it back. */
export function isAnswer(action: ActionBody): action is Answer {
  return (answerKinds as readonly string[]).includes(action.kind);
}

/** Ids of the findings that something answers which was done and not taken back. */
export function answeredFindings(actions: readonly Action[]): Set<string> {
  return new Set(
    standingActions(actions).flatMap(({ action }) => (isAnswer(action) ? action.findingIds : [])),
  );
}

/** @param answered ids, as `answeredFindings` tells them */
export function findingState(
  finding: Pick<Finding, 'id' | 'withdrawn'>,
  answered: ReadonlySet<string>,
): Finding['state'] {
  if (finding.withdrawn) return 'withdrawn';
  return answered.has(finding.id) ? 'closed' : 'open';
}

/** The findings of a tree, each in the state that follows from what was done. */
export function withStates(findings: readonly Finding[], actions: readonly Action[]): Finding[] {
  const answered = answeredFindings(actions);
  return findings.map((finding) => {
    const state = findingState(finding, answered);
    return finding.state === state ? finding : { ...finding, state };
  });
}

/** Findings that were open at a moment: seen by then, and not answered until later. What was taken back as a mistake never was. */
export function findingsOpenAt(
  { findings, actions }: Pick<TreeDetail, 'findings' | 'actions'>,
  at: string,
): Finding[] {
  const by = (moment: string) => Date.parse(moment) <= Date.parse(at);
  const answered = answeredFindings(standingActions(actions).filter(({ action }) => by(action.at)));
  return findings.filter((finding) => by(finding.seenAt) && findingState(finding, answered) === 'open');
}
