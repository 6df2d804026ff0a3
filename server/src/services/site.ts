// The site: one record, edited on a revision.

import { isDeepStrictEqual } from 'node:util';
import { Site, type SiteRecord } from '@mortisect/core/records';
import { unsaid } from '@mortisect/words';
import { moved, notThere } from '../refusal';
import { type Db, type Store, writing } from '../store/openDb';
import { site } from '../store/schema';
import type { Device } from './devices';
import { append } from './history';
import { moment } from './moment';
import { getWorkPaces } from './workPaces';

/** With how long cuts really take here. */
export async function getSiteRecord(db: Store): Promise<SiteRecord> {
  const record = await getSite(db);
  return { ...record, paces: await getWorkPaces(db, record.site.plan.kit) };
}

export async function getSite(db: Store): Promise<Omit<SiteRecord, 'paces'>> {
  const [row] = await db.select().from(site);
  if (!row) throw notThere(unsaid('problem.theSite'));
  // A site of an earlier version says less; what it leaves out is filled in
  return {
    site: Site.parse(row.value),
    revision: row.revision,
    by: row.by,
    receivedAt: moment(row.receivedAt),
  };
}

/** Sent twice it counts once; made on an older revision it is refused with both versions. */
export function putSite(
  db: Db,
  value: Site,
  baseRevision: number | null,
  device: Device,
  now: string,
): Promise<SiteRecord> {
  return writing(db, async (tx) => {
    const [row] = await tx.select().from(site).for('update');
    if (!row) throw notThere(unsaid('problem.theSite'));
    if (isDeepStrictEqual(Site.parse(row.value), value)) return getSiteRecord(tx);
    if (row.revision !== baseRevision) throw moved(value, await getSiteRecord(tx));
    const revision = row.revision + 1;
    await tx.update(site).set({ value, revision, by: device.name, receivedAt: now });
    await append(tx, {
      at: now,
      receivedAt: now,
      recordId: 'site',
      revision,
      treeId: null,
      deviceId: device.id,
      by: device.name,
      value: { kind: 'site', site: value },
    });
    return getSiteRecord(tx);
  });
}
