// What stands now, folded from the history: in whatever order its lines come, and whatever some of them say.

import { type Action, HistoryLine, type HistoryValue } from '../records/index';
import { type Refusal, refusal } from '../refusal/index';
import { undoneIds } from './done';
import { answeredFindings, findingState } from './findingState';
import { asHappened } from './happened';

type Line<K extends HistoryValue['kind']> = Omit<HistoryLine, 'value'> & {
  value: Extract<HistoryValue, { kind: K }>;
};

export interface Present {
  site: Line<'site'> | null;
  /** By their ids, as all that follow. */
  plots: Map<string, Line<'plot'>>;
  rows: Map<string, Line<'row'>>;
  trees: Map<string, { tree: Line<'tree'>; limbs: Line<'limbs'>; rowId: string }>;
  findings: Map<string, Line<'finding'> & { state: 'open' | 'closed' | 'withdrawn' }>;
  actions: Map<string, Line<'action'> & { undone: boolean }>;
  jobs: Map<string, Line<'job'>>;
  /** Lines that stand in the history and lead to nothing, each with why; nothing is thrown away. */
  aside: { seq: number; why: Refusal }[];
}

/**
 * The latest revision of every record, with what follows from what was done. Of two lines with one revision of a record the earlier holds.
 *
 * @param lines as they are stored; what is not understood is put aside
 */
export function fold(lines: Iterable<unknown>): Present {
  const aside: Present['aside'] = [];
  const rowLines: Line<'row'>[] = [];
  const latest = latestOf(lines, aside, rowLines);
  const of = <K extends HistoryValue['kind']>(kind: K) =>
    (latest.get(kind) ?? new Map()) as Map<string, Line<K>>;
  const [plots, rows] = [of('plot'), of('row')];
  const rowIdOf = rowFinder(plots, rowLines);
  const trees: Present['trees'] = new Map();
  for (const [id, tree] of of('tree')) {
    const limbs = of('limbs').get(id);
    const rowId = rowIdOf(tree.value.tree.plot, tree.value.tree.row, tree.seq);
    if (!limbs) aside.push({ seq: tree.seq, why: refusal('treeWithoutMap', { tree: id }) });
    else if (rowId === null) aside.push({ seq: tree.seq, why: refusal('treeWithoutRow', { tree: id }) });
    else trees.set(id, { tree, limbs, rowId });
  }
  const standing = <K extends 'finding' | 'action' | 'job'>(kind: K) => {
    const kept = new Map<string, Line<K>>();
    for (const [id, line] of of(kind)) {
      if (line.treeId === null || trees.has(line.treeId)) kept.set(id, line);
      else aside.push({ seq: line.seq, why: refusal('lineWithoutTree', { tree: line.treeId }) });
    }
    return kept;
  };
  const actions = withUndone(standing('action'));
  const answered = answeredFindings([...actions].map(([id, line]) => actionOf(id, line)));
  const findings: Present['findings'] = new Map();
  for (const [id, line] of standing('finding')) {
    const state = findingState({ id, withdrawn: line.value.finding.withdrawn }, answered);
    findings.set(id, { ...line, state });
  }
  const [site] = of('site').values();
  aside.sort((a, b) => a.seq - b.seq);
  return { site: site ?? null, plots, rows, trees, findings, actions, jobs: standing('job'), aside };
}

function latestOf(
  lines: Iterable<unknown>,
  aside: Present['aside'],
  rowLines: Line<'row'>[],
): Map<string, Map<string, HistoryLine>> {
  const latest = new Map<string, Map<string, HistoryLine>>();
  for (const given of lines) {
    const read = HistoryLine.safeParse(given);
    if (!read.success) {
      aside.push({ seq: seqOf(given), why: whyNot(given, read.error.issues[0]) });
      continue;
    }
    // As it was written: what a later version fills in is not part of the record
    const line = { ...read.data, value: (given as HistoryLine).value };
    if (line.value.kind === 'row') rowLines.push(line as Line<'row'>);
    const records = latest.get(line.value.kind) ?? new Map<string, HistoryLine>();
    latest.set(line.value.kind, records);
    const before = records.get(line.recordId);
    const isLater =
      !before ||
      line.revision > before.revision ||
      (line.revision === before.revision && line.seq < before.seq);
    if (isLater) records.set(line.recordId, line);
  }
  return latest;
}

function seqOf(given: unknown): number {
  const seq = (given as { seq?: unknown } | null)?.seq;
  return typeof seq === 'number' ? seq : -1;
}

function whyNot(given: unknown, issue: { path: PropertyKey[] } | undefined): Refusal {
  const kind = (given as { value?: { kind?: unknown } } | null)?.value?.kind;
  return refusal('lineNotUnderstood', { kind: String(kind), field: issue?.path.join('.') ?? '' });
}

/**
 * Rows and plots are named, in capitals or not. A row is meant that had the name when it was written down; else the one that had it before: whoever
 * wrote had not heard yet that it is called otherwise.
 */
function rowFinder(plots: Present['plots'], rowLines: readonly Line<'row'>[]) {
  const key = (plot: string, row: string) => `${plot.toLowerCase()}\n${row.toLowerCase()}`;
  const named = new Map<string, { id: string; from: number; until: number }[]>();
  const byRow = new Map<string, Line<'row'>[]>();
  for (const line of rowLines) byRow.set(line.recordId, [...(byRow.get(line.recordId) ?? []), line]);
  for (const [id, lines] of byRow) {
    // Of two lines with one revision the earlier holds
    const bySeq = lines.toSorted((a, b) => a.seq - b.seq);
    const revisions = [...new Map(bySeq.toReversed().map((line) => [line.revision, line])).values()].toSorted(
      (a, b) => a.revision - b.revision,
    );
    revisions.forEach(({ seq, value }, i) => {
      const name = key(plots.get(value.row.plotId)?.value.plot.name ?? '', value.row.name);
      const until = revisions[i + 1]?.seq ?? Number.POSITIVE_INFINITY;
      named.set(name, [...(named.get(name) ?? []), { id, from: seq, until }]);
    });
  }
  return (plot: string, row: string, seq: number): string | null => {
    const had = named.get(key(plot, row)) ?? [];
    // Whoever has the name then keeps it longer than all who had it before
    const then = had.toSorted((a, b) => b.until - a.until).find(({ from }) => from < seq);
    // A line that comes before its row was written in another order than it happened
    return (then ?? had[0])?.id ?? null;
  };
}

function withUndone(lines: ReadonlyMap<string, Line<'action'>>): Present['actions'] {
  const undone = undoneIds([...lines].map(([id, line]) => actionOf(id, line)));
  return new Map([...lines].map(([id, line]) => [id, { ...line, undone: undone.has(id) }]));
}

/** An action as everything but the history reads it. @param id of its record */
export function actionOf(
  id: string,
  { value, undone = false, by, receivedAt }: Line<'action'> & { undone?: boolean },
): Action {
  return { id, action: asHappened(value.action, receivedAt), undone, by, receivedAt };
}
