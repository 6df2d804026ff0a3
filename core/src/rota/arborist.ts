// Cuts that only an arborist may make: on which day one visit does for the most trees, with the least risk to their wounds.
import type { Crew } from '../campaign/index';
import type { ListedTree } from '../run/index';
import type { LocalClock } from '../weather/index';
import { indexIn, type RotaGroup, spanOf } from './asked';
import { type Hours, minutesNear, type RotaSlot } from './slots';

export interface ArboristVisit {
  /** Those that nobody is booked for. */
  treeIds: string[];
  /** Half-day or week that suits the most of them; null: none does. */
  day: Pick<RotaSlot, 'from' | 'to' | 'half'> | null;
  /** So many of them suit it. */
  suits: number;
}

/** Any day in the light, before anybody has said when they come. Common practice, no source. */
const ANYBODY: Crew = {
  ...{ id: 'arborist', name: 'arborist', people: 1, ladders: 0, poles: 0, skills: [] },
  ...{ weekdays: [1, 2, 3, 4, 5, 6, 7], fromHour: 8, toHour: 17, daysOff: [] },
  ...{ from: null, to: null, pace: null },
};
const LEAST_MIN = 120;

interface Facts {
  today: string;
  trees: readonly ListedTree[];
  /** Trees that an arborist is booked for. */
  booked: ReadonlySet<string>;
  groupOf: Readonly<Record<string, string>>;
  groups: readonly RotaGroup[];
  slots: readonly RotaSlot[];
  near: Hours;
  clock: LocalClock;
}

/** One visit for all: bundled, so that they come as few times as can be. Null where nothing is handed over. */
export function arboristVisit(facts: Facts): ArboristVisit | null {
  const { today, trees, booked, groupOf, slots, near, clock } = facts;
  const groups = new Map(
    facts.groups.map((group) => [group.key, { group, span: spanOf(group, group.school, today) }]),
  );
  const own = trees.filter(({ tree, due }) => due !== null && due.handOver > 0 && !booked.has(tree.id));
  if (own.length === 0) return null;
  const wounds = own.map((listed) => ({
    ...groups.get(groupOf[listed.tree.id] ?? ''),
    cm2: listed.cuts.reduce(
      (sum, { handedOver, handling }) => sum + (handedOver ? (Math.PI / 4) * (handling.kerfMm / 10) ** 2 : 0),
      0,
    ),
  }));
  let best: { slot: RotaSlot; suits: number; risk: number } | null = null;
  for (const slot of slots) {
    if (slot.half !== null && minutesNear(ANYBODY, slot, near, clock) < LEAST_MIN) continue;
    let [suits, risk] = [0, 0];
    for (const { group, span, cm2 } of wounds) {
      const isInSchool = span && slot.from >= span.from && slot.from <= span.to;
      const index = isInSchool && group ? indexIn(group, slot) : null;
      if (index === null) continue;
      suits += 1;
      risk += index * Math.max(1, cm2);
    }
    if (suits === 0) continue;
    if (!best || suits > best.suits || (suits === best.suits && risk < best.risk))
      best = { slot, suits, risk };
  }
  const { from, to, half } = best?.slot ?? {};
  return {
    treeIds: own.map(({ tree }) => tree.id),
    day: from !== undefined && to !== undefined && half !== undefined ? { from, to, half } : null,
    suits: best?.suits ?? 0,
  };
}
