// What a sign is drawn on: the piece of the tree without the sign.
import { type DrawnSign, type SignScene, signScenes } from '@mortisect/core/diagnosis';
import type { MarkKind } from '../marks';
import { blob, bow, dot, leaf, line, off, type Point } from './paths';

export const VIEW = { width: 96, height: 72 };

/** Roles of the palette: what a stroke or a fill is for. */
export type Ink = 'ink' | 'soft' | 'paper' | 'ground' | 'leaf' | 'ochre' | 'plum' | 'dead' | 'chalk';

export interface Shape {
  d: string;
  stroke?: Ink;
  width?: number;
  /** A colour, or the pattern of a mark. */
  fill?: Exclude<Ink, 'dead'> | MarkKind;
  opacity?: number;
}

export interface Scene {
  shapes: Shape[];
  /** Units of the view for a millimetre. */
  perMm: number;
  /** Where marks are: a share along and across, to a point. */
  place(x: number, y: number): Point;
  centre: Point;
  /** Long and short half axis of a patch. */
  lean: 'lying' | 'standing';
  /** The dead patch, where there is one: its length in the view, and its form. */
  patch?: { size: number; turn: number };
}

const OUTLINE = { stroke: 'ink', width: 1.8 } as const;
const FINE = { stroke: 'soft', width: 1 } as const;

export const box =
  (left: number, top: number, right: number, bottom: number) =>
  (x: number, y: number): Point => [left + x * (right - left), top + y * (bottom - top)];

/** A point on the shoot, and which way it points there. @param t 0 at its foot, 1 at its tip */
export const onShoot = (t: number): { at: Point; deg: number } => {
  const [a, b, c]: Point[] = [
    [12, 70],
    [34, 44],
    [80, 10],
  ] as [Point, Point, Point];
  const u = 1 - t;
  const mix = (i: 0 | 1) => u * u * a[i] + 2 * u * t * b[i] + t * t * c[i];
  const slope = (i: 0 | 1) => 2 * u * (b[i] - a[i]) + 2 * t * (c[i] - b[i]);
  return { at: [mix(0), mix(1)], deg: (Math.atan2(slope(1), slope(0)) * 180) / Math.PI };
};

/** A place on the twig, from its foot at the left. */
export const onTwig = (t: number): Point => [2 + t * 88, 46 - t * 16];

const LIMB = 'M0 15Q46 11 96 16L96 57Q48 62 0 56Z';
const TRUNK = 'M26 0C24 26 26 48 22 72L74 72C70 48 72 26 70 0Z';

const limb = (): Pick<Scene, 'shapes' | 'place' | 'centre' | 'lean'> => ({
  shapes: [{ d: LIMB, ...OUTLINE, fill: 'paper' }],
  place: box(6, 19, 90, 53),
  centre: [48, 36],
  lean: 'lying',
});

const bareTwig = (): Pick<Scene, 'shapes' | 'place' | 'centre' | 'lean'> => ({
  shapes: [{ d: 'M2 42L90 27L91 33L2 50Z', ...OUTLINE, fill: 'paper' }],
  place: (x, y) => {
    const [px, py] = onTwig(0.06 + x * 0.9);
    return [px, py - 2 + y * 4];
  },
  centre: onTwig(0.5),
  lean: 'lying',
});

