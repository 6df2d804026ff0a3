// Which margins held up? Counts with the range that so few cuts leave open.

export interface Looked {
  disorder: string;
  clearanceCm: number;
  season: 'dormant' | 'growing';
  cameBack: boolean;
}

export interface Held {
  disorder: string;
  season: Looked['season'];
  /** Clearances of this row, cm. */
  fromCm: number;
  toCm: number;
  cuts: number;
  cameBack: number;
  /** Share that came back: 95 % interval. */
  interval: [number, number];
}

const BANDS: readonly (readonly [number, number])[] = [
  [0, 15],
  [15, 30],
  [30, 60],
  [60, 500],
];

/** Cuts that were looked at again, by disorder, season and clearance. */
export function marginsHeld(looked: readonly Looked[]): Held[] {
  const rows = new Map<string, Held>();
  for (const look of looked) {
    const [fromCm, toCm] =
      BANDS.find(([, to]) => look.clearanceCm < to) ?? (BANDS.at(-1) as [number, number]);
    const key = `${look.disorder} ${look.season} ${fromCm}`;
    const { disorder, season } = look;
    const row = rows.get(key) ?? { disorder, season, fromCm, toCm, cuts: 0, cameBack: 0, interval: [0, 1] };
    row.cuts++;
    if (look.cameBack) row.cameBack++;
    row.interval = shareInterval(row.cameBack, row.cuts);
    rows.set(key, row);
  }
  return [...rows.values()].sort(
    (a, b) => a.disorder.localeCompare(b.disorder) || a.season.localeCompare(b.season) || a.fromCm - b.fromCm,
  );
}

const TAIL = 0.025;

/**
 * Exact 95 % interval of a share.
 *
 * @source Clopper & Pearson 1934, Biometrika 26:404
 */
export function shareInterval(count: number, of: number): [number, number] {
  const low = count === 0 ? 0 : solved((p) => 1 - atMost(count - 1, of, p) - TAIL);
  const high = count === of ? 1 : solved((p) => TAIL - atMost(count, of, p));
  return [low, high];
}

/**
 * With none found in so many, the share may still be this, one time in twenty.
 *
 * @example upperWhenNone(20) //=> 0.139
 */
export function upperWhenNone(of: number): number {
  return 1 - 0.05 ** (1 / of);
}

/** Chance of at most so many in n. */
function atMost(count: number, of: number, p: number): number {
  let term = (1 - p) ** of;
  let sum = term;
  for (let k = 1; k <= count; k++) {
    term *= ((of - k + 1) / k) * (p / (1 - p));
    sum += term;
  }
  return sum;
}

/** Where a growing function crosses zero between 0 and 1. */
function solved(f: (p: number) => number): number {
  let low = 0;
  let high = 1 - 1e-12;
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (f(middle) < 0) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
