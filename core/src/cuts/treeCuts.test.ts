// Which findings of a tree ask for a cut now, and which do not.
import type { Season } from '../disorders/index';
import { starterMap } from '../tree/index';
import { type FindingForCut, type ReasonNotToCut, treeCuts } from './index';

const limbs = starterMap({
  form: 'open centre',
  species: 'peach',
  heightCm: 300,
  spreadCm: 320,
  scaffolds: 4,
  girthCm: 40,
  ageYears: 12,
});
const schools = { clearance: {}, halveDefiniteDormant: false, inSeasonStub: false, finish: 'tight' } as const;
const finding = (more: Partial<FindingForCut> = {}): FindingForCut => ({
  id: 'f',
  limbId: 'A',
  fromCm: 120,
  toCm: 130,
  disorder: 'CYT',
  edge: 'definite',
  growthRapid: false,
  ...more,
});
const said = (given: FindingForCut, season: Season = 'dormant') =>
  treeCuts({ limbs, plantedYear: 2010, susceptible: false }, [given], schools, season, 2026);

test('a canker asks for a cut, with its clearance', () => {
  const { cuts, uncut, clearances } = said(finding());
  expect(cuts).toHaveLength(1);
  expect(uncut).toEqual([]);
  expect(clearances.f?.clearanceCm).toBeGreaterThan(0);
});

const uncutCases: [ReasonNotToCut, Partial<FindingForCut>, Season?][] = [
  ['held', { held: true }],
  ['healed', { healed: true }],
  ['fruit', { place: 'fruit', disorder: 'BRN' }],
  ['wait', { disorder: 'FRZ_WOOD' }],
  ['wait', { disorder: 'FRZ_WOOD' }, 'bloom'],
  ['leave', { disorder: 'GUM' }],
  ['leave', { disorder: 'MISPLACED' }],
];

test.each(uncutCases.map(([why, more, season]) => [why, more, season ?? 'dormant'] as const))(
  '%s: no cut, and none of its reasons is lost',
  (why, more, season) => {
    const { cuts, decisions, uncut } = said(finding(more), season);
    expect([cuts, decisions]).toEqual([[], []]);
    expect(uncut).toEqual([{ findingId: 'f', why }]);
  },
);

test('freeze injury is cut to live wood once growth shows it', () => {
  expect(said(finding({ disorder: 'FRZ_WOOD' }), 'summer').cuts).toHaveLength(1);
});

test('at the base and on the rootstock no cut answers: it is a decision', () => {
  for (const place of ['base', 'rootstock'] as const) {
    const { cuts, decisions } = said(finding({ place, limbId: 'T', fromCm: 0, toCm: 15, disorder: 'NEO' }));
    expect(cuts).toEqual([]);
    expect(decisions).toHaveLength(1);
  }
});

test('a held finding holds only itself', () => {
  const other = finding({ id: 'g', limbId: 'B' });
  const { cuts, uncut } = treeCuts(
    { limbs, plantedYear: null, susceptible: false },
    [finding({ held: true }), other],
    schools,
    'dormant',
    2026,
  );
  expect(cuts.flatMap((cut) => cut.lesionIds)).toEqual(['g']);
  expect(uncut.map((held) => held.findingId)).toEqual(['f']);
});