const SCENES: Record<SignScene, () => Pick<Scene, 'shapes' | 'place' | 'centre' | 'lean'>> = {
  limb,
  trunk: () => ({
    shapes: [{ d: TRUNK, ...OUTLINE, fill: 'paper' }],
    place: box(30, 4, 66, 68),
    centre: [48, 36],
    lean: 'standing',
  }),
  base: () => ({
    shapes: [
      {
        d: 'M34 0C34 12 33 18 32 22C28 27 29 32 32 35C32 46 29 54 18 62L78 62C67 54 64 46 64 35C67 32 68 27 64 22C63 18 62 12 62 0Z',
        ...OUTLINE,
        fill: 'paper',
      },
      { d: bow([29, 29], [48, 34], [67, 28]), ...FINE },
      { d: line([0, 62], [96, 62]), ...OUTLINE },
      { d: [6, 22, 40, 60, 78, 92].map((x) => line([x, 66], [x - 4, 70])).join(''), ...FINE },
    ],
    place: box(36, 38, 60, 56),
    centre: [48, 50],
    lean: 'lying',
  }),
  crotch: () => ({
    shapes: [
      {
        d: 'M36 72C37 56 34 48 8 6L24 0C40 26 44 34 50 38C56 32 62 22 72 0L88 8C66 44 62 54 62 72Z',
        ...OUTLINE,
        fill: 'paper',
      },
    ],
    place: box(40, 40, 58, 68),
    centre: [50, 46],
    lean: 'standing',
  }),
  crossing: () => ({
    shapes: [
      { d: 'M0 44L96 18L96 36L0 62Z', ...OUTLINE, fill: 'paper' },
      { d: 'M0 8L96 50L96 66L0 26Z', ...OUTLINE, fill: 'paper' },
    ],
    place: box(38, 28, 60, 44),
    centre: [49, 36],
    lean: 'lying',
  }),
  shoot: () => ({
    shapes: [{ d: 'M12 70Q34 44 80 10', stroke: 'ink', width: 2.4 }],
    place: (x) => onShoot(0.15 + 0.8 * x).at,
    centre: onShoot(0.5).at,
    lean: 'standing',
  }),
  'bare twig': bareTwig,
  twig: () => {
    const { shapes, ...bare } = bareTwig();
    const buds = [0.2, 0.42, 0.64, 0.84].map((t, i): Shape => {
      const [x, y] = onTwig(t);
      return { d: leaf([x, y + (i % 2 ? 3 : -3)], 8, i % 2 ? 40 : -60, 0.5), ...OUTLINE, fill: 'paper' };
    });
    return { ...bare, shapes: [...shapes, ...buds] };
  },
  leaf: () => ({
    shapes: [
      { d: 'M8 62C6 30 34 6 86 10C88 46 60 70 8 62Z', ...OUTLINE, fill: 'paper' },
      { d: 'M2 68Q46 44 86 10', ...FINE, width: 1.4 },
      ...[0.3, 0.48, 0.66].flatMap((t): Shape[] => {
        const foot: Point = [2 + 84 * t, 68 - 58 * t + 6 * t];
        return [-64, 16].map((deg) => ({ d: line(foot, off(foot, 17 * (1.2 - t), deg)), ...FINE }));
      }),
    ],
    place: (x, y) => {
      const along = 0.22 + 0.62 * x;
      const across = (y - 0.5) * 42 * Math.sin(Math.PI * along);
      return off([8 + 78 * along, 62 - 50 * along], across, 55);
    },
    centre: [48, 38],
    lean: 'lying',
  }),
  bud: () => ({
    shapes: [
      { d: 'M48 2C74 18 76 44 62 56L34 56C20 44 22 18 48 2Z', ...OUTLINE, fill: 'paper' },
      { d: 'M48 8C64 22 66 42 56 54M48 8C32 22 30 42 40 54', ...FINE },
      { d: 'M22 72L30 56L66 56L74 72', ...OUTLINE, fill: 'paper' },
    ],
    place: box(42, 22, 54, 50),
    centre: [48, 38],
    lean: 'standing',
  }),
  blossom: () => ({
    shapes: [
      { d: 'M4 66L44 48', stroke: 'ink', width: 4 },
      {
        d: [14, 40, 62, 80]
          .map((x, i) => bow([44, 48], [44 + (x - 44) / 3, 30], [x, 14 + (i % 2) * 8]))
          .join(''),
        ...OUTLINE,
      },
    ],
    place: box(10, 8, 84, 34),
    centre: [46, 24],
    lean: 'lying',
  }),
  fruit: () => ({
    shapes: [
      { d: 'M10 8L90 14', stroke: 'ink', width: 3 },
      { d: 'M48 11Q50 16 48 22', ...OUTLINE },
      { d: blob([48, 44], 26, 23, 0.2, 0.03), ...OUTLINE, fill: 'paper' },
    ],
    place: (x, y) => off([48, 44], 20 * Math.sqrt(x), 360 * y),
    centre: [48, 44],
    lean: 'lying',
  }),
  end: () => ({
    shapes: [
      { d: blob([48, 36], 34, 33, 0.3, 0.02), ...OUTLINE, fill: 'paper' },
      { d: dot([48, 36], 29), stroke: 'ink', width: 1.2 },
      { d: [22, 15.5, 9.5].map((r) => dot([48, 36], r)).join(''), ...FINE },
      { d: dot([48, 36], 1.6), fill: 'ink' },
    ],
    place: (x, y) => off([48, 36], 26 * Math.sqrt(x), 360 * y),
    centre: [48, 36],
    lean: 'lying',
  }),
  scratch: () => {
    const { shapes, centre, lean } = limb();
    return {
      shapes: [
        ...shapes,
        {
          d: [12, 26, 70, 86]
            .map((x, i) => line([x, 21 + (i % 2) * 30], [x + 6, 21 + (i % 2) * 30]))
            .join(''),
          ...FINE,
        },
        { d: blob([48, 36], 33, 14, 0.4, 0.05), ...OUTLINE, fill: 'paper' },
      ],
      place: (x, y) => [20 + 56 * x, 36 + (y - 0.5) * 20 * Math.sin(Math.PI * (0.15 + 0.7 * x))],
      centre,
      lean,
    };
  },
  tree: () => ({
    shapes: [
      { d: blob([48, 26], 32, 23, 0.6, 0.05), stroke: 'soft', width: 1.2, fill: 'paper' },
      {
        d: 'M48 66L48 34M48 48L28 22M48 44L68 18M48 36L50 10M40 38L22 36M57 32L76 36',
        stroke: 'ink',
        width: 2.2,
      },
      { d: line([0, 66], [96, 66]), ...OUTLINE },
    ],
    place: box(20, 6, 76, 46),
    centre: [48, 26],
    lean: 'lying',
  }),
};

/** Marks of fungi and what oozes are on the dead patch where there is one. */
export function sceneOf({ scene, parts }: DrawnSign): Scene {
  const plain = SCENES[scene]();
  const perMm = VIEW.width / signScenes[scene];
  const patch = parts.find(({ mark }) => mark === 'patch')?.marks[0];
  if (!patch) return { ...plain, perMm };
  const rx = (patch.sizeMm * perMm) / 2;
  return {
    ...plain,
    perMm,
    patch: { size: patch.sizeMm * perMm, turn: patch.turn },
    place: (x, y) => {
      const [dx, dy] = off([0, 0], Math.sqrt(x) * 0.86, 360 * y);
      return [plain.centre[0] + dx * rx, plain.centre[1] + dy * Math.min(13, rx * 0.5)];
    },
  };
}
