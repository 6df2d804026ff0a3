// Limbs from photos. Reference for the lens: the camera of three.js, a general-purpose graphics library. What the errors may come to is the
// product’s own aim, over 200 made-up trees.
import fc from 'fast-check';
import { PerspectiveCamera, Vector3 } from 'three';
import { LimbMap } from '../tree/index';
import { chance } from './chance';
import { fitted, spreadOf } from './fit';
import {
  type LimbSurveyed,
  lensHeld,
  type Photo,
  pictured,
  pictureOf,
  Survey,
  standsOn,
  surveyed,
  withMeasured,
} from './index';
import { besideLine, focalPx, type Lens, rayThrough } from './pinhole';
import { onRay } from './space';
import { stationOf } from './station';
import { mean, quantile, surveyErrors } from './testing/errors';
import { madeUpTree, NONE, photographed, USUAL } from './testing/trees';

const size = { widthPx: 1200, heightPx: 1600 };
const lenses = fc.record({
  bearingDeg: fc.double({ min: 0, max: 359, noNaN: true }),
  distanceCm: fc.double({ min: 400, max: 900, noNaN: true }),
  heightCm: fc.double({ min: 80, max: 300, noNaN: true }),
  yawDeg: fc.double({ min: -12, max: 12, noNaN: true }),
  pitchDeg: fc.double({ min: -20, max: 30, noNaN: true }),
  rollDeg: fc.double({ min: -10, max: 10, noNaN: true }),
  focalPx: fc.double({ min: 800, max: 2400, noNaN: true }),
});
const points = fc.record({
  x: fc.double({ min: -150, max: 150, noNaN: true }),
  y: fc.double({ min: -150, max: 150, noNaN: true }),
  z: fc.double({ min: 0, max: 400, noNaN: true }),
});

test('a place lies in the picture where a camera of three.js sees it', () => {
  fc.assert(
    fc.property(lenses, points, (lens, point) => {
      const eye = new PerspectiveCamera(
        (2 * Math.atan(size.heightPx / 2 / lens.focalPx) * 180) / Math.PI,
        size.widthPx / size.heightPx,
        1,
        5000,
      );
      const at = (lens.bearingDeg * Math.PI) / 180;
      const look = at + Math.PI + (lens.yawDeg * Math.PI) / 180;
      eye.up.set(0, 0, 1);
      eye.position.set(lens.distanceCm * Math.sin(at), lens.distanceCm * Math.cos(at), lens.heightCm);
      const up = Math.tan((lens.pitchDeg * Math.PI) / 180);
      eye.lookAt(eye.position.x + Math.sin(look), eye.position.y + Math.cos(look), lens.heightCm + up);
      // Clockwise in the picture is anticlockwise for whoever holds the lens
      eye.rotateZ((lens.rollDeg * Math.PI) / 180);
      eye.updateMatrixWorld();
      const { x, y } = new Vector3(point.x, point.y, point.z).project(eye);
      const own = pictured(point, lens, size);
      expect(own?.x).toBeCloseTo((x + 1) * (size.widthPx / 2), 4);
      expect(own?.y).toBeCloseTo((1 - y) * (size.heightPx / 2), 4);
    }),
  );
});

test('the ray through a place of the picture passes what is seen there, and another lens sees it as a line', () => {
  fc.assert(
    fc.property(
      lenses,
      lenses,
      points,
      fc.double({ min: -50, max: 50, noNaN: true }),
      (lens, second, point, off) => {
        const seen = pictured(point, lens, size);
        if (!seen) throw new Error('Trees stand before the lens.');
        const ray = rayThrough(seen, lens, size);
        const far = Math.hypot(point.x - ray.from.x, point.y - ray.from.y, point.z - ray.from.z);
        const there = onRay(ray, far);
        for (const of of ['x', 'y', 'z'] as const) expect(there[of]).toBeCloseTo(point[of], 6);
        const [near, farther] = [
          pictured(point, second, size),
          pictured(onRay(ray, far * 1.1), second, size),
        ];
        const long = near && farther ? Math.hypot(farther.x - near.x, farther.y - near.y) : 0;
        if (!near || !farther || long < 1) return;
        expect(besideLine(near, ray, second, size)).toBeCloseTo(0, 4);
        // Square to the line, so many pixels beside it
        const aside = {
          x: near.x - ((farther.y - near.y) / long) * off,
          y: near.y + ((farther.x - near.x) / long) * off,
        };
        expect(Math.abs(besideLine(aside, ray, second, size))).toBeCloseTo(Math.abs(off), 4);
      },
    ),
  );
});

