// What a drawing of each sign is made of: on which part of the tree, which marks, how many and how large. How they look is the screen's.
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { mersenne } from 'pure-rand/generator/mersenne';

/** What a sign is drawn on, and how wide the piece in view is, mm. */
export const signScenes = {
  /** A piece of a limb, lying. */
  limb: 90,
  /** A piece of the trunk, standing. */
  trunk: 220,
  /** The trunk at the ground, with its graft union. */
  base: 400,
  /** Two limbs where they join. */
  crotch: 220,
  /** Two limbs that touch. */
  crossing: 160,
  /** A shoot in leaf. */
  shoot: 160,
  /** A twig without leaves. */
  twig: 60,
  /** The same without its buds. */
  'bare twig': 60,
  leaf: 80,
  /** A bud, cut lengthwise. */
  bud: 16,
  blossom: 60,
  fruit: 80,
  /** A limb cut across. */
  end: 60,
  /** A limb whose outer bark is scratched away in one place. */
  scratch: 60,
  /** The whole tree. */
  tree: 4000,
} as const;
export type SignScene = keyof typeof signScenes;

/** What is drawn into it; most are one thing of the tree, and the last row is what happened round it. */
const signMarks = [
  ...(['limp', 'clinging', 'tiny', 'strap', 'sparse', 'collapsed'] as const),
  ...([
    'sheen',
    'ringed spot',
    'hole in leaf',
    'powder',
    'scorched edge',
    'brown bloom',
    'dead core',
  ] as const),
  ...([
    'wrinkled',
    'tuft',
    'scab',
    'crook',
    'streak',
    'bore',
    'knot',
    'thin bud',
    'blister',
    'snap',
  ] as const),
  ...([
    'dead tip',
    'bitten end',
    'lenticel',
    'fissure',
    'patch',
    'sharp edge',
    'blurred edge',
    'ooze',
  ] as const),
  ...(['gum', 'wet', 'tendril', 'pimple', 'cushion', 'bead', 'ridge', 'fibre', 'peel', 'bracket'] as const),
  ...([
    'side strip',
    'top strip',
    'sun',
    'split',
    'crotch split',
    'break',
    'rub',
    'tooth',
    'scrape',
  ] as const),
  ...([
    'round hole',
    'd hole',
    'pin hole',
    'sawdust',
    'gall',
    'soil band',
    'stock band',
    'old cut',
    'node',
  ] as const),
  ...(['moist', 'dry', 'fleck', 'brown strip', 'heart', 'stain', 'wedge', 'two tone', 'tunnel'] as const),
  ...(['lichen', 'wool', 'knob', 'callus'] as const),
  ...([
    'cold',
    'twin',
    'one limb',
    'hail',
    'load',
    'water',
    'drought',
    'spray',
    'shade',
    'browse line',
  ] as const),
  ...(['flower day', 'spread'] as const),
] as const;
export type SignMark = (typeof signMarks)[number];

type Range = readonly [least: number, most: number];
type Part = readonly [mark: SignMark, many?: Range, mm?: Range];
type Drawing = readonly [scene: SignScene, ...parts: Part[]];

/** Bark that is not drawn upon: pores and fissures, as sound bark has them. */
const PORES: Part = ['lenticel', [7, 11], [1.5, 4]];
const FISSURES: Part = ['fissure', [4, 7], [20, 60]];
/** A canker of a limb: longer than wide. */
const PATCH: Part = ['patch', [1, 1], [38, 56]];

/**
 * Counts and sizes are those of what one finds on a tree: pimples and beads of fungi about 1 mm and less, holes by what bored them.
 *
 * @source sizes of fruiting bodies and holes from extension guides, from memory; the rest common practice, no source
 */
