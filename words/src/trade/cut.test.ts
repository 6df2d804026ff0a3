// What is said about a cut: every kind in words, each number with what it was made from, rounded toward safety.

import {
  type Cut,
  type CutPositionInput,
  cutPosition,
  shapeCut,
  type Telling,
  treeAfter,
  treeCuts,
} from '@mortisect/core/cuts';
import { type Clearance, clearance } from '@mortisect/core/disorders';
import type { Limb } from '@mortisect/core/tree';
import { english } from '../all';
import { asText, cutSentence, faceWords, whySteps } from './index';

const limb = (
  id: string,
  parentId: string | null,
  jointCm: number,
  lengthCm: number,
  baseMm: number,
  rest: Partial<Limb> = {},
): Limb => ({
  id,
  parentId,
  jointCm,
  lengthCm,
  baseMm,
  tipMm: 5,
  ageYears: 9,
  kind: 'lateral',
  bearingDeg: 120,
  inclinationDeg: 30,
  budsComplete: true,
  ...rest,
});
const limbs = [
  limb('T', null, 0, 300, 110, { kind: 'trunk', inclinationDeg: 90 }),
  limb('S', 'T', 90, 220, 62, { kind: 'scaffold' }),
  limb('L', 'S', 140, 90, 24, {
    ageYears: 3,
    buds: [
      { atCm: 41, points: 'under', kind: 'leaf', live: true },
      { atCm: 49, points: 'up', kind: 'leaf', live: true },
    ],
  }),
  limb('M', 'S', 112, 80, 22, { kind: 'branch', bearingDeg: 240 }),
  limb('N', 'S', 60, 100, 20, { budsComplete: false }),
  limb('Q', 'T', 60, 200, 60, { kind: 'scaffold', bearingDeg: 300 }),
];
const telling: Telling = {
  limbs,
  names: new Map([
    ['S', '4 o’clock, low'],
    ['N', 'N'],
    ['L', 'L'],
    ['M', 'M'],
  ]),
  units: 'metric',
  twelveBearingDeg: 0,
};
const cutFor = (
  limbId: string,
  fromCm: number,
  more: Partial<CutPositionInput> = {},
  disorder = 'FB_CANK_A',
) =>
  cutPosition({
    limbs,
    lesions: [{ id: 'x', limbId, fromCm, toCm: fromCm + 3, disorder, edge: 'definite' }],
    clearanceCm: 30,
    ...more,
  }).cuts[0] as Cut;
const said = (cut: Cut, units: Telling['units'] = 'metric') =>
  asText(cutSentence(english, cut, { ...telling, units }));

