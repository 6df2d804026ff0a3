import fc from 'fast-check';
import {
  clockHour,
  heightReading,
  isBareNumber,
  joined,
  laterDay,
  massReading,
  roundToTape,
  tapeText,
  thicknessReading,
  typedLengthCm,
} from './index';

test.each([
  [41.6, 'metric', 'down', '41.5 cm'],
  [41.6, 'us', 'down', '16¼ in'],
  [41.5, 'metric', 'down', '41.5 cm'],
  [30, 'us', 'up', '12 in'],
  [35.5, 'us', 'up', '14 in'],
  [0, 'us', 'nearest', '0 in'],
  [1.27, 'us', 'nearest', '½ in'],
] as const)('%f cm on a %s tape, %s: %s', (cm, units, rounding, text) => {
  expect(tapeText(cm, units, rounding)).toBe(text);
});

test('one inch is 2.54 cm exactly, one pound 0.45359237 kg (international yard and pound agreement, 1959)', () => {
  expect(typedLengthCm('1 in', 'metric')).toEqual({ cm: 2.54 });
  expect(typedLengthCm('1 ft', 'metric')).toEqual({ cm: 30.48 });
  expect(massReading(45.359237, 'us')).toEqual({ value: '100', unit: 'lb' });
});

test('what a tape shows can be typed back, to within half its step', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 3000, noNaN: true }),
      fc.constantFrom('metric' as const, 'us' as const),
      (cm, units) => {
        const back = typedLengthCm(tapeText(cm, units), units);
        expect(back).toEqual({ cm: expect.closeTo(roundToTape(cm, units), 6) });
        expect(Math.abs(('cm' in back ? back.cm : Number.NaN) - cm)).toBeLessThanOrEqual(
          (units === 'us' ? 0.3175 : 0.25) + 1e-9,
        );
      },
    ),
  );
});

test('rounding toward the stool never goes outward, a clearance is never cut short', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 3000, noNaN: true }),
      fc.constantFrom('metric' as const, 'us' as const),
      (cm, units) => {
        expect(roundToTape(cm, units, 'down')).toBeLessThanOrEqual(cm + 1e-5);
        expect(roundToTape(cm, units, 'up')).toBeGreaterThanOrEqual(cm - 1e-5);
      },
    ),
  );
});

test.each([
  ['41.5', 'metric', 41.5],
  ['41,5', 'metric', 41.5],
  ['16 1/4', 'us', 41.275],
  ['16¼', 'us', 41.275],
  ['¾ in', 'metric', 1.905],
  ['2 ft 3', 'us', 68.58],
  ['24 mm', 'us', 2.4],
  ['1.2 m', 'us', 120],
] as const)('typed “%s” on a %s tape is %f cm', (text, units, cm) => {
  expect(typedLengthCm(text, units)).toEqual({ cm: expect.closeTo(cm, 6) });
});

test.each(['', 'abc', '-3', '1/0', '3 miles', 'cm', '..5'])('typed “%s” is refused in words', (text) => {
  expect(typedLengthCm(text, 'metric')).toEqual({ fault: expect.any(String) });
});

test('sizes carry units and no false digits', () => {
  expect(joined(thicknessReading(24.4, 'metric'))).toBe('24 mm');
  expect(joined(thicknessReading(35, 'us'))).toBe('1 3/8 in');
  expect(joined(heightReading(412, 'metric'))).toBe('4.1 m');
  expect(joined(heightReading(412, 'us'))).toBe('13 ft 6 in');
});

test.each([
  [120, 0, 4],
  [0, 0, 12],
  [350, 0, 12],
  [90, 45, 2],
  [-30, 0, 11],
])('bearing %i° with 12 at %i° is %i o’clock', (bearing, twelve, hour) => {
  expect(clockHour(bearing, twelve)).toBe(hour);
});

test.each([
  ['3,5', 'm', 350],
  ['12ft', 'cm', 365.76],
  ['12 feet 6', 'cm', 381],
  ['about 4 metres', 'cm', 400],
  ['~3.5m', 'cm', 350],
  ['ca. 3,5 m', 'cm', 350],
  ['12', 'ft', 365.76],
  ['12’ 6”', 'm', 381],
  ['35 centimeters', 'm', 35],
  ['8 inches', 'm', 20.32],
] as const)('“%s” in a column of %s is %f cm', (text, unit, cm) => {
  expect(typedLengthCm(text, unit)).toEqual({ cm: expect.closeTo(cm, 6) });
});

test.each(['tall', '3-4 m', 'm', '3.5.1', 'about'])('“%s” is no length', (text) => {
  expect(typedLengthCm(text, 'm')).toEqual({ fault: expect.stringContaining(text) });
});

test.each([
  ['3,5', true],
  ['~ 4', true],
  ['4 m', false],
  ['', false],
  ['4 5', false],
])('“%s” is a bare number: %s', (text, bare) => expect(isBareNumber(text)).toBe(bare));

test.each([
  ['2026-12-30', 3, '2027-01-02'],
  ['2028-02-28', 1, '2028-02-29'],
  ['2026-03-01', -1, '2026-02-28'],
  ['2026-11-24', 0, '2026-11-24'],
])('%s and %i days is %s', (day, days, later) => {
  expect(laterDay(day, days)).toBe(later);
});
