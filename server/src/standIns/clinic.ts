// A plant clinic that is simulated and says so: it takes a sample in and knows the truth behind it.

import { causes, OTHER } from '@mortisect/core/diagnosis';
import { seasonOn } from '@mortisect/core/disorders';
import type { ActionOf } from '@mortisect/core/records';
import { FindingBody } from '@mortisect/core/records';
import { speciesOf } from '@mortisect/core/register';
import { unsaid } from '@mortisect/words';
import { eq } from 'drizzle-orm';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { doesNotFit } from '../refusal';
import { getSite } from '../services/site';
import { later } from '../services/tasks';
import type { Store } from '../store/openDb';
import { findings, samples, trees } from '../store/schema';

export { CLINIC } from '../services/devices';

/** What the clinic states of itself. Made up for the simulation. */
export const SENSITIVITY = 0.9;
export const FALSE_NAMING = 0.05;

/** Lets the truth behind a sample be drawn from what the signs leave open, so that now and then it is not the first cause. */
export async function takeSample(tx: Store, id: string, sent: ActionOf<'sampleSent'>): Promise<void> {
  const [row] = await tx
    .select({ finding: findings.value, tree: trees.value })
    .from(findings)
    .innerJoin(trees, eq(trees.id, findings.treeId))
    .where(eq(findings.id, sent.findingId));
  if (!row) throw doesNotFit('findingId', unsaid('problem.findingElsewhere'));
  const { site } = await getSite(tx);
  const host = speciesOf(row.tree.species)?.host;
  const { signs, seenAt, disorder } = FindingBody.parse(row.finding);
  const random = randomOf(id);
  const truth = host
    ? drawn(
        causes({
          host,
          season: seasonOn(seenAt.slice(0, 10), site.latitude, site.season),
          answers: signs,
          absentHere: site.absentHere,
        }).causes,
        random(),
      )
    : disorder;
  await tx.insert(samples).values({ id, findingId: sent.findingId, label: sent.label, truth });
  await later(tx, 'sample', [id]);
}

function drawn(ranked: { code: string; p: number }[], at: number): string {
  let below = 0;
  for (const { code, p } of ranked) {
    below += p;
    if (at < below) return code;
  }
  return OTHER;
}

/** The same numbers for the same sample, whichever process answers. */
export function randomOf(id: string): () => number {
  const rng = xoroshiro128plus(Number.parseInt(id.replaceAll('-', '').slice(-8), 16) | 0);
  // The first draws of neighbouring seeds resemble one another
  for (let i = 0; i < 8; i++) rng.next();
  return () => uniformFloat64(rng);
}