test('behind the lens nothing is seen', () => {
  const lens: Lens = {
    bearingDeg: 0,
    distanceCm: 300,
    heightCm: 150,
    yawDeg: 0,
    pitchDeg: 0,
    rollDeg: 0,
    focalPx: 1200,
  };
  expect(pictured({ x: 0, y: 301, z: 150 }, lens, size)).toBeNull();
  expect(pictured({ x: 0, y: 299, z: 150 }, lens, size)).toMatchObject({ x: expect.closeTo(600, 6), y: 800 });
});

// Of a picture of 4 : 3 the diagonal is five thirds of the shorter side
test('a focal length as on film counts by the diagonal', () => {
  expect(focalPx(Math.hypot(36, 24), size)).toBeCloseTo(2000, 9);
  expect(focalPx(26, size)).toBeCloseTo(1201.9, 1);
});

// Worked by hand: 10 ± 1 and 13 ± 2 of one thing are (10/1 + 13/4) / (1/1 + 1/4) = 10.6, and its variance is 1 / 1.25
test('two measurements of one thing weigh by how sure they are', () => {
  const { values, covariance, residuals } = fitted(
    ([x]) => [(x as number) - 10, ((x as number) - 13) / 2],
    [0],
  );
  expect(values[0]).toBeCloseTo(10.6, 6);
  expect(covariance[0]?.[0]).toBeCloseTo(0.8, 6);
  expect(residuals).toEqual([expect.closeTo(0.6, 6), expect.closeTo(-1.2, 6)]);
  const [twice, sum] = spreadOf(([x]) => [2 * (x as number), (x as number) ** 2], values, covariance);
  expect(twice).toBeCloseTo(2 * Math.sqrt(0.8), 6);
  expect(sum).toBeCloseTo(2 * 10.6 * Math.sqrt(0.8), 2);
});

// Rosenbrock 1960, Comput. J. 3:175: from (−1.2, 1) along a bent valley to (1, 1)
test('steps that would lead uphill are shortened', () => {
  const valley = ([x, y]: readonly number[]) => [
    10 * ((y as number) - (x as number) ** 2),
    1 - (x as number),
  ];
  const { values } = fitted(valley, [-1.2, 1]);
  expect(values[0]).toBeCloseTo(1, 5);
  expect(values[1]).toBeCloseTo(1, 5);
});

test('photos without any error give the tree as it is', () => {
  const off = surveyErrors(NONE, 20, 2);
  expect(off.refused).toBe(0);
  expect(Math.max(...off.lengthShare)).toBeLessThan(1e-6);
  expect(Math.max(...off.bearingDeg)).toBeLessThan(1e-4);
  expect(Math.max(...off.inclinationDeg)).toBeLessThan(1e-4);
});

test('with usual errors two photos are near, and nine figures of ten lie within their range', () => {
  const off = surveyErrors(USUAL, 60, 2);
  expect(quantile(off.lengthShare, 0.5)).toBeLessThan(0.04);
  expect(quantile(off.bearingDeg, 0.5)).toBeLessThan(4);
  expect(quantile(off.inclinationDeg, 0.5)).toBeLessThan(2.5);
  expect(mean(off.within)).toBeGreaterThan(0.88);
  expect(mean(off.within)).toBeLessThan(0.96);
  expect(off.refused).toBeLessThan(0.01 * off.lengthShare.length);
});

test('one photo with the hour of each limb is less near; a limb that points at the lens is refused', () => {
  const off = surveyErrors(USUAL, 60, 1);
  expect(quantile(off.lengthShare, 0.5)).toBeLessThan(0.08);
  expect(quantile(off.bearingDeg, 0.5)).toBeLessThan(10);
  expect(mean(off.within)).toBeGreaterThan(0.86);
  // Directions within 40° of the line of sight, before and behind, are four ninths of all; side limbs of a refused limb wait for it
  expect(off.refused / (off.refused + off.lengthShare.length)).toBeGreaterThan(0.35);
});

const luck = () => chance(7);
const given = (): Survey => photographed(madeUpTree(luck()), luck(), NONE);
const withPhoto = (at: 0 | 1, more: Partial<Photo>) => {
  const survey = given();
  return { ...survey, photos: survey.photos.with(at, { ...(survey.photos[at] as Photo), ...more }) };
};
const first = (survey: Survey) => surveyed(survey).photos[0];

