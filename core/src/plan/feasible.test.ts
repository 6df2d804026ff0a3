// Whether there is any plan, and what stands in its way, against trying everything.
import fc from 'fast-check';
import { smallestClash } from './clash';
import { feasiblePlan } from './feasible';
import { breachOf, type PlanProblem } from './problem';
import { PlanSearch } from './search';
import { bruteForce } from './testing/bruteForce';
import { planInstance } from './testing/instances';

/** A small problem with cuts that were pinned and limits that are often too tight for them. */
function pinned(seed: number): PlanProblem {
  const seasons = 1 + (seed % 2);
  const problem = planInstance(seed, {
    candidates: seasons === 2 ? 5 : 8,
    seasons,
    limit: 20 + ((seed * 37) % 300),
  });
  const cuts = problem.candidates.flatMap((candidate, k) =>
    candidate.isCut && candidate.slots.length > 0 ? [k] : [],
  );
  for (let i = 0; i < 1 + (seed % 3); i++) {
    const k = cuts[(seed * 13 + i * 7) % Math.max(1, cuts.length)];
    if (k === undefined || problem.required.includes(k)) continue;
    problem.required.push(k);
    const candidate = problem.candidates[k];
    // Pinned to a season, as “goes” does
    const wanted = 1 + ((seed + i) % seasons);
    if (candidate) candidate.slots = candidate.slots.filter((slot) => problem.slots[slot]?.season === wanted);
  }
  return problem;
}

test('says whether there is a plan as trying every plan does, on 300 small instances, and gives one', () => {
  let [without, withOne] = [0, 0];
  for (let seed = 1; seed <= 300; seed++) {
    const problem = pinned(seed);
    const best = bruteForce(problem);
    const found = feasiblePlan(problem);
    if (best === null) without++;
    else withOne++;
    if (best === null) expect([seed, found]).toEqual([seed, null]);
    else expect([seed, breachOf(problem, found as number[])]).toEqual([seed, null]);
    const started = new PlanSearch(problem, found === 'open' || found === null ? undefined : found).step(
      5000,
    );
    if (best) expect(started.worth).toBeCloseTo(best.worth, 9);
  }
  // Both come up often, or the comparison says little
  expect(Math.min(without, withOne)).toBeGreaterThan(40);
});

test('a pin that breaks the limit of its season is known at once, at 21 candidates and over three seasons', () => {
  const from = Date.now();
  for (let seed = 1; seed <= 40; seed++) {
    const problem = planInstance(seed, { candidates: 21, seasons: 3 });
    const heaviest = problem.candidates
      .map(({ isCut }, k) => ({ k, crown: isCut ? crownBeyond(problem, k) : 0 }))
      .sort((a, b) => b.crown - a.crown)[0] as { k: number; crown: number };
    const candidate = problem.candidates[heaviest.k] as PlanProblem['candidates'][number];
    candidate.slots = [0];
    problem.required = [heaviest.k];
    problem.problems.forEach((each) => {
      each.mustBy = null;
    });
    const own = crownBeyond(problem, heaviest.k);
    problem.limits = [own - 1, 1000, 1000];
    expect(feasiblePlan(problem)).toBeNull();
    problem.limits = [own, 1000, 1000];
    expect(breachOf(problem, feasiblePlan(problem) as number[])).toBeNull();
  }
  // A tenth of a second on a quiet machine; a minute is what it once took for one of them
  expect(Date.now() - from).toBeLessThan(20_000);
});

function crownBeyond({ candidates }: PlanProblem, k: number): number {
  return candidates.reduce((sum, { own, parent }, j) => {
    let at: number | null = j;
    let up = parent;
    while (at !== null && at !== k) {
      at = up;
      up = at === null ? null : (candidates[at]?.parent ?? null);
    }
    return at === k ? sum + own.crown : sum;
  }, 0);
}

test('the smallest clash is the smallest of all, for up to twelve pins, on 300 families of clashes', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 12 }),
      fc.array(fc.uniqueArray(fc.nat(11), { minLength: 1, maxLength: 5 }), { maxLength: 6 }),
      (count, families) => {
        const parts = Array.from({ length: count }, (_, i) => i);
        const clashes = families.filter((family) => family.every((member) => member < count));
        const kept = (set: readonly number[]) =>
          !clashes.some((clash) => clash.every((member) => set.includes(member)));
        const found = smallestClash(parts, kept);
        const least = Math.min(...clashes.map((clash) => clash.length));
        if (clashes.length === 0) expect(found).toEqual([]);
        else {
          expect(found).toHaveLength(least);
          expect(kept(found)).toBe(false);
        }
      },
    ),
    { numRuns: 300 },
  );
});
