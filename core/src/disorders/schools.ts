// How far from the visible edge do the schools cut?
import type { Confidence } from '../register/index';
import { handlingTable } from './handlingTable';

export interface ClearanceSchool {
  id: string;
  /** As the trade says it. */
  name: string;
  disorders: readonly string[];
  /** From–to, cm. A range means its upper end. */
  dormantCm: readonly [number, number];
  growingCm: readonly [number, number];
  /** True where the dormant figure is only the growing-season distance carried over. */
  growingFigure: boolean;
  use: string;
  source: string;
  confidence: Confidence;
}

const FIRE_BLIGHT = ['FB_CANK_A', 'FB_CANK_D', 'FB_SHOOT', 'FB_BLOS'] as const;

/** Distances published in inches are kept in cm so that both tapes read them plainly (35.5 cm for 14 in). */
export const clearanceSchools: readonly ClearanceSchool[] = [
  {
    id: 'fb-8',
    name: '8 in (20 cm)',
    disorders: FIRE_BLIGHT,
    dormantCm: [20, 20],
    growingCm: [20, 20],
    growingFigure: true,
    use: 'fewClearCankersDormantTheLeast',
    source: 'extension sheets in the tradition of van der Zwet & Keil 1979',
    confidence: 'high',
  },
  {
    id: 'fb-8-10',
    name: '8–10 in (20–25 cm)',
    disorders: FIRE_BLIGHT,
    dormantCm: [20, 25],
    growingCm: [20, 25],
    growingFigure: true,
    use: 'olderOrDormantWood',
    source: 'extension sheets',
    confidence: 'low',
  },
  {
    id: 'fb-10-12',
    name: '10–12 in (25–30 cm)',
    disorders: FIRE_BLIGHT,
    dormantCm: [25, 30],
    growingCm: [25, 30],
    growingFigure: true,
    use: 'theOlderBulletinsTheDefaultHere',
    source: 'van der Zwet & Keil 1979, USDA Agric. Handbook 510',
    confidence: 'low',
  },
  {
    id: 'fb-12-14',
    name: '12–14 in (30–35 cm)',
    disorders: FIRE_BLIGHT,
    dormantCm: [30, 35.5],
    growingCm: [30, 35.5],
    growingFigure: true,
    use: 'pearAndAppleOfDryRegions',
    source: 'extension sheets',
    confidence: 'low',
  },
  {
    id: 'fb-12-18',
    name: '12–18 in (30–45 cm)',
    disorders: FIRE_BLIGHT,
    dormantCm: [30, 45.5],
    growingCm: [30, 45.5],
    growingFigure: true,
    use: 'susceptibleYoungOrVigorousTreesSpreading',
    source: 'extension sheets',
    confidence: 'low',
  },
  {
    id: 'fb-season-a',
    name: 'bySeason15Or30Cm',
    disorders: ['FB_CANK_A'],
    dormantCm: [10, 15],
    growingCm: [30, 30],
    growingFigure: false,
    use: 'shortWhileDormantLongInGrowth',
    source: 'handling tables of extension services',
    confidence: 'low',
  },
  {
    id: 'fb-season-d',
    name: 'bySeason10Or30Cm',
    disorders: ['FB_CANK_D'],
    dormantCm: [10, 10],
    growingCm: [30, 30],
    growingFigure: false,
    use: 'shortWhileDormantInGrowthIt',
    source: 'handling tables of extension services',
    confidence: 'low',
  },
  {
    id: 'cyt-12-14',
    name: '12–14 in (30–35 cm)',
    disorders: ['CYT'],
    dormantCm: [30, 35.5],
    growingCm: [30, 35.5],
    growingFigure: true,
    use: 'cankerOnStoneFruitTheDefault',
    source: 'common practice, no source',
    confidence: 'practice',
  },
  {
    id: 'cyt-season',
    name: 'bySeason10Or20Cm',
    disorders: ['CYT'],
    dormantCm: [10, 10],
    growingCm: [10, 20],
    growingFigure: false,
    use: 'toTheNextHealthyUnionLate',
    source: 'handling tables of extension services',
    confidence: 'low',
  },
  {
    id: 'neo-15',
    name: '2–6 in (5–15 cm)',
    disorders: ['NEO'],
    dormantCm: [5, 15],
    growingCm: [5, 15],
    growingFigure: false,
    use: 'pastTheStainToCleanWood',
    source: 'common practice, no source',
    confidence: 'practice',
  },
  {
    id: 'live-wood',
    name: 'toLiveWoodSchool',
    disorders: ['DEAD', 'BRK'],
    dormantCm: [0, 0],
    growingCm: [0, 0],
    growingFigure: false,
    use: 'noClearanceTheCutGoesTo',
    source: 'USDA Forest Service NA-FR-01-95',
    confidence: 'high',
  },
  ...handlingTable.flatMap(({ disorder, cut }) => (cut ? [ofTable(disorder.code, cut)] : [])),
];

/** The one figure of the handling table, as a school of its own. */
function ofTable(
  code: string,
  { dormantCm, growingCm, use }: NonNullable<(typeof handlingTable)[number]['cut']>,
): ClearanceSchool {
  const toLive = dormantCm[1] === 0 && growingCm[1] === 0;
  return {
    id: tableSchool(code),
    name: toLive ? 'toLiveWoodSchool' : rangeName(growingCm),
    disorders: [code],
    dormantCm,
    growingCm,
    growingFigure: false,
    use,
    source: 'handling tables of extension services, from memory',
    confidence: 'low',
  };
}

function tableSchool(code: string): string {
  return `table-${code.toLowerCase().replaceAll('_', '-')}`;
}

function rangeName([from, to]: readonly [number, number]): string {
  return from === to ? `${to} cm` : `${from}–${to} cm`;
}

/** What a site cuts by unless a caretaker says otherwise. */
export const defaultSchoolOf: Readonly<Record<string, string>> = {
  FB_CANK_A: 'fb-10-12',
  FB_CANK_D: 'fb-10-12',
  FB_SHOOT: 'fb-10-12',
  FB_BLOS: 'fb-10-12',
  CYT: 'cyt-12-14',
  NEO: 'neo-15',
  DEAD: 'live-wood',
  BRK: 'live-wood',
  ...Object.fromEntries(
    handlingTable.flatMap(({ disorder: { code }, cut }) => (cut ? [[code, tableSchool(code)]] : [])),
  ),
};

export function schoolsFor(disorder: string): ClearanceSchool[] {
  return clearanceSchools.filter((school) => school.disorders.includes(disorder));
}

/** The school a site chose for a disorder; its default where the choice is missing or is no school of it. */
export function schoolFor(disorder: string, chosen: Readonly<Record<string, string>>): ClearanceSchool {
  const offered = schoolsFor(disorder);
  const wanted = chosen[disorder] ?? defaultSchoolOf[disorder];
  const school =
    offered.find((school) => school.id === wanted) ??
    offered.find((school) => school.id === defaultSchoolOf[disorder]);
  if (!school) throw new NoSchool(disorder);
  return school;
}

/** A caller asked for the clearance of a disorder that has no row. */
export class NoSchool extends Error {
  constructor(readonly disorder: string) {
    super(`No school says how far from ${disorder} to cut.`);
    this.name = 'NoSchool';
  }
}