test('what is still to be tapped of a photo is said, and no limb is made meanwhile', () => {
  expect(first(withPhoto(0, { foot: null }))).toEqual({ why: 'noFoot' });
  expect(first(withPhoto(0, { poleTop: null }))).toEqual({ why: 'noPoleTop' });
  const [foot, poleTop] = [given().photos[0]?.poleTop, given().photos[0]?.foot] as [Spot2, Spot2];
  expect(first(withPhoto(0, { foot, poleTop }))).toEqual({ why: 'poleUpsideDown' });
  expect(surveyed(withPhoto(0, { poleTop: null })).limbs.every((limb) => 'fault' in limb)).toBe(true);
});
type Spot2 = { x: number; y: number };

// A pole of 2 m at the foot, seen from lens height 1.55 m: 12° at 9.4 m
test.each([
  [900, null],
  [980, 'poleSmall'],
])('a pole of 2 m from %i cm away: %s', (awayCm, why) => {
  const lens: Lens = {
    bearingDeg: 0,
    distanceCm: awayCm,
    heightCm: 155,
    yawDeg: 0,
    pitchDeg: 0,
    rollDeg: 0,
    focalPx: focalPx(26, size),
  };
  const photo: Photo = {
    ...size,
    ...{ focalMm35: 26, bearingDeg: 0, awayCm, ground: 'level' },
    foot: spotOf({ x: 0, y: 0, z: 0 }, lens),
    poleTop: spotOf({ x: 0, y: 0, z: 200 }, lens),
  };
  const fault = surveyed({ ...given(), photos: [photo] }).photos[0] ?? null;
  expect(fault?.why ?? null).toBe(why);
});
const spotOf = (point: { x: number; y: number; z: number }, lens: Lens) => {
  const seen = pictured(point, lens, size);
  if (!seen) throw new Error('It stands before the lens.');
  return { x: seen.x, y: seen.y };
};

// What is said of the distance gives 5 %, of the focal length 2 %: three of both together are 16 %
test.each([
  [1.1, null],
  [1.3, 'doesNotFit'],
  [0.7, 'doesNotFit'],
])('said to be %f times as far away as it is: %s', (times, why) => {
  const awayCm = (given().photos[0] as Photo).awayCm;
  const fault = first(withPhoto(0, { awayCm: awayCm * times })) ?? null;
  expect(fault?.why ?? null).toBe(why);
  if (fault?.why === 'doesNotFit') {
    expect(fault.saidCm).toBeCloseTo(awayCm * times, 6);
    // It says what would fit, so that whoever paced wrong sees it
    expect(fault.wouldFitCm / awayCm).toBeCloseTo(1, 1);
  }
});

test('a photo that does not tell its focal length may be cropped: the distance then tells it', () => {
  const survey = withPhoto(0, { focalMm35: null });
  const known = surveyed(survey);
  expect(known.photos[0]).toBeNull();
  expect(known.lenses[0]?.focalPx).toBeCloseTo(focalPx(26, size), 0);
  const wide = surveyed(given()).limbs[0] as LimbSurveyed;
  expect((known.limbs[0] as LimbSurveyed).lengthCm.give).toBeGreaterThan(wide.lengthCm.give);
});

test('where the ground rises the lens is lower over the foot, where it falls higher', () => {
  const height = (ground: Photo['ground']) =>
    surveyed(withPhoto(0, { ground, focalMm35: null })).lenses[0]?.heightCm ?? 0;
  expect(height('up')).toBeLessThan(height('level') - 3);
  expect(height('down')).toBeGreaterThan(height('level') + 3);
});

test.each([
  [29, 'sameSide'],
  [31, null],
  [149, null],
  [151, 'sameSide'],
])('a second photo said to be %i° on: %s', (deg, why) => {
  const survey = given();
  const [one, two] = survey.photos as [Photo, Photo];
  const said = { ...two, bearingDeg: (one.bearingDeg + deg) % 360 };
  const fault = surveyed({ ...survey, photos: [one, said], limbs: why ? survey.limbs : [] }).pair;
  if (why) expect(fault).toMatchObject({ why, leastDeg: 30 });
  // With no shared tip nothing else is wrong with it than that
  else expect(fault).toEqual({ why: 'fewShared', shared: 0, needed: 2 });
});

