// A phone that dies a moment after it was named is the same device afterwards.
import { keepTwice, usePreferences } from './preferences';

const nameless = usePreferences.getState();

function second(kept?: typeof nameless) {
  const written: (typeof nameless)[] = [];
  return { written, get: async () => kept, set: async (now: typeof nameless) => void written.push(now) };
}

test('what was written at once comes back where the browser had not written its own yet', async () => {
  const before = second();
  await keepTwice(before);
  usePreferences.setState({ theme: 'dusk' });
  // Nobody is named: there is no device to keep
  expect(before.written).toEqual([]);
  usePreferences.setState({ person: 'Boat crew' });
  expect(before.written).toMatchObject([{ person: 'Boat crew', theme: 'dusk', deviceId: nameless.deviceId }]);

  usePreferences.setState({ ...nameless, deviceId: 'another', person: '' });
  await keepTwice(second(before.written[0]));
  expect(usePreferences.getState()).toMatchObject({
    person: 'Boat crew',
    theme: 'dusk',
    deviceId: nameless.deviceId,
  });
});

test('what the browser has written stands; a database that cannot be read is none', async () => {
  usePreferences.setState({ person: 'Wall crew' });
  await keepTwice(second({ ...nameless, person: 'Boat crew' }));
  expect(usePreferences.getState().person).toBe('Wall crew');
  usePreferences.setState({ person: '' });
  await keepTwice({
    get: () => Promise.reject(new Error('no database')),
    set: () => Promise.reject(new Error('full')),
  });
  usePreferences.setState({ person: 'Wall crew' });
  expect(usePreferences.getState().person).toBe('Wall crew');
});
