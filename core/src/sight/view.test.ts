// The tree as it is seen. Reference for the perspective: the camera of three.js, a general-purpose graphics library.
import fc from 'fast-check';
import { PerspectiveCamera, Vector3 } from 'three';
import { type Limb, limbShape, pointAlong } from '../tree/index';
import {
  type Camera,
  limbsTouched,
  MOST_ZOOM,
  movedBy,
  outlineOf,
  standAt,
  treeSeen,
  zoomedAt,
} from './index';

const limb = (id: string, parentId: string | null, more: Partial<Limb> = {}): Limb => ({
  ...{ id, parentId, jointCm: 80, lengthCm: 200, baseMm: 60, tipMm: 10, ageYears: 8, bearingDeg: 0 },
  kind: parentId === null ? 'trunk' : parentId === 'T' ? 'scaffold' : 'branch',
  inclinationDeg: parentId === null ? 90 : 30,
  ...more,
});
const tree = [
  limb('T', null, { baseMm: 120 }),
  limb('N', 'T'),
  limb('E', 'T', { bearingDeg: 90 }),
  limb('S', 'T', { bearingDeg: 180, inclinationDeg: 10 }),
  limb('e', 'E', { bearingDeg: 60, lengthCm: 90, baseMm: 20 }),
];
const size = { width: 320, height: 280 };
const from = (more: Partial<Camera> = {}): Camera => ({
  ...{ bearingDeg: 180, distanceCm: 400, eyeCm: 160, zoom: 1 },
  ...more,
});

test('any place on any limb lies where a camera of three.js sees it', () => {
  const shape = limbShape(tree);
  const top = Math.max(...[...shape.values()].map(({ tip }) => tip.z));
  const cameras = fc.record({
    bearingDeg: fc.integer({ min: 0, max: 359 }),
    distanceCm: fc.integer({ min: 320, max: 900 }),
    eyeCm: fc.integer({ min: 80, max: 400 }),
    zoom: fc.constantFrom(1, 1.7),
  });
  fc.assert(
    fc.property(cameras, (camera) => {
      const seen = treeSeen(tree, camera, size);
      const eye = new PerspectiveCamera(50, size.width / size.height, 1, 5000);
      const bearing = (camera.bearingDeg * Math.PI) / 180;
      eye.up.set(0, 0, 1);
      eye.position.set(
        camera.distanceCm * Math.sin(bearing),
        camera.distanceCm * Math.cos(bearing),
        camera.eyeCm,
      );
      eye.lookAt(0, 0, top / 2);
      eye.updateMatrixWorld();
      const places = tree.flatMap(({ id, lengthCm }) =>
        [0, 0.4, 1].map((share) => {
          const point = pointAlong(shape.get(id) as NonNullable<ReturnType<typeof shape.get>>, share);
          const { x, y } = new Vector3(point.x, point.y, point.z).project(eye);
          const at = seen.placeOf(id, lengthCm * share);
          if (!at) throw new Error('A place lies behind the eye.');
          return { own: [at.x, at.y], theirs: [x * (size.width / 2), -y * (size.height / 2)] };
        }),
      );
      // One scale and one shift for the whole picture
      const first = places[0] as (typeof places)[number];
      const off = (of: 'own' | 'theirs') =>
        places.map((place) => place[of].map((value, i) => value - (first[of][i] as number)));
      const long = (of: 'own' | 'theirs') => Math.hypot(...off(of).flat());
      const scale = long('own') / long('theirs');
      const theirs = off('theirs').flat();
      for (const [i, own] of off('own').flat().entries())
        expect(own).toBeCloseTo((theirs[i] as number) * scale, 5);
    }),
  );
});

test('the whole tree fits wherever one stands; twice as near it is twice as large', () => {
  for (const bearingDeg of [0, 45, 200]) {
    const seen = treeSeen(tree, from({ bearingDeg }), size);
    const ends = seen.wood.flatMap(({ base, tip }) => [base, tip]);
    expect(Math.min(...ends.map(({ x }) => x))).toBeGreaterThanOrEqual(0);
    expect(Math.max(...ends.map(({ x }) => x))).toBeLessThanOrEqual(size.width);
    expect(Math.min(...ends.map(({ y }) => y))).toBeGreaterThanOrEqual(0);
    expect(Math.max(...ends.map(({ y }) => y))).toBeLessThanOrEqual(size.height);
    const spread = (of: 'x' | 'y') =>
      Math.max(...ends.map((end) => end[of])) - Math.min(...ends.map((end) => end[of]));
    expect(Math.max(spread('x') / size.width, spread('y') / size.height)).toBeCloseTo(0.94, 6);
    // As much air above as below
    const tops = ends.map(({ y }) => y);
    expect(Math.min(...tops) + Math.max(...tops)).toBeCloseTo(size.height, 6);
  }
  const [one, two] = [1, 2].map((zoom) => treeSeen(tree, from({ zoom }), size).placeOf('E', 200));
  expect((two?.x ?? 0) - 160).toBeCloseTo(2 * ((one?.x ?? 0) - 160), 6);
  expect(two?.radius).toBeCloseTo(2 * (one?.radius ?? 0), 6);
});