test('two photos are tied together by two tips, whatever turn was said', () => {
  const survey = given();
  const truth = surveyed(survey);
  const tied = (shared: number) =>
    surveyed({
      ...survey,
      limbs: survey.limbs.map((limb, i) =>
        i < shared ? { ...limb, towardDeg: null } : { ...limb, tipAgain: null, towardDeg: null },
      ),
    });
  expect(tied(1).pair).toEqual({ why: 'fewShared', shared: 1, needed: 2 });
  expect(tied(1).limbs[0]).toMatchObject({ fault: { why: 'noPair' } });
  expect(tied(2).limbs[0]).toMatchObject({
    lengthCm: { value: expect.closeTo((truth.limbs[0] as LimbSurveyed).lengthCm.value, 3) },
  });
  expect(tied(2).limbs[2]).toMatchObject({ fault: { why: 'noHour' } });
  const [one, two] = survey.photos as [Photo, Photo];
  const badlySaid = surveyed({
    ...survey,
    photos: [one, { ...two, bearingDeg: (two.bearingDeg + 20) % 360 }],
  });
  expect(badlySaid.lenses[1]?.bearingDeg).toBeCloseTo(truth.lenses[1]?.bearingDeg ?? 0, -0.5);
});

test('a tip that was tapped beside its line is refused alone, the others stay', () => {
  const survey = given();
  const [limb, ...rest] = survey.limbs as [Survey['limbs'][number], ...Survey['limbs']];
  const line = surveyed(survey);
  const off = (px: number) =>
    surveyed({
      ...survey,
      limbs: [
        { ...limb, tipAgain: { x: (limb.tipAgain?.x ?? 0) + px, y: (limb.tipAgain?.y ?? 0) + px } },
        ...rest,
      ],
    });
  expect(off(150).limbs[0]).toMatchObject({ id: limb.id, fault: { why: 'offLine' } });
  expect(off(150).limbs.at(-1)).toMatchObject({
    lengthCm: { value: expect.closeTo((line.limbs.at(-1) as LimbSurveyed).lengthCm.value, -1) },
  });
  expect(off(2).limbs[0]).not.toHaveProperty('fault');
});

test('one tip that was tapped far off turns no other limb away', () => {
  const survey = given();
  const [limb, ...rest] = survey.limbs as [Survey['limbs'][number], ...Survey['limbs']];
  const truth = surveyed(survey).limbs;
  const wrong = { ...limb, tipAgain: { x: (limb.tipAgain?.x ?? 0) + 500, y: (limb.tipAgain?.y ?? 0) + 700 } };
  const found = surveyed({ ...survey, limbs: [wrong, ...rest] }).limbs;
  for (const [i, each] of found.slice(1).entries()) {
    const was = truth[i + 1];
    // What stands on it waits for it
    if (survey.limbs[i + 1]?.onId === limb.id) continue;
    if (!was || 'fault' in was || 'fault' in each) throw new Error('It was turned away.');
    expect(Math.abs(each.lengthCm.value / was.lengthCm.value - 1)).toBeLessThan(0.02);
  }
});

test('on a slope the height of the lens is less sure', () => {
  const heightGive = (ground: Photo['ground']) => {
    const station = stationOf({ ...(given().photos[0] as Photo), ground, focalMm35: null }, given());
    return 'why' in station ? 0 : Math.sqrt(station.fit.covariance[2]?.[2] ?? 0);
  };
  expect(heightGive('level')).toBeGreaterThan(4);
  expect(heightGive('up')).toBeGreaterThan(heightGive('level') * 2);
  expect(heightGive('down')).toBeCloseTo(heightGive('up'), 0);
});

test('where most tips lie off their lines, the place of the second photo is not known', () => {
  const survey = given();
  const off = (i: number) => ({ x: 100 + ((i * 397) % 1000), y: 100 + ((i * 751) % 1400) });
  const scattered = survey.limbs.map((limb, i) => ({ ...limb, tipAgain: off(i), towardDeg: null }));
  expect(surveyed({ ...survey, limbs: scattered }).pair).toEqual({ why: 'tipsDoNotMeet' });
});

