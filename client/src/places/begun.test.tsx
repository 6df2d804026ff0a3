// Forms while another device saves the same record: one that nobody has changed follows it; one that was changed goes out on what it was begun on.
import '../workers/importMeta';
import type { Site } from '@mortisect/core/records';
import { act, configure, fireEvent, screen, waitFor } from '@testing-library/react';
import { queryClient } from '../data/queryClient';
import { FakeServer } from '../testing/fakeServer';
import { allSent, at, field, findField, press, show, write } from '../testing/here';
import { detail } from '../testing/orchard';
import { Settings } from './book/Settings';
import { MapTree } from './map/MapTree';
import { EditTree } from './register/EditTree';

jest.mock('expo-router', () => require('../testing/here').router);
configure({ defaultHidden: true });

/** Another device saves; this one is told and reads it. */
async function told(queryKey: string[]): Promise<void> {
  await act(() => queryClient.invalidateQueries({ queryKey }));
}

test('settings', async () => {
  const server = new FakeServer([detail([])]);
  at.path = '/book/settings';
  show(<Settings />, server);
  await findField('Latitude, °');
  const saveElsewhere = async (change: Partial<Site>) => {
    const { site, revision } = server.site;
    server.site = { ...server.site, site: { ...site, ...change }, revision: revision + 1 };
    await told(['site']);
  };
  await saveElsewhere({ latitude: 41.5 });
  await waitFor(() => expect(field('Latitude, °').value).toBe('41.5'));
  write('Time zone', 'Europe/Paris');
  const begunOn = server.site.revision;
  await saveElsewhere({ latitude: 42 });
  expect([field('Latitude, °').value, field('Time zone').value]).toEqual(['41.5', 'Europe/Paris']);
  press('Save site');
  // Neither is lost: the two versions are shown
  await screen.findByText('Changed meanwhile');
  expect(server.bodies('putSite')).toMatchObject([{ baseRevision: begunOn }]);
  expect(server.site.site.latitude).toBe(42);
});

/** The tree as another device left it. */
const tree = detail([]);
function elsewhere(change: object, limbsRevision = tree.limbsRevision, limbs = tree.limbs) {
  return { ...tree, tree: { ...tree.tree, ...change }, limbsRevision, limbs };
}

test('a tree', async () => {
  const server = new FakeServer([tree]);
  at.path = '/round/a/edit';
  show(<EditTree treeId="a" />, server);
  await screen.findByText('Which tree');
  server.details.set('a', elsewhere({ note: 'Leans to the quay.', revision: 4 }));
  await told(['tree']);
  await waitFor(() => expect(field('Note').value).toBe('Leans to the quay.'));
  write('Note', 'Leans to the quay, propped.');
  server.details.set('a', elsewhere({ note: 'Felled.', revision: 5 }));
  await told(['tree']);
  expect(field('Note').value).toBe('Leans to the quay, propped.');
  press('Save the tree');
  await waitFor(() => expect(server.bodies('putTree')).toMatchObject([{ baseRevision: 4 }]));
});

test('a limb map', async () => {
  const server = new FakeServer([tree]);
  at.path = '/round/a/map';
  show(<MapTree treeId="a" />, server);
  await screen.findByText(new RegExp(`Limb map · ${tree.limbs.length} limbs`));
  const longer = tree.limbs.map((limb) => (limb.id === 'S' ? { ...limb, bearingDeg: 200 } : limb));
  server.details.set('a', elsewhere({}, 8, longer));
  await told(['tree']);
  const bearing = () =>
    screen.getByRole('slider', { name: /^Tip of [A-Z]\w*: bearing/ }).getAttribute('aria-valuenow');
  await waitFor(() => expect(bearing()).toBe('200'));
  fireEvent.keyDown(screen.getByRole('slider', { name: /^Tip of [A-Z]\w*: bearing/ }), { key: 'ArrowRight' });
  server.details.set('a', elsewhere({}, 9));
  await told(['tree']);
  expect(bearing()).toBe('205');
  press('Save the limb map');
  await waitFor(() => expect(server.bodies('putLimbs')).toMatchObject([{ baseRevision: 8 }]));
  await allSent().catch(() => undefined);
});
