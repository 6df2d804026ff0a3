// Where does this wood go? By the disorder and by the rule of the place.
import { z } from 'zod';
import { type WoodClass, woodClass } from '../blades/index';
import { type Confidence, disorderOf, isFireBlight } from '../disorders/index';
import { plainReason, reasonSchema } from '../reason/index';
import { setting } from '../settings/index';
import { DEBRIS_ROUTE_WORDS, type DebrisRoute, debrisRoutes } from './done';

const { leave: _, ...CARRIED_AWAY } = DEBRIS_ROUTE_WORDS;

export const SCHOOLS_ON_BURNING = [
  { school: 'burnIt', says: 'heatKillsWhatIsInThe' },
  {
    school: 'neverBurnFireBlight',
    says: 'smokeAndHeatAreFearedTo',
  },
] as const;

export const DebrisSettings = z
  .strictObject({
    burning: setting(
      z
        .enum(['allowed', 'ask first', 'banned'])
        .default('ask first')
        .describe('local rule; bans by season and on dry days come on top'),
      {
        label: 'burningHere',
        choices: { allowed: 'allowed', 'ask first': 'askFirst', banned: 'banned' },
        hint: 'theLocalRuleBansBySeason',
      },
    ),
    burnsBlight: setting(
      z.boolean().default(true).describe('school: fire blight wood is burned; others never burn it'),
      {
        label: 'fireBlightWoodIsBurned',
        hint: SCHOOLS_ON_BURNING[1].says,
      },
    ),
    infectedBy: setting(z.enum(debrisRoutes).default('landfill'), {
      label: 'diseasedAndSuspectWood',
      choices: CARRIED_AWAY,
      hint: 'whereADisorderForbidsItThe',
    }),
    healthyBy: setting(z.enum(debrisRoutes).default('chip'), {
      label: 'soundWood',
      choices: DEBRIS_ROUTE_WORDS,
    }),
  })
  .meta({ id: 'DebrisSettings' });
export type DebrisSettings = z.infer<typeof DebrisSettings>;

export const startingDebris = (): DebrisSettings => DebrisSettings.parse({});

/** Up to here wood dries out as chips and is harmless. @source handling tables of extension services, from memory */
const THIN_ENOUGH_MM = 25;

/** Why wood goes where it goes; `disorder` is the code of what is in it. */
export const DebrisReason = reasonSchema({
  'burning banned': {},
  'fire blight not burned': {},
  'does not stay': {},
  'sheds from chips': { disorder: z.string() },
  'chipped only thin': { disorder: z.string(), mm: z.number() },
  'chips less safe': { disorder: z.string() },
  'kept apart': {},
  'ask about burning': {},
});
export type DebrisReason = z.infer<typeof DebrisReason>;

export interface Debris {
  class: WoodClass;
  route: DebrisRoute;
  allowed: DebrisRoute[];
  because: DebrisReason[];
  confidence: Confidence;
}

/**
 * The way out for the wood of one cut.
 *
 * @param disorders codes of what the cut takes; one that is not known makes it suspect
 * @param thickestMm at the kerf
 */
export function debrisOf(disorders: readonly string[], thickestMm: number, settings: DebrisSettings): Debris {
  const wood = woodClass(disorders);
  const because: DebrisReason[] = [];
  const allowed = debrisRoutes.filter((route) => {
    const why = whyNot(route, wood, disorders, thickestMm, settings);
    if (why) because.push(why);
    return why === null;
  });
  const wanted = wood === 'sound' ? settings.healthyBy : settings.infectedBy;
  const route = allowed.includes(wanted) ? wanted : (allowed.find((other) => other !== 'burn') ?? 'landfill');
  if (wood !== 'sound') because.push(plainReason('kept apart'));
  if (settings.burning === 'ask first' && route === 'burn') because.push(plainReason('ask about burning'));
  return { class: wood, route, allowed, because, confidence: 'practice' };
}

function whyNot(
  route: DebrisRoute,
  wood: WoodClass,
  disorders: readonly string[],
  thickestMm: number,
  { burning, burnsBlight }: DebrisSettings,
): DebrisReason | null {
  if (route === 'burn') {
    if (burning === 'banned') return plainReason('burning banned');
    if (!burnsBlight && disorders.some(isFireBlight)) return plainReason('fire blight not burned');
    return null;
  }
  if (route === 'leave') return wood === 'sound' ? null : plainReason('does not stay');
  if (route !== 'chip') return null;
  const never = disorders.find((code) => chips(code) === 'never');
  if (never) return { code: 'sheds from chips', values: { disorder: never } };
  const thick = disorders.find((code) => chips(code) === 'thin' && thickestMm > THIN_ENOUGH_MM);
  if (thick) return { code: 'chipped only thin', values: { disorder: thick, mm: THIN_ENOUGH_MM } };
  const other = disorders.find((code) => woodClass([code]) === 'infected' && chips(code) === undefined);
  return other ? { code: 'chips less safe', values: { disorder: other } } : null;
}

const chips = (code: string) => disorderOf(code)?.chips;

/** Kilograms of loosely piled brush in a cubic metre, 60–150. Common practice, no source. */
const BRUSH_KG_A_M3 = 100;
function brushM3(kg: number): number {
  return kg / BRUSH_KG_A_M3;
}

/** “0.2 m³”, “under 0.1 m³”. */
export function brushVolume(kg: number): string {
  const m3 = brushM3(kg);
  return m3 < 0.1 ? 'under 0.1 m³' : `${m3.toFixed(1)} m³`;
}

interface DebrisSum {
  class: WoodClass;
  route: DebrisRoute;
  kg: number;
  m3: number;
  cuts: number;
}

/** Mass by class and route, the worst first. */
export function debrisSums(
  cuts: readonly { disorders: readonly string[]; thickestMm: number; kg: number }[],
  settings: DebrisSettings,
): DebrisSum[] {
  const sums = new Map<string, DebrisSum>();
  for (const cut of cuts) {
    const { class: wood, route } = debrisOf(cut.disorders, cut.thickestMm, settings);
    const key = `${wood} ${route}`;
    const sum = sums.get(key) ?? { class: wood, route, kg: 0, m3: 0, cuts: 0 };
    sum.kg += cut.kg;
    sum.m3 = brushM3(sum.kg);
    sum.cuts++;
    sums.set(key, sum);
  }
  const rank = { infected: 0, suspect: 1, sound: 2 };
  return [...sums.values()].sort((a, b) => rank[a.class] - rank[b.class] || b.kg - a.kg);
}
