// The season as a linear program, as text that any solver reads (CPLEX LP format).
import { type Model, type Option, placeOf } from './model';
import type { CampaignVisit } from './shapes';

/** What a solver is asked: a text in LP format, and how far it goes. Limits are of work, not of time, so that the same is found again. */
export interface SolverLimits {
  /** Of a mixed-integer program: so much is left open at most, as a share. */
  gap?: number;
  nodes?: number;
}

export interface SolverAnswer {
  optimal: boolean;
  /** No answer goes beyond it; of programs with whole numbers, null where the solver says none. */
  bound: number | null;
  /** By name; what is not there is 0. null where nothing was found that keeps all rows. */
  values: Readonly<Record<string, number>> | null;
}

export type Solver = (lp: string, limits?: SolverLimits) => SolverAnswer;

/** A visit in the program. */
export interface Column {
  visit: number;
  options: readonly Option[];
}

export interface Program {
  text: string;
  /** Name of the variable of a column in an option. */
  nameOf(column: number, option: Option): string;
}

const roomRow = (pool: number, slot: number) => `r_${pool}_${slot}`;

interface ProgramWish {
  goal: 'gain' | 'lateness';
  whole: boolean;
  /** Lateness of all musts together, at most; null: of no matter. */
  lateAtMost: number | null;
}

export function programOf(model: Model, columns: readonly Column[], wish: ProgramWish): Program {
  const { input } = model;
  const goal: string[] = [];
  const rows = new Map<string, string[]>();
  const right = new Map<string, number>();
  const names: string[] = [];
  const begun = new Map<string, { pool: number; slot: number; place: number }>();
  const add = (row: string, term: string, most: number) => {
    const terms = rows.get(row);
    if (terms) terms.push(term);
    else rows.set(row, [term]);
    right.set(row, most);
  };
  const nameOf = (c: number, { pool, slot }: Option) => `x_${c}_${pool}_${slot}`;
  columns.forEach(({ visit, options }, c) => {
    const { minutes, ladder, must } = input.visits[visit] as CampaignVisit;
    const plot = model.plotOf[visit] as number;
    const weight = must?.weight ?? 0;
    const never = model.never[visit] as number;
    for (const option of options) {
      const { pool, slot, gain, late } = option;
      const name = nameOf(c, option);
      const place = placeOf(input, option);
      names.push(name);
      // A must that is done saves what it weighs never to do it
      const saves = never - weight * late;
      if (wish.goal === 'gain') goal.push(term(gain, name));
      else goal.push(term(saves, name));
      add(`v_${c}`, term(1, name), 1);
      add(roomRow(pool, slot), term(minutes, name), model.room[place] as number);
      if (ladder) add(`l_${pool}_${slot}`, term(minutes, name), model.ladderRoom[place] as number);
      // Each by itself and not all of a plot together: the relaxed program is much nearer to whole numbers then
      const begins = `y_${plot}_${pool}_${slot}`;
      add(`b_${c}_${pool}_${slot}`, term(1, name), 0);
      add(`b_${c}_${pool}_${slot}`, term(-1, begins), 0);
      begun.set(begins, { pool, slot, place });
      if (wish.lateAtMost !== null && must) add('late', term(-saves, name), 0);
    }
  });
  for (const [begins, { pool, slot, place }] of begun) {
    names.push(begins);
    add(roomRow(pool, slot), term(input.plotMinutes, begins), model.room[place] as number);
  }
  if (wish.lateAtMost !== null && rows.has('late')) {
    const all = model.never.reduce((sum, each) => sum + each, 0);
    right.set('late', wish.lateAtMost - all + 1e-6);
  }
  const bounds = names.flatMap((name) => (name.startsWith('y') ? [` ${name} <= 1`] : []));
  return {
    nameOf,
    text: [
      'Maximize',
      ` goal: ${goal.length > 0 ? wrapped(goal) : '0 none'}`,
      'Subject To',
      ...[...rows].map(([row, terms]) => ` ${row}: ${wrapped(terms)} <= ${right.get(row)}`),
      'Bounds',
      ...bounds,
      ...(wish.whole && names.length > 0 ? ['General', ` ${wrapped(names)}`] : []),
      'End',
      '',
    ].join('\n'),
  };
}

const term = (by: number, name: string) => `${by < 0 ? '-' : '+'} ${Math.abs(by)} ${name}`;

/** Some readers take only so many letters a line. */
const A_LINE = 12;
function wrapped(terms: readonly string[]): string {
  const lines = Array.from({ length: Math.ceil(terms.length / A_LINE) }, (_, i) =>
    terms.slice(i * A_LINE, (i + 1) * A_LINE).join(' '),
  );
  return lines.join('\n  ');
}
