// Long lists on their way from a worker: as pieces of JSON, so that the thread that answers takes them in one by one and answers in between.
import type { Unsaid } from '@mortisect/words';
import { giveWay } from '../store/openDb';

const OF_ONE = 250;

export type Slices = Uint8Array<ArrayBuffer>[];

/** What was read of a file, with its long list in pieces; what is wrong with it as a whole as it is. */
export type Sliced<R, K extends string> = R extends { fault: Unsaid }
  ? R
  : Omit<R, K> & { [key in K]: Slices };

export function slicesOf(list: readonly unknown[]): Slices {
  return Array.from({ length: Math.ceil(list.length / OF_ONE) }, (_, i) => sliceOf(list, i));
}

/** The same on the thread that answers. */
export async function slicesGivingWay(list: readonly unknown[]): Promise<Slices> {
  const slices: Slices = [];
  while (slices.length * OF_ONE < list.length) {
    slices.push(sliceOf(list, slices.length));
    await giveWay();
  }
  return slices;
}

const sliceOf = (list: readonly unknown[], i: number) =>
  Uint8Array.from(Buffer.from(JSON.stringify(list.slice(i * OF_ONE, (i + 1) * OF_ONE))));

/** On a worker, where nobody waits. */
export function unsliced<T>(slices: Slices): T[] {
  return slices.flatMap((slice) => JSON.parse(Buffer.from(slice.buffer).toString()) as T[]);
}

export async function joined<T>(slices: Slices): Promise<T[]> {
  const list: T[] = [];
  for (const slice of slices) {
    list.push(...(JSON.parse(Buffer.from(slice.buffer).toString()) as T[]));
    await giveWay();
  }
  return list;
}
