// Whose turn is it? Each who asks has a row of their own, and the rows take turns; what nobody waits for comes last.
import { type FixedQueue, Piscina } from 'piscina';

type Task = NonNullable<ReturnType<FixedQueue['shift']>>;
type TaskQueue = Pick<FixedQueue, 'size' | 'push' | 'shift' | 'remove'>;

/** Of tasks that nobody waits for. */
export const BACKGROUND = 'background';

/** A task with the name of who asks for it. */
export const askedBy = <T extends object>(task: T, by: string): T => ({
  ...task,
  [Piscina.queueOptionsSymbol]: { by },
});

const rowOf = (task: Task): string => {
  const said = (task as unknown as Record<symbol, { by?: string } | null>)[Piscina.queueOptionsSymbol];
  return said?.by ?? BACKGROUND;
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
