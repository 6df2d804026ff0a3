// The simulated plant clinic answers after a while, and errs as often as it states.

import { causeCodes } from '@mortisect/core/diagnosis';
import { DisorderCode } from '@mortisect/core/disorders';
import { FindingBody } from '@mortisect/core/records';
import { and, eq, lte } from 'drizzle-orm';
import { v7 as newId } from 'uuid';
import { writeAction } from '../services/actions';
import { writeFinding } from '../services/findings';
import type { Db, Store } from '../store/openDb';
import { findings, samples } from '../store/schema';
import { CLINIC, FALSE_NAMING, randomOf, SENSITIVITY } from './clinic';

/**
 * Answers the samples that are due: as an action, and as a new revision of the finding where a cause is named.
 *
 * @param before samples taken in by then are due, ISO, by the clinic's own clock: it runs on although an orchard may stand at a fixed day
 * @param now the orchard's time, which the answer carries
 * @returns how many were answered
 */
export async function answerDue(db: Db, before: string, now: string): Promise<number> {
  const due = await db
    .select()
    .from(samples)
    .where(and(eq(samples.answered, false), lte(samples.takenAt, before)));
  for (const sample of due) await db.transaction((tx) => answer(tx, sample, now));
  return due.length;
}

async function answer(
  tx: Store,
  { id, findingId, label, truth }: typeof samples.$inferSelect,
  now: string,
): Promise<void> {
  // Claimed first, so that of two processes only one answers
  const claimed = await tx
    .update(samples)
    .set({ answered: true })
    .where(and(eq(samples.id, id), eq(samples.answered, false)))
    .returning();
  const [row] = await tx.select().from(findings).where(eq(findings.id, findingId));
  if (claimed.length === 0 || !row) return;
  const result = resultOf(truth, randomOf(`${id}1`));
  await writeAction(tx, {
    id: newId(),
    action: {
      kind: 'sampleAnswered',
      at: now,
      treeId: row.treeId,
      findingId,
      sampleId: id,
      label,
      evidence: { result, sensitivity: SENSITIVITY, falseNaming: FALSE_NAMING },
    },
    device: CLINIC,
    now,
  });
  const finding = FindingBody.parse(row.value);
  if (result === null || finding.withdrawn || finding.disorder === result) return;
  await writeFinding(tx, {
    id: findingId,
    baseRevision: row.revision,
    finding: { ...finding, disorder: result },
    device: CLINIC,
    now,
  });
}

const NAMEABLE = causeCodes.filter((code) => DisorderCode.safeParse(code).success);

function resultOf(truth: string, random: () => number): string | null {
  const isDisorder = DisorderCode.safeParse(truth).success;
  if (isDisorder && random() < SENSITIVITY) return truth;
  if (random() >= FALSE_NAMING) return null;
  const others = NAMEABLE.filter((code) => code !== truth);
  return others[Math.floor(random() * others.length)] ?? null;
}
