// Seasons made up from a seed, and every plan of a small one.
import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { Board } from '../board';
import { type Model, modelOf, type Option } from '../model';
import { CampaignInput } from '../shapes';

interface Size {
  visits: number;
  slots: number;
  pools?: number;
  musts?: number;
  pins?: number;
  /** Minutes of one of a pool in a slot, about. */
  minutes?: number;
  plots?: number;
}

/** Some do not fit, wounds are riskier in some slots than in others, some visits need a ladder or a skill. */
export function season(seed: number, size: Size): CampaignInput {
  const { visits, slots, pools = 2, musts = 1, pins = 0, minutes = 70, plots = 3 } = size;
  const random = xoroshiro128plus(seed);
  const int = (least: number, most: number) => uniformInt(random, least, most);
  const day = (i: number) => new Date(Date.UTC(2027, 0, 1 + i)).toISOString().slice(0, 10);
  const index = Array.from({ length: slots }, () => int(0, 60) / 10);
  return CampaignInput.parse({
    slots: Array.from({ length: slots }, (_, t) => ({ id: `t${t}`, from: day(t), to: day(t) })),
    pools: Array.from({ length: pools }, (_, p) => ({
      ...{ id: `p${p}`, people: int(1, 2), ladders: p === 0 ? 1 : int(0, 1) },
      skills: p === 0 ? ['power saw'] : [],
      minutes: Array.from({ length: slots }, () => (int(0, 5) === 0 ? 0 : int(minutes / 2, minutes))),
    })),
    visits: Array.from({ length: visits }, (_, v) => {
      const [value, area] = [int(20, 400) / 10, int(1, 20) / 10];
      const last = int(Math.floor(slots / 2), slots - 1);
      return {
        ...{ id: `v${v}`, plotId: `plot${int(0, plots - 1)}`, minutes: int(8, 40), ladder: int(0, 3) === 0 },
        needs: int(0, 7) === 0 ? ['power saw'] : [],
        worth: index.map((risk, t) => (t > last ? null : value - risk * area)),
        skip: value * (int(40, 90) / 100),
        must: v < musts ? { by: day(int(0, slots - 1)), weight: int(1, 5) } : null,
        pin: v >= musts && v < musts + pins ? { slotId: `t${int(0, last)}`, poolId: null } : null,
      };
    }),
  });
}

interface Best {
  lateness: number;
  gain: number;
}

/**
 * By trying every plan: as little late as possible, then as much gained as possible. A branch is left only where no plan of it can be better: as
 * late already, or no better with the most that its visits could bring. For seasons without pins, whose musts come first.
 */
export function bruteForce(input: CampaignInput): Best {
  const model = modelOf(input);
  const board = new Board(model);
  let best: Best = { lateness: Number.POSITIVE_INFINITY, gain: Number.NEGATIVE_INFINITY };
  const most = model.options.map((options) => Math.max(0, ...options.map(({ gain }) => gain)));
  const mostFrom = most.map((_, v) => most.slice(v).reduce((sum, gain) => sum + gain, 0));
  const next = (v: number) => {
    // Of those that are decided already and no must that is open could lessen
    if (v === input.visits.length || input.visits[v]?.must === null) {
      const [lateness, gain] = [board.lateness(), board.gain()];
      if (lateness > best.lateness + 1e-9) return;
      const isLess = lateness < best.lateness - 1e-9;
      if (!isLess && gain + (mostFrom[v] ?? 0) <= best.gain) return;
      if (v === input.visits.length) {
        best = { lateness, gain };
        return;
      }
    }
    (model.options[v] as readonly Option[]).forEach((option, i) => {
      if (!board.fits(v, option)) return;
      board.put(v, i);
      next(v + 1);
      board.take(v);
    });
    next(v + 1);
  };
  next(0);
  return best;
}

/** What a plan breaks, reckoned anew from what was asked; empty where it may be carried out. */
export function breachesOf(input: CampaignInput, plan: { done: readonly Done[] }): string[] {
  const minutes = new Map<string, number>();
  const ladders = new Map<string, number>();
  const plots = new Map<string, Set<string>>();
  const wrong: string[] = [];
  const seen = new Set<string>();
  const add = (all: Map<string, number>, key: string, by: number) => all.set(key, (all.get(key) ?? 0) + by);
  for (const { visitId, slotId, poolId } of plan.done) {
    const visit = input.visits.find(({ id }) => id === visitId);
    const pool = input.pools.find(({ id }) => id === poolId);
    const t = input.slots.findIndex(({ id }) => id === slotId);
    const key = `${poolId} ${slotId}`;
    if (seen.has(visitId)) wrong.push(`${visitId} twice`);
    seen.add(visitId);
    if (visit?.worth[t] == null) wrong.push(`${visitId} on a day that is not its own`);
    if (!visit?.needs.every((skill) => pool?.skills.includes(skill)))
      wrong.push(`${visitId} without the skill`);
    if (visit?.pin?.slotId && visit.pin.slotId !== slotId) wrong.push(`${visitId} off its pin`);
    add(minutes, key, visit?.minutes ?? 0);
    if (visit?.ladder) add(ladders, key, visit.minutes);
    plots.set(key, (plots.get(key) ?? new Set()).add(visit?.plotId ?? ''));
  }
  for (const pool of input.pools)
    input.slots.forEach(({ id }, t) => {
      const key = `${pool.id} ${id}`;
      const each = (pool.minutes[t] ?? 0) * input.safety;
      const used = (minutes.get(key) ?? 0) + input.plotMinutes * (plots.get(key)?.size ?? 0);
      if (used > each * pool.people + 1e-6) wrong.push(`${key} is over time`);
      if ((ladders.get(key) ?? 0) > each * Math.min(pool.people, pool.ladders) + 1e-6)
        wrong.push(`${key} has too few ladders`);
    });
  return wrong;
}

interface Done {
  visitId: string;
  slotId: string;
  poolId: string;
}

/** A plan that somebody who throws dice might make: musts where they stand, all else wherever it fits. */
export function anyPlan(model: Model, seed: number): Board {
  const random = xoroshiro128plus(seed);
  const board = new Board(model);
  const order = model.options.map((_, v) => ({ v, at: uniformInt(random, 0, 1e6) }));
  for (const { v } of order.sort((a, b) => a.at - b.at)) {
    const fitting = (model.options[v] as readonly Option[]).flatMap((option, i) =>
      board.fits(v, option) ? [i] : [],
    );
    if (fitting.length > 0) board.put(v, fitting[uniformInt(random, 0, fitting.length - 1)] as number);
  }
  return board;
}
