// A limb from rays alone: what cannot be is told, on each side of each bound. Places in cm, east, north, up; the stem stands at 0, 0.
import { standsOn } from './index';
import { rayTo } from './space';
import { PLUMB, type TipSeen, woodOf } from './wood';

const at = (x: number, y: number, z: number) => ({ x, y, z });
/** Somebody in the south looks at a joint at 100 cm. */
const EYE = at(0, -500, 150);
const joint = rayTo(EYE, at(0, 0, 100));
const whyOf = (tip: TipSeen) => {
  const found = woodOf(joint, tip, PLUMB);
  return 'why' in found ? found.why : null;
};

test.each<[string, TipSeen, string | null]>([
  [
    'an east limb seen to the right of the stem',
    { kind: 'hour', ray: rayTo(EYE, at(200, 0, 150)), towardDeg: 90 },
    null,
  ],
  [
    'an east limb seen to its left',
    { kind: 'hour', ray: rayTo(EYE, at(-200, 0, 150)), towardDeg: 90 },
    'nowhere',
  ],
  // Looking away from the plane of the limb, it would meet behind the eye
  [
    'a limb seen with one’s back to it',
    { kind: 'hour', ray: rayTo(EYE, at(200, -1000, 150)), towardDeg: 90 },
    'nowhere',
  ],
  [
    'a tip a little under the ground',
    { kind: 'hour', ray: rayTo(EYE, at(200, 0, -149)), towardDeg: 90 },
    null,
  ],
  [
    'a tip deep under the ground',
    { kind: 'hour', ray: rayTo(EYE, at(200, 0, -151)), towardDeg: 90 },
    'nowhere',
  ],
  [
    'both rays to one tip',
    { kind: 'two', ray: rayTo(EYE, at(150, 50, 250)), again: rayTo(at(500, 0, 150), at(150, 50, 250)) },
    null,
  ],
  // Lines that meet behind whoever looks along them
  [
    'rays that part',
    { kind: 'two', ray: rayTo(EYE, at(-200, 0, 150)), again: rayTo(at(500, 0, 150), at(700, 400, 150)) },
    'nowhere',
  ],
  [
    'rays 29° apart',
    {
      kind: 'two',
      ray: rayTo(at(0, -500, 0), at(0, 0, 0)),
      again: rayTo(
        at(Math.sin((29 * Math.PI) / 180) * 500, -Math.cos((29 * Math.PI) / 180) * 500, 0),
        at(0, 0, 0),
      ),
    },
    'raysClose',
  ],
  [
    'rays 31° apart',
    {
      kind: 'two',
      ray: rayTo(at(0, -500, 0), at(0, 0, 0)),
      again: rayTo(
        at(Math.sin((31 * Math.PI) / 180) * 500, -Math.cos((31 * Math.PI) / 180) * 500, 0),
        at(0, 0, 0),
      ),
    },
    null,
  ],
])('%s', (_what, tip, why) => {
  expect(whyOf(tip)).toBe(why);
});

test('a joint under the foot is one at the foot, one past the end of its limb one at the end', () => {
  const tip: TipSeen = { kind: 'hour', ray: rayTo(EYE, at(200, 0, 150)), towardDeg: 90 };
  const jointOf = (z: number, lengthCm: number | null) => {
    const found = woodOf(rayTo(EYE, at(0, 0, z)), tip, { ...PLUMB, lengthCm });
    return 'why' in found ? null : found.jointCm;
  };
  expect(jointOf(-30, null)).toBe(0);
  expect(jointOf(180, null)).toBeCloseTo(180, 9);
  expect(jointOf(180, 120)).toBe(120);
});

test('until somebody taps its end, the stem goes on half as high again as the pole', () => {
  const photo = {
    ...{ widthPx: 1200, heightPx: 1600, focalMm35: 26, bearingDeg: 0, awayCm: 500, ground: 'level' as const },
    ...{ foot: { x: 600, y: 1200 }, poleTop: { x: 600, y: 800 } },
  };
  const limb = {
    ...{ id: 'a', onId: null, tipAgain: null, towardDeg: null, across: null },
    ...{ base: { x: 600, y: 1000 }, tip: { x: 700, y: 600 } },
  };
  const survey = { photos: [photo], stemTop: null, poleCm: 200 };
  // 30 px beside the stem and 62 px beside the limb; then the other way round
  expect(standsOn({ x: 630, y: 620 }, survey, [limb])).toBeNull();
  expect(standsOn({ x: 660, y: 620 }, survey, [limb])).toBe('a');
  // A leader that is 300 cm high ends there as well; one of 250 cm ends lower
  expect(standsOn({ x: 630, y: 620 }, survey, [limb], 300)).toBeNull();
  expect(standsOn({ x: 630, y: 620 }, survey, [limb], 250)).toBe('a');
  expect(standsOn({ x: 660, y: 500 }, survey, [{ ...limb, tip: { x: 720, y: 500 } }], 400)).toBe('a');
  // It was taken for a limb that points at whoever takes the photo
  const atOne = { ...limb, base: { x: 600, y: 980 }, tip: { x: 604, y: 560 } };
  expect(standsOn({ x: 602, y: 570 }, survey, [atOne])).toBe('a');
  // 24 px of 1600 beside a stem that goes up there, and one more
  expect(standsOn({ x: 624, y: 570 }, survey, [{ ...atOne, tip: { x: 624, y: 560 } }], 380)).toBeNull();
  expect(standsOn({ x: 625, y: 570 }, survey, [{ ...atOne, tip: { x: 625, y: 560 } }], 380)).toBe('a');
  // Of a stem that ends lower the limb is nearer
  expect(standsOn({ x: 630, y: 620 }, { ...survey, stemTop: { x: 600, y: 900 } }, [limb])).toBe('a');
});
