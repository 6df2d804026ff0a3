// Adding a disorder is adding a row: what asks for its traits does as they say, without a line of its own.
jest.mock('../disorders/handlingTable', () => {
  const { handlingTable } = jest.requireActual('../disorders/handlingTable');
  const { madeUp } = jest.requireActual('../testing/newDisorder');
  return { handlingTable: [...handlingTable, madeUp] };
});

import { debrisOf, startingDebris } from '../aftercare/index';
import { woodClass } from '../blades/index';
import { treeCuts } from '../cuts/index';
import { causeGroups } from '../diagnosis/index';
import { DisorderCode, disorders, isCutFor } from '../disorders/index';
import { planning } from '../plan/index';
import { pathogenOf } from '../timing/index';
import { planInputOf } from './index';
import { detail, givenSite, id } from './testing/given';

const site = givenSite();
const tree = detail([], [{ disorder: 'ZZZ' }]);

test('it is taken at the border, has a school of its own and is grouped by its treatment', () => {
  expect(disorders.at(-1)?.code).toBe('ZZZ');
  expect([DisorderCode.safeParse('ZZZ').success, DisorderCode.safeParse('ZZY').success]).toEqual([
    true,
    false,
  ]);
  expect(isCutFor('ZZZ', 'dormant')).toBe(true);
  expect(site.schools.clearance.ZZZ).toBeDefined();
  expect(causeGroups.find((group) => group.id === 'canker')?.members).toContain('ZZZ');
});

test('it is cut by its distance, in dry summer, as an active disease', () => {
  const input = planInputOf(tree, site, '2026-11-24');
  expect(input.tree.stressed).toBe(true);
  const [cut] = treeCuts(input.tree, input.findings, input.schools, 'dormant', 2026).cuts;
  expect(cut?.because.map(({ clearanceCm }) => clearanceCm)).toEqual([7]);
  const { prepared } = planning(input);
  const own = prepared.all.filter(({ candidate }) =>
    candidate.answers.some((answer) => answer.findingId === id(0)),
  );
  expect(own.length).toBeGreaterThan(0);
  for (const { candidate } of own) expect(candidate.passes).toEqual(['summer']);
});

test('blades, chips and wounds know it', () => {
  expect(woodClass(['ZZZ'])).toBe('infected');
  const burned = debrisOf(['ZZZ'], 10, startingDebris());
  expect(burned.allowed).not.toContain('chip');
  expect(burned.because).toContainEqual({ code: 'sheds from chips', values: { disorder: 'ZZZ' } });
  expect(pathogenOf('NEO').disorders).toEqual(['NEO', 'ZZZ']);
});
