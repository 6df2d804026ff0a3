// Light as a goal of the plan, and shade that no cut mends. Light that is enough: from memory, low confidence (see faults/light).
import { fault, given, planTree, vase } from './testing/given';

const wall = { what: 'building', bearingDeg: 180, distanceCm: 300, heightCm: 2000, widthCm: 20_000 };
const planned = (shades: object[]) => planTree(given([fault('in', 'A2', 'inward')], { plan: { shades } }));
const gainOf = ({ prepared }: ReturnType<typeof planned>) =>
  prepared.asked.filter(({ what }) => what === 'light').reduce((sum, { value }) => sum + value, 0);

test('what is hidden outside is not asked of the saw', () => {
  const [open, dark] = [planned([]), planned([wall])];
  expect(open.plan.light).toMatchObject({ open: 1, enough: 0.3 });
  expect(dark.plan.light?.open).toBeLessThan(0.7);
  expect(dark.plan.light?.share).toBeLessThan(open.plan.light?.share ?? 0);
  // No more is asked for than the open part of the sky lacks
  const lacks = ({ plan: { light } }: ReturnType<typeof planned>) =>
    light ? Math.max(0, light.enough * light.open - light.share) * 100 : 0;
  expect(gainOf(open)).toBeLessThanOrEqual(lacks(open) + 1e-9);
  expect(gainOf(dark)).toBeLessThanOrEqual(lacks(dark) + 1e-9);
});

test('a stem alone has no crown to light', () => {
  const { prepared } = planTree(given([], { tree: { limbs: vase().slice(0, 1), heightCm: 90 } }));
  expect(prepared.light).toBeNull();
});
