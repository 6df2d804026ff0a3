// Answers that many wait for: computed once, kept, given up only when nobody waits.
import { english } from '@mortisect/words/all';
import { tellProblemsIn } from '../refusal';
import { Answers } from './answers';

tellProblemsIn(english);

/** Work that ends when it is told to, and fails when nobody waits for it any more. */
function work() {
  const ends: ((value: string) => void)[] = [];
  const make = jest.fn(
    (left: AbortSignal) =>
      new Promise<string>((resolve, reject) => {
        ends.push(resolve);
        left.addEventListener('abort', () => reject(left.reason));
      }),
  );
  return { make, end: (value: string) => ends.at(-1)?.(value) };
}

test('what many ask for at once is computed once, and the answer is kept', async () => {
  const answers = new Answers(10);
  const { make, end } = work();
  const both = [answers.ask('a', make), answers.ask('a', make)];
  end('answer');
  expect(await Promise.all(both)).toEqual(['answer', 'answer']);
  expect(await answers.ask('a', make)).toBe('answer');
  expect(make).toHaveBeenCalledTimes(1);
});

test('it goes on while one still waits, and is given up when the last has gone', async () => {
  const answers = new Answers(10);
  const { make, end } = work();
  const [first, second, third] = [new AbortController(), new AbortController(), new AbortController()];
  const [gone, stays] = [first, second].map(({ signal }) => answers.ask('a', make, { signal }));
  first.abort();
  await expect(gone).rejects.toThrow(/abort/i);
  expect(make.mock.calls[0]?.[0].aborted).toBe(false);
  end('answer');
  expect(await stays).toBe('answer');

  const last = answers.ask('b', make, { signal: third.signal });
  third.abort();
  await expect(last).rejects.toThrow(/abort/i);
  expect(make.mock.calls[1]?.[0].aborted).toBe(true);
  const again = answers.ask('b', make);
  end('later');
  expect(await again).toBe('later');
  expect(make).toHaveBeenCalledTimes(3);
});

test('who comes in the moment in which the others give up is answered', async () => {
  const answers = new Answers(10);
  const { make, end } = work();
  const gone = new AbortController();
  const left = expect(answers.ask('a', make, { signal: gone.signal })).rejects.toThrow(/abort/i);
  gone.abort();
  const late = answers.ask('a', make);
  await left;
  await new Promise(setImmediate);
  end('answer');
  expect(await late).toBe('answer');
});

test('who has waited as long as they may is told so, and the answer is there for the next who asks', async () => {
  const answers = new Answers(10);
  const { make, end } = work();
  await expect(answers.ask('a', make, { atMostMs: 1000 })).rejects.toMatchObject({
    status: 503,
    type: 'took-too-long',
    message: expect.stringContaining('1 second'),
  });
  expect(make.mock.calls[0]?.[0].aborted).toBe(false);
  const next = answers.ask('a', make, { atMostMs: 1000 });
  end('answer');
  expect(await next).toBe('answer');
  expect(make).toHaveBeenCalledTimes(1);
});

test('what failed is asked anew, and the oldest gives way where too many are kept', async () => {
  const answers = new Answers(2);
  await expect(answers.ask('a', () => Promise.reject(new Error('no weather')))).rejects.toThrow('no weather');
  const made: string[] = [];
  const ask = (key: string) =>
    answers.ask(key, async () => {
      made.push(key);
      return key;
    });
  for (const key of ['a', 'b', 'a', 'c', 'b', 'a']) await ask(key);
  expect(made).toEqual(['a', 'b', 'c', 'a']);
});
