// Keys of the wide screen. None acts while typing; single keys can be switched off in Settings.
import { View } from '@tamagui/core';
import { useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { tinykeys } from 'tinykeys';
import { usePreferences } from '../../data/preferences';
import { leavePage } from '../../ui/leaveGuard';
import { Sheet } from '../../ui/Sheet';
import { Body, Label } from '../../ui/type';
import { places } from './places';

type Bindings = Record<string, () => void>;

/** Binds keys while the component is on screen. */
export function useKeys(bindings: Bindings): void {
  const on = usePreferences((preferences) => preferences.keys);
  useEffect(() => {
    if (!on) return;
    const guarded = Object.fromEntries(
      Object.entries(bindings).map(([key, act]) => [
        key,
        (event: KeyboardEvent) => {
          if (isTyping(event.target) || document.querySelector('[role=dialog]')) return;
          event.preventDefault();
          act();
        },
      ]),
    );
    return tinykeys(window, guarded);
  });
}

function isTyping(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName))
  );
}

const KEYS: [string, string][] = [
  ['[  ]', 'previous and next tree'],
  ['s', 'mark the tree sound, or done'],
  ['f', 'new finding on the chosen limb'],
  ['← →', 'move the focused handle of a tape by ½ cm (¼ in), with Shift by 5 cm (2 in)'],
  ['w', 'why this cut'],
  ['u', 'units: metric or US, on this device'],
  ['g, then t r p c b', 'go to Today, Round, Plan, Cut, Book'],
  ['?', 'this list'],
];

export function PlaceKeys() {
  const router = useRouter();
  const [open, setOpen] = useState(false);
  useKeys({
    ...Object.fromEntries(
      places.map((place) => [`g ${place.letter}`, () => leavePage(() => router.navigate(place.path))]),
    ),
    '?': () => setOpen(true),
    'Shift+?': () => setOpen(true),
  });
  return (
    <Sheet title="Keys" open={open} onClose={() => setOpen(false)}>
      {KEYS.map(([keys, what]) => (
        <View key={keys} flexDirection="row" gap={16}>
          <Label width={130}>{keys}</Label>
          <Body flex={1}>{what}</Body>
        </View>
      ))}
    </Sheet>
  );
}
