// Keys of the wide screen. None acts while typing; single keys can be switched off in Settings.
import type { Say } from '@mortisect/words';
import { View } from '@tamagui/core';
import { useRouter } from 'expo-router';
import { useEffect, useEffectEvent, useState } from 'react';
import { tinykeys } from 'tinykeys';
import { usePreferences } from '../../data/preferences';
import { useSay } from '../../data/useSay';
import { leavePage } from '../../ui/leaveGuard';
import { Sheet } from '../../ui/Sheet';
import { Body, Label } from '../../ui/type';
import { places } from './places';

type Bindings = Record<string, () => void>;

/** How long the second key of two may take, ms: a slow machine and a slow hand. */
const BETWEEN_KEYS = 2000;

/**
 * Binds keys while the component is on screen. They stay bound while the page is drawn anew: between the two keys
 * of "g t" it often is.
 */
export function useKeys(bindings: Bindings): void {
  const on = usePreferences((preferences) => preferences.keys);
  const act = useEffectEvent((key: string, event: KeyboardEvent) => {
    // A table that is typed into has taken it
    if (event.defaultPrevented || isTyping(event.target) || document.querySelector('[role=dialog]')) return;
    event.preventDefault();
    bindings[key]?.();
  });
  const bound = JSON.stringify(Object.keys(bindings));
  useEffect(() => {
    if (!on) return;
    const keys: string[] = JSON.parse(bound);
    return tinykeys(
      window,
      Object.fromEntries(keys.map((key) => [key, (event: KeyboardEvent) => act(key, event)])),
      { timeout: BETWEEN_KEYS },
    );
  }, [on, bound]);
}

function isTyping(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName))
  );
}

const keysIn = (say: Say): [string, string][] => [
  ['[  ]', say('shared.previousAndNextTree')],
  ['s', say('shared.markTheTreeSoundOrDone')],
  ['f', say('shared.newFindingOnTheChosenLimb')],
  ['← →', say('shared.moveTheFocusedHandleOfATape')],
  ['w', say('shared.whyThisCut')],
  ['u', say('shared.unitsMetricOrUsOnThisDevice')],
  [say('shared.gThenTRPCB'), say('shared.goToTodayRoundPlanCutBook')],
  ['?', say('shared.thisList')],
];

export function PlaceKeys() {
  const say = useSay();
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
    <Sheet title={say('shared.keys')} open={open} onClose={() => setOpen(false)}>
      {keysIn(say).map(([keys, what]) => (
        <View key={keys} flexDirection="row" gap={16}>
          <Label width={130}>{keys}</Label>
          <Body flex={1}>{what}</Body>
        </View>
      ))}
    </Sheet>
  );
}
