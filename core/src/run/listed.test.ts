// A list says of a plan what the plan says.

import {
  type ListedPlan,
  listedNow,
  listedOf,
  type Solved,
  standOf,
  stationOf,
  visitsOf,
} from '../plan/index';
import { judgedAt, planInputOf, treeView } from '../present/index';
import { detail, finding, listedPlansOf, listedTreesOf, plansOf, today } from '../testing/index';
import { workOf } from './index';

const FOUND = [
  ['an active canker', 'FB_CANK_A', 'S'],
  ['dead wood', 'DEAD', 'R'],
  ['a canker of the stem', 'NEO', 'T'],
  ['a broken limb', 'BRK', 'S'],
] as const;
const of = (found: readonly (typeof FOUND)[number][], day = today.day) => {
  const on = { ...today, day };
  const view = treeView(detail(found.map(([, code, limb], i) => finding(`${i}`, limb, code))), on);
  const solved = plansOf([view], on).get('a') as Solved;
  return { on, view, solved, listed: listedOf(solved) };
};

describe.each([...FOUND.map((one) => [one[0], [one]] as const), ['all of them', FOUND] as const])(
  '%s',
  (_, found) => {
    const { on, view, solved, listed } = of(found);
    const now = visitsOf(solved).find(({ isNow }) => isNow)?.steps ?? [];

    test('the steps that are due, in their order', () => {
      expect(listedNow(listed)).toEqual(now.map(({ step }) => step));
    });

    test('each cut with what it comes to and where one stands, and judged as the plan has priced it', () => {
      for (const { steps } of visitsOf(solved))
        for (const { step, cut, priced } of steps) {
          if (!cut || !priced.handling) continue;
          const { tree } = planInputOf(view.detail, on.site, on.day);
          const said = listed.cuts[step.candidateId] as ListedPlan['cuts'][string];
          expect(said).toEqual({
            cut,
            minutes: priced.minutes.minutes,
            plainMinutes: priced.minutes.plain,
            massKg: priced.handling.massKg,
            ...standOf(priced, tree),
          });
          const { handling, infected, left } = judgedAt(view, said.cut, on);
          expect({ handling, infected, left }).toEqual({
            handling: priced.handling,
            infected: priced.infected,
            left: priced.left,
          });
          const item = workOf(listedTreesOf([view], on, new Map([['a', listed]]))).items.find(
            ({ candidateId }) => candidateId === step.candidateId,
          );
          if (item) expect(item.station).toBe(stationOf(priced, tree));
        }
    });

    test('what must be answered', () => {
      const asked = solved.prepared.asked.filter(({ must }) => must).map(({ findingId }) => findingId);
      expect(listed.musts).toEqual(asked.filter((id) => id !== null));
    });
  },
);

test('a plan is a few kilobytes for a list, and says the same after its way over a wire', () => {
  const { listed, solved } = of(FOUND);
  expect(JSON.stringify(listed).length).toBeLessThan(JSON.stringify(solved).length / 3);
  const after = JSON.parse(JSON.stringify(listed));
  expect(listedNow(after)).toEqual(listedNow(listed));
});

test.each([
  ['the dormant pass in winter', '2026-12-01', 'dormant'],
  ['the summer pass in summer', '2026-07-10', 'summer'],
])('%s is at hand', (_, day, pass) => {
  const { listed } = of(FOUND, day);
  expect(listed.now).toBe(pass);
  expect(listedNow(listed).every((step) => step.season === 1 && step.pass === pass)).toBe(true);
  expect(listedNow({ ...listed, now: null })).toEqual([]);
});

test('the plans of a whole list are those of its trees', () => {
  const { view, on, listed } = of(FOUND);
  expect(listedPlansOf([view], on).get('a')).toEqual(listed);
});