describe('the sentence of each kind of cut', () => {
  test.each<[string, Cut, string]>([
    ['heading', cutFor('L', 80), 'Cut just above the bud that points under, 41.5 cm from the collar.'],
    [
      'reduction',
      cutFor('S', 150),
      'Cut just beyond the side branch at 8 o’clock, 115.5 cm from the collar.',
    ],
    [
      'collar',
      cutFor('S', 40),
      'Cut at the collar of 4 o’clock, low, just outside the collar; the whole limb comes off.',
    ],
    [
      'collar with a heel',
      cutFor('S', 40, { finish: 'heel' }),
      'leaving a heel of 2 cm (¾ in) on the lower side',
    ],
    [
      'collar over dead wood',
      cutFor('S', 40, { clearanceCm: 0, finish: 'stub' }, 'DEAD'),
      'with a stub of 0.6–2.5 cm (¼–1 in)',
    ],
    [
      'range',
      cutFor('N', 70),
      'at the first live bud that points out or under, at or below 40 cm from the collar; if there is none, at the collar',
    ],
    [
      'toward a bare side',
      { ...cutFor('N', 70), towardDeg: 240 },
      'at the first live bud toward 8 o’clock, the bare side, at or below 40 cm from the collar. If none points there, take one that points out or under.',
    ],
    [
      'in-season stub',
      cutFor('S', 185, { inSeasonStub: true }),
      'bare, 153 cm from the collar, and mark the stub: it comes off at the collar when dormant.',
    ],
  ])('%s', (_, cut, words) => {
    expect(said(cut)).toContain(words);
  });

  test('of a bundle each comes off whole', () => {
    const many = limbs.map((each) =>
      each.id === 'N' ? { ...each, bundle: { about: 9, overCm: 40 } } : each,
    );
    const cut = shapeCut(many, 'N', null, { findingId: 'x', disorder: 'MISPLACED' }) as Cut;
    expect(asText(cutSentence(english, cut, { ...telling, limbs: many }))).toContain(
      'of n, just outside the collar; each of them comes off whole.',
    );
  });

  test('one of several stems goes close to the ground', () => {
    const second = { ...(limbs[0] as (typeof limbs)[number]), id: 'U' };
    const cut = shapeCut([...limbs, second], 'U', null, {
      findingId: 'x',
      disorder: 'MISPLACED',
      stool: true,
    });
    if (!cut) throw new Error('No cut of the stem.');
    const names = new Map([...telling.names, ['U', 'Stem 2']]);
    expect(
      asText(cutSentence(english, cut, { ...telling, names, limbs: [...limbs, second], units: 'metric' })),
    ).toBe('Cut close to the ground: stem 2 goes whole, the other stems stay.');
  });

  test('dead wood is followed to live wood, nothing is measured', () => {
    expect(said(cutFor('S', 150, { clearanceCm: 0 }, 'DEAD'))).toMatch(
      /^Follow the limb toward the trunk to the first green bark\. Cut /,
    );
  });

  test('a heel or a stub is never put on a diseased collar as if it were dead', () => {
    expect(said(cutFor('S', 40, { finish: 'stub' }))).toContain('just outside the collar');
  });

  test('figures are rounded toward the stool for the cut and never short for the clearance, on both tapes', () => {
    const cut = cutFor('L', 80);
    expect(said(cut, 'us')).toContain('Measure 12 in');
    expect(said(cut, 'us')).toContain('16¼ in');
  });
});

describe('why', () => {
  const from: Clearance = clearance({
    disorder: 'FB_CANK_A',
    season: 'dormant',
    edge: 'indefinite',
    growthRapid: true,
    cultivarSusceptible: false,
    treeAgeYears: 20,
  });
  const titles = (cut: Cut) =>
    whySteps(english, cut.because[0] as Cut['because'][number], from, telling).map((step) => step.title);
  const lines = (cut: Cut) =>
    whySteps(english, cut.because[0] as Cut['because'][number], from, telling).flatMap((step) => step.lines);

  test('names the school with its source, the factor with what it holds for, and counts it once', () => {
    const text = lines(cutFor('L', 80, { clearanceCm: 45 })).join(' ');
    expect(text).toContain('USDA Agric. Handbook 510');
    expect(text).toContain('A range means its upper end: 30 cm.');
    expect(text).toContain('× 1.5, once: growth rapid, edge not definite.');
  });

  test('tells the walk over the joint and what was passed over', () => {
    const cut = cutFor('L', 12);
    expect(lines(cut)).toEqual(
      expect.arrayContaining(['L: from 12 cm to 0 cm.', '4 o’clock, low: from 140 cm to 122 cm.']),
    );
    expect(lines(cutFor('L', 80))).toContain('Bud at 49 cm: bud points up.');
  });

  test.each<[Cut, string]>([
    [cutFor('L', 80), 'Above a bud'],
    [cutFor('S', 150), 'To a side branch'],
    [cutFor('S', 40), 'At the collar'],
    [cutFor('S', 185, { inSeasonStub: true }), 'In-season stub'],
  ])('has a step for the place', (cut, title) => {
    expect(titles(cut)).toContain(title);
  });
});

