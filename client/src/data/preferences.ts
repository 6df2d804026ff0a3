// What this device keeps for itself: who works on it, how it looks. Nothing of the orchard.

import type { Units } from '@mortisect/core/measure';
import type { Locale } from '@mortisect/words';
import { createStore, get, set } from 'idb-keyval';
import { v7 as newId } from 'uuid';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';

interface Preferences {
  deviceId: string;
  /** What only this device knows: nobody else writes in its name. */
  deviceKey: string;
  /** The name every record from here carries; empty until given. */
  person: string;
  theme: 'system' | 'daylight' | 'dusk';
  /** Language and spelling; null: as the browser asks for. */
  locale: Locale | null;
  /** null: as the site is set. */
  units: Units | null;
  /** Where the cart goes out: an end of a row, as `rowId first` or `rowId last`; null: anywhere. */
  cartAt: string | null;
  /** Single keys as shortcuts. */
  keys: boolean;
}

export const usePreferences = create<Preferences>()(
  persist(
    (): Preferences => ({
      deviceId: newId(),
      deviceKey: newId(),
      person: '',
      theme: 'system',
      locale: null,
      units: null,
      cartAt: null,
      keys: true,
    }),
    {
      name: 'mortisect-device',
      version: 1,
    },
  ),
);

// Ids are minted on first use; keep the first one even if nothing else is ever set.
usePreferences.setState({});

const KEY = 'device';
const store = typeof indexedDB === 'undefined' ? undefined : createStore('mortisect-preferences', 'device');
if (store) void keepTwice({ get: () => get<Preferences>(KEY, store), set: (now) => set(KEY, now, store) });

/**
 * A browser writes what a page keeps by name to its disk seconds later: a phone that dies before that would ask again who works on it, and
 * be another device. So it is kept in a database too, which is written at once.
 */
export async function keepTwice(second: {
  get(): Promise<Preferences | undefined>;
  set(now: Preferences): Promise<void>;
}): Promise<void> {
  usePreferences.subscribe((now) => {
    if (now.person !== '') second.set(now).catch(() => {});
  });
  const kept = await second.get().catch(() => undefined);
  if (kept && usePreferences.getState().person === '') usePreferences.setState(kept);
}
