// Distances and no-cuts by the handling tables of extension services, from memory; and when freeze injury may be cut.
import { clearance, disorderOf, isCutFor, kindOf, seasons } from './index';

const cut = (disorder: string, season: 'dormant' | 'summer') =>
  clearance({
    disorder,
    season,
    edge: 'definite',
    growthRapid: false,
    cultivarSusceptible: false,
    treeAgeYears: 20,
  }).clearanceCm;

// Handling tables of extension services, from memory, low confidence: upper end of each range, cm
test.each([
  ['FB_SHOOT', 30, 30],
  ['FB_BLOS', 30, 30],
  ['NFB', 15, 15],
  ['PSS_CANK', 30, 30],
  ['PSS_BLAST', 5, 5],
  ['BOT', 15, 15],
  ['BRN', 10, 15],
  ['SIL', 15, 15],
  ['EUT', 30, 30],
  ['BKT', 20, 20],
  ['PMW', 15, 15],
  ['TIPB', 5, 5],
  ['RUB', 0, 0],
  ['STUB', 0, 0],
] as const)('%s: %i cm dormant, %i cm in growth', (code, dormant, growing) => {
  expect([cut(code, 'dormant'), cut(code, 'summer')]).toEqual([dormant, growing]);
});

test('what nobody has named is cleared like fire blight: too little is worse than too much', () => {
  expect(cut('SUSPECT', 'dormant')).toBe(cut('FB_CANK_A', 'dormant'));
  expect(kindOf('SUSPECT')).toBe('diseased');
  expect(kindOf('NEVER_HEARD_OF')).toBe('diseased');
});

test.each([
  'FB_ROOT',
  'CGL',
  'PHY',
  'HRB',
  'DRT',
  'WLG',
  'GUM',
  'ROD',
  'MEC',
  'FRZ_BUD',
  'CLOSING',
  'MISPLACED',
])('no wood is cut for %s in any season, and it is said what to do instead', (code) => {
  expect(seasons.map((season) => isCutFor(code, season))).toEqual([false, false, false, false]);
  expect(disorderOf(code)?.instead).toMatch(/\w{4,}/);
});

// Wait after a freeze until growth shows what is alive: extension practice, from memory, high confidence
test.each(['FRZ_WOOD', 'FRZ_DLY'])('%s waits for summer', (code) => {
  expect(seasons.filter((season) => isCutFor(code, season))).toEqual(['summer', 'autumn']);
});

test('fire blight in all its forms says that it may have to be reported', () => {
  for (const code of ['FB_SHOOT', 'FB_BLOS', 'FB_CANK_A', 'FB_CANK_D', 'FB_ROOT'])
    expect(disorderOf(code)?.notifiable).toBe('mayBeNotifiableWhereYouAre');
});
