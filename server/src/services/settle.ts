// Brings the findings of a tree in line with what was done on it, inside the transaction that wrote either.
import { answeredFindings, answerKinds, findingState } from '@mortisect/core/present';
import { and, eq, inArray } from 'drizzle-orm';
import type { Store } from '../store/openDb';
import { actions, findings } from '../store/schema';
import { asAction } from './orchard';

/** Ids of the findings of a tree that something answers which was done and not taken back. */
export async function answeredOn(tx: Store, treeId: string): Promise<Set<string>> {
  const done = await tx
    .select()
    .from(actions)
    .where(and(eq(actions.treeId, treeId), inArray(actions.kind, [...answerKinds])));
  return answeredFindings(done.map(asAction));
}

/** Every finding of the tree gets the state that follows from its own word and from what was done. */
export async function settleFindings(tx: Store, treeId: string): Promise<void> {
  const answered = await answeredOn(tx, treeId);
  const rows = await tx.select().from(findings).where(eq(findings.treeId, treeId));
  for (const { id, state, value } of rows) {
    const now = findingState({ id, withdrawn: value.withdrawn }, answered);
    if (now !== state) await tx.update(findings).set({ state: now }).where(eq(findings.id, id));
  }
}
