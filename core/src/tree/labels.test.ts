// Labels for life: none twice, none changed by what comes or goes, none given again.
import fc from 'fast-check';
import { besideLabel, type Limb, LimbMap, labelIn, withLabels } from './index';
import { stem } from './testing/given';

const side = (
  id: string,
  parentId: string | null,
  jointCm: number,
  bearingDeg: number,
  more: Partial<Limb> = {},
): Limb => ({
  ...stem,
  id,
  parentId,
  jointCm,
  lengthCm: 100,
  baseMm: 30,
  tipMm: 5,
  kind: parentId === 'T' ? 'scaffold' : 'branch',
  bearingDeg,
  inclinationDeg: 0,
  ...more,
});
const labelsOf = (limbs: Limb[], twelve = 0) =>
  Object.fromEntries(withLabels(limbs, twelve).map(({ id, label }) => [id, label]));

test('main limbs clockwise from 12, the lower first; side limbs from the base; figures and letters by turns', () => {
  const limbs = [
    stem,
    side('west', 'T', 60, 270),
    side('north', 'T', 90, 10),
    side('northLow', 'T', 40, 10),
    side('out', 'west', 80, 0),
    side('near', 'west', 20, 0),
    side('twig', 'near', 30, 0),
    side('shoot', 'twig', 30, 0),
    side('root', null, 0, 0, { kind: 'sucker' }),
  ];
  expect(labelsOf(limbs)).toEqual({
    ...{
      T: 'S',
      northLow: 'A',
      north: 'B',
      west: 'C',
      near: 'C1',
      out: 'C2',
      twig: 'C1a',
      shoot: 'C1a1',
      root: 'X1',
    },
  });
  // With 12 o'clock in the west the limb there comes first
  expect(labelsOf(limbs, 270)).toMatchObject({ west: 'A', northLow: 'B', north: 'C' });
  expect(labelsOf([stem, { ...stem, id: 'U' }, side('a', 'U', 50, 0)])).toEqual({ T: 'S', U: 'S2', a: 'A' });
});

test('after the last letter two of them; none that is taken for a figure, the stem or a root', () => {
  const many = Array.from({ length: 24 }, (_, i) => side(`s${i}`, 'T', 50, i));
  const labels = withLabels([stem, ...many], 0)
    .slice(1)
    .map(({ label }) => label);
  expect(labels.join(' ')).toBe('A B C D E F G H J K L M N P Q R T U V W Y Z AA AB');
  expect(LimbMap.safeParse(withLabels([stem, ...many], 0)).success).toBe(true);
});

test('new wood takes the next free label, and nothing is renumbered', () => {
  const before = withLabels([stem, side('a', 'T', 50, 90), side('a2', 'a', 60, 0)], 0);
  const after = withLabels([...before, side('n', 'T', 50, 0), side('a0', 'a', 10, 0)], 0, before);
  expect(after.map(({ id, label }) => `${id} ${label}`)).toEqual(['T S', 'a A', 'a2 A1', 'n B', 'a0 A2']);
});

test('a label of wood that is gone is not given again, however often the map is drawn', () => {
  const first = withLabels([stem, side('a', 'T', 50, 0), side('b', 'T', 50, 90), side('b1', 'b', 50, 0)], 0);
  const without = withLabels(
    first.filter(({ id }) => !id.startsWith('b')),
    0,
    first,
  );
  expect(without[0]?.goneLabels).toEqual(['B', 'B1']);
  const grown = withLabels([...without, side('c', 'T', 50, 90)], 0, without);
  expect(grown.at(-1)?.label).toBe('C');
  expect(grown[0]?.goneLabels).toEqual(['B', 'B1']);
  // Mapped anew under the same id, it is the same limb
  const again = withLabels([stem, side('a', 'T', 50, 0), side('b', 'T', 50, 90)], 0, first);
  expect(again.map(({ label }) => label)).toEqual(['S', 'A', 'B']);
});

test('parts of a bundle are called as it is', () => {
  const whole = withLabels([stem, side('a', 'T', 50, 0), side('u', 'a', 50, 0)], 0);
  const [, , u] = whole as [Limb, Limb, Limb];
  const parts = withLabels([...whole.slice(0, 2), { ...u, id: 'u~steepest' }, { ...u, id: 'u~flattest' }], 0);
  expect(parts.slice(2).map(({ label }) => label)).toEqual(['A1', 'A1']);
  const { label: _label, ...bare } = u;
  const unlabelled = [...whole.slice(0, 2), { ...bare, id: 'u~steepest' }, { ...bare, id: 'u~flattest' }];
  expect(
    withLabels(unlabelled, 0)
      .slice(2)
      .map(({ label }) => label),
  ).toEqual(['A1', 'A1']);
});

test('of any tree no two limbs share a label, and a second time nothing changes', () => {
  fc.assert(
    fc.property(
      fc.array(fc.tuple(fc.nat(50), fc.nat(100), fc.nat(359)), { maxLength: 50 }),
      fc.nat(359),
      (all, twelve) => {
        const limbs = [stem];
        for (const [on, joint, bearing] of all) {
          const parent = limbs[on % limbs.length] as Limb;
          limbs.push(
            side(`l${limbs.length}`, parent.id, joint, bearing, {
              kind: parent.id === 'T' ? 'scaffold' : 'branch',
            }),
          );
        }
        const labelled = withLabels(limbs, twelve);
        expect(new Set(labelled.map(({ label }) => label)).size).toBe(limbs.length);
        expect(withLabels(labelled, (twelve + 90) % 360)).toEqual(labelled);
        expect(
          LimbMap.safeParse(labelled).error?.issues.filter(({ path }) => path.at(-1) === 'label') ?? [],
        ).toEqual([]);
      },
    ),
  );
});

test.each([
  ['B3 · 5 o’clock, 240 cm out', 'B3', '5 o’clock, 240 cm out'],
  ['E · The swing limb', 'E', 'The swing limb'],
  ['Stem', null, 'Stem'],
  ['5 o’clock, low', null, '5 o’clock, low'],
  ['the old one · by the gate', null, 'the old one · by the gate'],
])('%s: %s leads', (name, label, beside) => {
  expect([labelIn(name), besideLabel(name)]).toEqual([label, beside]);
});
