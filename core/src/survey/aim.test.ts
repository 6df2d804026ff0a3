// Limbs by aiming. Reference for how a phone is held: quaternions of three.js, put together as the W3C’s Device Orientation and Motion tells
// (turns about Z, then X’, then Y’’).
import fc from 'fast-check';
import { Quaternion, Vector3 } from 'three';
import { type Limb, limbShape, type Point } from '../tree/index';
import { chance } from './chance';
import { type Aim, type Aiming, aimed, aimOf, limbAimedAt, nextAim, withAim } from './index';
import { mean, quantile } from './testing/errors';
import { madeUpTree } from './testing/trees';

test('the back of a phone looks where quaternions of three.js turn it', () => {
  const turns = fc.record({
    alpha: fc.double({ min: 0, max: 359, noNaN: true }),
    beta: fc.double({ min: -180, max: 180, noNaN: true }),
    gamma: fc.double({ min: -90, max: 90, noNaN: true }),
  });
  const about = (axis: [number, number, number], deg: number) =>
    new Quaternion().setFromAxisAngle(new Vector3(...axis), (deg * Math.PI) / 180);
  fc.assert(
    fc.property(turns, ({ alpha, beta, gamma }) => {
      const back = new Vector3(0, 0, -1).applyQuaternion(
        about([0, 0, 1], alpha)
          .multiply(about([1, 0, 0], beta))
          .multiply(about([0, 1, 0], gamma)),
      );
      const { headingDeg, tiltDeg } = aimOf({ alpha, beta, gamma });
      expect(Math.sin((tiltDeg * Math.PI) / 180)).toBeCloseTo(back.z, 9);
      const level = Math.cos((tiltDeg * Math.PI) / 180);
      expect(Math.sin((headingDeg * Math.PI) / 180) * level).toBeCloseTo(back.x, 9);
      expect(Math.cos((headingDeg * Math.PI) / 180) * level).toBeCloseTo(back.y, 9);
    }),
  );
  expect(aimOf({ alpha: 270, beta: 120, gamma: 0 })).toEqual({
    headingDeg: expect.closeTo(90, 9),
    tiltDeg: expect.closeTo(30, 9),
  });
});

const EYE = 165;
const TWELVE = 20;

/** What a sensor says whose zero lies anywhere. */
function aimsOf(limbs: Limb[], off: (spread: number) => number, zero: number): Aiming {
  const shape = limbShape(limbs);
  const places = [200, 290].map((bearingDeg) => ({ bearingDeg, awayCm: 520 }));
  const aim = (point: Point, { bearingDeg, awayCm }: (typeof places)[number]): Aim => {
    const at = (bearingDeg * Math.PI) / 180;
    const way = { x: point.x - awayCm * Math.sin(at), y: point.y - awayCm * Math.cos(at), z: point.z - EYE };
    return {
      headingDeg: (Math.atan2(way.x, way.y) * 180) / Math.PI + zero + off(4),
      tiltDeg: (Math.atan2(way.z, Math.hypot(way.x, way.y)) * 180) / Math.PI + off(1),
    };
  };
  const [here, there] = places as [(typeof places)[number], (typeof places)[number]];
  return {
    twelveDeg: TWELVE,
    towardTwelve: { headingDeg: TWELVE + zero, tiltDeg: 0 },
    eyeCm: EYE,
    places: places.map((place) => ({
      towardStem: aim({ x: 0, y: 0, z: 0 }, place),
      awayCm: place.awayCm * (1 + off(0.05)),
    })),
    limbs: limbs.slice(1).map((limb) => {
      const { base, tip } = shape.get(limb.id) as { base: Point; tip: Point };
      return {
        id: limb.id,
        onId: limb.parentId === 'T' ? null : limb.parentId,
        joint: aim(base, here),
        tip: aim(tip, here),
        tipAgain: aim(tip, there),
        towardDeg: (limb.bearingDeg + 360) % 360,
      };
    }),
  };
}

test.each([0, 137])(
  'without errors the aims give the tree as it is, wherever the compass has its zero (%i°)',
  (zero) => {
    const limbs = madeUpTree(chance(3));
    for (const found of aimed(aimsOf(limbs, () => 0, zero))) {
      const limb = limbs.find(({ id }) => id === found.id) as Limb;
      if ('fault' in found) throw new Error(`${found.id}: ${found.fault.why}`);
      expect(found.lengthCm.value).toBeCloseTo(limb.lengthCm, 4);
      expect(found.jointCm.value).toBeCloseTo(limb.jointCm, 4);
      expect(found.inclinationDeg.value).toBeCloseTo(limb.inclinationDeg, 4);
      expect(((found.bearingDeg.value - limb.bearingDeg + 540) % 360) - 180).toBeCloseTo(0, 4);
    }
  },
);

