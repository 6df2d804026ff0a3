// The table of routes comes in two parts; the second is a script of its own, which a device without a network may not have.
import { firstRoutes } from '@mortisect/contracts';
import { FakeServer } from '../testing/fakeServer';
import { ask, NoAnswer } from './api';

jest.mock('./laterRoutes', () => {
  throw new Error('The script could not be read.');
});

test('what the first page asks is asked without it; the rest says that no answer came', async () => {
  const server = new FakeServer().install();
  expect(await ask('getTrees', {})).toMatchObject({ trees: [] });
  await expect(ask('getJobs', {})).rejects.toBeInstanceOf(NoAnswer);
  expect(server.asked.map(({ name }) => name)).toEqual(['getTrees']);
  expect(Object.keys(firstRoutes)).toEqual(expect.arrayContaining(['health', 'getSession', 'getRound']));
});
