// The demo must hold together as records: sound limb maps, findings on wood, and days that move until somebody touches them.
import { LimbMap } from '@mortisect/core/tree';
import { putAction } from '../services/actions';
import { putDevice } from '../services/devices';
import { readLog } from '../services/history';
import { type OpenDb, openDb } from '../store/openDb';
import { copyOf, deviceId, newId } from '../testing/orchard';
import { loadDemo } from './load';
import { findings, trees } from './orrinBight';

test('48 trees with sound limb maps, every finding on a limb of its tree', () => {
  expect(trees).toHaveLength(48);
  for (const tree of trees) {
    expect(LimbMap.safeParse(tree.limbs).error).toBeUndefined();
    expect(tree.limbs.length).toBeGreaterThanOrEqual(6);
  }
  for (const finding of findings) {
    expect(
      trees.find((tree) => tree.id === finding.treeId)?.limbs.some((limb) => limb.id === finding.limbId),
    ).toBe(true);
  }
});

describe('days of the demo', () => {
  let store: OpenDb;
  beforeAll(async () => {
    // Loaded on 24 November
    store = await openDb({ copyOf: copyOf('demo') });
  });
  afterAll(() => store.close());
  const newestDay = async () => (await readLog(store.db, { limit: 1 })).entries[0]?.at.slice(0, 10);

  test('stay for a week, then move to today; a touched demo stays as it is', async () => {
    expect(await newestDay()).toBe('2026-11-21');
    await loadDemo(store.db, '2026-11-30T10:00:00Z');
    expect(await newestDay()).toBe('2026-11-21');
    await loadDemo(store.db, '2027-03-10T10:00:00Z');
    expect(await newestDay()).toBe('2027-03-07');

    const device = await putDevice(store.db, { id: deviceId, name: 'Wall crew' });
    const at = '2027-03-10T11:00:00.000Z';
    await putAction(store.db, {
      id: newId(),
      action: { kind: 'bladeCleaned', at, blade: 'Blade 1', agentId: 'alcohol-70' },
      device,
      now: at,
    });
    await loadDemo(store.db, '2027-09-01T10:00:00Z');
    expect(await newestDay()).toBe('2027-03-10');
  });
});
