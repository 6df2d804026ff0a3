// Loads the demo orchard once; one that nobody touched is moved up to today when it is older than a week.

import { beforeStart, closeDown } from '@mortisect/core/aftercare';
import { kerfMm, treeCuts } from '@mortisect/core/cuts';
import { seasonOn } from '@mortisect/core/disorders';
import { faultKey, geometryFaults } from '@mortisect/core/faults';
import { limbMass } from '@mortisect/core/handling';
import { DAY_MS, laterDay, unitsOf } from '@mortisect/core/measure';
import { bladesOf } from '@mortisect/core/present';
import { type ActionBody, FindingBody } from '@mortisect/core/records';
import { serpentine } from '@mortisect/core/register';
import { type Limb, limbNames, withGivenNames } from '@mortisect/core/tree';
import { english } from '@mortisect/words/all';
import { asText, cutSentence } from '@mortisect/words/trade';
import { max, sql } from 'drizzle-orm';
import { v7 } from 'uuid';
import { writeAction } from '../services/actions';
import { appendBeginnings } from '../services/beginnings';
import { type Device, putDevice } from '../services/devices';
import { writeFinding } from '../services/findings';
import { writeJob } from '../services/jobs';
import { keep, kept } from '../services/keepsakes';
import type { Db, Store } from '../store/openDb';
import * as schema from '../store/schema';
import {
  crews,
  type DemoFinding,
  type DemoRound,
  type DemoShape,
  fieldNotes,
  findings,
  jobs,
  plots,
  rounds,
  rows,
  shapes,
  site,
  siteAt,
  trees,
} from './orrinBight';

const STALE_DAYS = 7;

interface Loaded {
  at: string;
  lastSeq: number;
}

/**
 * @param now ISO moment; dates in the demo are counted back from it
 * @param more trees to grow beside the demo's own, for trials of scale
 */
export async function loadDemo(db: Db, now: string, more = 0): Promise<void> {
  const loaded = await kept<Loaded>(db, 'demo');
  if (loaded) {
    const stale = Date.parse(now) - Date.parse(loaded.at) > STALE_DAYS * DAY_MS;
    if (!stale || (await lastSeq(db)) !== loaded.lastSeq) return;
    await clear(db);
  } else if ((await db.select().from(schema.site)).length > 0) {
    return;
  }
  await loadOrchard(db, now);
  await appendBeginnings(db, now);
  await db.transaction(async (tx) => {
    const people = await loadCrews(tx);
    const events = [
      ...rounds.flatMap((round, i) => roundEvents(round, i, now, people)),
      ...findings.flatMap((finding, i) => findingEvents(finding, i, now, people)),
      ...runEvents(now, people),
      ...shapes.flatMap((shape, i) => shapeEvents(shape, i, now, people)),
      ...jobs.map((job, i) => jobEvent(job, i, now, people)),
      ...fieldNotes(now).map((note, i) => noteEvent(note, i, now, people)),
    ];
    // In the order things happened, so that the log reads as it was
    for (const event of events.sort((a, b) => Date.parse(a.at) - Date.parse(b.at))) await event.write(tx);
  });
  if (more > 0) {
    await growMore(db, more, now);
    await appendBeginnings(db, now);
  }
  await keep(db, 'demo', { at: now, lastSeq: await lastSeq(db) } satisfies Loaded);
}

async function lastSeq(db: Db): Promise<number> {
  const [row] = await db.select({ seq: max(schema.history.seq) }).from(schema.history);
  return row?.seq ?? 0;
}

async function clear(db: Db): Promise<void> {
  await db.execute(
    sql`truncate site, plots, rows, trees, findings, actions, jobs, samples, tasks, history cascade`,
  );
}

type People = Record<'wall' | 'boat', Device>;

async function loadCrews(db: Store): Promise<People> {
  const device = (name: string, number: number) =>
    putDevice(db, { id: idAt('2020-01-01T00:00:00Z', number), name });
  return { wall: await device(crews.wall, 1), boat: await device(crews.boat, 2) };
}

/** Limb maps were drawn before anything was cut. */
const SURVEYED_DAYS_AGO = 700;

async function loadOrchard(db: Db, now: string): Promise<void> {
  const year = new Date(now).getUTCFullYear();
  await db.transaction(async (tx) => {
    await tx
      .insert(schema.site)
      .values({ id: 'site', value: siteAt(now), revision: 1, by: 'Mortisect', receivedAt: now });
    await tx.insert(schema.plots).values(plots.map((plot, position) => ({ ...plot, position })));
    await tx.insert(schema.rows).values(rows.map((row, position) => ({ ...row, position })));
    await tx.insert(schema.trees).values(
      trees.map(({ id, rowId, place, code, limbs, plantedYearsAgo, ...value }) => ({
        id,
        rowId,
        place,
        code,
        limbs: withGivenNames(limbs, site.twelveBearingDeg),
        value: { ...value, plantedYear: plantedYearsAgo === null ? null : year - plantedYearsAgo },
        revision: 1,
        by: 'Mortisect',
        receivedAt: now,
        limbsRevision: 1,
        surveyedAt: daysBefore(now, SURVEYED_DAYS_AGO, 0),
      })),
    );
  });
}

