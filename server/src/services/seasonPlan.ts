// The season of the site: made in the pool from the listed trees, the crews and the weather, kept until something changes.
import type { SeasonPlan } from '@mortisect/contracts';
import { unitsOf } from '@mortisect/core/measure';
import { dayAt } from '../files/day';
import type { Pool } from '../pool/pool';
import type { Db } from '../store/openDb';
import { Answers } from './answers';
import type { TreeLister } from './listedTrees';
import { getSiteRecord } from './site';
import { seasonFacts } from './timing';

const MOST_KEPT = 4;
const answers = new WeakMap<Db, Answers>();

function answersOf(db: Db): Answers {
  const ofDb = answers.get(db) ?? new Answers(MOST_KEPT);
  answers.set(db, ofDb);
  return ofDb;
}

/** @throws {HttpProblem} 503 where it took too long */
export async function getSeasonPlan(
  db: Db,
  pool: Pool,
  lister: TreeLister,
  now: string,
): Promise<SeasonPlan> {
  const { site, revision: siteRevision } = await getSiteRecord(db);
  const listed = await lister.read(unitsOf(site.units, 'metric'));
  const { crews } = site;
  const told = {
    ...{ now, siteRevision, crews, shared: null },
    unplanned: listed.trees.filter(({ due }) => due === null).length,
  };
  if (crews.length === 0) return { ...told, state: 'nobody works' };
  const facts = await seasonFacts(db, pool, now);
  if (!facts) return { ...told, state: 'no weather' };
  const shared = await answersOf(db).ask(`${listed.revision} ${siteRevision} ${facts.stamp}`, () =>
    pool.siteSeason({ ...facts.task, today: dayAt(now, site.timeZone), trees: listed.trees, crews }),
  );
  if (!shared) return { ...told, state: 'nothing to do' };
  const byId = new Map(listed.trees.map((each) => [each.tree.id, each]));
  const { rota, ...rest } = shared;
  return {
    ...told,
    state: 'planned',
    shared: {
      ...rest,
      ...{ slots: rota.slots, workable: rota.workable, schoolEnds: rota.schoolEnds },
      visits: rota.campaign.visits.map(({ id, plotId, must, ladder }) => {
        const of = byId.get(id);
        return {
          ...{ id, plotId, ladder },
          minutes: of?.due?.minutes ?? 0,
          code: of?.tree.code ?? id,
          points: of?.due?.worth?.points ?? 0,
          must: must !== null,
        };
      }),
    },
  };
}
