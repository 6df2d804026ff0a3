// With which tool, from where, and in how many minutes?
import { z } from 'zod';
import { refusing } from '../refusal/index';
import type { Confidence } from '../register/index';

export const toolKinds = [
  'hand shear',
  'lopper',
  'hand saw',
  'bow saw',
  'pole shear',
  'pole saw',
  'chainsaw',
] as const;
type ToolKind = (typeof toolKinds)[number];

export const Tool = z
  .strictObject({
    id: z.string().min(1).max(40),
    name: z.string().trim().min(1, refusing('noName')).max(60),
    kind: z.enum(toolKinds),
    takesMm: z.number().min(1).max(600).describe('thickest live wood it takes'),
    lengthCm: z.number().min(5).max(800).describe('how far it reaches beyond the hand'),
    count: z
      .number()
      .int()
      .min(1)
      .max(20)
      .optional()
      .describe('of this kind, in rotation; one where it is not said'),
  })
  .meta({ id: 'Tool' });
export type Tool = z.infer<typeof Tool>;

/** What a site has until it says otherwise. @source capacities and lengths: common practice, no source */
export const startingKit: readonly Tool[] = [
  { id: 'shear', name: 'Hand shear', kind: 'hand shear', takesMm: 20, lengthCm: 20 },
  { id: 'lopper', name: 'Long lopper', kind: 'lopper', takesMm: 38, lengthCm: 80 },
  { id: 'saw', name: 'Pruning saw', kind: 'hand saw', takesMm: 100, lengthCm: 35 },
  { id: 'bow', name: 'Bow saw', kind: 'bow saw', takesMm: 180, lengthCm: 60 },
  { id: 'pole', name: 'Pole shear', kind: 'pole shear', takesMm: 28, lengthCm: 240 },
];
export const KIT_SOURCE: { source: string; confidence: Confidence } = {
  source: 'common practice, no source; pole lengths 3.6–4.3 m with the arm',
  confidence: 'practice',
};

/** Height of the shoulder, length of the arm, less what the grip takes, cm. Common practice, no source. */
export const SHOULDER_CM = 140;
const ARM_CM = 60;
const GRIP_CM = 30;
/** Feet no higher than this on a ladder, cm, for people who are not trained climbers. Common practice, no source. */
export const LADDER_FEET_CM = 200;
/** Of wood that is dead and hard a blade takes seven tenths of what it takes green. Common practice, no source. */
const DEAD_HARD = 0.7;

/** How high this tool reaches for someone who stands on the ground, by the height of their shoulder. */
export function reachCm(tool: Pick<Tool, 'lengthCm'>, shoulderCm = SHOULDER_CM): number {
  return shoulderCm + ARM_CM + tool.lengthCm - GRIP_CM;
}

export interface Wielded {
  tool: Tool;
  station: 'ground' | 'ladder';
}

/** Whether a tool takes wood of this thickness. A chainsaw takes none here: it is named by whoever is trained for it. */
export function takesIt(tool: Tool, kerfMm: number, dead: boolean): boolean {
  return tool.kind !== 'chainsaw' && tool.takesMm * (dead ? DEAD_HARD : 1) >= kerfMm;
}

export type KitGap = 'nothing takes it' | 'nothing reaches it' | 'ladder needed';

/**
 * What is missing for a cut, before anybody leaves for the tree; null where the kit does it.
 *
 * @param wielded what it is cut with, as `wayTo` found it
 */
export function kitGap(
  kit: readonly Tool[],
  { kerfMm, dead, wielded }: { kerfMm: number; dead: boolean; wielded: Pick<Wielded, 'station'> | null },
  hasLadder: boolean,
): KitGap | null {
  if (wielded) return wielded.station === 'ladder' && !hasLadder ? 'ladder needed' : null;
  return kit.some((tool) => takesIt(tool, kerfMm, dead)) ? 'nothing reaches it' : 'nothing takes it';
}

/** A pole is taken up only where nothing else reaches. */
export function isPole(tool: Tool): boolean {
  return tool.kind.startsWith('pole');
}

/** cm² a second through green wood with a hand saw. @source 0.7–2.5 from memory, unsure */
const SAW_CM2_PER_S = 1.3;
const SECONDS: Partial<Record<ToolKind, number>> = { 'hand shear': 5, lopper: 8, 'pole shear': 20 };
const BOW_FACTOR = 1.5;
const POLE_FACTOR = 0.5;
const HARD_FACTOR = 0.6;

/**
 * Seconds that the blade works.
 *
 * @example bladeSeconds('hand saw', 100, false) //=> 60.4
 */
