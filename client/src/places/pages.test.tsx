// Every page before a server, on a phone and on a wide screen: it comes up with its name, says no error, and no two of its buttons are called the same.
import '../workers/importMeta';
import { screen, waitFor } from '@testing-library/react';
import type { ReactElement } from 'react';
import { FakeServer } from '../testing/fakeServer';
import { at, show } from '../testing/here';
import { detail, did, finding } from '../testing/orchard';
import { GraftWood } from './book/aftercare/GraftWood';
import { Rechecks } from './book/aftercare/Rechecks';
import { Log } from './book/Log';
import { Reference } from './book/Reference';
import { Settings } from './book/Settings';
import { ImportWeather } from './book/weather/ImportWeather';
import { WeatherBook } from './book/weather/WeatherBook';
import { CutPlace } from './cut/CutPlace';
import { Kit } from './cut/Kit';
import { Marks } from './cut/Marks';
import { Mix } from './cut/Mix';
import { Skipping } from './cut/Skipping';
import { MapTree } from './map/MapTree';
import { PlanList } from './plan/PlanList';
import { PlanTree } from './plan/PlanTree';
import { EditTree, NewTree } from './register/EditTree';
import { ImportTrees } from './register/ImportTrees';
import { Register } from './register/Register';
import { RowOfTrees } from './register/RowOfTrees';
import { RoundList } from './round/RoundList';
import { RoundTree } from './round/RoundTree';
import { Today } from './today/Today';

jest.mock('expo-router', () => require('../testing/here').router);
jest.mock('comlink', () => require('../testing/here').comlink);
// Reads QR codes: ES modules only, and a canvas that is not here
jest.mock('../data/qrCode', () => ({ tagInPhoto: () => Promise.resolve(null) }));

const canker = finding('0193f000-0000-7000-8000-000000000011', 'S', 'FB_CANK_A');
const dead = finding('0193f000-0000-7000-8000-000000000012', 'R', 'DEAD');
function orchard(): FakeServer {
  const trees = [
    detail([canker, dead]),
    detail([], { id: 'b', code: 'Tree B', place: 2, species: 'sweet-cherry', openFindings: 0 }),
    detail([], { id: 'c', code: 'Tree C', place: 3, species: 'quince', form: 'fan' }),
  ];
  return new FakeServer(trees, [
    { ...did({ kind: 'roundStarted', at: '2026-11-24T08:00:00Z', order: 'serpentine', plotIds: [] }) },
  ]);
}

interface Page {
  name: string;
  page: ReactElement;
  path: string;
  /** What stands on it once it is there. */
  says: RegExp;
  params?: Record<string, string>;
}

const PAGES: Page[] = [
  { name: 'Today', page: <Today />, path: '/today', says: /Tree A/ },
  { name: 'Round', page: <RoundList />, path: '/round', says: /In walking order/ },
  { name: 'Tree A', page: <RoundTree treeId="a" />, path: '/round/a', says: /Open findings/ },
  { name: 'Tree A', page: <MapTree treeId="a" />, path: '/round/a/map', says: /Limb map · 3 limbs/ },
  { name: 'Tree A', page: <EditTree treeId="a" />, path: '/round/a/edit', says: /Edit the tree/ },
  {
    name: 'A row of trees',
    page: <RowOfTrees />,
    path: '/round/register/row',
    says: /The first one is called Row 1 01, in Orchard\./,
  },
  { name: 'New tree', page: <NewTree />, path: '/round/register/new', says: /its limb map comes next/ },
  { name: 'Register', page: <Register />, path: '/round/register', says: /Tap a heading to sort|Tree C/ },
  {
    name: 'Trees from a file',
    page: <ImportTrees />,
    path: '/round/register/import',
    says: /a code or a name/,
  },
  { name: 'Plan', page: <PlanList />, path: '/plan', says: /Tree A/ },
  {
    name: 'Tree A',
    page: <PlanTree treeId="a" />,
    path: '/plan/a',
    says: /This is the best plan|Winter 2026/,
  },
  { name: 'Cut', page: <CutPlace />, path: '/cut', says: /Tree A/ },
  { name: 'Kit', page: <Kit />, path: '/cut/kit', says: /Pruning saw/ },
  { name: 'Mix', page: <Mix />, path: '/cut/mix', says: /litres|L of/i },
  { name: 'Marks', page: <Marks />, path: '/cut/marks', says: /mark/i },
  { name: 'Skipping', page: <Skipping />, path: '/cut/skipping', says: /clean/i },
  { name: 'Book', page: <Rechecks />, path: '/book/rechecks', says: /look/i },
  { name: 'Book', page: <GraftWood />, path: '/book/graft-wood', says: /graft wood|scion/i },
  { name: 'Book', page: <Log />, path: '/book', says: /round started/i },
  { name: 'Book', page: <WeatherBook />, path: '/book/weather', says: /Simulated/ },
  {
    name: 'Weather from a file',
    page: <ImportWeather />,
    path: '/book/import-weather',
    says: /One row for each reading/,
  },
  { name: 'Book', page: <Reference />, path: '/book/reference', says: /Fire blight/ },
  { name: 'Book', page: <Settings />, path: '/book/settings', says: /12 o’clock points to/ },
];

let errors: jest.SpyInstance;
beforeEach(() => {
  errors = jest.spyOn(console, 'error').mockImplementation(() => undefined);
});
afterEach(() => errors.mockRestore());

describe.each([
  ['phone', false],
  ['wide', true],
])('%s', (_size, wide) => {
  test.each(PAGES)(
    '$path comes up, and each of its buttons has a name of its own',
    async ({ page, path, says, params = {} }) => {
      at.path = path;
      at.params = params;
      show(page, orchard(), { wide });
      await waitFor(() => expect(document.body.textContent).toMatch(says), { timeout: 40_000 });
      expect(document.querySelectorAll('main, section[aria-label]').length).toBeGreaterThan(0);
      expect(screen.getAllByRole('heading', { hidden: true })[0]?.textContent).not.toBe('');
      expect(namesTwice()).toEqual([]);
      expect(errors.mock.calls.map(([first]) => String(first).slice(0, 200))).toEqual([]);
    },
  );
});

/** Buttons and fields that are called the same although they do different things. */
function namesTwice(): string[] {
  const seen = new Map<string, number>();
  for (const element of document.querySelectorAll<HTMLElement>(
    'button, [role=slider], [role=checkbox], input, select, textarea',
  )) {
    if (element.closest('[style*="display: none"]') || element.getAttribute('type') === 'file') continue;
    const [label] = (element as HTMLInputElement).labels ?? [];
    const name = element.getAttribute('aria-label') ?? label?.textContent ?? element.textContent ?? '';
    const group = element.closest('[role=group], [role=radiogroup]')?.getAttribute('aria-label') ?? '';
    const key = `${group}: ${name.trim()}`;
    seen.set(key, (seen.get(key) ?? 0) + 1);
  }
  return [...seen].filter(([, count]) => count > 1).map(([key]) => key);
}
