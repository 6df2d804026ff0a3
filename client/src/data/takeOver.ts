// When the server has taken what waited here, what was read takes it over.
import { actionsWaiting, openWorkWith, withActions, withWaiting } from '@mortisect/core/present';
import type { Action, TreeDetail } from '@mortisect/core/records';
import type { Answer } from './api';
import { LISTED_TREES, listTaken } from './listedTrees';
import { orchardNow } from './moment';
import type { OutboxItem } from './outbox';
import { waitingOf } from './pending';
import { usePreferences } from './preferences';
import { keepIfItFits, knownTrees, queryClient, walkKnown } from './queryClient';
import { SEASON_PLAN } from './seasonPlan';
import { useTouched } from './touched';

const ORCHARD = [
  ['trees'],
  ['tree'],
  ['open-work'],
  LISTED_TREES,
  ['log'],
  ['round'],
  ['run'],
  ['aftercare'],
  ['jobs'],
  ['timing'],
  ['removed-photos'],
  ['deleted-trees'],
  SEASON_PLAN,
];

/** Brings what is shown in line with what the server took. */
export function refreshOrchard(): void {
  for (const queryKey of ORCHARD) void queryClient.invalidateQueries({ queryKey });
}

/** The server took it: what was read takes it over, then only what it bears on is read anew. @see openOutbox */
export function takeOver(item: OutboxItem, answer: unknown): void {
  if (answer === null) {
    refreshOrchard();
    return;
  }
  const waiting = waitingOf([item]);
  const { aheadMs } = queryClient.getQueryData<{ aheadMs: number }>(['health']) ?? {};
  const here = { person: usePreferences.getState().person, now: orchardNow(aheadMs) };
  const counts = new Map<string, number>();
  for (const [queryKey, detail] of queryClient.getQueriesData<TreeDetail>({ queryKey: ['tree'] })) {
    const after = detail && withWaiting(detail, waiting, here);
    if (!after || after === detail) continue;
    counts.set(after.tree.id, after.findings.filter((finding) => finding.state === 'open').length);
    queryClient.setQueryData(queryKey, after);
    keepIfItFits(queryKey);
    void queryClient.invalidateQueries({ queryKey });
  }
  useTouched.getState().touch([...counts.keys()]);
  listTaken(waiting, here);
  queryClient.setQueryData<Answer<'getOpenWork'>>(
    ['open-work'],
    (work) => work && openWorkWith(work, knownTrees(), walkKnown(), waiting, here),
  );
  for (const queryKey of [['round'], ['run'], ['aftercare']]) {
    queryClient.setQueryData<{ actions: Action[] }>(
      queryKey,
      (known) => known && { ...known, actions: withActions(known.actions, actionsWaiting(waiting, here)) },
    );
  }
  // The register of a large orchard is megabytes: its counts are brought in line here instead of being read anew
  queryClient.setQueryData<Answer<'getTrees'>>(
    ['trees'],
    (register) => register && counted(register, counts),
  );
  const read =
    item.route === 'putTree'
      ? ORCHARD
      : [
          ['round'],
          ['run'],
          ['aftercare'],
          ['log'],
          ['open-work'],
          LISTED_TREES,
          ['jobs'],
          ['timing'],
          ['removed-photos'],
          SEASON_PLAN,
        ];
  for (const queryKey of read) void queryClient.invalidateQueries({ queryKey });
}

function counted(register: Answer<'getTrees'>, counts: ReadonlyMap<string, number>): Answer<'getTrees'> {
  if (counts.size === 0) return register;
  const trees = register.trees.map((tree) => {
    const openFindings = counts.get(tree.id);
    return openFindings === undefined || openFindings === tree.openFindings
      ? tree
      : { ...tree, openFindings };
  });
  return { ...register, trees };
}
