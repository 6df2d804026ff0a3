// Taps in the order of the work: the pole first, then limb by limb, three taps each.
import { chance } from './chance';
import {
  afterTap,
  lineOf,
  nextTap,
  rayThrough,
  type Survey,
  saidOfLimb,
  surveyed,
  type Tap,
  tapOf,
  withoutTapped,
  withPhoto,
  withTap,
} from './index';
import { madeUpTree, NONE, photographed } from './testing/trees';

const truth = photographed(madeUpTree(chance(11)), chance(11), NONE);
const empty: Survey = {
  ...truth,
  stemTop: null,
  limbs: [],
  photos: truth.photos.map((photo) => ({ ...photo, foot: null, poleTop: null })),
};

/** Somebody who taps what is asked for, where it is. */
function tappedThrough(given: Survey): { survey: Survey; taps: number; asked: string[] } {
  let [survey, taps, asked] = [given, 0, [] as string[]];
  for (const which of [0, 1])
    for (let tap = nextTap(survey, which); tap; tap = nextTap(survey, which)) {
      const next = truth.limbs[survey.limbs.length];
      const spot = tap.what === 'base' ? next?.base : tapOf(truth, which, tap);
      if (!spot) break;
      survey = withTap(survey, which, tap, spot, next?.id ?? 'none');
      asked.push(tap.what);
      taps++;
    }
  return { survey, taps, asked };
}

test('three taps a limb and four more give all limbs as they are', () => {
  const { survey, taps, asked } = tappedThrough(empty);
  expect(taps).toBe(3 * truth.limbs.length + 4);
  expect(asked.slice(0, 5)).toEqual(['foot', 'poleTop', 'base', 'tip', 'base']);
  expect(survey.photos).toEqual(truth.photos);
  expect(survey.limbs.map(({ base, tip, tipAgain }) => ({ base, tip, tipAgain }))).toEqual(
    truth.limbs.map(({ base, tip, tipAgain }) => ({ base, tip, tipAgain })),
  );
  expect(surveyed(survey).limbs.filter((limb) => 'fault' in limb)).toEqual([]);
  expect(nextTap(survey, 1)).toBeNull();
  expect(nextTap(survey, 2)).toBeNull();
});

test('each tap can be found and put right; both sides of a limb are tapped one after the other', () => {
  const id = truth.limbs[0]?.id as string;
  const taps: Tap[] = [
    { what: 'foot' },
    { what: 'poleTop' },
    { what: 'stemTop' },
    ...(['base', 'tip', 'tipAgain', 'left', 'right'] as const).map((what) => ({ what, limbId: id })),
  ];
  for (const tap of taps) {
    const moved = withTap(truth, 0, tap, { x: 1, y: 2 }, 'other');
    expect(tapOf(moved, 0, tap)).toEqual({ x: 1, y: 2 });
    expect(moved.limbs).toHaveLength(truth.limbs.length);
  }
  const left: Tap = { what: 'left', limbId: id };
  const once = withTap(truth, 0, left, { x: 1, y: 2 }, 'other');
  expect(afterTap(once, 0, left)).toEqual({ what: 'right', limbId: id });
  expect(afterTap(once, 0, { what: 'right', limbId: id })).toEqual(nextTap(once, 0));
  expect(surveyed(once).limbs[0]).toMatchObject({ baseMm: null });
  expect(tapOf(truth, 0, { what: 'tip', limbId: 'nobody' })).toBeNull();
  // The other side of a limb that was begun stays
  const both = withTap(once, 0, { what: 'right', limbId: id }, { x: 9, y: 2 }, 'other');
  expect(withTap(both, 0, left, { x: 5, y: 2 }, 'other').limbs[0]?.across).toEqual([
    { x: 5, y: 2 },
    { x: 9, y: 2 },
  ]);
});

test('a limb that is taken away leaves what stood on it where that stood', () => {
  const { limbs } = truth;
  const on = limbs.find(({ onId }) => onId !== null);
  const without = withoutTapped(limbs, on?.onId as string);
  expect(without).toHaveLength(limbs.length - 1);
  expect(without.find(({ id }) => id === on?.id)?.onId).toBeNull();
  const said = saidOfLimb(limbs, on?.id as string, { towardDeg: 30 });
  expect(said.find(({ id }) => id === on?.id)).toEqual({ ...on, towardDeg: 30 });
  expect(said.filter(({ id }) => id !== on?.id)).toEqual(limbs.filter(({ id }) => id !== on?.id));
});

test('a photo taken again takes with it what was tapped on the one before, and no more', () => {
  const photo = empty.photos[0] as Survey['photos'][number];
  expect(withPhoto(truth, 0, photo)).toMatchObject({
    limbs: [],
    stemTop: null,
    photos: [photo, truth.photos[1]],
  });
  const second = withPhoto(truth, 1, photo);
  expect(second.photos).toEqual([truth.photos[0], photo]);
  expect(second.limbs.map(({ tip, tipAgain }) => [tip, tipAgain])).toEqual(
    truth.limbs.map(({ tip }) => [tip, null]),
  );
  expect(second.stemTop).toEqual(truth.stemTop);
});

test('a tip lies on the line that is drawn for it', () => {
  const [near, far] = surveyed(truth).lenses;
  const size = truth.photos[0] as Survey['photos'][number];
  if (!near || !far) throw new Error('Both lenses are known.');
  let drawn = 0;
  for (const { tip, tipAgain } of truth.limbs) {
    const line = tip && lineOf(rayThrough(tip, near, size), far, size);
    if (!line || !tipAgain) continue;
    drawn++;
    const [a, b] = line;
    const long = Math.hypot(b.x - a.x, b.y - a.y);
    const beside = ((tipAgain.x - a.x) * (b.y - a.y) - (tipAgain.y - a.y) * (b.x - a.x)) / long;
    expect(Math.abs(beside)).toBeLessThan(0.01);
    for (const end of line)
      expect(end.x >= 0 && end.x <= size.widthPx && end.y >= 0 && end.y <= size.heightPx).toBe(true);
  }
  expect(drawn).toBe(truth.limbs.length);
});
