// Loads the demo orchard once; one that nobody touched is moved up to today when it is older than a week.
import { asText, cutSentence, kerfMm, treeCuts } from '@mortisect/core/cuts';
import { seasonOn } from '@mortisect/core/disorders';
import { limbNames } from '@mortisect/core/tree';
import { max, sql } from 'drizzle-orm';
import { v7 } from 'uuid';
import { putAction } from '../services/actions';
import { type Device, putDevice } from '../services/devices';
import { putFinding } from '../services/findings';
import { keep, kept } from '../services/keepsakes';
import type { Db } from '../store/openDb';
import * as schema from '../store/schema';
import { crews, type DemoFinding, findings, plots, rows, site, trees } from './orrinBight';

const DAY_MS = 24 * 3600_000;
const STALE_DAYS = 7;

interface Loaded {
  at: string;
  lastSeq: number;
}

/** @param now ISO moment; dates in the demo are counted back from it */
export async function loadDemo(db: Db, now: string): Promise<void> {
  const loaded = await kept<Loaded>(db, 'demo');
  if (loaded) {
    const stale = Date.parse(now) - Date.parse(loaded.at) > STALE_DAYS * DAY_MS;
    if (!stale || (await lastSeq(db)) !== loaded.lastSeq) return;
    await clear(db);
  } else if ((await db.select().from(schema.site)).length > 0) {
    return;
  }
  await loadOrchard(db, now);
  for (const [i, finding] of findings.entries()) await loadFinding(db, finding, i, now);
  await keep(db, 'demo', { at: now, lastSeq: await lastSeq(db) } satisfies Loaded);
}

async function lastSeq(db: Db): Promise<number> {
  const [row] = await db.select({ seq: max(schema.history.seq) }).from(schema.history);
  return row?.seq ?? 0;
}

async function clear(db: Db): Promise<void> {
  await db.execute(sql`truncate site, plots, rows, trees, findings, actions, history cascade`);
}

async function loadOrchard(db: Db, now: string): Promise<void> {
  const year = new Date(now).getUTCFullYear();
  await db.transaction(async (tx) => {
    await tx
      .insert(schema.site)
      .values({ id: 'site', value: site, revision: 1, by: 'Mortisect', receivedAt: now });
    await tx.insert(schema.plots).values(plots.map((plot, position) => ({ ...plot, position })));
    await tx.insert(schema.rows).values(rows.map((row, position) => ({ ...row, position })));
    await tx.insert(schema.trees).values(
      trees.map(({ plantedYearsAgo, ...tree }, walkingOrder) => ({
        ...tree,
        walkingOrder,
        plantedYear: plantedYearsAgo === null ? null : year - plantedYearsAgo,
        latitude: null,
        longitude: null,
      })),
    );
  });
}

async function loadFinding(db: Db, demo: DemoFinding, i: number, now: string): Promise<void> {
  const tree = trees.find((one) => one.id === demo.treeId);
  const limb = tree?.limbs.find((one) => one.id === demo.limbId);
  if (!tree || !limb) throw new Error(`Demo finding ${i} lies on no limb: ${demo.treeId} ${demo.limbId}`);
  const device = await putDevice(db, {
    id: idAt('2020-01-01T00:00:00Z', demo.crew === 'wall' ? 1 : 2),
    name: crews[demo.crew],
  });
  const names = limbNames(tree.limbs, site.twelveBearingDeg);
  const seenAt = daysBefore(now, demo.daysAgo, i);
  const [from, to] = demo.span.map((share) => Math.round(share * limb.lengthCm)) as [number, number];
  const finding = {
    treeId: tree.id,
    limbId: limb.id,
    limbName: names.get(limb.id) as string,
    fromCm: from,
    toCm: to,
    disorder: demo.disorder,
    edge: demo.edge,
    growthRapid: false,
    note: demo.note,
    seenAt,
    withdrawn: false,
  };
  const id = idAt(seenAt, i);
  await putFinding(db, { id, baseRevision: null, finding, device, now: seenAt });
  if (demo.cutDaysAgo !== undefined)
    await loadCut(db, tree, { ...finding, id }, daysBefore(now, demo.cutDaysAgo, i), device, i);
}

type LoadedFinding = Parameters<typeof treeCuts>[1][number] & { treeId: string };

async function loadCut(
  db: Db,
  tree: (typeof trees)[number],
  finding: LoadedFinding,
  at: string,
  device: Device,
  i: number,
): Promise<void> {
  const season = seasonOn(at.slice(0, 10), site.latitude);
  const { cuts } = treeCuts(
    { limbs: tree.limbs, plantedYear: null, susceptible: tree.susceptible },
    [finding],
    site.schools,
    season,
    0,
  );
  const [cut] = cuts;
  if (!cut) throw new Error(`Demo finding on ${tree.id} has no cut`);
  const names = limbNames(tree.limbs, site.twelveBearingDeg);
  const blade = 'Blade 1';
  const earlier = new Date(Date.parse(at) - 120_000).toISOString();
  await putAction(db, {
    id: idAt(earlier, i),
    action: { kind: 'bladeCleaned', at: earlier, blade, agentId: site.agentId },
    device,
    now: earlier,
  });
  await putAction(db, {
    id: idAt(at, 100 + i),
    action: {
      kind: 'cutMade',
      at,
      treeId: tree.id,
      blade,
      findingIds: [finding.id],
      cut: {
        limbId: cut.limbId,
        limbName: names.get(cut.limbId) as string,
        atCm: cut.atCm,
        kind: cut.kind,
        diameterMm: kerfMm(tree.limbs, cut),
        clearanceCm: Math.max(...cut.because.map((reason) => reason.clearanceCm)),
        shortfallCm: cut.shortfallCm,
        sentence: asText(
          cutSentence(cut, {
            limbs: tree.limbs,
            names,
            units: site.units,
            twelveBearingDeg: site.twelveBearingDeg,
          }),
        ),
      },
    },
    device,
    now: at,
  });
}

/** Morning of a day before `now`, a few minutes apart so that the order is kept. */
function daysBefore(now: string, days: number, minutes: number): string {
  const day = new Date(Date.parse(now) - days * DAY_MS);
  day.setUTCHours(9, 10 + minutes * 4, 0, 0);
  return day.toISOString();
}

function idAt(at: string, number: number): string {
  return v7({ msecs: Date.parse(at), seq: number, random: new Uint8Array(16).fill(number + 1) });
}
