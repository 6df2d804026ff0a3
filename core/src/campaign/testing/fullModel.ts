// The whole season as one integer program, written straight from what was asked and without a word from the code that solves it.
import { daysBetween } from '../../weather/index';
import type { CampaignInput } from '../shapes';

/** To be left counts for a must as a year late. */
const YEAR = 365;

/**
 * In CPLEX LP format: least lateness, or the most points above leaving all where the lateness is given.
 *
 * @param lateness null: what is asked for
 */
export function fullModel(input: CampaignInput, lateness: number | null): string {
  const { slots, pools, visits, safety, plotMinutes } = input;
  const late: string[] = [];
  const gain: string[] = [];
  const once: string[] = [];
  const begins: string[] = [];
  const minutes = new Map<string, string[]>();
  const ladders = new Map<string, string[]>();
  const binaries = new Set<string>();
  const add = (rows: Map<string, string[]>, key: string, term: string) =>
    rows.set(key, [...(rows.get(key) ?? []), term]);
  const plots = [...new Set(visits.map(({ plotId }) => plotId))];
  visits.forEach((visit, v) => {
    const own: string[] = [];
    pools.forEach((pool, p) => {
      if (!visit.needs.every((skill) => pool.skills.includes(skill))) return;
      slots.forEach((slot, t) => {
        const worth = visit.worth[t];
        if (worth == null) return;
        const [x, y] = [`x${v}_${p}_${t}`, `y${plots.indexOf(visit.plotId)}_${p}_${t}`];
        own.push(x);
        gain.push(signed(worth - visit.skip, x));
        if (visit.must) {
          const days = Math.max(0, daysBetween(visit.must.by, slot.from)) - YEAR;
          late.push(signed(visit.must.weight * days, x));
        }
        add(minutes, `${p}_${t}`, `+ ${visit.minutes} ${x}`);
        if (visit.ladder) add(ladders, `${p}_${t}`, `+ ${visit.minutes} ${x}`);
        begins.push(`${x} - ${y} <= 0`);
        if (!binaries.has(y)) add(minutes, `${p}_${t}`, `+ ${plotMinutes} ${y}`);
        binaries.add(x).add(y);
      });
    });
    if (own.length > 0) once.push(`${own.join(' + ')} <= 1`);
  });
  const never = visits.reduce((sum, { must }) => sum + (must ? must.weight * YEAR : 0), 0);
  const room = (key: string, hands: (pool: CampaignInput['pools'][number]) => number) => {
    const [p, t] = key.split('_').map(Number) as [number, number];
    const pool = pools[p] as CampaignInput['pools'][number];
    return (pool.minutes[t] as number) * safety * hands(pool);
  };
  const rows = [
    ...once,
    ...begins,
    ...[...minutes].map(([key, terms]) => `${terms.join(' ')} <= ${room(key, ({ people }) => people)}`),
    ...[...ladders].map(
      ([key, terms]) =>
        `${terms.join(' ')} <= ${room(key, ({ people, ladders }) => Math.min(people, ladders))}`,
    ),
    ...(lateness !== null && late.length > 0 ? [`${late.join(' ')} <= ${lateness - never + 1e-6}`] : []),
  ];
  const goal =
    lateness === null ? `Minimize\n obj: ${late.join(' ') || '0 x'}` : `Maximize\n obj: ${gain.join(' ')}`;
  return `${goal}\nSubject To\n${rows.map((row, i) => ` r${i}: ${row}`).join('\n')}\nBinary\n ${[...binaries].join('\n ')}\nEnd\n`;
}

/** What the least lateness of that program comes to. */
export const latenessOf = (input: CampaignInput, objective: number): number =>
  objective + input.visits.reduce((sum, { must }) => sum + (must ? must.weight * YEAR : 0), 0);

const signed = (factor: number, name: string) => `${factor < 0 ? '-' : '+'} ${Math.abs(factor)} ${name}`;

/** Seasons of up to 40 trees and of 200, whose bounds a second solver has made: see bounds.json. */
export const JUDGED = {
  small: { visits: 40, slots: 10, pools: 2, musts: 2, minutes: 120, plots: 4 },
  large: { visits: 200, slots: 20, pools: 3, musts: 3, minutes: 200, plots: 8 },
} as const;
