// The tree from where one stands: a perspective drawing as plain outlines, the farther wood first.
import { dot, drawnSticks, type Limb, limbShape, type Point } from '../tree/index';

export interface Camera {
  /** Where one stands, seen from the stem: compass bearing. */
  bearingDeg: number;
  /** From the stem, cm. */
  distanceCm: number;
  /** Height of the eyes over the ground, cm. */
  eyeCm: number;
  /** 1 shows the whole tree; 2 is twice as near. */
  zoom: number;
  /** How far the picture is moved, in units of the drawing; not at all where nothing is said. */
  shift?: Spot;
}

interface Size {
  width: number;
  height: number;
}

export interface Spot {
  x: number;
  y: number;
}

/** A tapered piece of wood as it is seen, and how far off its middle is. */
export interface SeenWood {
  limbId: string;
  /** Half its thickness at base and tip, in the units of the drawing. */
  radii: readonly [number, number];
  base: Spot;
  tip: Spot;
  /** cm from the eye. */
  depthCm: number;
  /** It ends there, and is drawn round. */
  isTip: boolean;
}

export interface TreeSeen {
  /** The farther first, so that nearer wood is drawn over it. */
  wood: SeenWood[];
  /** A place on a limb; null where it lies behind the eye. */
  placeOf(limbId: string, atCm: number): (Spot & { radius: number }) | null;
  /** Where the ground meets the stem. */
  foot: Spot;
}

/** Nearer than this nothing is drawn: it would fill the picture. */
const NEAREST_CM = 15;
const MARGIN = 0.94;
/** Longer wood is drawn in pieces, so that each lies before or behind what crosses it. */
const PIECE_CM = 90;

/**
 * The limbs as somebody sees them who looks at the middle of the tree.
 *
 * @param size of the drawing, in its units; the whole tree fills it at zoom 1, wherever one stands
 */
export function treeSeen(limbs: Limb[], camera: Camera, size: Size): TreeSeen {
  const { shape, byId, pieces, topCm } = standingOf(limbs);
  const { toEye, focal, middle } = lookFrom(camera, topCm, pieces, size);
  const project = (point: Point) => {
    const eye = toEye(point);
    if (eye.z < NEAREST_CM) return null;
    return { x: middle.x + (focal * eye.x) / eye.z, y: middle.y - (focal * eye.y) / eye.z, depthCm: eye.z };
  };
  const wood: SeenWood[] = [];
  for (const { limbId, base, tip, radiiCm, isTip } of pieces) {
    const [a, b] = [project(base), project(tip)];
    if (!a || !b) continue;
    const radii = [(focal * radiiCm[0]) / a.depthCm, (focal * radiiCm[1]) / b.depthCm] as const;
    wood.push({ limbId, radii, base: a, tip: b, depthCm: (a.depthCm + b.depthCm) / 2, isTip });
  }
  return {
    wood: wood.sort((a, b) => b.depthCm - a.depthCm),
    placeOf(limbId, atCm) {
      const [limb, stick] = [byId.get(limbId), shape.get(limbId)];
      if (!limb || !stick) return null;
      const share = Math.min(1, Math.max(0, atCm / limb.lengthCm));
      const at = project(between(stick.base, stick.tip, share));
      return at && { x: at.x, y: at.y, radius: (focal * radiusCm(limb, share)) / at.depthCm };
    },
    foot: project({ x: 0, y: 0, z: 0 }) ?? middle,
  };
}

interface Piece {
  limbId: string;
  base: Point;
  tip: Point;
  /** Half its thickness at base and tip, cm. */
  radiiCm: readonly [number, number];
  isTip: boolean;
}

interface Standing {
  shape: ReturnType<typeof limbShape>;
  byId: ReadonlyMap<string, Limb>;
  pieces: Piece[];
  topCm: number;
}

/** Where the wood of a map stands is the same wherever one looks at it from. */
const standing = new WeakMap<Limb[], Standing>();

