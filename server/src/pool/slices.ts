// Long lists on their way from a worker: as pieces of JSON, so that the thread that answers takes them in one by one and answers in between.
import { giveWay } from '../store/openDb';

const OF_ONE = 250;

export type Slices = Uint8Array<ArrayBuffer>[];

/** What was read of a file, with its long list in pieces; what is wrong with it as a whole as it is. */
export type Sliced<R, K extends string> = R extends { fault: string }
  ? R
  : Omit<R, K> & { [key in K]: Slices };

export function slicesOf(list: readonly unknown[]): Slices {
  const slices: Slices = [];
  for (let from = 0; from < list.length; from += OF_ONE)
    slices.push(Uint8Array.from(Buffer.from(JSON.stringify(list.slice(from, from + OF_ONE)))));
  return slices;
}

export async function joined<T>(slices: Slices): Promise<T[]> {
  const list: T[] = [];
  for (const slice of slices) {
    list.push(...(JSON.parse(Buffer.from(slice.buffer).toString()) as T[]));
    await giveWay();
  }
  return list;
}
