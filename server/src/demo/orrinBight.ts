// Orrin Bight: the made-up orchard of a former harbour pilot station. No real place, person or business.

import { readFileSync } from 'node:fs';
import { recheckKinds, recheckOutcomes } from '@mortisect/core/aftercare';
import { findingPlaces } from '@mortisect/core/cuts';
import { Answers, scratchReadings } from '@mortisect/core/diagnosis';
import { edges } from '@mortisect/core/disorders';
import { faultKinds } from '@mortisect/core/faults';
import { startingKit } from '@mortisect/core/handling';
import { DAY_MS } from '@mortisect/core/measure';
import { defaultSchools, Site, TreeBody } from '@mortisect/core/records';
import { dayAfter } from '@mortisect/core/weather';
import { z } from 'zod';
import { growFromForm, growTree, Scaffold, Stem } from './growTree';

/** Days after the usual of its kind. */
const BLOOMS_AFTER: Record<string, number> = { 'Bosun’s Late': 7, 'Leadline Pippin': -3 };

/** Two saws, so that one is wet while the other cuts. */
const kit = startingKit.map((tool) => (tool.id === 'saw' ? { ...tool, count: 2 } : tool));

export const site: Site = Site.parse({
  name: 'Orrin Bight',
  latitude: 54.2,
  longitude: -10.4,
  timeZone: 'Europe/London',
  twelveBearingDeg: 0,
  units: 'metric',
  season: null,
  schools: defaultSchools(),
  agentId: 'alcohol-70',
  cultivars: [
    ['quince', 'Station Golden', 'tip', 'high'],
    ['medlar', 'Keeper’s Brown', 'tip', 'moderate'],
    ['apple', 'Tidewaiter', 'spur', 'moderate'],
    ['apple', 'Leadline Pippin', 'spur', 'low'],
    ['apple', 'Harbour Russet', 'spur', 'low'],
    ['apple', 'Bosun’s Late', 'partial tip', 'moderate'],
    ['apple', 'Slack Water', 'spur', 'unknown'],
    ['pear', 'Long Ebb', 'spur', 'moderate'],
    ['pear', 'Wall Lantern', 'spur', 'high'],
    ['european-plum', 'Blue Lanyard', 'spur', 'unknown'],
    ['sweet-cherry', 'Foghorn Black', 'spur', 'moderate'],
    ['sour-cherry', 'Coxswain', 'last year’s shoots', 'moderate'],
    ['peach', 'Stokehold', 'last year’s shoots', 'unknown'],
    ['apricot', 'Lamp Oil', 'spur', 'moderate'],
  ].map(([species, name, habit, susceptibility]) => ({
    species,
    name,
    habit,
    susceptibility,
    note: '',
    ...(BLOOMS_AFTER[name as string] !== undefined && { bloomOffsetDays: BLOOMS_AFTER[name as string] }),
  })),
  blightHosts: [
    { name: 'Hawthorn hedge', where: 'Along the lane, 40 m west of the wall' },
    { name: 'Cotoneaster', where: 'By the museum door' },
  ],
  notifiable: [
    {
      codes: ['FB_SHOOT', 'FB_BLOS', 'FB_CANK_A', 'FB_CANK_D', 'FB_ROOT'],
      authority: 'Plant-health authority of the coast',
      note: 'Made up for the demo: ask before wood is moved off the site.',
    },
  ],
  // Black knot does not occur on this coast
  absentHere: ['BKT'],
  plan: { kit },
  crews: [
    {
      ...{ id: 'wall-crew', name: 'Wall crew', people: 1, ladders: 1, skills: ['power saw'], weekdays: [6] },
      ...{ fromHour: 9, toHour: 10, daysOff: [] },
    },
    {
      ...{ id: 'boat-crew', name: 'Boat crew', people: 1, ladders: 0, skills: [], weekdays: [3] },
      ...{ fromHour: 13, toHour: 14, daysOff: [] },
    },
  ],
  weather: { source: 'simulated', coast: true, climate: null, seed: 220, spells: [] },
});