test('who stands in the south has east on the right, the south limb before the stem and the north limb behind it', () => {
  const seen = treeSeen(tree, from(), size);
  expect(seen.placeOf('E', 200)?.x).toBeGreaterThan(seen.foot.x);
  const order = seen.wood.map(({ limbId }) => limbId);
  expect(order.indexOf('N')).toBeLessThan(order.indexOf('T'));
  expect(order.lastIndexOf('S')).toBeGreaterThan(order.lastIndexOf('T'));
  const depths = seen.wood.map(({ depthCm }) => depthCm);
  expect(depths).toEqual(depths.toSorted((a, b) => b - a));
  // Wood tapers, and nearer wood is drawn thicker
  expect(seen.placeOf('E', 0)?.radius).toBeGreaterThan(seen.placeOf('E', 200)?.radius ?? 0);
  expect(seen.placeOf('S', 150)?.radius).toBeGreaterThan(seen.placeOf('N', 150)?.radius ?? 0);
  expect(seen.placeOf('gone', 0)).toBeNull();
});

test('what is behind the eye or at its lashes is not drawn', () => {
  // Under the tip of the south limb: 197 cm out
  const near = treeSeen(tree, from({ distanceCm: 150, eyeCm: 115 }), size);
  expect(near.placeOf('S', 200)).toBeNull();
  expect(near.placeOf('N', 200)).not.toBeNull();
});

test('a touch picks the wood under it, the nearest first, and a little beside it', () => {
  const seen = treeSeen(tree, from(), size);
  const at = seen.placeOf('e', 60);
  if (!at) throw new Error('Not seen.');
  expect(limbsTouched(seen, at, 0)[0]).toBe('e');
  expect(limbsTouched(seen, { x: at.x, y: at.y - at.radius - 30 }, 0)).not.toContain('e');
  expect(limbsTouched(seen, { x: 2, y: 2 }, 5)).toEqual([]);
  const joint = seen.placeOf('S', 0);
  const touched = limbsTouched(seen, joint ?? { x: 0, y: 0 }, 6);
  expect(touched).toEqual(expect.arrayContaining(['S', 'T', 'N']));
  expect(touched.indexOf('S')).toBeLessThan(touched.indexOf('N'));
  expect(new Set(touched).size).toBe(touched.length);
});

test('one stands a step and a half outside of the crown', () => {
  // The south limb reaches 197 cm, the one on the east limb a little farther
  const camera = standAt(tree, 90);
  expect(camera).toMatchObject({ bearingDeg: 90, eyeCm: 160, zoom: 1 });
  expect(camera.distanceCm).toBeGreaterThan(197 + 140);
  expect(camera.distanceCm % 10).toBe(0);
  expect(standAt([limb('T', null)], 0).distanceCm).toBe(200);
});

test('the outline lies square to the wood, half its thickness on either side at base and tip', () => {
  for (const bearingDeg of [0, 70, 200]) {
    for (const piece of treeSeen(tree, from({ bearingDeg }), size).wood) {
      const { base, tip, radii } = piece;
      const [a, b, c, d] = outlineOf(base, tip, radii);
      const along = { x: tip.x - base.x, y: tip.y - base.y };
      const square = (p: { x: number; y: number }, q: { x: number; y: number }) =>
        (p.x - q.x) * along.x + (p.y - q.y) * along.y;
      for (const [edge, end, radius] of [
        [a, base, radii[0]],
        [d, base, radii[0]],
        [b, tip, radii[1]],
        [c, tip, radii[1]],
      ] as const) {
        expect(square(edge, end)).toBeCloseTo(0, 6);
        expect(Math.hypot(edge.x - end.x, edge.y - end.y)).toBeCloseTo(radius, 9);
      }
      // Two sides of it: the middle of an end lies between its edges
      expect([(a.x + d.x) / 2, (a.y + d.y) / 2].map((at) => at.toFixed(6))).toEqual(
        [base.x, base.y].map((at) => at.toFixed(6)),
      );
      expect([(b.x + c.x) / 2, (b.y + c.y) / 2].map((at) => at.toFixed(6))).toEqual(
        [tip.x, tip.y].map((at) => at.toFixed(6)),
      );
    }
  }
});

