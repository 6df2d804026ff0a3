// Scratch tests and girdling.
import fc from 'fast-check';
import { girdled, liveBoundary, type Scratch } from './index';

test('by halving, the boundary is pinned to within 2 cm in as few scratches as halving needs', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 5, max: 295, noNaN: true }),
      fc.integer({ min: 20, max: 300 }),
      (truth, length) => {
        fc.pre(truth < length);
        const made: Scratch[] = [];
        let found = liveBoundary(made, length);
        while (found.nextCm !== null) {
          const open = found.deadFromCm - found.liveToCm;
          made.push({ atCm: found.nextCm, reads: found.nextCm < truth ? 'green' : 'brown' });
          found = liveBoundary(made, length);
          expect(found.deadFromCm - found.liveToCm).toBeCloseTo(open / 2, 6);
        }
        expect(found.liveToCm).toBeLessThanOrEqual(truth);
        expect(found.deadFromCm).toBeGreaterThanOrEqual(truth);
        expect(made.length).toBeLessThanOrEqual(Math.ceil(Math.log2(length / 2)) + 1);
      },
    ),
  );
});

test('an unsure scratch is not repeated at the same place; green beyond brown is told', () => {
  const at = (atCm: number, reads: Scratch['reads']) => ({ atCm, reads });
  const unsure = liveBoundary([at(20, 'green'), at(60, 'brown'), at(40, 'unsure')], 90);
  expect(unsure.nextCm).not.toBe(40);
  expect(unsure).toMatchObject({ liveToCm: 20, deadFromCm: 60 });
  const patchy = liveBoundary([at(20, 'green'), at(50, 'brown'), at(70, 'green')], 90);
  expect(patchy).toMatchObject({ liveToCm: 20, deadFromCm: 50, contradictedBy: [70] });
  expect(liveBoundary([], 90)).toMatchObject({ noneGreen: true, noneBrown: true, nextCm: 45 });
});

// Worked example of the girdling table: cankers 6 and 4 cm wide on 31.4 cm round.
test('6 + 4 cm of 31.4 cm is 0.318, between a quarter and a half', () => {
  const said = girdled([6, 4], 31.4, 'stem', true);
  expect(said?.share).toBeCloseTo(0.318471, 5);
  expect(said?.advice).toBe('excise and lighten');
  expect(girdled([], 31.4, 'stem', true)).toBeNull();
  expect(girdled([40], 31.4, 'stem', true)).toMatchObject({ share: 1 });
});

test('only a wound that is no disease is bridged', () => {
  expect(girdled([20], 31.4, 'stem', false)?.advice).toBe('bridge in spring');
  expect(girdled([20], 31.4, 'stem', true)?.advice).toBe('stem declines');
});
