// Whether kept plans still hold is asked together: a list of trees is one question to the thread that plans, not one for each tree.
import type { KeptPlan, PlanInput } from '@mortisect/core/plan';

interface Asked {
  kept: KeptPlan;
  /** Made when it is its turn: a thousand of them would keep the page waiting. */
  input(): PlanInput;
}

interface Waiting extends Asked {
  tell(holds: boolean): void;
  fail(error: unknown): void;
}

/** So many at once: the page answers in between, and whoever asks the thread for something else waits for these at most. */
const AT_ONCE = 60;

/** @param ask of the thread, with an answer for each in their order */
export function askedTogether(
  ask: (list: { kept: KeptPlan; input: PlanInput }[]) => Promise<boolean[]>,
): (asked: Asked) => Promise<boolean> {
  let waiting: Waiting[] = [];
  let isAsking = false;
  const askAll = async () => {
    isAsking = true;
    while (waiting.length > 0) {
      const part = waiting.slice(0, AT_ONCE);
      waiting = waiting.slice(AT_ONCE);
      try {
        const answers = await ask(part.map(({ kept, input }) => ({ kept, input: input() })));
        part.forEach(({ tell }, i) => {
          tell(answers[i] ?? false);
        });
      } catch (error) {
        for (const { fail } of part) fail(error);
      }
    }
    isAsking = false;
  };
  return (asked) =>
    new Promise((tell, fail) => {
      // Whatever is asked until then comes along
      if (waiting.length === 0 && !isAsking) setTimeout(() => void askAll());
      waiting.push({ ...asked, tell, fail });
    });
}