// A compass of a phone is off by 4° or so: the ranges say it
test('with a usual compass nine figures of ten lie within their range', () => {
  const [within, length]: [number[], number[]] = [[], []];
  for (let seed = 1; seed <= 60; seed++) {
    const luck = chance(seed);
    const limbs = madeUpTree(luck);
    for (const found of aimed(aimsOf(limbs, luck.off, 0))) {
      const limb = limbs.find(({ id }) => id === found.id) as Limb;
      if ('fault' in found) continue;
      within.push(Math.abs(found.lengthCm.value - limb.lengthCm) <= found.lengthCm.give ? 1 : 0);
      length.push(Math.abs(found.lengthCm.value - limb.lengthCm) / limb.lengthCm);
    }
  }
  expect(mean(within)).toBeGreaterThan(0.85);
  expect(quantile(length, 0.5)).toBeLessThan(0.25);
});

test('what is still to be aimed at is said in the order of the work', () => {
  const given = aimsOf(madeUpTree(chance(3)), () => 0, 0);
  const [limb] = given.limbs as [Aiming['limbs'][number]];
  const [here, there] = given.places as [Aiming['places'][number], Aiming['places'][number]];
  const why = (more: Partial<Aiming>, ofLimb: Partial<typeof limb> = {}) => {
    const [found] = aimed({ ...given, ...more, limbs: [{ ...limb, ...ofLimb }] });
    return found && 'fault' in found ? found.fault.why : null;
  };
  expect(why({ towardTwelve: null })).toBe('noTwelve');
  expect(why({ places: [{ ...here, towardStem: null }, there] })).toBe('noStem');
  expect(why({}, { onId: 'nobody' })).toBe('onUnknown');
  expect(why({}, { joint: null })).toBe('noJoint');
  expect(why({}, { tip: null })).toBe('noTip');
  expect(why({}, { tipAgain: null, towardDeg: null })).toBe('noHour');
  expect(why({ places: [here] }, { towardDeg: null })).toBe('noHour');
  // From the south-south-west a limb toward it points at whoever looks
  const overStem = { headingDeg: here.towardStem?.headingDeg ?? 0, tiltDeg: 15 };
  const seenWith = (towardDeg: number) => why({}, { tip: overStem, tipAgain: null, towardDeg });
  expect([200 - 39, 200 + 39, 20 + 39].map(seenWith)).toEqual(['alongSight', 'alongSight', 'alongSight']);
  expect([200 - 41, 200 + 41].map(seenWith)).not.toContain('alongSight');
  expect(
    why(
      { places: [here, { ...there, towardStem: { headingDeg: 200 + 180 + 29, tiltDeg: 0 } }] },
      { tipAgain: { headingDeg: 200 + 180 + 5, tiltDeg: 20 }, tip: { headingDeg: 380, tiltDeg: 20 } },
    ),
  ).toBe('raysClose');
});

test('a phone aimed at a limb names it; aimed past the tree it names none', () => {
  const limbs = madeUpTree(chance(3));
  const given = aimsOf(limbs, () => 0, 55);
  const shape = limbShape(limbs);
  for (const { id, tip } of given.limbs) expect(limbAimedAt(limbs, tip as Aim, given)).toBe(id);
  expect(shape.size).toBe(limbs.length);
  const [one] = given.limbs as [Aiming['limbs'][number]];
  const aside = { headingDeg: (one.tip as Aim).headingDeg + 180, tiltDeg: 0 };
  expect(limbAimedAt(limbs, aside, given)).toBeNull();
  expect(limbAimedAt(limbs, one.tip as Aim, { ...given, towardTwelve: null })).toBeNull();
});

test('three aims a limb and three more, in their order, give all limbs', () => {
  const given = aimsOf(madeUpTree(chance(3)), () => 0, 0);
  const places = given.places.map((place) => ({ ...place, towardStem: null }));
  let aiming: Aiming = { ...given, towardTwelve: null, places, limbs: [] };
  const asked: string[] = [];
  for (const which of [0, 1])
    for (let step = nextAim(aiming, which); step; step = nextAim(aiming, which)) {
      const limb = given.limbs[aiming.limbs.length];
      const known = given.limbs.find(({ id }) => step && 'limbId' in step && id === step.limbId);
      const aim = {
        twelve: given.towardTwelve,
        stem: given.places[which]?.towardStem,
        joint: limb?.joint,
        tip: known?.tip,
        tipAgain: known?.tipAgain,
      }[step.what];
      if (!aim) break;
      aiming = withAim(aiming, which, step, aim, limb?.id ?? 'none');
      asked.push(step.what);
    }
  expect(asked).toHaveLength(3 * given.limbs.length + 3);
  expect(asked.slice(0, 5)).toEqual(['twelve', 'stem', 'joint', 'tip', 'joint']);
  expect(aiming).toEqual({
    ...given,
    limbs: given.limbs.map((limb) => ({ ...limb, onId: null, towardDeg: null })),
  });
  expect(nextAim(aiming, 1)).toBeNull();
  // A joint that is aimed at again begins no other limb
  const [first] = aiming.limbs as [Aiming['limbs'][number]];
  const again = withAim(
    aiming,
    0,
    { what: 'joint', limbId: first.id },
    { headingDeg: 1, tiltDeg: 2 },
    'other',
  );
  expect(again.limbs[0]).toEqual({ ...first, joint: { headingDeg: 1, tiltDeg: 2 } });
  expect(again.limbs).toHaveLength(aiming.limbs.length);
});
