// Questions of one moment go to the thread together, each with its own answer.
import type { KeptPlan, PlanInput } from '@mortisect/core/plan';
import { askedTogether } from './stillHold';

const asked = (name: string) => ({ kept: { stamp: name } as KeptPlan, input: () => ({}) as PlanInput });

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

test('of very many sixty at once, the next when these are answered; what they rest on is made in their turn', async () => {
  const sizes: number[] = [];
  let made = 0;
  const stillHold = askedTogether(async (list) => {
    sizes.push(list.length);
    expect(made).toBe(sizes.reduce((sum, size) => sum + size));
    await new Promise((resolve) => setTimeout(resolve));
    return list.map(({ kept }) => kept.stamp.endsWith('7'));
  });
  const names = Array.from({ length: 130 }, (_, i) => `tree ${i}`);
  const input = () => {
    made += 1;
    return {} as PlanInput;
  };
  const answers = names.map((name) => stillHold({ ...asked(name), input }));
  expect(await Promise.all(answers)).toEqual(names.map((name) => name.endsWith('7')));
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