const drawings: Readonly<Record<string, Drawing>> = {
  LF_WILT: ['shoot', ['limp', [5, 7], [26, 38]]],
  LF_HANG: ['shoot', ['clinging', [5, 7], [24, 34]]],
  LF_SILVER: ['leaf', ['sheen', [9, 12], [20, 44]]],
  LF_STUNT: ['shoot', ['tiny', [9, 12], [8, 14]]],
  LF_TWIST: ['shoot', ['strap', [6, 8], [30, 44]]],
  LF_SPOT: ['leaf', ['ringed spot', [4, 8], [4, 9]]],
  LF_HOLE: ['leaf', ['hole in leaf', [5, 9], [2, 5]]],
  LF_POWDER: ['leaf', ['powder', [60, 80], [0.6, 1.2]]],
  LF_PALE: ['shoot', ['sparse', [3, 4], [12, 20]]],
  LF_SCORCH: ['leaf', ['scorched edge', [1, 1], [6, 10]]],
  BL_BROWN: ['blossom', ['brown bloom', [4, 6], [14, 20]]],
  BD_DEAD: ['bud', ['dead core', [1, 1], [3, 5]]],
  LF_COLLAPSE: ['shoot', ['collapsed', [6, 8], [18, 28]]],
  FR_MUMMY: ['fruit', ['wrinkled', [7, 10], [20, 34]]],
  FR_TUFT: ['fruit', ['tuft', [9, 14], [2, 4]]],
  FR_SCAB: ['fruit', ['scab', [4, 7], [4, 10]]],
  SH_CROOK: ['shoot', ['crook', [1, 1], [40, 60]], ['limp', [4, 5], [20, 28]]],
  SH_STREAK: ['limb', PORES, ['streak', [1, 1], [45, 70]]],
  SH_BORE: ['twig', ['bore', [1, 1], [1.5, 3]]],
  SH_KNOT: ['twig', ['knot', [1, 1], [22, 34]]],
  SH_WHITE: ['bare twig', ['thin bud', [3, 4], [4, 6]], ['powder', [40, 60], [0.4, 0.8]]],
  SH_SCABBY: ['twig', ['blister', [9, 14], [1.5, 3.5]]],
  SH_SNAP: ['twig', ['snap', [1, 1], [6, 9]]],
  SH_TIPS: ['twig', ['dead tip', [1, 1], [18, 28]]],
  SH_BITTEN: ['twig', ['bitten end', [1, 1], [6, 9]]],
  BK_SUNK: ['limb', PORES, PATCH],
  BK_EDGE: ['limb', PORES, PATCH, ['sharp edge', [1, 1], [1, 2]]],
  BK_BLUR: ['limb', PORES, ['blurred edge', [45, 60], [1, 3]], ['blister', [3, 5], [3, 5]]],
  BK_OOZE: ['limb', PORES, PATCH, ['ooze', [4, 7], [2, 5]]],
  BK_GUM: ['limb', PORES, ['gum', [3, 5], [5, 10]]],
  BK_SOUR: ['limb', PORES, ['wet', [1, 1], [34, 50]]],
  BK_TENDRIL: ['limb', PATCH, ['pimple', [14, 20], [0.6, 1.2]], ['tendril', [4, 6], [5, 9]]],
  BK_PIMPLE: ['limb', PORES, PATCH, ['pimple', [24, 36], [0.6, 1.2]]],
  BK_CORAL: ['limb', PATCH, ['cushion', [9, 14], [1.5, 3]]],
  BK_BEAD: ['limb', PATCH, ['ridge', [2, 2], [30, 40]], ['bead', [16, 24], [0.4, 0.8]]],
  BK_RINGS: ['limb', PORES, ['ridge', [4, 5], [40, 56]]],
  BK_FIDDLE: ['limb', PATCH, ['fibre', [9, 13], [26, 40]]],
  BK_PAPER: ['limb', PATCH, ['peel', [3, 4], [12, 20]]],
  BK_BRACKET: ['limb', PORES, ['bracket', [3, 5], [10, 20]]],
  BK_SWSIDE: ['trunk', FISSURES, ['side strip', [1, 1], [120, 170]], ['sun', [1, 1], [30, 30]]],
  BK_TOP: ['limb', PORES, ['top strip', [1, 1], [50, 70]], ['sun', [1, 1], [12, 12]]],
  BK_VSPLIT: ['trunk', FISSURES, ['split', [1, 1], [130, 190]]],
  BK_CROTCH: ['crotch', ['crotch split', [1, 1], [40, 70]]],
  BK_BREAK: ['limb', PORES, ['break', [5, 8], [8, 22]]],
  BK_RUB: ['crossing', ['rub', [1, 1], [26, 40]]],
  BK_GNAW: ['limb', PORES, ['tooth', [12, 18], [2, 5]]],
  BK_SCRAPE: ['base', ['scrape', [1, 1], [60, 120]]],
  BK_HOLES: [
    'limb',
    PORES,
    ['round hole', [2, 3], [3, 5]],
    ['d hole', [2, 3], [3, 5]],
    ['pin hole', [5, 8], [1, 2]],
  ],
  BK_FRASS: ['limb', PORES, ['round hole', [2, 3], [3, 5]], ['sawdust', [24, 36], [0.6, 1.4]]],
  BK_GALL: ['base', ['gall', [1, 1], [80, 130]]],
  BK_BASE: ['base', ['soil band', [1, 1], [70, 110]]],
  BK_STOCK: ['base', ['stock band', [1, 1], [60, 90]], ['ooze', [3, 5], [10, 18]]],
  BK_CUT: ['limb', PORES, PATCH, ['old cut', [1, 1], [12, 18]]],
  BK_NODE: ['limb', PORES, PATCH, ['node', [1, 1], [14, 20]]],
  IN_GREEN: ['scratch', ['moist', [7, 10], [1.5, 3]]],
  IN_DRY: ['scratch', ['dry', [8, 11], [4, 9]]],
  IN_FLECK: ['scratch', ['moist', [4, 6], [1.5, 3]], ['fleck', [10, 15], [2, 6]]],
  IN_CAMB: ['scratch', ['brown strip', [1, 1], [30, 36]]],
  IN_HEART: ['end', ['heart', [1, 1], [18, 26]]],
  IN_STAIN: ['end', ['stain', [1, 1], [6, 9]]],
  IN_WEDGE: ['end', ['wedge', [1, 1], [22, 30]]],
  IN_ORANGE: ['base', ['two tone', [1, 1], [90, 130]]],
  IN_TUNNEL: ['scratch', ['tunnel', [2, 3], [2, 3]]],
  CX_FREEZE: ['tree', ['cold', [1, 1], [900, 900]]],
  CX_MANY: ['tree', ['twin', [1, 1], [1400, 1400]]],
  CX_ONE: ['tree', ['one limb', [1, 1], [1400, 1600]]],
  CX_STORM: ['tree', ['hail', [14, 20], [70, 120]]],
  CX_LOAD: ['tree', ['load', [5, 7], [300, 420]]],
  CX_WET: ['tree', ['water', [3, 3], [2600, 3200]]],
  CX_DROUGHT: ['tree', ['drought', [4, 6], [400, 700]], ['sun', [1, 1], [900, 900]]],
  CX_SPRAY: ['tree', ['spray', [12, 18], [60, 90]]],
  CX_SHADE: ['tree', ['shade', [5, 7], [300, 500]]],
  CX_LOW: ['tree', ['browse line', [1, 1], [1300, 1500]]],
  CX_BLOOM: ['tree', ['flower day', [1, 1], [900, 900]]],
  CX_SPREAD: ['tree', ['spread', [2, 2], [700, 1300]]],
  // What is met on sound trees, and taken for a sign
  LICHEN: ['limb', PORES, ['lichen', [4, 6], [10, 20]]],
  WOOL: ['limb', PORES, ['wool', [4, 6], [8, 14]]],
  SOUND: ['limb', ['lenticel', [12, 16], [1.5, 4]]],
  KNOB: ['limb', PORES, ['knob', [9, 13], [2, 4]]],
  CALLUS: ['limb', PORES, ['old cut', [1, 1], [14, 20]], ['callus', [2, 2], [24, 34]]],
};

