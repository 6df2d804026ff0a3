// Until what was begun has run its course.
import { act } from '@testing-library/react';

const TASKS = 12;

/** Each task begins the next: so many of them are waited for, however long a busy machine takes for each. */
export async function tasksDone(): Promise<void> {
  for (let tasks = 0; tasks < TASKS; tasks++) await new Promise((resolve) => setTimeout(resolve, 1));
}

/** The same for what changes a component. */
export const settled = () => act(tasksDone);

/** Timers of so many milliseconds go off when the test says so, and not before. */
export function timersHeld(ms: number): { goOff(): void; end(): void } {
  const { setTimeout: later } = window;
  const held: (() => void)[] = [];
  window.setTimeout = ((then: () => void, after: number) =>
    after === ms ? held.push(then) : later(then, after)) as never;
  return {
    goOff: () =>
      act(() => {
        for (const then of held) then();
      }),
    end: () => {
      window.setTimeout = later;
    },
  };
}
