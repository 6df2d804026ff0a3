// Whose turn is it? Each who asks has a row of their own, and the rows take turns; what nobody waits for comes last.
import { type FixedQueue, Piscina } from 'piscina';

type Task = NonNullable<ReturnType<FixedQueue['shift']>>;
type TaskQueue = Pick<FixedQueue, 'size' | 'push' | 'shift' | 'remove'>;

/** Of tasks that nobody waits for. */
export const BACKGROUND = 'background';

/** Of one task. */
export interface Turn {
  /** Whoever asks for it. */
  by: string;
  /** A thread works on it: it waits no more. */
  hasBegun: boolean;
}

/** A task with the name of who asks for it. */
export const askedBy = <T extends object>(task: T, by: string, turn: Turn = { by, hasBegun: false }): T => ({
  ...task,
  [Piscina.queueOptionsSymbol]: turn,
});

const turnOf = (task: Task): Turn | null =>
  (task as unknown as Record<symbol, Turn | null>)[Piscina.queueOptionsSymbol] ?? null;

const rowOf = (task: Task): string => turnOf(task)?.by ?? BACKGROUND;

/** An idle thread for a task, which has begun then; null where all are at work. */
export const idleThread: NonNullable<ConstructorParameters<typeof Piscina>[0]>['loadBalancer'] = (
  task,
  threads,
) => {
  const idle = threads.find(({ currentUsage }) => currentUsage === 0) ?? null;
  const turn = turnOf(task as never);
  if (idle && turn) turn.hasBegun = true;
  return idle;
};

export class FairQueue implements TaskQueue {
  /** In the order of their turns. */
  private readonly rows = new Map<string, Task[]>();

  get size(): number {
    let size = 0;
    for (const row of this.rows.values()) size += row.length;
    return size;
  }

  push(task: Task): void {
    const by = rowOf(task);
    const row = this.rows.get(by);
    if (row) row.push(task);
    else this.rows.set(by, [task]);
  }

  shift(): Task | null {
    const by = [...this.rows.keys()].find((row) => row !== BACKGROUND) ?? BACKGROUND;
    const row = this.rows.get(by);
    const task = row?.shift() ?? null;
    // To the end of the turns, or out
    this.rows.delete(by);
    if (row && row.length > 0) this.rows.set(by, row);
    return task;
  }

  remove(task: Task): void {
    const by = rowOf(task);
    const row = this.rows.get(by);
    if (!row) return;
    const at = row.indexOf(task);
    if (at >= 0) row.splice(at, 1);
    if (row.length === 0) this.rows.delete(by);
  }
}
