// The same plan problem written for a general solver of mixed-integer programmes, in the LP file format.
import type { PlanProblem } from '../problem';

/**
 * Variables: x (candidate in slot), u (its wood gone by the end of slot), q (problem credited through candidate in season).
 *
 * @returns the programme as text; its greatest objective is the worth of the best plan
 */
export function asMilp(problem: PlanProblem): string {
  const { candidates, slots, costs, discount, regrowth } = problem;
  const weight = (season: number) => discount ** (season - 1);
  const objective: string[] = [];
  const rules: string[] = [];
  const whole: string[] = [];
  const term = (value: number, name: string) =>
    `${value < 0 ? '-' : '+'} ${Math.abs(value).toFixed(12)} ${name}`;
  const x = (k: number, t: number) => `x${k}_${t}`;
  const u = (k: number, t: number) => `u${k}_${t}`;

  candidates.forEach((candidate, k) => {
    const mine = candidate.slots.map((t) => x(k, t));
    whole.push(...mine);
    if (mine.length > 0) {
      const must = problem.required.includes(k);
      rules.push(`${mine.join(' + ')} ${must ? '=' : '<='} 1`);
    }
    for (const t of candidate.slots) {
      objective.push(term(-candidate.minutes * costs.minute * weight(slots[t]?.season ?? 1), x(k, t)));
    }
    if (!candidate.isCut) return;
    const { own, parent } = candidate;
    const price =
      own.crown * costs.crown +
      own.fruit * costs.fruit +
      own.exemptCrown * costs.exemptCrown +
      own.exemptFruit * costs.exemptFruit;
    slots.forEach(({ season }, t) => {
      whole.push(u(k, t));
      const now = candidate.slots.filter((slot) => slot <= t).map((slot) => x(k, slot));
      const next = slots[t + 1];
      // Gone in slot t: u_t − u_(t−1); written for each u_t, the price steps down where the season turns
      const step = price * weight(season) - (next ? price * weight(next.season) : 0);
      objective.push(term(-step - (next ? 0 : own.keepWorth), u(k, t)));
      if (t > 0) rules.push(`${u(k, t)} - ${u(k, t - 1)} >= 0`);
      if (parent !== null) rules.push(`${u(k, t)} - ${u(parent, t)} >= 0`);
      const upper = [...(parent === null ? [] : [u(parent, t)]), ...now];
      rules.push(`${u(k, t)} ${upper.map((name) => `- ${name}`).join(' ')} <= 0`);
      for (const name of now) rules.push(`${u(k, t)} - ${name} >= 0`);
      if (parent !== null && candidate.slots.includes(t)) rules.push(`${x(k, t)} + ${u(parent, t)} <= 1`);
    });
  });
  const atMost = (limit: number, y: number, units: readonly number[], grows: boolean) => {
    const terms: string[] = [];
    const last = slots.findLastIndex((slot) => slot.season === y + 1);
    const before = slots.findLastIndex((slot) => slot.season === y);
    const ofLastSeason = grows ? slots.flatMap((slot, t) => (slot.season === y ? [t] : [])) : [];
    candidates.forEach(({ isCut }, k) => {
      const own = units[k] as number;
      if (!isCut || own === 0) return;
      terms.push(term(own, u(k, last)));
      if (before >= 0) terms.push(term(-own, u(k, before)));
      // What went in a slot of the season before grows back by its share
      for (const t of ofLastSeason) {
        const grown = (own * (slots[t]?.pass === 'summer' ? regrowth.summer : regrowth.dormant)) / 100;
        if (grown === 0) continue;
        terms.push(term(grown, u(k, t)));
        if (t > 0) terms.push(term(-grown, u(k, t - 1)));
      }
    });
    if (terms.length > 0) rules.push(`${terms.join(' ')} <= ${limit}`);
  };
  const crown = candidates.map(({ own }) => own.crown);
  problem.limits.forEach((limit, y) => {
    atMost(limit, y, crown, true);
  });
  for (const { limits, units } of problem.quotas)
    limits.forEach((limit, y) => {
      atMost(limit, y, units, false);
    });
  problem.problems.forEach(({ value, mustBy }, p) => {
    const solvers = candidates.flatMap(({ solves }, k) =>
      solves.filter((solve) => solve.problem === p).map(({ remains }) => ({ k, remains })),
    );
    const credits: string[] = [];
    for (const { k, remains } of solvers) {
      const slotsOfIt = candidates[k]?.slots ?? [];
      for (const season of new Set(slotsOfIt.map((t) => slots[t]?.season ?? 1))) {
        const q = `q${p}_${k}_${season}`;
        credits.push(q);
        objective.push(term(value * weight(season) * (1 - remains), q));
        const now = slotsOfIt.filter((t) => slots[t]?.season === season).map((t) => x(k, t));
        rules.push(`${q} ${now.map((name) => `- ${name}`).join(' ')} <= 0`);
        for (const { k: other } of solvers) {
          const earlier = (candidates[other]?.slots ?? [])
            .filter((t) => (slots[t]?.season ?? 1) < season)
            .map((t) => x(other, t));
          if (earlier.length > 0) rules.push(`${q} + ${earlier.join(' + ')} <= 1`);
        }
      }
    }
    if (credits.length > 0) rules.push(`${credits.join(' + ')} <= 1`);
    if (mustBy === null) return;
    const inTime = solvers.flatMap(({ k }) =>
      (candidates[k]?.slots ?? []).filter((t) => t <= mustBy).map((t) => x(k, t)),
    );
    // With nothing that solves it in time no plan keeps the must
    rules.push(inTime.length > 0 ? `${inTime.join(' + ')} >= 1` : `${whole[0]} >= 2`);
  });
  for (const [k, first] of problem.after) {
    for (const season of new Set(slots.map((slot) => slot.season))) {
      const named = (at: number, isIn: (season: number) => boolean) =>
        (candidates[at]?.slots ?? []).filter((t) => isIn(slots[t]?.season ?? 1)).map((t) => x(at, t));
      const now = named(k, (own) => own === season);
      const before = first.flatMap((j) => named(j, (own) => own < season));
      if (now.length > 0)
        rules.push(`${now.join(' + ')} ${before.map((name) => `- ${name}`).join(' ')} <= 0`);
    }
  }
  for (const [a, b] of problem.excludes) {
    const both = [a, b].flatMap((k) => (candidates[k]?.slots ?? []).map((t) => x(k, t)));
    if (both.length > 0) rules.push(`${both.join(' + ')} <= 1`);
  }
  return [
    'Maximize',
    ` obj: ${objective.join(' ') || '0'}`,
    'Subject To',
    ...rules.map((rule, i) => ` r${i}: ${rule}`),
    'Binary',
    ...whole.map((name) => ` ${name}`),
    'End',
  ].join('\n');
}
