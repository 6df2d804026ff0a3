// How each mark of a sign looks. None relies on colour: each has a form of its own.
import type { DrawnMark, DrawnSign, SignMark } from '@mortisect/core/diagnosis';
import { blob, bow, closed, dot, ellipse, leaf, line, off, type Point, zigzag } from './paths';
import { onShoot, onTwig, type Scene, type Shape, sceneOf } from './scenes';

interface Placed extends DrawnMark {
  at: Point;
  /** Its size in units of the view. */
  size: number;
  /** Which of its kind it is, from 0. */
  i: number;
}

type Drawn = (placed: Placed, scene: Scene, all: readonly DrawnMark[]) => Shape[];

const INK = { stroke: 'ink', width: 1.4 } as const;
const DEAD = { stroke: 'dead', width: 1.4, fill: 'dead' } as const;
const SICK = { stroke: 'plum', width: 1.4, fill: 'diseased' } as const;
const HURT = { stroke: 'ochre', width: 1.6, fill: 'damaged' } as const;

/** Leaves along the shoot, to both sides of it by turns. */
const leaves =
  (hang: (deg: number, side: 1 | -1, turn: number) => number, wide: number, look: Omit<Shape, 'd'>): Drawn =>
  ({ size, i, turn }, _scene, all) => {
    const { at, deg } = onShoot(0.12 + (0.84 * (i + 0.5)) / all.length);
    const side = i % 2 === 0 ? 1 : -1;
    return [{ d: leaf(at, size, hang(deg, side, turn), wide), ...look }];
  };
const upright = (deg: number, side: 1 | -1, turn: number) => deg + side * (38 + 20 * turn);
const hanging = (_deg: number, side: 1 | -1, turn: number) => 90 + side * (8 + 22 * turn);

/** A patch of bark, longer than wide. */
const patchOf = ({ centre, lean }: Scene, long: number, turn: number): string => {
  const short = long < 60 ? Math.min(13, long / 4) : 15;
  return lean === 'lying' ? blob(centre, long / 2, short, turn) : blob(centre, short, long / 2, turn);
};

const treeLimb: Drawn = () => [
  { d: 'M48 44Q58 34 70 14', stroke: 'dead', width: 8, opacity: 0.35 },
  { d: leaf([60, 28], 12, -10), ...DEAD },
  { d: leaf([64, 22], 12, -100), ...DEAD },
  { d: leaf([69, 15], 12, -40), ...DEAD },
];

