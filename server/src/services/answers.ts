// Answers that many may wait for: each is computed once, and kept until it is put aside for newer ones.
import { tookTooLong } from '../pool/pool';

interface Ongoing {
  answer: Promise<unknown>;
  waiting: number;
  isThere: boolean;
  /** Aborted when the last who waited has gone. */
  left: AbortController;
}

/** Who waits for an answer, and how long. */
export interface Waiting {
  /** Aborted when they wait no more. */
  signal?: AbortSignal | undefined;
  atMostMs?: number;
}

export class Answers {
  private readonly byKey = new Map<string, Ongoing>();

  constructor(private readonly most: number) {}

  /**
   * An answer that failed is not kept. One that took too long goes on, and is there for whoever asks next.
   *
   * @param make computes it; its signal says that nobody waits for it any more
   * @throws {HttpProblem} 503 when whoever asks has waited as long as they may
   */
  async ask<T>(
    key: string,
    make: (left: AbortSignal) => Promise<T>,
    { signal, atMostMs }: Waiting = {},
  ): Promise<T> {
    const ongoing = this.byKey.get(key) ?? this.begin(key, make);
    ongoing.waiting += 1;
    try {
      return (await whileWaited(ongoing.answer, signal, atMostMs)) as T;
    } catch (error) {
      // Given up by those who were here before, in the moment in which somebody else came
      const isFromOthers = ongoing.left.signal.aborted && !signal?.aborted;
      if (isFromOthers) return this.ask(key, make, { signal, ...(atMostMs && { atMostMs }) });
      throw error;
    } finally {
      ongoing.waiting -= 1;
      if (signal?.aborted && ongoing.waiting === 0) ongoing.left.abort();
    }
  }

  /** It is computed, and nobody would wait for it. */
  isThere(key: string): boolean {
    return this.byKey.get(key)?.isThere ?? false;
  }

  private begin(key: string, make: (left: AbortSignal) => Promise<unknown>): Ongoing {
    const left = new AbortController();
    const ongoing: Ongoing = { answer: make(left.signal), waiting: 0, isThere: false, left };
    this.byKey.set(key, ongoing);
    ongoing.answer.then(
      () => {
        ongoing.isThere = true;
      },
      () => {
        if (this.byKey.get(key) === ongoing) this.byKey.delete(key);
      },
    );
    if (this.byKey.size > this.most) this.byKey.delete(this.byKey.keys().next().value as string);
    return ongoing;
  }
}

function whileWaited<T>(answer: Promise<T>, signal?: AbortSignal, atMostMs?: number): Promise<T> {
  const late = atMostMs === undefined ? null : AbortSignal.timeout(atMostMs);
  const ends = AbortSignal.any([signal, late].filter((each) => each != null));
  const ended = new Promise<never>((_, reject) => {
    const end = () => reject(late?.aborted ? tookTooLong(atMostMs as number) : ends.reason);
    if (ends.aborted) end();
    else ends.addEventListener('abort', end, { once: true });
  });
  return Promise.race([answer, ended]);
}
