// Archives of the first version held the orchard as it stood, in one JSON object: each record becomes the line of its present revision.

import { ARCHIVE_KIND, ARCHIVE_VERSION } from '@mortisect/contracts/archive';
import { unsaid } from '@mortisect/words';
import { issueUnsaid } from '@mortisect/words/trade';
import { v7 as newId } from 'uuid';
import { z } from 'zod';
import { notRead } from '../refusal';
import { BEGINNING } from '../services/history';

const Stamped = z.looseObject({ revision: z.number(), by: z.string(), receivedAt: z.string() });
const Named = z.looseObject({ id: z.string(), name: z.string() });

const ArchiveOne = z.object({
  writtenAt: z.string(),
  site: z.looseObject({}),
  plots: z.array(Named),
  rows: z.array(Named),
  trees: z.array(
    z.object({
      id: z.string(),
      tree: z.looseObject({}),
      limbs: z.unknown(),
      limbsRevision: z.number(),
      surveyedAt: z.string(),
      findings: z.array(Stamped.extend({ id: z.string(), treeId: z.string(), seenAt: z.string() })),
      actions: z.array(
        z.looseObject({
          id: z.string(),
          action: z.looseObject({ at: z.string() }),
          by: z.string(),
          receivedAt: z.string(),
        }),
      ),
      jobs: z.array(Stamped.extend({ id: z.string(), treeId: z.string() })),
    }),
  ),
});

/** @throws {HttpProblem} 422 with the field that is wrong */
export function upgraded(json: unknown): object[] {
  const read = ArchiveOne.safeParse(json);
  if (!read.success) {
    const [issue] = read.error.issues;
    throw notRead(issueUnsaid(issue, unsaid('problem.file')));
  }
  const { writtenAt, site, plots, rows, trees } = read.data;
  const orchardId = newId();
  let seq = 0;
  const line = (recordId: string, value: object, more: object = {}) => ({
    is: 'history',
    orchardId,
    seq: ++seq,
    at: writtenAt,
    receivedAt: writtenAt,
    recordId,
    revision: 1,
    treeId: null,
    deviceId: BEGINNING,
    by: 'Archive',
    value,
    ...more,
  });
  const lines = [
    line('site', { kind: 'site', site }),
    ...plots.map(({ id, ...plot }, position) => line(id, { kind: 'plot', plot: { ...plot, position } })),
    ...rows.map(({ id, ...row }, position) => line(id, { kind: 'row', row: { ...row, position } })),
    ...trees.flatMap(({ id: treeId, tree, limbs, limbsRevision, surveyedAt, ...records }) => [
      line(treeId, { kind: 'tree', tree }, { treeId }),
      line(treeId, { kind: 'limbs', limbs }, { treeId, revision: limbsRevision, at: surveyedAt }),
      ...records.findings.map(({ id, state: _state, revision, by, receivedAt, ...finding }) =>
        line(id, { kind: 'finding', finding }, { treeId, revision, by, receivedAt, at: finding.seenAt }),
      ),
      ...records.actions.map(({ id, action, by, receivedAt }) =>
        line(id, { kind: 'action', action }, { treeId, by, receivedAt, at: action.at }),
      ),
      ...records.jobs.map(({ id, revision, by, receivedAt, ...job }) =>
        line(id, { kind: 'job', job }, { treeId, revision, by, receivedAt, at: receivedAt }),
      ),
    ]),
  ];
  return [
    { is: 'archive', kind: ARCHIVE_KIND, version: ARCHIVE_VERSION, orchardId },
    ...lines,
    { is: 'end', orchardId, lines: lines.length },
  ];
}
