// Findings: made on a phone, sent as often as it takes, edited on a revision.

import { isDeepStrictEqual } from 'node:util';
import { findingState, happenedAt } from '@mortisect/core/present';
import { type Finding, FindingBody } from '@mortisect/core/records';
import { wholeId } from '@mortisect/core/tree';
import { unsaid } from '@mortisect/words';
import { eq, sql } from 'drizzle-orm';
import { doesNotFit, moved, notThere } from '../refusal';
import { type Db, type Store, writing } from '../store/openDb';
import { findings, trees } from '../store/schema';
import type { Device } from './devices';
import { append } from './history';
import { asFinding } from './orchard';
import { answeredOn } from './settle';
import { later } from './tasks';

interface FindingWrite {
  id: string;
  baseRevision: number | null;
  finding: FindingBody;
  device: Device;
  now: string;
}

/** Sent twice it counts once; made on an older revision it is refused with both versions. */
export function putFinding(db: Db, write: FindingWrite): Promise<Finding> {
  return writing(db, (tx) => writeFinding(tx, write));
}

/** One finding inside a transaction that does more. */
export async function writeFinding(
  tx: Store,
  { id, baseRevision, finding, device, now }: FindingWrite,
): Promise<Finding> {
  const [row] = await tx.select().from(findings).where(eq(findings.id, id)).for('update');
  const before = row && FindingBody.parse(row.value);
  if (row && isDeepStrictEqual(before, finding)) return asFinding(row);
  if ((row?.revision ?? null) !== baseRevision) {
    if (!row) throw notThere(unsaid('problem.aFinding', { id }));
    throw moved(finding, asFinding(row));
  }
  await checkPlace(tx, finding);
  const answered = await answeredOn(tx, finding.treeId);
  const written = {
    treeId: finding.treeId,
    state: findingState({ id, withdrawn: finding.withdrawn }, answered),
    value: finding,
    revision: (row?.revision ?? 0) + 1,
    by: device.name,
    receivedAt: now,
  } as const;
  const [kept] = await tx
    .insert(findings)
    .values({ id, ...written })
    .onConflictDoUpdate({
      target: findings.id,
      set: written,
      setWhere: row ? eq(findings.revision, row.revision) : sql`false`,
    })
    .returning();
  if (!kept) throw moved(finding, await current(tx, id));
  await append(tx, {
    at: happenedAt(finding.seenAt, now),
    receivedAt: now,
    recordId: id,
    revision: kept.revision,
    treeId: finding.treeId,
    deviceId: device.id,
    by: device.name,
    value: { kind: 'finding', finding },
  });
  const removed = before?.photoIds.filter((photoId) => !finding.photoIds.includes(photoId)) ?? [];
  await later(tx, 'photo', removed, { findingId: id });
  return asFinding(kept);
}

async function checkPlace(tx: Store, finding: FindingBody): Promise<void> {
  const [tree] = await tx.select({ limbs: trees.limbs }).from(trees).where(eq(trees.id, finding.treeId));
  if (!tree) throw doesNotFit('finding.treeId', unsaid('problem.treeElsewhere', { tree: finding.treeId }));
  const limb = tree.limbs.find((limb) => limb.id === wholeId(finding.limbId));
  if (!limb) throw doesNotFit('finding.limbId', unsaid('problem.limbElsewhere', { limb: finding.limbId }));
  if (finding.toCm > limb.lengthCm) {
    throw doesNotFit(
      'finding.toCm',
      unsaid('problem.findingBeyond', { toCm: finding.toCm, lengthCm: limb.lengthCm }),
    );
  }
}

async function current(tx: Store, id: string): Promise<Finding | null> {
  const [row] = await tx.select().from(findings).where(eq(findings.id, id));
  return row ? asFinding(row) : null;
}
