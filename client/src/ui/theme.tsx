// Daylight or dusk: the theme in force, for Tamagui and for drawings.

import { Theme } from '@tamagui/core';
import { createContext, type ReactNode, useContext, useEffect, useSyncExternalStore } from 'react';
import { usePreferences } from '../data/preferences';
import { type Palette, palettes } from './tamagui.config';

type ThemeName = keyof typeof palettes;

const ThemeInForce = createContext<ThemeName>('daylight');

export function ThemeFollower({ children }: { children: ReactNode }) {
  const chosen = usePreferences((preferences) => preferences.theme);
  const dark = useMediaQuery('(prefers-color-scheme: dark)');
  const name: ThemeName = chosen === 'system' ? (dark ? 'dusk' : 'daylight') : chosen;
  useEffect(() => {
    document.documentElement.dataset.theme = name;
    // Scroll bars, date pickers and what else the browser draws itself
    document.documentElement.style.colorScheme = name === 'dusk' ? 'dark' : 'light';
    // Sheets stand outside the app's root and take the theme from the body
    document.body.classList.toggle('t_dark', name === 'dusk');
    document.body.classList.toggle('t_light', name === 'daylight');
    document.querySelector('meta[name="theme-color"]')?.setAttribute('content', palettes[name].ground);
  }, [name]);
  return (
    <ThemeInForce.Provider value={name}>
      <Theme name={name === 'dusk' ? 'dark' : 'light'}>{children}</Theme>
    </ThemeInForce.Provider>
  );
}

/** Colours by role, for react-native-svg, which does not know Tamagui's tokens. */
export function usePalette(): Palette {
  return palettes[useContext(ThemeInForce)];
}

function useMediaQuery(query: string): boolean {
  return useSyncExternalStore(
    (changed) => {
      const list = window.matchMedia(query);
      list.addEventListener('change', changed);
      return () => list.removeEventListener('change', changed);
    },
    () => window.matchMedia(query).matches,
  );
}

/** Wide enough for rail, list and work side by side. */
export function useWide(): boolean {
  return useMediaQuery('(min-width: 1024px)');
}