/** The site with the spells that its story tells of: a warm wet bloom, in the spring before it a hard late frost, and a wet fortnight that begins in a week. */
export function siteAt(now: string): Site {
  const year = new Date(now).getUTCFullYear();
  const lastSpring = now.slice(5) >= '06-20' ? year : year - 1;
  return {
    ...site,
    // The boat crew is at sea for six weeks: not all trees can be done
    crews: site.crews.map((crew) =>
      crew.id === 'boat-crew'
        ? { ...crew, daysOff: Array.from({ length: 42 }, (_, i) => dayAfter(now.slice(0, 10), 30 + i)) }
        : crew,
    ),
    weather: {
      ...site.weather,
      spells: [
        { from: `${lastSpring}-04-22`, to: `${lastSpring}-04-24`, addC: -14.5, rain: 'none' },
        { from: `${lastSpring}-05-11`, to: `${lastSpring}-05-21`, addC: 11, rain: 'every day' },
        {
          from: dayAfter(now.slice(0, 10), 7),
          to: dayAfter(now.slice(0, 10), 20),
          addC: 0,
          rain: 'every day',
        },
      ],
    },
  };
}

/** A tree that bears every second year, as its pickers remember it. */
const biennial = ['heavy', 'none', 'good', 'light', 'heavy'] as const;
const lastHarvest = (now: string) => Number(now.slice(0, 4)) - (now.slice(5) >= '11-15' ? 0 : 1);

/** What the crews said of stage and ground, and what they put on. */
export const fieldNotes = (now: string): { daysAgo: number; crew: 'wall' | 'boat'; action: object }[] => {
  const spring = Date.parse(`${siteAt(now).weather.spells[1]?.from}T10:00:00Z`);
  const daysAgo = (add: number) => Math.round((Date.parse(now) - spring) / DAY_MS) - add;
  return [
    {
      daysAgo: daysAgo(3),
      crew: 'wall',
      action: { kind: 'stageSeen', species: 'apple', cultivar: null, stage: 'full bloom', share: 1 },
    },
    {
      daysAgo: 3,
      crew: 'boat',
      action: {
        kind: 'protectantApplied',
        product: 'Copper spray',
        label: 'Label held in the shed, sheet 4',
        species: ['peach', 'apricot'],
        note: 'At leaf fall.',
      },
    },
    {
      daysAgo: 45,
      crew: 'wall',
      action: {
        kind: 'shadeSeen',
        treeId: 'net-loft-07',
        shades: [{ what: 'building', bearingDeg: 180, distanceCm: 500, heightCm: 700, widthCm: 1800 }],
      },
    },
    // Of two renovations one is even, as on the site, and one hard at once
    { daysAgo: 46, crew: 'boat', action: { kind: 'paceSet', treeId: 'net-loft-05', pace: 'hard first' } },
    ...biennial.map((crop, i) => ({
      daysAgo: 44 - i,
      crew: 'wall' as const,
      action: {
        kind: 'cropSeen',
        treeId: 'net-loft-04',
        year: lastHarvest(now) - biennial.length + 1 + i,
        crop,
        thinned: false,
      },
    })),
  ];
};

const crew = z.enum(['wall', 'boat']);
const { plantedYear: _year, plot: _plot, row: _row, ...kept } = TreeBody.shape;
/** A tree of the demo as its data says it; years are counted back from the day it is loaded. */
const treeShape = {
  id: z.string(),
  rowId: z.string(),
  ...kept,
  plantedYearsAgo: z.number().nullable(),
};

const DemoTree = z
  .strictObject({ ...treeShape, stem: Stem, scaffolds: z.array(Scaffold) })
  .transform(({ stem, scaffolds, ...tree }) => ({ ...tree, limbs: growTree(stem, scaffolds) }));

