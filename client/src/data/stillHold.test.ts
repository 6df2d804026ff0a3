// Questions of one moment go to the thread together, each with its own answer.
import type { KeptPlan, PlanInput } from '@mortisect/core/plan';
import { askedTogether } from './stillHold';

const asked = (name: string) => ({ kept: { stamp: name } as KeptPlan, input: {} as PlanInput });

test('what is asked in one moment is one question; each hears its own answer', async () => {
  const ask = jest.fn(async (list: { kept: KeptPlan }[]) => list.map(({ kept }) => kept.stamp !== 'past'));
  const stillHold = askedTogether(ask);
  expect(await Promise.all(['a', 'past', 'b'].map((name) => stillHold(asked(name))))).toEqual([
    true,
    false,
    true,
  ]);
  expect(ask).toHaveBeenCalledTimes(1);
  expect(await stillHold(asked('c'))).toBe(true);
  expect(ask).toHaveBeenCalledTimes(2);
});

test('of very many, sixty at once', async () => {
  const sizes: number[] = [];
  const stillHold = askedTogether(async (list) => {
    sizes.push(list.length);
    return list.map(({ kept }) => kept.stamp.endsWith('7'));
  });
  const names = Array.from({ length: 130 }, (_, i) => `tree ${i}`);
  expect(await Promise.all(names.map((name) => stillHold(asked(name))))).toEqual(
    names.map((name) => name.endsWith('7')),
  );
  expect(sizes).toEqual([60, 60, 10]);
});

test('a thread that fails fails them all, and the next are asked anew', async () => {
  let fails = true;
  const stillHold = askedTogether(async (list) => {
    if (fails) throw new Error('no thread');
    return list.map(() => true);
  });
  const both = await Promise.allSettled(['a', 'b'].map((name) => stillHold(asked(name))));
  expect(both.map(({ status }) => status)).toEqual(['rejected', 'rejected']);
  fails = false;
  expect(await stillHold(asked('a'))).toBe(true);
});
