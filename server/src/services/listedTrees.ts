// Trees with work as lists take them: made once of each tree and kept in memory, anew only where it or its plan changed.
import { createHash, randomUUID } from 'node:crypto';
import { type Units, unitsOf } from '@mortisect/core/measure';
import { Action } from '@mortisect/core/records';
import type { ListedTree } from '@mortisect/core/run';
import { gt } from 'drizzle-orm';
import { z } from 'zod';
import { dayAt } from '../files/day';
import { PackedJson } from '../packedJson';
import type { Pool } from '../pool/pool';
import { type Db, giveWay } from '../store/openDb';
import { plans } from '../store/schema';
import { plansRevisionOf, revisionOf } from './changes';
import { keptPlansOf } from './keptPlans';
import { details, latestActions, treesAskingForWork, treesChangedSince } from './orchard';
import { getSite, getSiteRecord } from './site';

export interface ListedTrees {
  revision: string;
  whole: boolean;
  /** Of the site, that they are of. */
  day: string;
  siteRevision: number;
  trees: ListedTree[];
  /** Ids of trees that have nothing open any more. */
  gone: string[];
  latestActions: Action[];
}

export interface TreeLister {
  /** All of it, as a season asks for it. */
  read(units: Units): Promise<ListedTrees>;
  /**
   * As lists are sent: without what only a season asks for, visits ahead and what the one at hand is worth.
   *
   * @param since the revision that was read last; what is of another day, site, orchard or server is read whole
   */
  answer(units: Units, since?: string): Promise<ListedTrees | PackedJson>;
  /** So that the first phone of the day does not wait for it. */
  readAhead(): Promise<void>;
}

/** All that is listed in one kind of units; each tree with the turn in which it came to be so. */
interface Lists {
  basis: string;
  day: string;
  siteRevision: number;
  seq: number;
  plansSeq: number;
  turn: number;
  trees: Map<string, { listed: ListedTree; turn: number }>;
  gone: Map<string, number>;
  /** All of it as it is sent, once somebody asked. */
  packed: Promise<PackedJson> | null;
}

const Actions = z.array(Action);

/** Trees listed by one task. */
const AT_ONCE = 40;

export function makeTreeLister({ db, pool, now }: { db: Db; pool: Pool; now: () => string }): TreeLister {
  const server = randomUUID();
  const listsIn = new Map<Units, Lists>();
  let last: Promise<unknown> = Promise.resolve();

  async function upToDate(units: Units): Promise<Lists> {
    const { site, revision: siteRevision, paces } = await getSiteRecord(db);
    const { orchardId, seq } = await revisionOf(db);
    const { seq: plansSeq } = await plansRevisionOf(db);
    const day = dayAt(now(), site.timeZone);
    const basis = digest([server, orchardId, siteRevision, day, paces]);
    const known = listsIn.get(units);
    const before = known?.basis === basis && known.seq <= seq && known.plansSeq <= plansSeq ? known : null;
    if (before?.seq === seq && before.plansSeq === plansSeq) return before;
    const changed = before
      ? [
          ...new Set([
            ...(await treesChangedSince(db, before.seq)),
            ...(await plannedSince(db, before.plansSeq)),
          ]),
        ]
      : undefined;
    const open = await treesAskingForWork(db, Number(day.slice(0, 4)), changed);
    const turn = (before?.turn ?? 0) + 1;
    const trees = new Map(before?.trees);
    const gone = new Map(before?.gone);
    for (let from = 0; from < open.length; from += AT_ONCE) {
      const ids = open.slice(from, from + AT_ONCE);
      const plansOf = await keptPlansOf(db, ids);
      const some = await details(db, ids);
      const listed = await pool.listedTrees({
        trees: some.map((detail) => ({ detail, kept: plansOf.get(detail.tree.id) ?? null })),
        ...{ site, units, day, paces },
      });
      for (const tree of listed) trees.set(tree.tree.id, { listed: tree, turn });
      await giveWay();
    }
    const isOpen = new Set(open);
    for (const id of changed ?? []) {
      if (isOpen.has(id)) gone.delete(id);
      else if (trees.delete(id)) gone.set(id, turn);
    }
    const lists = { basis, day, siteRevision, seq, plansSeq, turn, trees, gone, packed: null };
    listsIn.set(units, lists);
    return lists;
  }

  /** One after another: what two ask for is made once. */
  function inTurn(units: Units): Promise<Lists> {
    const lists = last.then(() => upToDate(units));
    last = lists.catch(() => undefined);
    return lists;
  }

  /** What a record of an earlier version leaves out is filled in: the app may take this as it comes. */
  async function told({ basis, day, siteRevision, turn, trees, gone }: Lists, from: number | null) {
    return {
      revision: `${basis}:${turn}`,
      whole: from === null,
      ...{ day, siteRevision },
      trees: [...trees.values()].flatMap((tree) => (tree.turn > (from ?? 0) ? tree.listed : [])),
      gone: from === null ? [] : [...gone].flatMap(([id, turn]) => (turn > from ? id : [])),
      latestActions: Actions.parse(await latestActions(db)),
    };
  }

  function packed(lists: Lists): Promise<PackedJson> {
    const packing = lists.packed ?? told(lists, null).then((all) => PackedJson.of(forLists(all)));
    lists.packed = packing;
    packing.catch(() => {
      lists.packed = null;
    });
    return packing;
  }

  return {
    async readAhead() {
      await packed(await inTurn(unitsOf((await getSite(db)).site.units, 'metric')));
    },
    async read(units) {
      return told(await inTurn(units), null);
    },
    async answer(units, since) {
      const lists = await inTurn(units);
      const from = readUpTo(lists, since);
      return from === null ? packed(lists) : forLists(await told(lists, from));
    },
  };
}

/** The turn up to which somebody has read these lists; null where they have not, or others. */
function readUpTo({ basis, turn }: Lists, since: string | undefined): number | null {
  const [readBasis, readTurn] = (since ?? '').split(':');
  return readBasis === basis && Number(readTurn) <= turn ? Number(readTurn) : null;
}

async function plannedSince(db: Db, seq: number): Promise<string[]> {
  const planned = await db.select({ treeId: plans.treeId }).from(plans).where(gt(plans.seq, seq));
  return planned.map(({ treeId }) => treeId);
}

const digest = (of: unknown): string =>
  createHash('sha256').update(JSON.stringify(of)).digest('base64url').slice(0, 22);

function forLists({ trees, ...rest }: ListedTrees): ListedTrees {
  return {
    ...rest,
    trees: trees.map(({ due, ...tree }) => ({ ...tree, due: due && { ...due, worth: null, ahead: [] } })),
  };
}
