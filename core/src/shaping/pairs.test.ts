// Which of two limbs stays: sound, better placed, by school, more bloom, younger, in this order. Common practice, no source.
import { type Bud, bloomOn, type Limb } from '../tree/index';
import { type PairFacts, rankPair } from './pairs';

const limb = (id: string, parentId: string | null, more: Partial<Limb> = {}): Limb => ({
  ...{ id, parentId, jointCm: 100, lengthCm: 150, baseMm: 30, tipMm: 8, ageYears: 6, bearingDeg: 90 },
  kind: parentId === null ? 'trunk' : parentId === 'T' ? 'scaffold' : 'branch',
  inclinationDeg: parentId === null ? 90 : 20,
  ...more,
});
const flower = (live = true): Bud => ({ atCm: 20, points: 'out', kind: 'flower', live });
const rank = (a: Partial<Limb>, b: Partial<Limb>, more: Partial<PairFacts> = {}, others: Limb[] = []) => {
  const limbs = [limb('T', null), limb('S', 'T'), limb('a', 'S', a), limb('b', 'S', b), ...others];
  return rankPair('a', 'b', { limbs, ill: new Set(), moreBloom: [], ...more });
};

test.each<[string, ReturnType<typeof rank>, string, string | null]>([
  ['nothing tells them apart: the first', rank({}, {}), 'a', null],
  ['the sound one', rank({}, {}, { ill: new Set(['a']) }), 'b', 'sound'],
  ['both ill: the next reason', rank({}, { ageYears: 5 }, { ill: new Set(['a', 'b']) }), 'b', 'younger'],
  // Both stand on a limb that points east, 100 cm out: east is outward
  ['the one that grows outward', rank({ bearingDeg: 111 }, {}), 'b', 'outward'],
  ['not for 20° alone', rank({ bearingDeg: 110 }, { ageYears: 7 }), 'a', 'younger'],
  ['the one that lies flatter', rank({ inclinationDeg: 31 }, {}), 'b', 'flatter'],
  ['not for 10° alone', rank({ inclinationDeg: 30 }, {}), 'a', null],
  ['hanging is no flatter than rising', rank({ inclinationDeg: -31 }, {}), 'b', 'flatter'],
  ['by the school', rank({ ageYears: 3 }, {}, { school: 'b' }), 'b', 'by school'],
  ['the one with more flower buds', rank({ ageYears: 3 }, { buds: [flower()] }), 'b', 'more bloom'],
  ['dead ones do not count', rank({}, { buds: [flower(false)] }), 'a', null],
  [
    'spurs of a bundle, and what stands on it',
    rank({ buds: [flower(), flower()] }, {}, {}, [
      limb('p', 'b', { kind: 'spur', jointCm: 50, bundle: { about: 3, overCm: 40 } }),
    ]),
    'b',
    'more bloom',
  ],
  [
    'what somebody saw outweighs the map',
    rank({ buds: [flower()] }, {}, { moreBloom: [{ limbId: 'b', than: 'a' }] }),
    'b',
    'more bloom',
  ],
  [
    'of another pair says nothing',
    rank({ buds: [flower()] }, {}, { moreBloom: [{ limbId: 'b', than: 'c' }] }),
    'a',
    'more bloom',
  ],
])('%s', (_said, ranked, staysId, because) => {
  expect(ranked).toMatchObject({ staysId, goesId: staysId === 'a' ? 'b' : 'a', because });
});

test('all that speaks for either is told, what decides first', () => {
  expect(rank({ inclinationDeg: 50, ageYears: 2 }, {}, { ill: new Set(['a']) })).toMatchObject({
    staysId: 'b',
    forStays: ['sound', 'flatter'],
    forGoes: ['younger'],
  });
  const facts = { limbs: [limb('T', null)], ill: new Set<string>(), moreBloom: [] };
  expect(rankPair('T', 'gone', facts)).toBeNull();
  expect(bloomOn(facts.limbs, facts.limbs[0] as Limb)).toBe(0);
});
