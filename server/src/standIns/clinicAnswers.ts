// The simulated plant clinic answers after a while, and errs as often as it states.

import { causeCodes } from '@mortisect/core/diagnosis';
import { DisorderCode } from '@mortisect/core/disorders';
import { FindingBody } from '@mortisect/core/records';
import { eq } from 'drizzle-orm';
import { v7 as newId } from 'uuid';
import { writeAction } from '../services/actions';
import { writeFinding } from '../services/findings';
import type { Store } from '../store/openDb';
import { findings, samples } from '../store/schema';
import { CLINIC, FALSE_NAMING, randomOf, SENSITIVITY } from './clinic';

/**
 * Answers a sample: as an action, and as a new revision of the finding where a cause is named.
 *
 * @param now the orchard's time, which the answer carries
 */
export async function answerSample(tx: Store, id: string, now: string): Promise<void> {
  const [sample] = await tx.select().from(samples).where(eq(samples.id, id));
  if (!sample) return;
  const { findingId, label, truth } = sample;
  const [row] = await tx.select().from(findings).where(eq(findings.id, findingId));
  if (!row) return;
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