export const drawnSigns: readonly string[] = Object.keys(drawings);

export interface DrawnMark {
  /** Its place in the part of the scene where such marks are: along and across, 0..1. */
  x: number;
  y: number;
  sizeMm: number;
  /** For what leans this way or that, 0..1. */
  turn: number;
}

export interface DrawnSign {
  scene: SignScene;
  /** From the back to the front. */
  parts: { mark: SignMark; marks: DrawnMark[] }[];
}

/** Of so many tries the mark is set where it is farthest from the others. */
const TRIES = 8;

/**
 * One of the ways that a sign can look: counts and sizes within their range, places at random and apart.
 *
 * @param code of a sign, or of what is taken for one ({@link drawnSigns})
 * @param seed the same draws the same
 * @returns null for a code without a drawing
 */
export function drawnSign(code: string, seed: number): DrawnSign | null {
  const drawing = drawings[code];
  if (!drawing) return null;
  // Unlike the other generators its first draws differ between one seed and the next
  const random = mersenne(seed);
  const draw = () => uniformFloat64(random);
  const within = ([least, most]: Range) => least + (most - least) * draw();
  const [scene, ...parts] = drawing;
  return {
    scene,
    parts: parts.map(([mark, many = [1, 1], mm = [1, 1]]) => {
      const marks: DrawnMark[] = [];
      const count = many[0] + Math.floor(draw() * (many[1] - many[0] + 1));
      for (let i = 0; i < count; i++) {
        const place = apart(marks, draw);
        marks.push({ ...place, sizeMm: within(mm), turn: draw() });
      }
      return { mark, marks };
    }),
  };
}

