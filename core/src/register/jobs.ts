// Which jobs without a saw does an orchard have, and when are they due?

interface JobKind {
  code: string;
  name: string;
  /** Month by which it is done in the north, 1..12; six months later in the south. Common practice, no source. */
  byMonth: number;
  why: string;
}

/** Common practice, no source. */
export const jobKinds: readonly JobKind[] = [
  { code: 'guard', name: 'Put on rodent guard', byMonth: 11, why: 'Before snow: bark is gnawed under it.' },
  { code: 'stake', name: 'Check stake or prop', byMonth: 3, why: 'Before spring wind; ties grow in.' },
  {
    code: 'vines',
    name: 'Take vines out of the crown',
    byMonth: 3,
    why: 'They shade, weigh, and hide dead wood.',
  },
  {
    code: 'grass',
    name: 'Clear grass from the base',
    byMonth: 10,
    why: 'Rodents live in it; it keeps the collar wet.',
  },
  {
    code: 'mulch',
    name: 'Mulch, clear of the stem',
    byMonth: 5,
    why: 'Holds water; against the bark it rots it.',
  },
  {
    code: 'mummies',
    name: 'Pick mummies',
    byMonth: 2,
    why: 'They carry brown rot and black rot into spring.',
  },
  {
    code: 'thin',
    name: 'Thin fruit',
    byMonth: 6,
    why: 'One per cluster: the limb holds and bears next year.',
  },
];

/**
 * The next day a job is due: the last day of its month, this year or next.
 *
 * @param day local date, YYYY-MM-DD
 * @example jobDueOn('guard', '2026-11-24', 54) //=> '2026-11-30'
 */
export function jobDueOn(code: string, day: string, latitudeDeg: number): string {
  const north = jobKinds.find((job) => job.code === code)?.byMonth ?? 12;
  const month = latitudeDeg < 0 ? ((north + 5) % 12) + 1 : north;
  const year = Number(day.slice(0, 4));
  const due = lastDayOf(year, month);
  return due >= day ? due : lastDayOf(year + 1, month);
}

function lastDayOf(year: number, month: number): string {
  return new Date(Date.UTC(year, month, 0)).toISOString().slice(0, 10);
}
