// What takes too long for every check: all runs of the properties, all journeys at both sizes, and a monkey of 10,000 actions over ten seeds.
import { command, installed, run, say, webAppBuilt } from './steps.mjs';

const SEEDS = '1 2 3 5 8 13 21 34 55 89';

await command(async () => {
  await installed();
  await run('Unit tests, every run of every property', 'npm', ['run', '--silent', 'unit'], {
    env: { LONG: '1' },
  });
  await webAppBuilt();
  await run(
    'Journeys, all of them at both sizes',
    'npm',
    ['run', '--silent', 'journeys', '--', '--grep-invert', 'taps, keys'],
    {
      env: { LONG: '1' },
    },
  );
  // Two sizes, 500 actions each: a thousand a seed
  const env = {
    MONKEY_SEEDS: process.env.MONKEY_SEEDS ?? SEEDS,
    MONKEY_ACTIONS: process.env.MONKEY_ACTIONS ?? '500',
  };
  await run('Monkey', 'npm', ['run', '--silent', 'journeys', '--', 'monkey'], { env });
  say('\n✓ The long checks hold.');
});
