// A device without room: what was only read makes room for what was recorded, and nothing else does.
import { waitFor } from '@testing-library/react';
import { clear, set } from 'idb-keyval';
import { enqueue, useOutbox } from './outbox';
import { keptStore } from './queryClient';

jest.mock('idb-keyval', () => {
  Object.assign(globalThis, { indexedDB: {} });
  return {
    createStore: (name: string) => name,
    set: jest.fn(() => Promise.resolve()),
    get: jest.fn(() => Promise.resolve(undefined)),
    keys: jest.fn(() => Promise.resolve([])),
    entries: jest.fn(() => Promise.resolve([])),
    delMany: jest.fn(() => Promise.resolve()),
    clear: jest.fn(() => Promise.resolve()),
  };
});

const full = (name: string) => Object.assign(new Error('no'), { name });
const pause = () =>
  enqueue('putAction', '0193f000-0000-7000-8000-0000000000c1', {
    params: { actionId: '0193f000-0000-7000-8000-0000000000c1' },
    body: { kind: 'roundPaused', at: '2026-11-24T10:00:00Z' },
  });

beforeEach(() => {
  jest.clearAllMocks();
  useOutbox.setState({ items: [], loaded: false });
});

test('where there is none for a record, the reads are let go of and it is kept', async () => {
  jest.mocked(set).mockRejectedValueOnce(full('QuotaExceededError'));
  await pause();
  expect(jest.mocked(clear).mock.calls).toEqual([[keptStore]]);
  expect(jest.mocked(set)).toHaveBeenCalledTimes(2);
  await waitFor(() => expect(useOutbox.getState().items).toHaveLength(1));
});

test.each(['QuotaExceededError', 'InvalidStateError'])(
  'one that cannot be kept all the same is no record, and whoever made it hears of it: %s',
  async (name) => {
    jest.mocked(set).mockRejectedValueOnce(full(name)).mockRejectedValueOnce(full(name));
    await expect(pause()).rejects.toMatchObject({ name });
    expect(useOutbox.getState().items).toEqual([]);
    expect(jest.mocked(clear)).toHaveBeenCalledTimes(name === 'QuotaExceededError' ? 1 : 0);
  },
);