function standingOf(limbs: Limb[]): Standing {
  const known = standing.get(limbs);
  if (known) return known;
  const shape = limbShape(limbs);
  const made: Standing = {
    shape,
    byId: new Map(limbs.map((limb) => [limb.id, limb])),
    pieces: limbs.flatMap((limb) => drawnSticks(limb, shape).flatMap((stick) => piecesOf(limb, stick))),
    topCm: Math.max(1, ...[...shape.values()].flatMap(({ base, tip }) => [base.z, tip.z])),
  };
  standing.set(limbs, made);
  return made;
}

function piecesOf(limb: Limb, { base, tip }: { base: Point; tip: Point }): Piece[] {
  const count = Math.max(1, Math.ceil(limb.lengthCm / PIECE_CM));
  return Array.from({ length: count }, (_, i): Piece => {
    const [from, to] = [i / count, (i + 1) / count];
    return {
      limbId: limb.id,
      base: between(base, tip, from),
      tip: between(base, tip, to),
      radiiCm: [radiusCm(limb, from), radiusCm(limb, to)],
      isTip: to === 1,
    };
  });
}

function radiusCm(limb: Limb, share: number): number {
  return (limb.baseMm + (limb.tipMm - limb.baseMm) * share) / 20;
}

/** Limbs whose wood is touched, the nearest to the eye first; each once. @param within how far beside the wood counts, in units of the drawing */
export function limbsTouched({ wood }: Pick<TreeSeen, 'wood'>, at: Spot, within: number): string[] {
  const touched = wood.filter(({ base, tip, radii }) => {
    const share = nearestShare(at, base, tip);
    const [x, y] = [base.x + (tip.x - base.x) * share, base.y + (tip.y - base.y) * share];
    return Math.hypot(at.x - x, at.y - y) <= radii[0] + (radii[1] - radii[0]) * share + within;
  });
  return [...new Set(touched.toReversed().map(({ limbId }) => limbId))];
}

/** How far along from one place to another a third lies nearest, 0 to 1. */
export function nearestShare(at: Spot, from: Spot, to: Spot): number {
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  const square = dx * dx + dy * dy;
  if (square === 0) return 0;
  return Math.min(1, Math.max(0, ((at.x - from.x) * dx + (at.y - from.y) * dy) / square));
}

interface Look {
  /** Right, up, and away from the eye, cm. */
  toEye(point: Point): Point;
  /** Units of the drawing for a cm at 1 cm from the eye. */
  focal: number;
  middle: Spot;
}

function lookFrom(
  { bearingDeg, distanceCm, eyeCm, zoom, shift = { x: 0, y: 0 } }: Camera,
  topCm: number,
  pieces: readonly Pick<Piece, 'base' | 'tip'>[],
  { width, height }: Size,
): Look {
  const bearing = (bearingDeg * Math.PI) / 180;
  const eye = { x: distanceCm * Math.sin(bearing), y: distanceCm * Math.cos(bearing), z: eyeCm };
  const aim = { x: -eye.x, y: -eye.y, z: topCm / 2 - eyeCm };
  const far = Math.hypot(aim.x, aim.y, aim.z);
  const away = { x: aim.x / far, y: aim.y / far, z: aim.z / far };
  const flat = Math.hypot(away.x, away.y);
  const right = { x: away.y / flat, y: -away.x / flat, z: 0 };
  const up = {
    x: right.y * away.z - right.z * away.y,
    y: right.z * away.x - right.x * away.z,
    z: right.x * away.y - right.y * away.x,
  };
  const toEye = (point: Point): Point => {
    const from = { x: point.x - eye.x, y: point.y - eye.y, z: point.z - eye.z };
    return { x: dot(from, right), y: dot(from, up), z: dot(from, away) };
  };
  // As large as the tree fits, with its foot and tips, and in the middle
  const [across, upward] = [new Range(), new Range()];
  for (const piece of pieces)
    for (const end of [piece.base, piece.tip]) {
      const { x, y, z } = toEye(end);
      if (z < NEAREST_CM) continue;
      across.take(x / z);
      upward.take(y / z);
    }
  const [[west, east], [low, high]] = [across.ends(), upward.ends()];
  const focal = MARGIN * zoom * Math.min(width / (east - west), height / (high - low));
  return {
    toEye,
    focal,
    middle: {
      x: width / 2 + shift.x - (focal * (west + east)) / 2,
      y: height / 2 + shift.y + (focal * (low + high)) / 2,
    },
  };
}