test('each limb says what it still lacks, and one on a limb that is not measured waits', () => {
  const survey = given();
  const [limb] = survey.limbs as [Survey['limbs'][number]];
  const only = (more: Partial<typeof limb>) =>
    surveyed({ ...survey, limbs: [{ ...limb, ...more }] }).limbs[0];
  expect(only({ base: null })).toMatchObject({ fault: { why: 'noBase' } });
  expect(only({ tip: null })).toMatchObject({ fault: { why: 'noTip' } });
  expect(only({ onId: 'nobody' })).toMatchObject({ fault: { why: 'onUnknown' } });
});

test('wood tapped across is as thick as it looks at its distance', () => {
  const survey = given();
  const [limb] = survey.limbs as [Survey['limbs'][number]];
  const base = limb.base as Spot2;
  const across = (px: number) =>
    (
      surveyed({
        ...survey,
        limbs: [
          {
            ...limb,
            across: [
              { x: base.x - px / 2, y: base.y },
              { x: base.x + px / 2, y: base.y },
            ],
          },
          ...survey.limbs.slice(1),
        ],
      }).limbs[0] as LimbSurveyed
    ).baseMm;
  const lens = surveyed(survey).lenses[0] as Lens;
  const far = Math.hypot(
    lens.distanceCm,
    lens.heightCm - (surveyed(survey).limbs[0] as LimbSurveyed).wood.base.z,
  );
  expect(across(20)?.value).toBeCloseTo((20 * far * 10) / lens.focalPx, 0);
  expect(across(40)?.value).toBeCloseTo(2 * (across(20)?.value ?? 0), 6);
  expect(surveyed(survey).limbs[0]).toMatchObject({ baseMm: null });
});

test('a joint stands on the wood that it was tapped nearest to', () => {
  const survey = given();
  for (const { id, onId, base } of survey.limbs) {
    const before = survey.limbs.slice(
      0,
      survey.limbs.findIndex((limb) => limb.id === id),
    );
    if (onId !== null && base) expect(standsOn(base, survey, before)).toBe(onId);
  }
  expect(standsOn((survey.photos[0] as Photo).foot as Spot2, survey, survey.limbs)).toBeNull();
  expect(standsOn({ x: 0, y: 0 }, { ...survey, photos: [] }, [])).toBeNull();
});

test('what was measured goes on the map as it is, the stem up to its highest joint', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 5000 }), (seed) => {
      const by = chance(seed);
      const truth = madeUpTree(by);
      const { limbs, stem } = surveyed(photographed(truth, by, NONE));
      const found = limbs.flatMap((limb) => ('fault' in limb ? [] : [limb]));
      const bare = [{ ...(truth[0] as (typeof truth)[number]), lengthCm: 40 }];
      const map = withMeasured(bare, found, null);
      expect(LimbMap.safeParse(map).success).toBe(true);
      const highest = Math.max(
        ...truth.filter(({ parentId }) => parentId === 'T').map(({ jointCm }) => jointCm),
      );
      expect(map[0]?.lengthCm).toBe(Math.round(highest));
      expect(withMeasured(bare, found, stem)[0]?.lengthCm).toBe(
        Math.round((truth[0] as { lengthCm: number }).lengthCm),
      );
      for (const limb of truth.slice(1)) {
        const on = map.find(({ id }) => id === limb.id);
        expect(Math.abs((on?.lengthCm ?? 0) - limb.lengthCm)).toBeLessThan(0.51);
        expect(Math.abs((on?.jointCm ?? 0) - limb.jointCm)).toBeLessThan(1.01);
        expect(on?.guessed).toBe(true);
      }
      // Put on again after it was measured better: the same limbs, none twice
      const better = found.map((limb) => ({
        ...limb,
        lengthCm: { value: limb.lengthCm.value + 10, give: 1 },
      }));
      const again = withMeasured(map, better, null);
      expect(again.map(({ id }) => id)).toEqual(map.map(({ id }) => id));
      expect(again.at(-1)?.lengthCm).toBe(Math.round(better.at(-1)?.lengthCm.value ?? 0));
    }),
    { numRuns: 20 },
  );
});

test.each<[keyof Survey | keyof Photo, number, boolean]>([
  ['poleCm', 49, false],
  ['poleCm', 50, true],
  ['poleCm', 1000, true],
  ['poleCm', 1001, false],
  ['eyeCm', 79, false],
  ['eyeCm', 80, true],
  ['eyeCm', 600, true],
  ['eyeCm', 601, false],
  ['awayCm', 0, false],
  ['awayCm', 99, false],
  ['awayCm', 100, true],
  ['awayCm', 3000, true],
  ['awayCm', 3001, false],
])('%s of %i is taken: %s', (field, value, taken) => {
  const survey = given();
  const asked = field === 'awayCm' ? withPhoto(0, { awayCm: value }) : { ...survey, [field]: value };
  expect(Survey.safeParse(asked).success).toBe(taken);
});

