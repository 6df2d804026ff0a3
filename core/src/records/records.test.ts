// What is taken in at the border, and what is refused with its place.

import { disorders, schoolsFor } from '../disorders/index';
import { ActionBody, defaultSchools, FindingBody, RecordId, Site } from './index';

const finding = {
  treeId: 't',
  limbId: 'S',
  limbName: 'S',
  fromCm: 10,
  toCm: 20,
  disorder: 'FB_CANK_A',
  edge: 'definite',
  growthRapid: false,
  note: '',
  seenAt: '2026-11-24T09:00:00Z',
  withdrawn: false,
};
const id = '0193f000-0000-7000-8000-000000000001';
const site = {
  name: 'A',
  latitude: 0,
  longitude: 0,
  timeZone: 'UTC',
  twelveBearingDeg: 0,
  units: 'metric',
  season: null,
  schools: defaultSchools(),
  agentId: 'alcohol-70',
};

test.each([
  [id, true],
  ['0193f000-0000-4000-8000-000000000001', false],
  ['1', false],
])('id %s made on a device: %s (RFC 9562, version 7)', (given, good) => {
  expect(RecordId.safeParse(given).success).toBe(good);
});

test.each<[string, object, string]>([
  ['that ends before it begins', { fromCm: 30 }, 'fromCm'],
  ['of no known disorder', { disorder: 'X' }, 'disorder'],
  ['seen on no day', { seenAt: 'yesterday' }, 'seenAt'],
  ['before the base', { fromCm: -1 }, 'fromCm'],
  ['with too long a note', { note: 'x'.repeat(501) }, 'note'],
  ['with a field too many', { color: 'red' }, ''],
])('a finding %s', (_, part, path) => {
  const parsed = FindingBody.safeParse({ ...finding, ...part });
  expect(parsed.error?.issues.map((issue) => issue.path.join('.'))).toEqual([path]);
});

test.each<[string, object, string]>([
  ['latitude', { latitude: 91 }, 'latitude'],
  ['time zone', { timeZone: 'Mars/North' }, 'timeZone'],
  ['bearing', { twelveBearingDeg: 360 }, 'twelveBearingDeg'],
  ['name', { name: ' ' }, 'name'],
])('a site of impossible %s', (_, part, path) => {
  expect(Site.safeParse({ ...site, ...part }).error?.issues[0]?.path.join('.')).toBe(path);
});

test('the default schools fit the site, and name a school of every disorder that is cut', () => {
  expect(Site.safeParse(site).error).toBeUndefined();
  for (const { code, answer } of disorders) {
    if (answer === 'leave') continue;
    expect(schoolsFor(code).map((school) => school.id)).toContain(defaultSchools().clearance[code]);
  }
});

test('default schools are a copy: changing one site changes no other', () => {
  defaultSchools().clearance.FB_CANK_A = 'changed';
  expect(defaultSchools().clearance.FB_CANK_A).not.toBe('changed');
});

test('an action of no known kind is refused', () => {
  expect(ActionBody.safeParse({ kind: 'burned', at: finding.seenAt }).success).toBe(false);
});