export function bladeSeconds(kind: ToolKind, kerfMm: number, dead: boolean): number {
  const fixed = SECONDS[kind];
  if (fixed !== undefined) return fixed;
  const rate =
    SAW_CM2_PER_S *
    (kind === 'bow saw' ? BOW_FACTOR : kind === 'pole saw' ? POLE_FACTOR : 1) *
    (dead ? HARD_FACTOR : 1);
  return (Math.PI * (kerfMm / 20) ** 2) / rate;
}

/** One of many that stand side by side, the hand moved on to the next. @source the brief: 0.15 minutes with shears, 0.4 with a lopper; common practice, no source */
const OF_MANY_SECONDS: Partial<Record<ToolKind, number>> = { 'hand shear': 9, lopper: 24 };
const NEXT_OF_MANY_S = 6;

function ofManySeconds(kind: ToolKind, kerfMm: number, dead: boolean): number {
  return OF_MANY_SECONDS[kind] ?? bladeSeconds(kind, kerfMm, dead) + NEXT_OF_MANY_S;
}

/** Seconds of looking, placing and letting go at every cut, and of a further piece. Common practice, no source. */
const AT_EVERY_CUT_S = 12;
const A_PIECE_S = 30;
const CARRY_S_A_KG = 2;
const LADDER_S = 90;
const NO_TOOL_S = 300;

/** What takes the minutes of a cut; `by hand` is work without a saw. */
export type MinutesFor =
  | 'blade'
  | 'no tool'
  | 'place'
  | 'pieces'
  | 'carrying'
  | 'ladder'
  | 'cleaning'
  | 'by hand';

export interface CutMinutes {
  minutes: number;
  /** The same before anybody’s own pace. */
  plain: number;
  /** Each share of them. */
  because: { what: MinutesFor; minutes: number }[];
}

/** Minutes of one cut: blade, pieces, ladder, carrying away, and the cleaning that goes with it. */
export function cutMinutes(given: {
  wielded: Wielded | null;
  kerfMm: number;
  dead: boolean;
  pieces: number;
  /** How many of a bundle are cut so. */
  alike?: number;
  kg: number;
  cleanSeconds: number;
  /** Minutes that a reckoned minute takes here with this kind of tool; cleaning takes as long as its agent needs. */
  pace?: number;
}): CutMinutes {
  const { wielded, kerfMm, dead, kg, cleanSeconds, alike: many = 1, pace = 1 } = given;
  const parts: [MinutesFor, number][] = [
    [
      wielded ? 'blade' : 'no tool',
      wielded
        ? many > 1
          ? many * ofManySeconds(wielded.tool.kind, kerfMm, dead)
          : bladeSeconds(wielded.tool.kind, kerfMm, dead) * (given.pieces > 1 ? 1.5 : 1)
        : NO_TOOL_S,
    ],
    ['place', AT_EVERY_CUT_S],
    ['pieces', (given.pieces - 1) * A_PIECE_S],
    ['carrying', kg * CARRY_S_A_KG],
    ['ladder', wielded?.station === 'ladder' ? LADDER_S : 0],
    ['cleaning', cleanSeconds],
  ];
  const because = parts
    .filter(([, seconds]) => seconds > 0)
    .map(([what, seconds]) => ({ what, minutes: (seconds / 60) * (what === 'cleaning' ? 1 : pace) }));
  return {
    minutes: because.reduce((sum, part) => sum + part.minutes, 0),
    plain: parts.reduce((sum, [, seconds]) => sum + Math.max(0, seconds), 0) / 60,
    because,
  };
}

/**
 * The most one person should lift, kg, by where it is held.
 *
 * @param h and v, cm, horizontal and vertical place of the hands; d, cm, way of the lift; a, degrees, turn of the body
 * @source Waters et al. 1993, Ergonomics 36:749, the revised NIOSH equation for one lift with a good grip
 * @example liftLimitKg({ h: 40, v: 60, d: 40, a: 30 }) //=> 11.6
 */
export function liftLimitKg({ h, v, d, a }: { h: number; v: number; d: number; a: number }): number {
  const reach = 25 / Math.max(25, h);
  const height = 1 - 0.003 * Math.abs(v - 75);
  const way = 0.82 + 4.5 / Math.max(25, d);
  return 23 * reach * height * way * (1 - 0.0032 * a);
}
/** One piece, for one person. Common practice, no source; the equation gives 11–23 kg for the lifts of this work. */
export const LIFT_KG = 15;
export const LIFT_NEVER_ABOVE_KG = 23;

/**
 * How near anyone may come to a live line, cm.
 *
 * @param kv thousands of volts
 * @source 29 CFR 1910.333(c)(3): 10 ft to 50 kV, 4 in more for each 10 kV above
 * @example lineDistanceCm(115) //=> 370.8
 */
export function lineDistanceCm(kv: number): number {
  return 304.8 + Math.max(0, (kv - 50) / 10) * 10.16;
}