test('long wood comes in pieces of at most 90 cm that follow each other; the last one ends it', () => {
  const pieces = treeSeen(tree, from({ bearingDeg: 90 }), size).wood.filter(({ limbId }) => limbId === 'N');
  expect(pieces).toHaveLength(3);
  expect(pieces.filter(({ isTip }) => isTip)).toHaveLength(1);
  const bases = new Set(pieces.map(({ base }) => `${base.x.toFixed(6)} ${base.y.toFixed(6)}`));
  expect(pieces.filter(({ tip }) => bases.has(`${tip.x.toFixed(6)} ${tip.y.toFixed(6)}`))).toHaveLength(2);
  // A piece lies as far off as its middle: between its ends, and 90 cm of wood exactly is one
  const short = treeSeen([limb('T', null, { lengthCm: 90 })], from(), size).wood;
  expect(short).toHaveLength(1);
  const eyeToMiddle = Math.hypot(400, 160 - 45);
  expect(short[0]?.depthCm).toBeCloseTo(eyeToMiddle, 6);
});

test('a bare stem alone fits too; beside the tree’s own middle what is behind the eye does not count', () => {
  const stem = treeSeen([limb('T', null)], from(), size);
  const ends = stem.wood.flatMap(({ base, tip }) => [base, tip]);
  for (const { x, y } of ends) {
    expect(x).toBeCloseTo(160, 2);
    expect(y).toBeGreaterThan(0);
    expect(y).toBeLessThan(280);
  }
  expect(Math.max(...ends.map(({ y }) => y)) - Math.min(...ends.map(({ y }) => y))).toBeCloseTo(
    0.94 * 280,
    6,
  );
  const near = treeSeen(tree, from({ distanceCm: 150, eyeCm: 115 }), size);
  const seen = near.wood.flatMap(({ base, tip }) => [base, tip]);
  const spread = (of: 'x' | 'y') => Math.max(...seen.map((p) => p[of])) - Math.min(...seen.map((p) => p[of]));
  expect(Math.max(spread('x') / 320, spread('y') / 280)).toBeGreaterThan(0.5);
});

test('nearer at a place leaves what lies there where it is, and farther off again all of the tree is seen', () => {
  const at = fc.record({ x: fc.integer({ min: 0, max: 320 }), y: fc.integer({ min: 0, max: 280 }) });
  const steps = fc.array(fc.record({ at, by: fc.constantFrom(0.5, 0.8, 1.3, 2) }), {
    minLength: 1,
    maxLength: 6,
  });
  const tipSeen = (camera: Camera) => treeSeen(tree, camera, size).placeOf('e', 90) ?? { x: 0, y: 0 };
  fc.assert(
    fc.property(steps, (taken) => {
      let camera = from();
      for (const step of taken) camera = zoomedAt(camera, step.by, step.at, size);
      expect(camera.zoom).toBeGreaterThanOrEqual(1);
      expect(camera.zoom).toBeLessThanOrEqual(MOST_ZOOM);
      // Never so far aside that an edge of the picture comes into the drawing
      const { x, y } = camera.shift ?? { x: 9e9, y: 9e9 };
      expect(Math.abs(x)).toBeLessThanOrEqual(((camera.zoom - 1) * size.width) / 2 + 1e-9);
      expect(Math.abs(y)).toBeLessThanOrEqual(((camera.zoom - 1) * size.height) / 2 + 1e-9);
      const whole = zoomedAt(camera, 0.01, { x: 10, y: 10 }, size);
      expect(tipSeen(whole).x).toBeCloseTo(tipSeen(from()).x, 6);
      const under = tipSeen(camera);
      const inside = under.x > 0 && under.x < size.width && under.y > 0 && under.y < size.height;
      const nearer = zoomedAt(camera, 1.2, under, size);
      if (inside && nearer.zoom > camera.zoom) {
        expect(tipSeen(nearer).x).toBeCloseTo(under.x, 6);
        expect(tipSeen(nearer).y).toBeCloseTo(under.y, 6);
      }
    }),
    { numRuns: 300, seed: 5 },
  );
});

test('the picture moves as far as it reaches beyond the drawing, and not at all where it does not', () => {
  const moved = (zoom: number, x: number, y: number) => movedBy(from({ zoom }), { x, y }, size).shift;
  expect(moved(1, 50, 50)).toEqual({ x: 0, y: 0 });
  expect(moved(2, 50, -50)).toEqual({ x: 50, y: -50 });
  expect(moved(2, 161, -141)).toEqual({ x: 160, y: -140 });
});