const MARKS: Record<SignMark, Drawn> = {
  limp: leaves(hanging, 0.34, { stroke: 'leaf', width: 1.4, fill: 'paper' }),
  clinging: leaves(hanging, 0.26, DEAD),
  tiny: leaves(upright, 0.6, { stroke: 'ochre', width: 1.4, fill: 'paper' }),
  strap: leaves((deg, side, turn) => upright(deg, side, turn) + (turn - 0.5) * 70, 0.12, {
    stroke: 'leaf',
    width: 1.4,
    fill: 'paper',
  }),
  sparse: leaves(upright, 0.36, { stroke: 'ochre', width: 1.4, fill: 'paper' }),
  collapsed: (placed, scene, all) => {
    const { at } = onShoot(0.12 + (0.84 * (placed.i + 0.5)) / all.length);
    const low = off(at, placed.size * 0.6, 90);
    return [
      ...leaves(hanging, 0.14, DEAD)(placed, scene, all),
      { d: bow(low, off(low, 9, 120), off(low, 7, 180)), ...INK },
    ];
  },
  sheen: ({ at, size }) => {
    const long = Math.min(9, size / 4);
    return [{ d: line(off(at, long, 120), off(at, long, -60)), stroke: 'dead', width: 1.2 }];
  },
  'ringed spot': ({ at, size, turn }) => [
    { d: blob(at, size / 2, size / 2, turn), ...SICK },
    { d: dot(at, size * 0.16), fill: 'plum' },
  ],
  'hole in leaf': ({ at, size }) => [{ d: dot(at, size / 2), stroke: 'plum', width: 1.6, fill: 'ground' }],
  powder: ({ at, size }) => [{ d: dot(at, Math.max(0.5, size / 2)), fill: 'soft' }],
  'scorched edge': () => [
    {
      d: 'M8 62C6 30 34 6 86 10C88 46 60 70 8 62ZM16 57C58 60 78 42 78 18C40 16 16 34 16 57Z',
      ...DEAD,
    },
  ],
  'brown bloom': ({ i, size, turn }) => {
    const at = (
      [
        [14, 14],
        [40, 22],
        [62, 14],
        [80, 22],
        [28, 32],
        [70, 36],
      ] as const
    )[i % 6] ?? [40, 22];
    return [0, 1, 2, 3, 4].map((petal) => ({ d: leaf(at, size / 2, petal * 72 + 60 * turn, 0.4), ...DEAD }));
  },
  'dead core': ({ size }) => [{ d: leaf([48, 50], size + 8, -90, 0.3), ...DEAD }],
  wrinkled: ({ at, turn }) => {
    const near: Point = [(2 * at[0] + 48) / 3, (2 * at[1] + 44) / 3];
    return [{ d: bow(off(near, 8, 200), off(near, 6, 270 + 60 * turn), off(near, 8, 20)), ...INK }];
  },
  tuft: ({ at, size }) => [
    {
      d: [-130, -90, -50].map((deg) => line(at, off(at, size * 1.4, deg))).join(''),
      stroke: 'dead',
      width: 1.3,
    },
    { d: dot(at, size * 0.45), fill: 'soft' },
  ],
  scab: ({ at, size, turn }) => [
    { d: blob(at, size / 2, size / 2.4, turn, 0.2), ...SICK },
    { d: zigzag(off(at, size / 2, 180), off(at, size / 2, 0), 2, 2), ...INK },
  ],
  crook: () => [
    { d: 'M66 20C82 2 94 12 86 26', stroke: 'plum', width: 3 },
    { d: leaf([80, 12], 15, 100, 0.26), ...DEAD },
    { d: leaf([86, 26], 14, 95, 0.26), ...DEAD },
  ],
  streak: ({ size }) => [
    { d: leaf([20, 14], 15, -110, 0.28), ...DEAD },
    { d: closed([17, 15], [23, 15], [20 + size, 37], [18 + size, 40], [19, 30]), ...SICK },
  ],
  bore: ({ size }) => {
    const at = onTwig(0.8);
    return [
      { d: 'M30 41L88 29.5L88 31.5L30 44Z', fill: 'ink' },
      { d: dot([at[0] - 30, at[1] + 6], Math.max(2.4, size)), ...INK, fill: 'ink' },
      { d: leaf(onTwig(0.98), 18, 96, 0.28), stroke: 'leaf', width: 1.4, fill: 'paper' },
      { d: leaf(onTwig(0.9), 16, 110, 0.28), stroke: 'leaf', width: 1.4, fill: 'paper' },
    ];
  },
  knot: ({ size, turn }) => [
    {
      d: blob(onTwig(0.52), size / 2, 12, turn, 0.16),
      stroke: 'ink',
      width: 1.8,
      fill: 'ink',
      opacity: 0.85,
    },
    {
      d: [0.42, 0.5, 0.58].map((t) => blob(off(onTwig(t), 4, 260), 4, 3, t)).join(''),
      stroke: 'paper',
      width: 1.2,
    },
  ],
  'thin bud': ({ i }) => {
    const [x, y] = onTwig(0.3 + i * 0.18);
    return [
      {
        d: leaf([x, y + (i % 2 ? 4 : -4)], 9, i % 2 ? 30 : -50, 0.16),
        stroke: 'ink',
        width: 1.4,
        fill: 'paper',
      },
    ];
  },
  blister: ({ at, size, turn }) => [
    {
      d: blob(at, Math.max(1.8, size / 2), Math.max(1.5, size / 2.6), turn),
      stroke: 'plum',
      width: 1.3,
      fill: 'paper',
    },
    { d: line(off(at, size / 3, 180), off(at, size / 3, 0)), stroke: 'plum', width: 1 },
  ],
  snap: () => [
    { d: 'M56 20L66 16L68 46L58 50Z', fill: 'ground' },
    { d: zigzag([57, 30], [59, 44], 3, 3), ...INK, width: 1.8 },
    { d: zigzag([68, 28], [70, 42], 3, -3), ...INK, width: 1.8 },
    { d: 'M2 42L57 33L59 41L2 50Z', ...DEAD },
  ],
  'dead tip': ({ size }) => [
    { d: closed([91 - size, 26.8], [90, 27], [91, 33], [91 - size, 35.4]), ...DEAD },
    { d: line([91 - size, 20], [91 - size, 42]), ...INK, width: 2 },
  ],
  'bitten end': ({ size, turn }) => {
    const end = 84 - size;
    return [
      { d: closed([end, 8], [96, 8], [96, 52], [end - 8, 52]), fill: 'ground' },
      turn < 0.5
        ? { d: line([end, 25], [end - 7, 41]), ...INK, width: 2.6 }
        : { d: zigzag([end - 2, 25], [end - 5, 41], 3, 4), stroke: 'ochre', width: 2.2 },
    ];
  },
  lenticel: ({ at, size }) => [
    { d: line([at[0] - size / 2, at[1]], [at[0] + size / 2, at[1]]), stroke: 'soft', width: 1.2 },
  ],
  fissure: ({ at, size, turn }) => [
    {
      d: bow([at[0], at[1] - size / 2], [at[0] + 4 * (turn - 0.5), at[1]], [at[0], at[1] + size / 2]),
      stroke: 'soft',
      width: 1.2,
    },
  ],
  patch: ({ size, turn }, scene) => [
    { d: patchOf(scene, size, turn), fill: 'plum', opacity: 0.16 },
    { d: patchOf(scene, size, turn), stroke: 'plum', width: 1.8 },
    { d: patchOf(scene, size * 0.8, turn), stroke: 'plum', width: 0.9 },
  ],
  'sharp edge': (_placed, scene) => {
    const { size, turn } = scene.patch ?? { size: 54, turn: 0 };
    return [
      { d: patchOf(scene, size, turn), stroke: 'ink', width: 2.8 },
      { d: patchOf(scene, size + 8, turn), stroke: 'ink', width: 1 },
    ];
  },
  'blurred edge': ({ x, y, size }, { centre }) => {
    const far = 0.55 + 0.45 * x;
    const [dx, dy] = off([0, 0], far, 360 * y);
    return [
      {
        d: dot([centre[0] + dx * 30, centre[1] + dy * 14], Math.max(0.7, (size / 2) * (1.4 - far))),
        fill: 'plum',
      },
    ];
  },
  ooze: ({ at, size }) => [
    {
      d: `M${at[0]} ${at[1] - size}Q${at[0] + size * 0.9} ${at[1] + size * 0.6} ${at[0]} ${at[1] + size * 0.8}Q${at[0] - size * 0.9} ${at[1] + size * 0.6} ${at[0]} ${at[1] - size}Z`,
      stroke: 'ochre',
      width: 1.4,
      fill: 'paper',
    },
  ],
  gum: ({ at, size, turn }) => [
    {
      d: blob(at, size / 2, size / 2.2, turn, 0.14),
      stroke: 'ochre',
      width: 1.8,
      fill: 'ochre',
      opacity: 0.75,
    },
    { d: bow(at, off(at, size * 0.8, 60), off(at, size * 1.3, 80)), stroke: 'ochre', width: 2.2 },
    { d: dot(off(at, size / 5, 230), Math.max(0.8, size / 9)), fill: 'paper' },
  ],
  wet: ({ size, turn }, scene) => [
    { d: patchOf(scene, size, turn), stroke: 'plum', width: 1.4, fill: 'plum', opacity: 0.3 },
    { d: [34, 48, 62].map((x) => `M${x} 30q4 -5 0 -10t0 -10t2 -8`).join(''), ...INK },
  ],
  tendril: ({ at, size, turn }) => [
    {
      d: `M${at[0]} ${at[1]}q${size * (turn - 0.2)} ${-size * 0.6} ${size * 0.3} ${-size}t${-size * 0.5} ${-size * 0.9}`,
      stroke: 'ochre',
      width: 1.6,
    },
  ],
  pimple: ({ at, size }) => [{ d: dot(at, Math.max(0.7, size / 2)), fill: 'ink' }],
  cushion: ({ at, size }) => [
    {
      d: `M${at[0] - size} ${at[1]}a${size} ${size} 0 0 1 ${2 * size} 0Z`,
      stroke: 'plum',
      width: 1.3,
      fill: 'paper',
    },
  ],
  bead: ({ at, size }) => [{ d: dot(at, Math.max(0.9, size)), stroke: 'plum', width: 1, fill: 'paper' }],
  ridge: ({ i, size, turn }, scene, all) => [
    { d: patchOf(scene, size * ((i + 1) / all.length), turn * 0.1), stroke: 'plum', width: 1.5 },
  ],
  fibre: ({ i, size, turn }, { centre }, all) => {
    const y = centre[1] - 11 + (22 * (i + 0.5)) / all.length;
    return [
      {
        d: bow([centre[0] - size / 2, y], [centre[0], y + 6 * (turn - 0.5)], [centre[0] + size / 2, y]),
        ...INK,
        width: 1.2,
      },
    ];
  },
  peel: ({ at, size }) => [
    {
      d: `M${at[0] - size / 2} ${at[1]}Q${at[0]} ${at[1] - size * 0.9} ${at[0] + size / 2} ${at[1] - size * 0.3}Q${at[0] + size * 0.1} ${at[1] - size * 0.2} ${at[0] - size / 2} ${at[1]}Z`,
      ...INK,
      fill: 'paper',
    },
  ],
  bracket: ({ x, i, size }) => {
    const at: Point = [14 + 66 * x, 55 - (i % 2) * 4];
    return [
      {
        d: `M${at[0] - size / 2} ${at[1]}Q${at[0]} ${at[1] + size * 0.8} ${at[0] + size / 2} ${at[1]}Z`,
        stroke: 'plum',
        width: 1.6,
        fill: 'paper',
      },
      {
        d: bow([at[0] - size / 3, at[1] + 1], [at[0], at[1] + size * 0.4], [at[0] + size / 3, at[1] + 1]),
        stroke: 'plum',
        width: 1,
      },
    ];
  },
  'side strip': ({ size }) => [{ d: blob([36, 38], 7, size / 2.2, 0.4, 0.08), ...DEAD }],
  'top strip': ({ size }) => [{ d: blob([48, 19], size / 2, 6, 0.4, 0.08), ...DEAD }],
  sun: (_placed, { lean }) => {
    const at: Point = lean === 'standing' ? [11, 14] : [84, 6];
    return [
      { d: dot(at, 5), stroke: 'ochre', width: 1.8, fill: 'paper' },
      {
        d: [20, 65, 110, 155, 200, 250, 300, 340]
          .map((deg) => line(off(at, 7, deg), off(at, 10, deg)))
          .join(''),
        stroke: 'ochre',
        width: 1.4,
      },
    ];
  },
  split: ({ size, turn }) => [
    { d: bow([48, 36 - size / 2.2], [44 + 8 * turn, 36], [50, 36 + size / 2.2]), stroke: 'ink', width: 4 },
    { d: zigzag([52, 36 - size / 2.4], [54, 36 + size / 2.4], 7, 2), stroke: 'ochre', width: 1.4 },
  ],
  'crotch split': ({ size }) => [
    { d: closed([50, 36], [54, 40], [51, 40 + size], [48, 42]), ...INK, width: 2, fill: 'ink' },
    { d: zigzag([56, 42], [53, 40 + size], 4, 3), stroke: 'ochre', width: 1.6 },
  ],
  break: ({ i, size, turn }, _scene, all) => {
    const y = 14 + (44 * (i + 0.5)) / all.length;
    return [
      ...(i === 0 ? [{ d: 'M52 6L97 6L97 66L52 66Z', fill: 'ground' } as const] : []),
      {
        d: closed([50, y - 4], [58 + size * (0.4 + turn), y], [50, y + 4]),
        stroke: 'ochre',
        width: 1.6,
        fill: 'paper',
      },
    ];
  },
  rub: ({ size, turn }, scene) => [{ d: blob(scene.centre, size / 2, size / 3.2, turn), ...HURT }],
  tooth: ({ at, size }) => [
    {
      d:
        line([at[0] - 1, at[1] - size], [at[0], at[1] + size]) +
        line([at[0] + 1.8, at[1] - size], [at[0] + 2.8, at[1] + size]),
      stroke: 'ochre',
      width: 1.5,
    },
  ],
  scrape: ({ size, turn }) => [
    { d: blob([54, 48], size / 3.6, size / 2.6, turn, 0.08), ...HURT },
    { d: [48, 53, 58].map((x) => line([x, 42], [x + 2, 54])).join(''), stroke: 'ink', width: 1 },
  ],
  'round hole': ({ at, size }) => [{ d: dot(at, Math.max(2, size / 2)), ...INK, fill: 'ink' }],
  'd hole': ({ at, size }) => [
    { d: `M${at[0] - size / 2} ${at[1]}a${size / 2} ${size / 2} 0 0 1 ${size} 0Z`, ...INK, fill: 'ink' },
  ],
  'pin hole': ({ at, size }) => [{ d: dot(at, Math.max(0.8, size / 2)), fill: 'ink' }],
  sawdust: ({ x, y, size }) => [
    {
      d: dot([30 + 36 * x, 58 + 10 * y * (1 - Math.abs(2 * x - 1))], Math.max(0.8, size / 2)),
      fill: 'ochre',
    },
  ],
  gall: ({ size, turn }) => [
    { d: blob([68, 56], size / 2, size / 2.4, turn, 0.14), stroke: 'plum', width: 1.8, fill: 'paper' },
    {
      d: [200, 260, 320, 30, 90].map((deg) => blob(off([68, 56], size / 4.4, deg), 3, 2.4, turn)).join(''),
      stroke: 'plum',
      width: 1.2,
    },
  ],
  'soil band': ({ size }) => [
    { d: closed([32, 62 - size / 1.6], [64, 62 - size / 1.8], [76, 61], [20, 61]), ...SICK },
  ],
  'stock band': ({ size }) => [
    { d: closed([31, 33], [65, 33], [64, 34 + size / 1.6], [32, 34 + size / 1.6]), ...SICK },
  ],
  'old cut': ({ size }, { centre }) => [
    { d: dot(centre, size / 2), ...INK, width: 1.8, fill: 'paper' },
    { d: dot(centre, size / 3.2) + dot(centre, size / 7), stroke: 'soft', width: 1 },
  ],
  node: ({ size }, { centre }) => [
    {
      d: closed(
        [centre[0] - 5, centre[1] - 4],
        [centre[0] - 2, 4],
        [centre[0] + 3, 4],
        [centre[0] + 5, centre[1] - 4],
      ),
      ...INK,
      width: 1.8,
      fill: 'paper',
    },
    {
      d: leaf([centre[0] - 1, 7], size / 2.4, -140, 0.5) + leaf([centre[0] + 2, 7], size / 2.4, -40, 0.5),
      ...INK,
      fill: 'paper',
    },
  ],
  moist: ({ at, size }) => [
    {
      d: `M${at[0]} ${at[1] - size}q${size} ${size * 1.3} 0 ${size * 1.7}q${-size} ${-size * 0.4} 0 ${-size * 1.7}Z`,
      stroke: 'leaf',
      width: 1.5,
      fill: 'leaf',
      opacity: 0.8,
    },
  ],
  dry: ({ at, size }) => [
    { d: zigzag([at[0] - size / 2, at[1]], [at[0] + size / 2, at[1]], 2, 2), stroke: 'dead', width: 1.6 },
  ],
  fleck: ({ at, size }) => [
    { d: line([at[0] - size / 2, at[1] - 1], [at[0] + size / 2, at[1] + 1]), stroke: 'plum', width: 2.2 },
  ],
  'brown strip': ({ size }) => [{ d: blob([48, 36], Math.min(30, size), 6, 0.2, 0.06), ...DEAD }],
  heart: ({ size, turn }) => [{ d: blob([48, 36], size / 2, size / 2.1, turn, 0.08), ...DEAD }],
  stain: ({ size }) => {
    const ring = (r: number, from: number, to: number) =>
      Array.from({ length: 9 }, (_, i) => off([48, 36], r, from + ((to - from) * i) / 8));
    return [{ d: closed(...ring(27, -60, 150), ...ring(27 - size, -60, 150).toReversed()), ...SICK }];
  },
  wedge: ({ size }) => [
    {
      d: closed([48, 36], ...Array.from({ length: 6 }, (_, i) => off([48, 36], 28, -25 + size * 0.4 * i))),
      ...SICK,
    },
  ],
  'two tone': ({ size }) => [
    { d: blob([48, 50], 14, 11, 0.2, 0.05), stroke: 'ink', width: 1.6, fill: 'paper' },
    { d: closed([36, 48], [60, 48], [58, 59], [38, 59]), ...SICK },
    { d: line([34, 48], [62, 48]), ...INK, width: Math.max(2, size / 60) },
  ],
  tunnel: ({ i }) => [
    { d: `M22 ${30 + i * 7}q9 -7 16 0t14 1t18 -2`, stroke: 'ink', width: 2.6 },
    ...(i === 0 ? [{ d: ellipse([72, 30], 4.5, 2.6), ...INK, fill: 'paper' } as const] : []),
  ],
  lichen: ({ at, size, turn }) => [
    { d: blob(at, size / 2, size / 2.6, turn, 0.24), stroke: 'leaf', width: 1.4, fill: 'paper' },
    { d: blob(at, size / 4.5, size / 6, turn, 0.24), stroke: 'leaf', width: 1 },
  ],
  wool: ({ at, size }) => [
    {
      d: [0, 60, 120, 180, 240, 300].map((deg) => dot(off(at, size / 3.4, deg), size / 4.4)).join(''),
      stroke: 'soft',
      width: 1.2,
      fill: 'paper',
    },
  ],
  knob: ({ x, y, size }) => [
    { d: dot([34 + 26 * x, 28 + 16 * y], Math.max(2.4, size)), ...INK, fill: 'paper' },
  ],
  callus: ({ i, size }, { centre }) => [{ d: dot(centre, size / 2 + i * 3 - 2), ...INK, width: 1.6 }],
  cold: () => [
    {
      d: [0, 60, 120].map((deg) => line(off([82, 14], 11, deg), off([82, 14], 11, deg + 180))).join(''),
      stroke: 'chalk',
      width: 2,
    },
  ],
  twin: () => [
    { d: 'M82 66L82 40M70 66L74 44M90 66L88 46', stroke: 'ink', width: 1.6 },
    { d: blob([82, 44], 12, 10, 0.7), ...DEAD },
    { d: leaf([58, 30], 12, -20), ...DEAD },
    { d: leaf([36, 22], 12, -150), ...DEAD },
  ],
  'one limb': treeLimb,
  hail: ({ x, y, size }) => [
    {
      d: dot([6 + 84 * x, 2 + 56 * y], Math.max(1.4, size / 60)),
      stroke: 'chalk',
      width: 1.2,
      fill: 'paper',
    },
  ],
  load: ({ i, size }) => {
    const at = (
      [
        [28, 26],
        [68, 22],
        [22, 38],
        [76, 38],
        [50, 14],
        [38, 32],
        [60, 32],
      ] as const
    )[i % 7] ?? [50, 14];
    return [
      { d: dot([at[0], at[1] + 4], size / 2.4), stroke: 'ink', width: 1.4, fill: 'paper' },
      { d: line([at[0], at[1] + 8], [at[0], at[1] + 13]), ...INK },
    ];
  },
  water: ({ i }) => [
    { d: `M4 ${62 + i * 3.4}q6 -4 11 0t11 0t11 0t11 0t11 0t11 0t11 0t11 0`, stroke: 'chalk', width: 1.5 },
  ],
  drought: ({ i }) => [{ d: zigzag([8 + i * 15, 66], [14 + i * 15, 72], 2, 3), ...INK }],
  spray: ({ x, y }) => [
    { d: dot([10 + 24 * x, 50 + 14 * y], 1.2), fill: 'plum' },
    { d: 'M2 40L10 44L6 52Z', ...INK, fill: 'paper' },
  ],
  shade: ({ i }) => {
    const at = (
      [
        [38, 42],
        [58, 40],
        [44, 36],
        [54, 46],
        [34, 36],
        [62, 36],
        [48, 42],
      ] as const
    )[i % 7] ?? [48, 42];
    return [{ d: leaf(at, 9, 90 + 40 * (i % 3)), ...DEAD }];
  },
  'browse line': () => [
    { d: line([8, 48], [88, 48]), stroke: 'chalk', width: 1.6 },
    { d: leaf([34, 56], 10, 20) + leaf([62, 58], 10, 160), ...HURT },
  ],
  'flower day': () => [
    {
      d: [0, 72, 144, 216, 288].map((deg) => leaf([16, 16], 9, deg, 0.5)).join(''),
      stroke: 'plum',
      width: 1.4,
      fill: 'paper',
    },
    { d: 'M30 16L80 16M72 10L80 16L72 22M44 12L44 20M58 12L58 20', ...INK },
  ],
  spread: ({ i }) => [
    {
      d: blob([58, 26], 7 + i * 9, 6 + i * 7, 0.3),
      stroke: 'plum',
      width: 1.6,
      ...(i === 0 && { fill: 'diseased' }),
    } as Shape,
    ...(i === 1 ? [{ d: 'M62 30L78 46M69 46L78 46L78 37', ...INK, width: 1.8 } as const] : []),
  ],
};

/** What is drawn, from the back to the front. */
export function shapesOf(drawn: DrawnSign): Shape[] {
  const scene = sceneOf(drawn);
  return [
    ...scene.shapes,
    ...drawn.parts.flatMap(({ mark, marks }) =>
      marks.flatMap((each, i) => {
        const placed = { ...each, i, at: scene.place(each.x, each.y), size: each.sizeMm * scene.perMm };
        return MARKS[mark](placed, scene, marks);
      }),
    ),
  ];
}