describe('a tree and its findings', () => {
  const schools = {
    clearance: {},
    halveDefiniteDormant: false,
    inSeasonStub: true,
    finish: 'tight' as const,
  };
  const finding = (id: string, limbId: string, fromCm: number, disorder = 'FB_CANK_A') => ({
    id,
    limbId,
    fromCm,
    toCm: fromCm + 5,
    disorder,
    edge: 'definite' as const,
    growthRapid: false,
  });
  const tree = { limbs, plantedYear: 2000, susceptible: false };

  test('each finding is answered with its own clearance', () => {
    const { cuts, clearances } = treeCuts(
      tree,
      [finding('a', 'L', 80), finding('b', 'M', 60, 'NEO')],
      schools,
      'dormant',
      2026,
    );
    expect(clearances.a?.clearanceCm).toBe(30);
    expect(clearances.b?.clearanceCm).toBe(15);
    expect(cuts.map((cut) => cut.lesionIds)).toEqual([['a'], ['b']]);
  });

  test('the in-season stub is for growth alone', () => {
    expect(treeCuts(tree, [finding('a', 'S', 185)], schools, 'dormant', 2026).cuts[0]?.kind).toBe(
      'reduction',
    );
    expect(treeCuts(tree, [finding('a', 'S', 185)], schools, 'summer', 2026).cuts[0]?.kind).toBe('stub');
  });

  test('a young tree is cut further; findings on wood that is gone are left out', () => {
    expect(
      treeCuts({ ...tree, plantedYear: 2022 }, [finding('a', 'L', 80)], schools, 'dormant', 2026).clearances.a
        ?.clearanceCm,
    ).toBe(45);
    const after = treeAfter(limbs, [{ limbId: 'S', atCm: 115.6 }]);
    expect(
      treeCuts(
        { ...tree, limbs: after },
        [finding('a', 'L', 80), finding('b', 'S', 150)],
        schools,
        'dormant',
        2026,
      ).cuts,
    ).toEqual([]);
  });

  test('after a cut is made, the same findings ask for nothing more', () => {
    const first = treeCuts(tree, [finding('a', 'S', 150), finding('b', 'L', 80)], schools, 'dormant', 2026);
    const standing = first.cuts.filter((cut) => cut.swallowedBy === null);
    const after = treeAfter(limbs, standing);
    expect(
      treeCuts(
        { ...tree, limbs: after },
        [finding('a', 'S', 150), finding('b', 'L', 80)],
        schools,
        'dormant',
        2026,
      ).cuts,
    ).toEqual([]);
  });
});

test.each([
  [
    ['L', 80, 86],
    'metric',
    'Measure 30 cm toward the trunk from the dark edge. Cut just above the bud that points under, 41.5 cm from the collar.',
  ],
  [
    ['L', 80, 86],
    'us',
    'Measure 12 in toward the trunk from the dark edge. Cut just above the bud that points under, 16¼ in',
  ],
  [
    ['L', 12, 20],
    'metric',
    '18 cm down the limb at scaffold. Cut just beyond the side branch at 8 o’clock on scaffold, 115.5 cm',
  ],
  [['Q', 18, 40], 'metric', 'Only 18 cm of the 30 cm can be kept: 12 cm of wood'],
] as const)(
  'measure, place and shortfall of %j in %s units, rounded toward the stool',
  ([limbId, fromCm, toCm], units, words) => {
    const lesion = { id: 'x', limbId, fromCm, toCm, disorder: 'FB_CANK_A', edge: 'definite' as const };
    const [cut] = cutPosition({ limbs, lesions: [lesion], clearanceCm: 30 }).cuts as [Cut];
    const names = new Map([
      ['L', 'Lateral'],
      ['S', 'Scaffold'],
      ['Q', '10 o’clock, low'],
    ]);
    expect(asText(cutSentence(english, cut, { ...telling, names, units }))).toContain(words);
  },
);

// Common practice; ANSI A300 and extension advice on wounds, from memory
test.each([
  ['heading', 'away', 'Slope the face away from the bud, so that water runs off.'],
  ['collar', 'away', 'Slope the face so that water runs off it.'],
  ['reduction', 'away', 'Slope the face so that water runs off it.'],
  ['heading', 'square', 'Cut square across.'],
  ['collar', 'square', 'Cut square across.'],
] as const)('the face of a cut, %s, %s', (kind, slope, face) => {
  const said = (infected: boolean, dressing: 'nothing' | 'spray', dead = false) =>
    faceWords(english, { cut: { kind }, dead, infected }, { slope, dressing });
  expect(said(true, 'nothing')).toBe(`${face} Put nothing on the wound.`);
  expect(said(false, 'spray')).toBe(`${face} Put nothing on the wound.`);
  expect(said(true, 'spray')).toBe(
    `${face} Spray the wound with disinfectant. It is a habit with little evidence.`,
  );
  expect(said(true, 'spray', true)).toBe('');
});
