// Rows of the register: their names, how far apart their trees stand, and in which order one walks them.
import type { Row, RowBody } from '@mortisect/core/records';
import { unsaid } from '@mortisect/words';
import { and, asc, eq, ne, sql } from 'drizzle-orm';
import { doesNotFit, moved, notThere } from '../refusal';
import { type Db, type Store, writing } from '../store/openDb';
import { history, rows } from '../store/schema';
import type { Device } from './devices';
import { append } from './history';
import { asRow } from './orchard';

interface RowWrite {
  id: string;
  baseRevision: number | null;
  row: RowBody;
  device: Device;
  now: string;
}

/** Its trees stay in it under whatever name. Sent twice it counts once; made on an older revision it is refused with both versions. */
export function putRow(db: Db, { id, baseRevision, row, device, now }: RowWrite): Promise<Row> {
  return writing(db, async (tx) => {
    const [before] = await tx.select().from(rows).where(eq(rows.id, id)).for('update');
    if (!before) throw notThere(unsaid('problem.aRow', { id }));
    const ofPlot = await tx
      .select()
      .from(rows)
      .where(eq(rows.plotId, before.plotId))
      .orderBy(asc(rows.position), asc(rows.id));
    const at = Math.min(row.at, ofPlot.length - 1);
    const isSame = before.name === row.name && before.spacingCm === row.spacingCm && ofPlot[at]?.id === id;
    if (isSame) return asRow(before);
    if (before.revision !== baseRevision) throw moved(row, asRow(before));
    await checkName(tx, before, row.name);
    const { name, spacingCm } = row;
    const order = ofPlot.filter((other) => other.id !== id).toSpliced(at, 0, { ...before, name, spacingCm });
    // Each place of the plot goes to the row that stands there now
    const places = ofPlot.map(({ position }) => position);
    for (const [i, next] of order.entries()) {
      const was = ofPlot.find((other) => other.id === next.id);
      const position = places[i] as number;
      if (!was || (next.id !== id && was.position === position)) continue;
      const revision = was.revision + 1;
      const value = { plotId: next.plotId, name: next.name, spacingCm: next.spacingCm, position };
      await tx
        .update(rows)
        .set({ ...value, revision })
        .where(eq(rows.id, next.id));
      const stamp = { at: now, receivedAt: now, treeId: null, deviceId: device.id, by: device.name };
      await append(tx, { ...stamp, recordId: next.id, revision, value: { kind: 'row', row: value } });
    }
    const [written] = await tx.select().from(rows).where(eq(rows.id, id));
    return asRow(written ?? before);
  });
}

async function checkName(tx: Store, { id, plotId }: typeof rows.$inferSelect, name: string): Promise<void> {
  const [other] = await tx
    .select({ id: rows.id })
    .from(rows)
    .where(and(eq(rows.plotId, plotId), sql`lower(${rows.name}) = ${name.toLowerCase()}`, ne(rows.id, id)));
  if (other) throw doesNotFit('row.name', unsaid('problem.rowTaken', { name }));
}

/** Was a row ever called so in this plot? Whoever has not heard of its new name still means it. */
export async function wasCalled(
  tx: Store,
  rowId: string,
  { plotId, name }: { plotId: string; name: string },
): Promise<boolean> {
  const [line] = await tx
    .select({ seq: history.seq })
    .from(history)
    .where(
      and(
        eq(history.recordId, rowId),
        sql`${history.value}->'row'->>'plotId' = ${plotId}`,
        sql`lower(${history.value}->'row'->>'name') = ${name.toLowerCase()}`,
      ),
    )
    .limit(1);
  return line !== undefined;
}
