// The phone at the saw: the screen is kept awake, and the end of a contact time is heard.
import { useEffect, useState } from 'react';

interface WakeLock {
  release(): Promise<void>;
}
type WithWakeLock = Navigator & { wakeLock?: { request(type: 'screen'): Promise<WakeLock> } };

/** Keeps the screen on while `on`. @returns what the browser made of it */
export function useScreenAwake(on: boolean): 'awake' | 'not offered' | 'off' {
  const [state, setState] = useState<'awake' | 'not offered' | 'off'>('off');
  useEffect(() => {
    const { wakeLock } = navigator as WithWakeLock;
    if (!on) {
      setState('off');
      return;
    }
    if (!wakeLock) {
      setState('not offered');
      return;
    }
    let lock: WakeLock | null = null;
    let left = false;
    const hold = async () => {
      if (document.visibilityState !== 'visible') return;
      try {
        lock = await wakeLock.request('screen');
        if (left) await lock.release();
        else setState('awake');
      } catch {
        // Low battery or a page in the background: the browser decides
        if (!left) setState('not offered');
      }
    };
    void hold();
    // A lock ends when the page is hidden; it is taken again when it is looked at
    document.addEventListener('visibilitychange', hold);
    return () => {
      left = true;
      document.removeEventListener('visibilitychange', hold);
      void lock?.release();
    };
  }, [on]);
  return state;
}

const TICK_MS = 200;

/** Seconds until a moment by the orchard's clock, counted from what was stored: right after a reload or a dark screen. */
export function useSecondsLeft(until: string | null, clock: () => string): number | null {
  const left = () => (until === null ? null : Math.max(0, (Date.parse(until) - Date.parse(clock())) / 1000));
  const [seconds, setSeconds] = useState(left);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the clock is read, not watched
  useEffect(() => {
    setSeconds(left());
    if (until === null) return;
    const timer = setInterval(() => setSeconds(left()), TICK_MS);
    return () => clearInterval(timer);
  }, [until]);
  return seconds;
}

const TONE_HZ = 880;
const TONES = 3;
const TONE_S = 0.22;

let speaker: AudioContext | null = null;

/** Browsers let a page sound only once it was touched: called with the tap that starts a contact time. */
export function readyToRing(): void {
  if (typeof AudioContext === 'undefined') return;
  speaker ??= new AudioContext();
  void speaker.resume();
}

/** Three short tones and a buzz, where the device has them. */
export function ring(): void {
  navigator.vibrate?.([200, 100, 200, 100, 200]);
  readyToRing();
  for (let i = 0; speaker && i < TONES; i++) {
    const tone = speaker.createOscillator();
    tone.frequency.value = TONE_HZ;
    tone.connect(speaker.destination);
    tone.start(speaker.currentTime + i * 2 * TONE_S);
    tone.stop(speaker.currentTime + (i * 2 + 1) * TONE_S);
  }
}
