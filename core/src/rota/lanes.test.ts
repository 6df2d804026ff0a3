// Each kind of wood with its season, from the first day of any of its trees to the last. Schools’ days are made up.
import type { RotaGroup } from './asked';
import { laneSeasons } from './lanes';

const today = '2026-12-07';
const group = (
  lane: RotaGroup['lane'],
  species: string,
  school: RotaGroup['school'],
  days: Partial<Record<RotaGroup['school'], [number, number]>>,
): RotaGroup => ({
  ...{ key: species, lane, species, school, cells: [] },
  season: {
    weeks: [],
    schools: Object.entries(days).map(([school, [from, to]]) => ({ school, from, to })),
  } as unknown as RotaGroup['season'],
});

test('a lane from its first day to its last, with summer beside it unless that is its school', () => {
  const seasons = laneSeasons(
    [
      group('pome', 'apple', 'full dormancy', { 'full dormancy': [350, 60], 'after fruit set': [170, 212] }),
      group('pome', 'pear', 'full dormancy', { 'full dormancy': [342, 50], 'after fruit set': [160, 205] }),
      group('pome', 'apple', 'full dormancy', { 'full dormancy': [345, 74] }),
      group('plum', 'plum', 'after fruit set', { 'after fruit set': [161, 212] }),
      group('peach', 'peach', 'bloom', {}),
    ],
    today,
  );
  expect(seasons).toEqual([
    {
      ...{ lane: 'pome', species: ['apple', 'pear'] },
      school: { from: '2026-12-08', to: '2027-03-15' },
      summer: { from: '2027-06-09', to: '2027-07-31' },
    },
    { lane: 'plum', species: ['plum'], school: { from: '2027-06-10', to: '2027-07-31' }, summer: null },
  ]);
});
