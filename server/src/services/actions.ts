// What was done in the field. An action is never edited; another one undoes it.

import { isDeepStrictEqual } from 'node:util';
import { happenedAt, isAnswer } from '@mortisect/core/present';
import type { Action, ActionBody } from '@mortisect/core/records';
import { wholeId } from '@mortisect/core/tree';
import { unsaid } from '@mortisect/words';
import { and, eq, inArray } from 'drizzle-orm';
import { doesNotFit, moved } from '../refusal';
import { CLINIC, takeSample } from '../standIns/clinic';
import { type Db, type Store, writing } from '../store/openDb';
import { actions, findings, trees } from '../store/schema';
import type { Device } from './devices';
import { append } from './history';
import { asAction } from './orchard';
import { settleFindings } from './settle';

interface ActionWrite {
  id: string;
  action: ActionBody;
  device: Device;
  now: string;
}

/** Sent twice it counts once; the same id with other content is refused with both versions. */
export function putAction(db: Db, write: ActionWrite): Promise<Action> {
  return writing(db, (tx) => writeAction(tx, write));
}

/** One action inside a transaction that does more. */
export async function writeAction(tx: Store, { id, action, device, now }: ActionWrite): Promise<Action> {
  if (action.kind === 'sampleAnswered' && device.id !== CLINIC.id) {
    throw doesNotFit('kind', unsaid('problem.onlyClinic'));
  }
  const treeId = await treeOf(tx, action);
  const at = happenedAt(action.at, now);
  const [kept] = await tx
    .insert(actions)
    .values({
      id,
      treeId,
      kind: action.kind,
      at,
      value: action,
      undone: false,
      by: device.name,
      receivedAt: now,
    })
    .onConflictDoNothing()
    .returning();
  if (!kept) return repeated(tx, id, action);
  await carryOut(tx, id, action, treeId);
  await append(tx, {
    at,
    receivedAt: now,
    recordId: id,
    revision: 1,
    treeId,
    deviceId: device.id,
    by: device.name,
    value: { kind: 'action', action },
  });
  return asAction(kept);
}

async function repeated(tx: Store, id: string, action: ActionBody): Promise<Action> {
  const [row] = await tx.select().from(actions).where(eq(actions.id, id));
  if (row && isDeepStrictEqual(row.value, action)) return asAction(row);
  throw moved(action, row ? asAction(row) : null);
}

async function treeOf(tx: Store, action: ActionBody): Promise<string | null> {
  if (!('treeId' in action) && action.kind !== 'undone') return null;
  if (action.kind === 'undone') {
    const [row] = await tx.select().from(actions).where(eq(actions.id, action.actionId));
    if (!row) throw doesNotFit('actionId', unsaid('problem.noSuchAction'));
    if (row.value.kind === 'undone') throw doesNotFit('actionId', unsaid('problem.undoOfUndo'));
    return row.treeId;
  }
  const [tree] = await tx.select({ limbs: trees.limbs }).from(trees).where(eq(trees.id, action.treeId));
  if (!tree) throw doesNotFit('treeId', unsaid('problem.treeElsewhere', { tree: action.treeId }));
  if (action.kind === 'cutMade' && !tree.limbs.some((limb) => limb.id === wholeId(action.cut.limbId))) {
    throw doesNotFit('cut.limbId', unsaid('problem.limbElsewhere', { limb: action.cut.limbId }));
  }
  const named = findingsNamed(action);
  if (named.length === 0) return action.treeId;
  const findingsOfTree = await tx
    .select({ id: findings.id })
    .from(findings)
    .where(and(eq(findings.treeId, action.treeId), inArray(findings.id, named)));
  const findingIds = new Set(findingsOfTree.map(({ id }) => id));
  const missing = named.findIndex((id) => !findingIds.has(id));
  if (missing >= 0) {
    const path = 'findingIds' in action ? `findingIds[${missing}]` : 'findingId';
    throw doesNotFit(path, unsaid('problem.findingElsewhere'));
  }
  return action.treeId;
}

function findingsNamed(action: ActionBody): string[] {
  if ('findingIds' in action) return action.findingIds;
  return 'findingId' in action ? [action.findingId] : [];
}

/** Brings the present in line: what an action answers is closed, what it took back is open again unless something else answers it. */
async function carryOut(tx: Store, id: string, action: ActionBody, treeId: string | null): Promise<void> {
  if (action.kind === 'sampleSent') return takeSample(tx, id, action);
  const changed =
    action.kind === 'undone'
      ? (await tx.update(actions).set({ undone: true }).where(eq(actions.id, action.actionId)).returning())[0]
          ?.value
      : action;
  if (treeId !== null && changed && isAnswer(changed)) await settleFindings(tx, treeId);
}
