// What this device keeps for itself: who works on it, how it looks. Nothing of the orchard.

import type { Units } from '@mortisect/core/measure';
import { v7 as newId } from 'uuid';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';

interface Preferences {
  deviceId: string;
  /** The name every record from here carries; empty until given. */
  person: string;
  theme: 'system' | 'daylight' | 'dusk';
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
      person: '',
      theme: 'system',
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
