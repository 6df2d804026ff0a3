// What takes too long for every check: all runs of the properties, all journeys at both sizes, and a monkey of 10,000 actions over ten seeds.
import { keepFigures } from './figures.mjs';
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
  const seeds = process.env.MONKEY_SEEDS ?? SEEDS;
  const actions = Number(process.env.MONKEY_ACTIONS ?? 500);
  const env = { MONKEY_SEEDS: seeds, MONKEY_ACTIONS: String(actions) };
  await run('Monkey', 'npm', ['run', '--silent', 'journeys', '--', 'monkey'], { env });
  const count = seeds.split(' ').length;
  keepFigures('npm run long', [
    `${2 * actions * count} actions of the monkey over ${count} seeds without fault`,
  ]);
  say('\n✓ The long checks hold.');
});