test('the simulated camera shows every limb where the lens sees it, farther wood first, and the pole before it', () => {
  const limbs = madeUpTree(luck());
  const lens = lensHeld(
    limbs,
    { bearingDeg: 40, awayCm: 500, eyeCm: 165 },
    size,
    { off: () => 0 },
    { awayShare: 0, lensCm: 0, rollDeg: 0, bearingDeg: 0 },
  );
  expect(lens).toMatchObject({ bearingDeg: 40, distanceCm: 500, heightCm: 155 });
  const { parts, horizon, focalMm35 } = pictureOf(limbs, lens, size, 200);
  expect(focalPx(focalMm35, size)).toBeCloseTo(lens.focalPx, 9);
  const wood = parts.filter(({ of }) => of === 'wood');
  expect(wood.map(({ depthCm }) => depthCm)).toEqual(
    wood.map(({ depthCm }) => depthCm).toSorted((a, b) => b - a),
  );
  expect(parts.slice(wood.length).map(({ of }) => of)).toEqual([
    'white',
    'red',
    'white',
    'red',
    'white',
    'red',
    'white',
    'red',
  ]);
  // The pole ends where it is 200 cm high
  const top = Math.min(...(parts.at(-1)?.outline.map(({ y }) => y) ?? []));
  expect(top).toBeCloseTo(spotOf({ x: 0, y: 0, z: 200 }, lens).y, 6);
  // What is as high as the lens lies on the horizon, far away
  const far = spotOf(
    { x: -1e7 * Math.sin((40 * Math.PI) / 180), y: -1e7 * Math.cos((40 * Math.PI) / 180), z: 155 },
    lens,
  );
  expect((horizon[0].y + horizon[1].y) / 2).toBeCloseTo(far.y, 1);
});

test('wherever somebody taps, and whatever is said, the answer is figures or a reason', () => {
  const spot = fc.record({ x: fc.integer({ min: 0, max: 1200 }), y: fc.integer({ min: 0, max: 1600 }) });
  const photo = fc.record({
    widthPx: fc.constant(1200),
    heightPx: fc.constant(1600),
    focalMm35: fc.constantFrom(null, 8, 26, 400),
    bearingDeg: fc.integer({ min: 0, max: 359 }),
    awayCm: fc.integer({ min: 100, max: 3000 }),
    ground: fc.constantFrom('level' as const, 'up' as const, 'down' as const),
    foot: fc.oneof(spot, fc.constant({ x: 600, y: 1300 })),
    poleTop: fc.oneof(spot, fc.constant({ x: 600, y: 700 })),
  });
  const limb = fc.record({
    onId: fc.constantFrom(null, '0'),
    base: spot,
    tip: spot,
    tipAgain: fc.option(spot),
    towardDeg: fc.option(fc.integer({ min: 0, max: 359 })),
    across: fc.option(fc.tuple(spot, spot)),
  });
  const surveys = fc.record({
    poleCm: fc.integer({ min: 50, max: 1000 }),
    eyeCm: fc.integer({ min: 80, max: 600 }),
    photos: fc.array(photo, { maxLength: 2 }),
    stemTop: fc.option(spot),
    limbs: fc.array(limb, { maxLength: 4 }),
  });
  fc.assert(
    fc.property(surveys, (given) => {
      const survey: Survey = { ...given, limbs: given.limbs.map((each, i) => ({ ...each, id: String(i) })) };
      expect(Survey.safeParse(survey).success).toBe(true);
      const { limbs, stem, photos } = surveyed(survey);
      for (const fault of photos)
        if (fault?.why === 'doesNotFit') expect(Number.isFinite(fault.wouldFitCm)).toBe(true);
      for (const found of [...limbs, ...(stem ? [stem] : [])]) {
        if ('fault' in found) continue;
        for (const { value, give } of [found.lengthCm, found.jointCm, found.bearingDeg, found.inclinationDeg])
          expect([Number.isFinite(value), Number.isFinite(give)]).toEqual([true, true]);
      }
    }),
    { numRuns: 300 },
  );
});
