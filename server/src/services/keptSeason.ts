// The season as it was shared out last, kept over a restart: nobody waits for it again while nothing changed, and what moved is told from it.
import type { Half } from '@mortisect/core/campaign';
import type { Move } from '@mortisect/core/rota';
import type { SeasonShared } from '../pool/seasonOfSite';
import { whereItCan } from '../store/faults';
import type { Db } from '../store/openDb';
import { keep, kept } from './keepsakes';

/** A season as it is kept: with what was different when it last changed. */
export interface Kept {
  /** Of what it rests on; empty where it is not to be kept. */
  stamp: string;
  madeAt: string;
  shared: Omit<SeasonShared, 'pastYears'>;
  moved: { at: string; points: number; moves: Move[] } | null;
}

const KEPT_AS = 'season plan';
/** The half-days of the forecast alone: a season of thousands of visits is megabytes, and Today asks often. */
const DAYS_KEPT_AS = 'season days';

interface KeptDays {
  madeAt: string;
  halfDays: { day: string; half: Half; crewId: string; treeIds: string[] }[];
}

/** What a run takes: cuts to look at again and jobs have rows of their own. */
function halfDaysOf({ rota, plan }: Kept['shared']): KeptDays['halfDays'] {
  return rota.slots.flatMap(({ id, from, half }) =>
    rota.campaign.pools.flatMap((pool) => {
      const treeIds = plan.done.flatMap(({ visitId, slotId, poolId }) =>
        slotId === id && poolId === pool.id && rota.of[visitId]?.kind === 'pass at hand' ? [visitId] : [],
      );
      return half === null || treeIds.length === 0 ? [] : [{ day: from, half, crewId: pool.id, treeIds }];
    }),
  );
}

/** Share of the trees that had no plan of their own yet: nobody goes by a season that was shared out then. */
const MOST_UNPLANNED = 0.1;

export const isOneToGoBy = ({ shared }: Kept, trees: number) =>
  (shared.kept.unplanned?.length ?? 0) <= MOST_UNPLANNED * trees;

/** As text: the database would put the keys of an object in an order of its own. */
export async function keptSeason(db: Db): Promise<Kept | null> {
  const last = await kept<{ json: string }>(db, KEPT_AS);
  return last && JSON.parse(last.json);
}

export async function keepSeason(db: Db, season: Kept): Promise<void> {
  const days: KeptDays = { madeAt: season.madeAt, halfDays: halfDaysOf(season.shared) };
  await whereItCan(keep(db, KEPT_AS, { json: JSON.stringify(season) }));
  await whereItCan(keep(db, DAYS_KEPT_AS, days));
}

export const keptDays = (db: Db): Promise<KeptDays | null> => kept<KeptDays>(db, DAYS_KEPT_AS);
