// Until what was begun has run its course.
import { act } from '@testing-library/react';

const TASKS = 12;

/** Each task begins the next: so many of them are waited for, however long a busy machine takes for each. */
export async function tasksDone(): Promise<void> {
  for (let tasks = 0; tasks < TASKS; tasks++) await new Promise((resolve) => setTimeout(resolve, 1));
}

/** The same for what changes a component. */
export const settled = () => act(tasksDone);