const MINUTES_A_TREE = 3;

/** Something that happened: when, and how it is put on record. */
interface DemoEvent {
  at: string;
  write(tx: Store): Promise<unknown>;
}

/** A walk of some hours in one morning: a start, a word on every tree, and a close unless it is still open. */
function roundEvents(round: DemoRound, number: number, now: string, people: People): DemoEvent[] {
  const device = people[round.crew];
  const walked = round.seenPlots ?? (round.plotIds.length > 0 ? round.plotIds : plots.map((plot) => plot.id));
  const onPlot = rows.filter((row) => walked.includes(row.plotId));
  const treesOfPlot = trees.filter((tree) => onPlot.some((row) => row.id === tree.rowId));
  const done = [
    { kind: 'roundStarted', order: 'serpentine', plotIds: round.plotIds },
    ...serpentine(onPlot, treesOfPlot).map(({ id }) => lookedAt(id, round)),
    { kind: round.open ? 'roundPaused' : 'roundClosed' },
  ];
  return done.map((action, i) => {
    const at = daysBefore(now, round.daysAgo, i * (MINUTES_A_TREE / MINUTES_APART));
    const id = idAt(at, 40 + number);
    return {
      at,
      write: (tx) => writeAction(tx, { id, action: { at, ...action } as ActionBody, device, now: at }),
    };
  });
}

function lookedAt(treeId: string, round: DemoRound): object {
  if (round.skipped.includes(treeId)) return { kind: 'treeSkipped', treeId, reason: 'Ground too wet.' };
  const found = findings.some(
    (finding) => finding.treeId === treeId && Math.abs(finding.daysAgo - round.daysAgo) <= 2,
  );
  const seen = round.partly.includes(treeId) ? 'from the ground' : 'all round';
  return { kind: 'treeSeen', treeId, verdict: found ? 'found' : 'sound', seen };
}

function noteEvent(
  { daysAgo, crew, action }: ReturnType<typeof fieldNotes>[number],
  i: number,
  now: string,
  people: People,
): DemoEvent {
  const at = daysBefore(now, daysAgo, 0);
  const id = idAt(at, 120 + i);
  const write = (tx: Store) =>
    writeAction(tx, { id, action: { at, ...action } as ActionBody, device: people[crew], now: at });
  return { at, write };
}

const JOBS_WRITTEN_DAYS_AGO = 7;

function jobEvent(demo: (typeof jobs)[number], i: number, now: string, people: People): DemoEvent {
  const { inDays, ...job } = demo;
  const at = daysBefore(now, JOBS_WRITTEN_DAYS_AGO, i);
  const dueOn = laterDay(now.slice(0, 10), inDays);
  const write = (tx: Store) =>
    writeJob(tx, {
      id: idAt(at, 80 + i),
      baseRevision: null,
      job: { ...job, dueOn, doneAt: null, withdrawn: false },
      device: people.wall,
      now: at,
    });
  return { at, write };
}

const A_ROW = 40;

/** Trees in plots of their own, each like one of the demo's, for trials with thousands. */
async function growMore(db: Db, count: number, now: string): Promise<void> {
  const rowCount = Math.ceil(count / A_ROW);
  await db.transaction(async (tx) => {
    await tx
      .insert(schema.plots)
      .values({ id: 'scale', name: 'Scale', note: 'Grown for trials.', position: plots.length });
    await tx.insert(schema.rows).values(
      Array.from({ length: rowCount }, (_, i) => ({
        id: `scale-${i}`,
        plotId: 'scale',
        name: `Row ${i + 1}`,
        spacingCm: 400,
        position: rows.length + i,
      })),
    );
    for (let from = 0; from < count; from += 500) {
      const part = Array.from({ length: Math.min(500, count - from) }, (_, i) => from + i);
      await tx.insert(schema.trees).values(
        part.map((number) => {
          const {
            id: _id,
            rowId: _row,
            place: _place,
            code: _code,
            limbs,
            plantedYearsAgo: _age,
            ...value
          } = trees[number % trees.length] as (typeof trees)[number];
          return {
            id: `scale-${number}`,
            rowId: `scale-${Math.floor(number / A_ROW)}`,
            place: (number % A_ROW) + 1,
            code: `Scale ${String(number + 1).padStart(5, '0')}`,
            limbs,
            value: { ...value, plantedYear: 1990 + (number % 34) },
            revision: 1,
            by: 'Mortisect',
            receivedAt: now,
            limbsRevision: 1,
            surveyedAt: now,
          };
        }),
      );
    }
  });
}