function apart(others: readonly DrawnMark[], draw: () => number): { x: number; y: number } {
  const tried = Array.from({ length: TRIES }, () => ({ x: draw(), y: draw() }));
  const room = (place: { x: number; y: number }) =>
    Math.min(...others.map((other) => Math.hypot(other.x - place.x, other.y - place.y)));
  return tried.reduce((best, place) => (room(place) > room(best) ? place : best));
}

/** For each look-alike by its name the drawing that shows it. */
const LOOKS: Readonly<Record<string, string>> = {
  lichen: 'LICHEN',
  woollyAphid: 'WOOL',
  normalBark: 'SOUND',
  poresOfNormalBark: 'SOUND',
  burrKnot: 'KNOB',
  callus: 'CALLUS',
  frost: 'SH_TIPS',
  'A borer': 'BK_FRASS',
  shootTipBorer: 'SH_BORE',
  bacterialBlast: 'BL_BROWN',
  fireBlightInBlossom: 'SH_STREAK',
  aCankerAtTheBaseOf: 'BK_NODE',
  anyCankerFurtherDown: 'BK_SUNK',
  neonectriaCanker: 'BK_RINGS',
  blackRotCanker: 'BK_PAPER',
  anthracnoseCanker: 'BK_FIDDLE',
  cytosporaCanker: 'BK_PIMPLE',
  bacterialCanker: 'IN_FLECK',
  fireBlightCankerInactive: 'BK_NODE',
  gumAlone: 'BK_GUM',
  sunscald: 'BK_TOP',
  falseSilveringByStress: 'LF_SILVER',
  gnawingOrMowerDamage: 'BK_GNAW',
  mowerOrString: 'BK_SCRAPE',
  crownGall: 'BK_GALL',
};

/** The drawing of a look-alike, by its name in the table. */
export const lookOf = (name: string): string | null => LOOKS[name] ?? null;
