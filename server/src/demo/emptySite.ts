// A site without trees, so that a server started without the demo has something to set up.
import { defaultSchools, Site } from '@mortisect/core/records';
import type { Db } from '../store/openDb';
import { site } from '../store/schema';

export async function loadEmptySite(db: Db, now: string): Promise<void> {
  await db
    .insert(site)
    .values({
      id: 'site',
      revision: 1,
      by: 'Mortisect',
      receivedAt: now,
      value: Site.parse({
        name: 'My orchard',
        latitude: 0,
        longitude: 0,
        timeZone: 'UTC',
        twelveBearingDeg: 0,
        units: 'language',
        season: null,
        schools: defaultSchools(),
        agentId: 'alcohol-70',
      }),
    })
    .onConflictDoNothing();
}