function findingEvents(demo: DemoFinding, i: number, now: string, people: People): DemoEvent[] {
  const tree = trees.find((tree) => tree.id === demo.treeId);
  const limb = tree?.limbs.find((limb) => limb.id === demo.limbId);
  if (!tree || !limb) throw new Error(`Demo finding ${i} lies on no limb: ${demo.treeId} ${demo.limbId}`);
  const device = people[demo.crew];
  const names = limbNames(tree.limbs, site.twelveBearingDeg);
  const seenAt = daysBefore(now, demo.daysAgo, i);
  const along = (share: number) => Math.round(share * limb.lengthCm);
  const [from, to] = demo.span;
  const { edge, disorder, note, place, signs, widthsCm } = demo;
  const finding = FindingBody.parse({
    treeId: tree.id,
    limbId: limb.id,
    limbName: names.get(limb.id),
    fromCm: along(from),
    toCm: along(to),
    disorder,
    edge,
    place,
    signs,
    widthsCm,
    scratches: demo.scratches.map(({ atShare, reads }) => ({ atCm: along(atShare), reads })),
    growthRapid: false,
    note,
    seenAt,
    withdrawn: false,
  });
  const id = idAt(seenAt, i);
  const events: DemoEvent[] = [
    { at: seenAt, write: (tx) => writeFinding(tx, { id, baseRevision: null, finding, device, now: seenAt }) },
  ];
  if (demo.askOf) {
    const at = new Date(Date.parse(seenAt) + 60_000).toISOString();
    const { treeId, question } = demo;
    const action = { kind: 'asked', at, treeId, findingId: id, of: crews[demo.askOf], question } as const;
    events.push({ at, write: (tx) => writeAction(tx, { id: idAt(at, 60 + i), action, device, now: at }) });
  }
  if (demo.cutDaysAgo !== undefined) {
    const at = daysBefore(now, demo.cutDaysAgo, i);
    events.push({ at, write: (tx) => loadCut(tx, tree, { ...finding, id }, at, device, i) });
    events.push(
      ...demo.rechecks.map((recheck) => recheckEvent(demo, recheck, idAt(at, 100 + i), i, now, people)),
    );
  }
  return events;
}

function recheckEvent(
  { treeId, crew }: DemoFinding,
  { kind, daysAgo, ...seen }: DemoFinding['rechecks'][number],
  cutId: string,
  i: number,
  now: string,
  people: People,
): DemoEvent {
  const at = daysBefore(now, daysAgo, i);
  const action = { kind: 'recheckDone', at, treeId, cutId, recheck: kind, ...seen } as const;
  return {
    at,
    write: (tx) => writeAction(tx, { id: idAt(at, 160 + i), action, device: people[crew], now: at }),
  };
}

/** One run for every day and crew that made cuts: begun before the first, closed after the last, blades counted out and in. */
function runEvents(now: string, people: People): DemoEvent[] {
  const days = new Map<string, { crew: DemoFinding['crew']; daysAgo: number; cuts: number[] }>();
  findings.forEach(({ cutDaysAgo, crew }, i) => {
    if (cutDaysAgo === undefined) return;
    const key = `${cutDaysAgo} ${crew}`;
    const day = days.get(key) ?? { crew, daysAgo: cutDaysAgo, cuts: [] };
    day.cuts.push(i);
    days.set(key, day);
  });
  const bladeIds = bladesOf(site.plan.kit).map(({ id }) => id);
  return [...days.values()].flatMap(({ crew, daysAgo, cuts }, run) => {
    const event = (number: number, minutes: number, action: object): DemoEvent => {
      const at = daysBefore(now, daysAgo, minutes);
      const done = { at, ...action } as ActionBody;
      return {
        at,
        write: (tx) =>
          writeAction(tx, { id: idAt(at, number + run), action: done, device: people[crew], now: at }),
      };
    };
    const [first, last] = [Math.min(...cuts), Math.max(...cuts)];
    const treeIds = [...new Set(cuts.map((i) => (findings[i] as DemoFinding).treeId))];
    const checked = beforeStart.map(({ id }) => id);
    const mix = { agentId: site.agentId, litres: 0.5, strength: 70, keeping: 'shade', usableHours: 24 };
    return [
      event(200, first - 2, { kind: 'mixMade', ...mix }),
      event(210, first - 1, { kind: 'runStarted', treeIds, bladeIds, checked }),
      event(220, last + 2, { kind: 'bladeCleaned', blade: DEMO_BLADE, agentId: site.agentId }),
      event(230, last + 3, { kind: 'runClosed', bladeIds, checked: closeDown.map(({ id }) => id) }),
    ];
  });
}
const DEMO_BLADE = 'saw-1';

