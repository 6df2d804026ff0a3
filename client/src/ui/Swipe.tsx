// One card at a time: swiped on a phone, stepped through with buttons everywhere.

import { View } from '@tamagui/core';
import { Children, type ReactNode, useEffect, useRef } from 'react';
import { useSay } from '../data/useSay';
import { Button } from './Button';
import { elementRef } from './dom';
import { Label } from './type';

interface SwipeProps {
  label: string;
  at: number;
  count: number;
  onAt(at: number): void;
  children: ReactNode;
}

const FAR_PX = 56;

export function Swipe({ label, at, count, onAt, children }: SwipeProps) {
  const say = useSay();
  const box = useRef<HTMLElement>(null);
  const now = useRef({ at, count, onAt });
  now.current = { at, count, onAt };
  useEffect(() => {
    const element = box.current;
    if (!element) return;
    let from: { x: number; y: number } | null = null;
    const down = (event: PointerEvent) => {
      const onControl = (event.target as HTMLElement).closest('[role=slider],button,a,input');
      from = event.pointerType === 'touch' && !onControl ? { x: event.clientX, y: event.clientY } : null;
    };
    const up = (event: PointerEvent) => {
      if (!from) return;
      const [dx, dy] = [event.clientX - from.x, event.clientY - from.y];
      from = null;
      if (Math.abs(dx) < FAR_PX || Math.abs(dx) < 2 * Math.abs(dy)) return;
      const next = now.current.at + (dx < 0 ? 1 : -1);
      if (next >= 0 && next < now.current.count) now.current.onAt(next);
    };
    element.addEventListener('pointerdown', down);
    element.addEventListener('pointerup', up);
    return () => {
      element.removeEventListener('pointerdown', down);
      element.removeEventListener('pointerup', up);
    };
  }, []);
  return (
    <View ref={elementRef(box)} gap={8} role="group" aria-label={label} style={{ touchAction: 'pan-y' }}>
      {Children.toArray(children)[at]}
      {count > 1 ? (
        <View flexDirection="row" alignItems="center" justifyContent="space-between" gap={12}>
          <Button onPress={() => onAt(at - 1)} disabled={at === 0} aria-label={say('shared.stepBefore')}>
            {say('shared.before')}
          </Button>
          <Label>{say('shared.of', { at: at + 1, count })}</Label>
          <Button
            onPress={() => onAt(at + 1)}
            disabled={at === count - 1}
            aria-label={say('shared.nextStep')}
          >
            {say('shared.next')}
          </Button>
        </View>
      ) : null}
    </View>
  );
}
