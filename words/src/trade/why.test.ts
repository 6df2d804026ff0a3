// Why a cut lies where it lies, step by step.

import { cutPosition } from '@mortisect/core/cuts';
import { disorderOf } from '@mortisect/core/disorders';
import type { Limb } from '@mortisect/core/tree';
import { english } from '../all';
import { told, whySteps } from './index';

const limb: Limb = {
  id: 'S',
  parentId: 'T',
  jointCm: 60,
  lengthCm: 150,
  baseMm: 40,
  tipMm: 10,
  ageYears: 9,
  kind: 'scaffold',
  bearingDeg: 90,
  inclinationDeg: 30,
  budsComplete: true,
};

describe('why, step by step', () => {
  const [cut] = cutPosition({
    limbs: [
      { ...limb, id: 'T', parentId: null, jointCm: 0, lengthCm: 300, baseMm: 120, tipMm: 20, kind: 'trunk' },
      { ...limb, id: 'S', buds: [{ atCm: 100, points: 'out', kind: 'leaf', live: true }] },
    ],
    lesions: [{ id: 'x', limbId: 'S', fromCm: 130, toCm: 135, disorder: 'FB_CANK_A', edge: 'definite' }],
    clearanceCm: 20,
  }).cuts;
  const reason = cut?.because[0] as NonNullable<typeof cut>['because'][number];
  const names = new Map([['S', 'East limb']]);
  const because = {
    schoolId: 'default',
    growing: false,
    rangeCm: [20, 20] as [number, number],
    factors: [] as string[],
    halved: false,
  };
  const lines = (more: object) =>
    whySteps(
      english,
      reason,
      { clearanceCm: 20, because: { ...because, ...more } } as never,
      { names, units: 'metric' } as never,
    ).flatMap((step) => step.lines);
  const name = told(english, disorderOf('FB_CANK_A')?.name);

  test('names the disorder and its season, and where the measure went', () => {
    expect(lines({})).toEqual(
      expect.arrayContaining([`${name}, dormant season.`, 'East limb: from 130 cm to 110 cm.']),
    );
    expect(lines({ growing: true })).toContain(`${name}, growing season.`);
  });

  test.each<[string, object, RegExp, boolean]>([
    ['a range', { rangeCm: [20, 30] }, /^A range means its upper end: 30 cm\.$/, true],
    ['no range', { rangeCm: [20, 20] }, /^A range/, false],
    ['factors', { factors: ['fast growth', 'old tree'] }, /^× 1\.5, once: fast growth, old tree\.$/, true],
    ['no factor', { factors: [] }, /^× 1\.5/, false],
    ['set by hand', { byHand: 25 }, /^Set by hand for this finding; the school would ask 25 cm\.$/, true],
    ['not by hand', {}, /^Set by hand/, false],
    ['halved', { halved: true }, /^Halved/, true],
    ['not halved', { halved: false }, /^Halved/, false],
  ])('%s', (_said, more, pattern, stands) => {
    expect(lines(more).some((line) => pattern.test(line))).toBe(stands);
  });

  test('no stretch of no length is told', () => {
    const still = { ...reason, walk: [{ limbId: 'S', fromCm: 50, toCm: 50 }, ...reason.walk] };
    const said = whySteps(
      english,
      still,
      { clearanceCm: 20, because } as never,
      { names, units: 'metric' } as never,
    );
    expect(said.flatMap((step) => step.lines)).not.toContain('East limb: from 50 cm to 50 cm.');
  });
});
