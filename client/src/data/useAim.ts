// Where does the back of this phone look? Asked of its sensor, which a browser tells only on a secure address and after a tap.
import { type Aim, aimOf } from '@mortisect/core/survey';
import { useEffect, useState } from 'react';

export type SensorState =
  /** The address is not secure: no browser tells it there. */
  | 'notSecure'
  /** This device has no such sensor. */
  | 'none'
  /** Somebody has to allow it, by a tap. */
  | 'ask'
  | 'refused'
  | 'waiting'
  | 'live';

type Asks = { requestPermission?: () => Promise<'granted' | 'denied'> };
/** Devices without the sensor say nothing at all. */
const MOST_WAIT_MS = 3000;
/** A sensor tells sixty times a second: nobody aims so fast, and a page that is drawn so often empties the battery. */
const APART_MS = 100;

export function useAim(): { state: SensorState; aim: Aim | null; start(): void } {
  const [started, setStarted] = useState(false);
  const [told, setTold] = useState<'none' | 'refused' | null>(null);
  const [aim, setAim] = useState<Aim | null>(null);
  useEffect(() => {
    if (!started) return;
    let heard = false;
    let toldAt = Number.NEGATIVE_INFINITY;
    const onTurn = ({ alpha, beta, gamma }: DeviceOrientationEvent) => {
      if (alpha === null || beta === null || gamma === null) return;
      heard = true;
      if (performance.now() - toldAt < APART_MS) return;
      toldAt = performance.now();
      setAim(aimOf({ alpha, beta, gamma }));
    };
    // Told by the compass where there is one; else by the phone’s own turning, whose zero lies anywhere: only differences count
    const kinds =
      'ondeviceorientationabsolute' in window ? ['deviceorientationabsolute'] : ['deviceorientation'];
    for (const kind of kinds) window.addEventListener(kind, onTurn as EventListener);
    const timer = setTimeout(() => !heard && setTold('none'), MOST_WAIT_MS);
    return () => {
      clearTimeout(timer);
      for (const kind of kinds) window.removeEventListener(kind, onTurn as EventListener);
    };
  }, [started]);
  const start = () => {
    const asks = (globalThis.DeviceOrientationEvent as unknown as Asks | undefined)?.requestPermission;
    setTold(null);
    if (!asks) return setStarted(true);
    void asks()
      .then((answer) => (answer === 'granted' ? setStarted(true) : setTold('refused')))
      .catch(() => setTold('refused'));
  };
  return { state: stateOf(started, told, aim !== null), aim, start };
}

function stateOf(started: boolean, told: 'none' | 'refused' | null, hasAim: boolean): SensorState {
  if (typeof window === 'undefined' || !window.isSecureContext) return 'notSecure';
  if (typeof globalThis.DeviceOrientationEvent === 'undefined') return 'none';
  if (hasAim) return 'live';
  if (told) return told;
  return started ? 'waiting' : 'ask';
}