/** The worst faults of a tree, noted one after the other; and the limb that somebody wants to keep. */
function shapeEvents(shape: DemoShape, number: number, now: string, people: People): DemoEvent[] {
  const tree = trees.find((tree) => tree.id === shape.treeId);
  if (!tree) throw new Error(`Demo shape of no tree: ${shape.treeId}`);
  const { limbs, species, form, habit, reachCm } = tree;
  const device = people[shape.crew];
  const names = limbNames(limbs, site.twelveBearingDeg);
  const noted = geometryFaults({ limbs, species, form, habit, reachCm }, site.limits)
    .filter(
      ({ kind, limbIds }) =>
        shape.kinds.includes(kind) && (!shape.limbIds || shape.limbIds.includes(limbIds[0] ?? '')),
    )
    .slice(0, shape.most);
  const events = noted.map((fault, i): DemoEvent => {
    const at = daysBefore(now, shape.daysAgo, i / 2);
    const limb = limbs.find((limb) => limb.id === fault.limbIds[0]) as Limb;
    const finding = FindingBody.parse({
      treeId: tree.id,
      limbId: limb.id,
      limbName: names.get(limb.id),
      fromCm: 0,
      toCm: limb.lengthCm,
      kind: 'misplaced',
      place: 'limb',
      disorder: 'MISPLACED',
      edge: 'definite',
      growthRapid: false,
      fault: { key: faultKey(fault), ...fault },
      note: '',
      seenAt: at,
      withdrawn: false,
    });
    const id = idAt(at, 120 + number * 24 + i);
    return { at, write: (tx) => writeFinding(tx, { id, baseRevision: null, finding, device, now: at }) };
  });
  if (shape.stays) {
    const at = daysBefore(now, shape.daysAgo - 1, number);
    const action = {
      kind: 'planPinned',
      at,
      treeId: tree.id,
      pin: { kind: 'stays', limbId: shape.stays },
    } as const;
    events.push({
      at,
      write: (tx) => writeAction(tx, { id: idAt(at, 230 + number), action, device, now: at }),
    });
  }
  return events;
}

type LoadedFinding = Parameters<typeof treeCuts>[1][number] & { treeId: string };

async function loadCut(
  db: Store,
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
  const blade = DEMO_BLADE;
  const before = (seconds: number) => new Date(Date.parse(at) - seconds * 1000).toISOString();
  const massKg = limbMass(tree.limbs, tree.species, cut, 'bare').kg;
  const earlier = before(120);
  await writeAction(db, {
    id: idAt(before(160), i),
    action: {
      kind: 'bladeWetted',
      at: before(160),
      blade,
      agentId: site.agentId,
      method: 'wipe',
      seconds: 30,
    },
    device,
    now: before(160),
  });
  await writeAction(db, {
    id: idAt(earlier, i),
    action: { kind: 'bladeCleaned', at: earlier, blade, agentId: site.agentId },
    device,
    now: earlier,
  });
  await writeAction(db, {
    id: idAt(at, 100 + i),
    action: {
      kind: 'cutMade',
      at,
      treeId: tree.id,
      blade,
      findingIds: [finding.id],
      disorders: [finding.disorder],
      cut: {
        limbId: cut.limbId,
        limbName: names.get(cut.limbId) as string,
        atCm: cut.atCm,
        kind: cut.kind,
        diameterMm: kerfMm(tree.limbs, cut),
        clearanceCm: Math.max(...cut.because.map((reason) => reason.clearanceCm)),
        shortfallCm: cut.shortfallCm,
        sentence: asText(
          cutSentence(english, cut, {
            limbs: tree.limbs,
            names,
            units: unitsOf(site.units, 'metric'),
            twelveBearingDeg: site.twelveBearingDeg,
          }),
        ),
        massKg: Math.round(massKg * 100) / 100,
        tool: 'Pruning saw',
      },
    },
    device,
    now: at,
  });
}

const MINUTES_APART = 4;

/** Morning of a day before `now`, a few minutes apart so that the order is kept. */
function daysBefore(now: string, days: number, minutes: number): string {
  const day = new Date(Date.parse(now) - days * DAY_MS);
  day.setUTCHours(9, 10 + minutes * MINUTES_APART, 0, 0);
  return day.toISOString();
}

function idAt(at: string, number: number): string {
  return v7({ msecs: Date.parse(at), seq: number, random: new Uint8Array(16).fill(number + 1) });
}
