// A fault of geometry in words: what, where, and the measure it was found by.
import type { Fault, FaultKind } from '@mortisect/core/faults';
import { lowerFirst } from '@mortisect/core/tree';

type Names = Map<string, string>;

const TITLE: Record<FaultKind, string> = {
  rubbing: 'Rubs',
  crossing: 'Crosses',
  inward: 'Grows inward',
  'upright sprout': 'Upright sprout',
  downward: 'Hangs down',
  'narrow union': 'Narrow union',
  'flat union': 'Union too flat',
  cluster: 'Several from one spot',
  'over another': 'Lies under another',
  'too low': 'Too low',
  'out of reach': 'Out of reach',
  'past bearing': 'Past bearing age',
  sucker: 'Sucker from the rootstock',
  'double leader': 'Double leader',
  'empty sector': 'Empty sector',
  lopsided: 'Crown to one side',
  'out of plane': 'Out of the plane',
};

export function faultTitle({ kind }: Pick<Fault, 'kind'>): string {
  return TITLE[kind];
}

/** “4 o’clock, low with 2 o’clock, middle: gap 8 mm, limit 35 mm”. */
export function faultDetail(fault: Fault, names: Names): string {
  const name = (id: string | undefined) => (id ? (names.get(id) ?? id) : '');
  const [first, second, ...more] = fault.limbIds;
  const where =
    second === undefined
      ? name(first)
      : `${name(first)} and ${lowerFirst(name(second))}${more.length > 0 ? ` and ${more.length} more` : ''}`;
  return `${where}: ${measureWords(fault)}`;
}

const OF: Partial<Record<FaultKind, string>> = {
  rubbing: 'gap',
  crossing: 'axes apart by',
  inward: 'heads in by',
  'upright sprout': 'from vertical',
  downward: 'below level',
  'narrow union': 'angle',
  'flat union': 'from vertical',
  cluster: 'shoots',
  'over another': 'covered',
  'too low': 'height',
  'out of reach': 'joint at',
  'past bearing': 'age',
  'double leader': 'thickness ratio',
  'empty sector': 'gap',
  lopsided: 'off the stem by',
  'out of plane': 'out by',
};

function measureWords({ kind, measured, limit, unit }: Fault): string {
  if (kind === 'sucker') return 'below the graft union';
  const figure = (value: number) =>
    `${unit === 'ratio' ? value.toFixed(2) : Math.round(value)}${unit === '°' || unit === '' ? unit : unit === 'ratio' || unit === 'limbs' ? '' : ` ${unit}`}`;
  return `${OF[kind] ?? ''} ${figure(measured)}, limit ${figure(limit)}`;
}
