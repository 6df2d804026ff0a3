// Whether kept plans still hold is asked together: a list of trees is one question to the thread that plans, not one for each tree.
import type { KeptPlan, PlanInput } from '@mortisect/core/plan';

interface Asked {
  kept: KeptPlan;
  input: PlanInput;
}

interface Waiting extends Asked {
  tell(holds: boolean): void;
  fail(error: unknown): void;
}

/** So many at once: the first of a large orchard are shown while others are still looked at. */
const AT_ONCE = 60;

/** @param ask of the thread, with an answer for each in their order */
export function askedTogether(
  ask: (list: Asked[]) => Promise<boolean[]>,
): (asked: Asked) => Promise<boolean> {
  let waiting: Waiting[] = [];
  const flush = () => {
    const all = waiting;
    waiting = [];
    for (let from = 0; from < all.length; from += AT_ONCE) {
      const part = all.slice(from, from + AT_ONCE);
      ask(part.map(({ kept, input }) => ({ kept, input }))).then(
        (answers) =>
          part.forEach(({ tell }, i) => {
            tell(answers[i] ?? false);
          }),
        (error) =>
          part.forEach(({ fail }) => {
            fail(error);
          }),
      );
    }
  };
  return (asked) =>
    new Promise((tell, fail) => {
      // Whatever is asked until then comes along
      if (waiting.length === 0) setTimeout(flush);
      waiting.push({ ...asked, tell, fail });
    });
}
