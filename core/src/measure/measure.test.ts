import fc from 'fast-check';
import {
  clockHour,
  heightReading,
  isBareNumber,
  laterDay,
  localDay,
  massReading,
  moment,
  type Reading,
  rainReading,
  roundToTape,
  sideDeg,
  sideOf,
  type TapeRounding,
  tapeReading,
  temperatureReading,
  thicknessReading,
  typedLengthCm,
  type Units,
  upperFirst,
  windReading,
} from './index';

const joined = ({ value, unit }: Reading) => `${value} ${unit}`;
const tapeText = (cm: number, units: Units, rounding?: TapeRounding) =>
  joined(tapeReading(cm, units, rounding));

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
  ['  16 ', 'us', 40.64],
  ['24 Millimeters', 'us', 2.4],
  ['24 MM', 'us', 2.4],
  ['2 ft', 'metric', 60.96],
  ['5 ft 2 1/2', 'metric', 158.75],
] as const)('typed “%s” on a %s tape is %f cm', (text, units, cm) => {
  expect(typedLengthCm(text, units)).toEqual({ cm: expect.closeTo(cm, 6) });
});

test.each(['', 'abc', '-3', '1/0', '3 miles', 'cm', '..5'])(
  'typed “%s” is refused with what was typed',
  (text) => {
    const code = text === '1/0' ? 'dividesByZero' : 'noLength';
    for (const tape of ['metric', 'us'] as const)
      expect(typedLengthCm(text, tape)).toEqual({
        fault: { code, given: code === 'noLength' ? { text, tape } : { text } },
      });
  },
);

// Conversions: 1 in = 25.4 mm, 1 lb = 0.45359237 kg (1959), 1 mile = 1609.344 m, °F = 9/5 °C + 32
test.each<[Reading, string]>([
  [thicknessReading(24.4, 'metric'), '24 mm'],
  [thicknessReading(35, 'us'), '1 3/8 in'],
  [thicknessReading(25.4, 'us'), '1 in'],
  [thicknessReading(12.7, 'us'), '1/2 in'],
  [thicknessReading(19.05, 'us'), '3/4 in'],
  [thicknessReading(57.15, 'us'), '2 1/4 in'],
  [thicknessReading(3.2, 'us'), '1/8 in'],
  [thicknessReading(0, 'us'), '0 in'],
  [heightReading(412, 'metric'), '4.1 m'],
  [heightReading(400, 'metric'), '4.0 m'],
  [heightReading(412, 'us'), '13 ft 6 in'],
  [heightReading(365.76, 'us'), '12 ft'],
  [massReading(9.96, 'metric'), '10 kg'],
  [massReading(4.26, 'metric'), '4.3 kg'],
  [massReading(0.0432, 'metric'), '43 g'],
  [massReading(0.0055, 'metric'), '5.5 g'],
  [massReading(0.9994, 'metric'), '999 g'],
  [massReading(0.9996, 'metric'), '1 kg'],
  [massReading(0, 'metric'), '0 kg'],
  [massReading(10, 'metric'), '10 kg'],
  [massReading(10.4, 'metric'), '10 kg'],
  [massReading(123.4, 'metric'), '123 kg'],
  [massReading(2, 'us'), '4.4 lb'],
  [massReading(0.2, 'us'), '7.1 oz'],
  [massReading(0.453, 'us'), '1 lb'],
  [temperatureReading(-3.26, 'metric', 1), '−3.3 °C'],
  [temperatureReading(-0.04, 'metric', 1), '0.0 °C'],
  [temperatureReading(21.5, 'metric'), '22 °C'],
  [temperatureReading(100, 'us'), '212 °F'],
  [temperatureReading(-40, 'us'), '−40 °F'],
  [rainReading(0.25, 'metric'), '0.3 mm'],
  [rainReading(9.96, 'metric'), '10 mm'],
  [rainReading(10.4, 'metric'), '10 mm'],
  [rainReading(25.4, 'us'), '1.00 in'],
  [rainReading(3, 'us'), '0.12 in'],
  [windReading(4.6, 'metric'), '5 m/s'],
  [windReading(44.704, 'us'), '100 mph'],
])('%p is shown as %s, with a unit and no false digit', (reading, text) => {
  expect(joined(reading)).toBe(text);
});

test.each([
  ['chipped', 'Chipped'],
  ['ß', 'SS'],
  ['', ''],
])('“%s” begins a sentence as “%s”', (text, upper) => expect(upperFirst(text)).toBe(upper));

test.each([
  ['metric', -41.6, '−41.5 cm'],
  ['us', -41.6, '−16½ in'],
  ['us', 0.1, '0 in'],
  ['us', 0.64, '¼ in'],
  ['metric', 0.04, '0 cm'],
] as const)('on a %s tape %f cm is %s', (units, cm, text) => expect(tapeText(cm, units)).toBe(text));

test.each([
  [120, 0, 4],
  [0, 0, 12],
  [350, 0, 12],
  [90, 45, 2],
  [-30, 0, 11],
])('bearing %i° with 12 at %i° is %i o’clock', (bearing, twelve, hour) => {
  expect(clockHour(bearing, twelve)).toBe(hour);
});

// The four sides of the compass
test.each([
  [44, 'north', 0],
  [46, 'east', 90],
  [134, 'east', 90],
  [136, 'south', 180],
  [-91, 'west', 270],
  [314, 'west', 270],
  [316, 'north', 0],
] as const)('a bearing of %i° is on the %s side, whose middle lies at %i°', (bearing, side, middle) => {
  expect(sideOf(bearing)).toBe(side);
  expect(sideDeg(side)).toBe(middle);
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
  expect(typedLengthCm(text, 'm')).toEqual({ fault: { code: 'noLength', given: { text, tape: 'metric' } } });
});

test.each([
  ['3,5', true],
  ['~ 4', true],
  ['4 m', false],
  ['', false],
  ['4 5', false],
  [' ~ 4 ', true],
])('“%s” is a bare number: %s', (text, bare) => expect(isBareNumber(text)).toBe(bare));

test.each([
  ['2026-12-30', 3, '2027-01-02'],
  ['2028-02-28', 1, '2028-02-29'],
  ['2026-03-01', -1, '2026-02-28'],
  ['2026-11-24', 0, '2026-11-24'],
])('%s and %i days is %s', (day, days, later) => {
  expect(laterDay(day, days)).toBe(later);
});

// What no database and no device stumbles over: it is in every copy for ever
test.each([
  ['1899-12-31T23:59:59Z', false],
  ['1900-01-01T00:00:00Z', true],
  ['2199-12-31T23:59:59Z', true],
  ['2200-01-01T00:00:00Z', false],
  ['0001-01-01T00:00:00+14:00', false],
  ['0000-01-01T00:00:00Z', false],
  ['2026-03-01T00:00:00+14:00', true],
  ['2026-03-01T00:00:00+14:01', false],
  ['2026-03-01T00:00:00-13:59', true],
  ['2026-03-01T00:00:00+23:59', false],
  ['2026-02-29T00:00:00Z', false],
  ['2026-03-01', false],
])('the time %s is taken: %s', (text, takes) => expect(moment.safeParse(text).success).toBe(takes));

test.each([
  ['1899-12-31', false],
  ['1900-01-01', true],
  ['2199-12-31', true],
  ['2200-01-01', false],
  ['9999-12-31', false],
])('the day %s is taken: %s', (text, takes) => expect(localDay.safeParse(text).success).toBe(takes));