/** Least and greatest; a hair apart where they are one. */
/** From the least to the greatest of what it was given: never nothing, so that a picture can be made as wide. */
class Range {
  #least = Number.POSITIVE_INFINITY;
  #most = Number.NEGATIVE_INFINITY;

  take(value: number): void {
    if (value < this.#least) this.#least = value;
    if (value > this.#most) this.#most = value;
  }

  ends(): [number, number] {
    return this.#least > this.#most ? [-1, 1] : [this.#least, Math.max(this.#most, this.#least + 1e-6)];
  }
}

function between(from: Point, to: Point, share: number): Point {
  return {
    x: from.x + (to.x - from.x) * share,
    y: from.y + (to.y - from.y) * share,
    z: from.z + (to.z - from.z) * share,
  };
}

/** Four corners of a tapered piece of wood: base left, tip left, tip right, base right. */
export function outlineOf(
  a: Spot,
  b: Spot,
  [atBase, atTip]: readonly [number, number],
): readonly [Spot, Spot, Spot, Spot] {
  const long = Math.hypot(b.x - a.x, b.y - a.y) || 1;
  const [nx, ny] = [-(b.y - a.y) / long, (b.x - a.x) / long];
  return [
    { x: a.x + nx * atBase, y: a.y + ny * atBase },
    { x: b.x + nx * atTip, y: b.y + ny * atTip },
    { x: b.x - nx * atTip, y: b.y - ny * atTip },
    { x: a.x - nx * atBase, y: a.y - ny * atBase },
  ];
}

type Zoomed = Pick<Camera, 'zoom' | 'shift'>;

/** No nearer: a finger’s width of wood then fills the drawing. Common practice, no source. */
export const MOST_ZOOM = 6;

/**
 * Nearer, or farther off, so that what lies at a place of the drawing stays there; never so far aside that the tree is lost.
 *
 * @param by 2 is twice as near
 * @example zoomedAt({ ...camera, zoom: 1 }, 2, { x: 0, y: 0 }, { width: 300, height: 200 }).shift //=> { x: 150, y: 100 }
 */
export function zoomedAt<C extends Zoomed>(camera: C, by: number, at: Spot, { width, height }: Size): C {
  const zoom = Math.min(MOST_ZOOM, Math.max(1, camera.zoom * by));
  const { x, y } = camera.shift ?? { x: 0, y: 0 };
  const [fromX, fromY] = [at.x - width / 2, at.y - height / 2];
  const nearer = zoom / camera.zoom;
  const shift = { x: fromX - (fromX - x) * nearer, y: fromY - (fromY - y) * nearer };
  return movedBy({ ...camera, zoom, shift }, { x: 0, y: 0 }, { width, height });
}

/** The picture moved aside, as far as it reaches beyond the drawing. */
export function movedBy<C extends Zoomed>(camera: C, { x, y }: Spot, { width, height }: Size): C {
  const { zoom, shift = { x: 0, y: 0 } } = camera;
  const within = (far: number, most: number) => Math.max(-most, Math.min(most, far));
  return {
    ...camera,
    shift: {
      x: within(shift.x + x, ((zoom - 1) * width) / 2),
      y: within(shift.y + y, ((zoom - 1) * height) / 2),
    },
  };
}

/** Where one usually stands to look: outside of the crown. Common practice, no source. */
export function standAt(limbs: Limb[], bearingDeg: number, eyeCm = 160): Camera {
  const reach = Math.max(...[...limbShape(limbs).values()].map(({ tip }) => Math.hypot(tip.x, tip.y)), 50);
  return { bearingDeg, distanceCm: Math.round((reach + 150) / 10) * 10, eyeCm, zoom: 1 };
}