const GrownTree = z
  .strictObject({
    ...treeShape,
    girthCm: z.number(),
    scaffolds: z.number(),
    sideBranches: z.number(),
    steep: z.array(z.string()).default([]).describe('limbs that stand too close to the stem'),
    aside: z
      .number()
      .default(0)
      .describe('degrees that its side branches stand farther to the side than usual'),
    uprights: z
      .record(z.string(), z.number())
      .default({})
      .describe('four years old, by the limb they stand on'),
    longShoots: z
      .record(z.string(), z.number())
      .default({})
      .describe('about so many shoots of last year, by the limb they stand on'),
    turned: z.record(z.string(), z.number()).default({}).describe('degrees that side branches have turned'),
    stout: z.number().default(1).describe('how much thicker its side branches are than usual'),
  })
  .transform(({ scaffolds, sideBranches, steep, stout, aside, uprights, longShoots, turned, ...tree }) => {
    const { form, species, heightCm, spreadCm, girthCm, plantedYearsAgo: ageYears, place } = tree;
    const limbs = growFromForm(
      { form, species, heightCm, spreadCm, scaffolds, girthCm, ageYears },
      sideBranches,
      place,
      { steep, stout, aside, uprights, longShoots, turned },
    );
    return { ...tree, limbs };
  });

const DemoFinding = z.strictObject({
  treeId: z.string(),
  limbId: z.string(),
  span: z.tuple([z.number(), z.number()]).describe('where it lies, as shares of the limb’s length'),
  disorder: z.string(),
  edge: z.enum(edges),
  note: z.string(),
  daysAgo: z.number(),
  crew,
  cutDaysAgo: z.number().optional().describe('when the cut for it was made; open where missing'),
  rechecks: z
    .array(
      z.strictObject({
        kind: z.enum(recheckKinds),
        daysAgo: z.number(),
        outcome: z.enum(recheckOutcomes),
        distanceCm: z.number().nullable().default(null),
        shoots: z.number().nullable().default(null),
        stay: z.number().optional(),
        note: z.string().default(''),
      }),
    )
    .default([])
    .describe('when its cut was looked at again, and what was there'),
  place: z.enum(findingPlaces).default('span'),
  signs: Answers.default({}),
  widthsCm: z.array(z.number()).default([]),
  scratches: z.array(z.strictObject({ atShare: z.number(), reads: z.enum(scratchReadings) })).default([]),
  askOf: crew.optional().describe('the crew that is asked for its opinion'),
  question: z.string().default(''),
});
export type DemoFinding = z.infer<typeof DemoFinding>;

/** Faults of geometry that were noted on a tree, the worst first. */
const DemoShape = z.strictObject({
  treeId: z.string(),
  kinds: z.array(z.enum(faultKinds)).default([...faultKinds]),
  limbIds: z.array(z.string()).optional().describe('only faults of these limbs'),
  most: z.number(),
  daysAgo: z.number(),
  crew,
  stays: z.string().optional().describe('a limb that is pinned to stay'),
});
export type DemoShape = z.infer<typeof DemoShape>;

const DemoRound = z.strictObject({
  daysAgo: z.number(),
  plotIds: z.array(z.string()).describe('empty: the whole site'),
  crew,
  partly: z.array(z.string()).describe('trees seen from the ground only'),
  skipped: z.array(z.string()),
  open: z.boolean().default(false),
  seenPlots: z.array(z.string()).optional().describe('plots walked so far; all where missing'),
});
export type DemoRound = z.infer<typeof DemoRound>;

const Orchard = z
  .strictObject({
    crews: z.record(crew, z.string()),
    plots: z.array(z.strictObject({ id: z.string(), name: z.string(), note: z.string() })),
    rows: z.array(
      z.strictObject({ id: z.string(), plotId: z.string(), name: z.string(), spacingCm: z.number() }),
    ),
    trees: z.array(DemoTree),
    grown: z.array(GrownTree),
    findings: z.array(DemoFinding),
    shapes: z.array(DemoShape),
    rounds: z.array(DemoRound),
    jobs: z.array(
      z.strictObject({
        treeId: z.string(),
        job: z.string(),
        title: z.string().optional(),
        minutes: z.number().optional(),
        note: z.string(),
        inDays: z.number(),
      }),
    ),
  })
  .transform(({ trees, grown, ...orchard }) => ({ ...orchard, trees: [...trees, ...grown] }));

export const { crews, plots, rows, trees, findings, shapes, rounds, jobs } = Orchard.parse(
  JSON.parse(readFileSync(new URL('./orrinBight.data.json', import.meta.url), 'utf8')),
);
