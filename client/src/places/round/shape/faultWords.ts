// A fault of geometry in words: what, where, and the measure it was found by.

import type { Fault, FaultKind } from '@mortisect/core/faults';
import { lowerFirst } from '@mortisect/core/tree';
import type { PlainKey, Say } from '@mortisect/words';
import { figure, limbIn } from '@mortisect/words/trade';

type Names = Map<string, string>;

const TITLE: Record<FaultKind, PlainKey> = {
  rubbing: 'round.rubs',
  crossing: 'round.crosses',
  inward: 'round.growsInward',
  'upright sprout': 'round.uprightSprout',
  downward: 'round.hangsDown',
  'narrow union': 'round.narrowUnion',
  'flat union': 'round.unionTooFlat',
  cluster: 'round.severalFromOneSpot',
  'over another': 'round.liesUnderAnother',
  'too low': 'round.tooLow',
  'out of reach': 'shared.outOfReach',
  'past bearing': 'round.pastBearingAge',
  sucker: 'round.suckerFromTheRootstock',
  'double leader': 'round.doubleLeader',
  'empty sector': 'round.emptySector',
  lopsided: 'round.crownToOneSide',
  'out of plane': 'round.outOfThePlane',
};

export function faultTitle(say: Say, { kind }: Pick<Fault, 'kind'>): string {
  return say(TITLE[kind]);
}

/** “4 o’clock, low with 2 o’clock, middle: gap 8 mm, limit 35 mm”. */
export function faultDetail(say: Say, fault: Fault, names: Names): string {
  const name = (id: string | undefined) => (id ? limbIn(say, names.get(id) ?? id) : '');
  const [first, second, ...more] = fault.limbIds;
  const where =
    second === undefined
      ? name(first)
      : say('round.and', {
          name: name(first),
          name2: lowerFirst(name(second)),
          more: more.length > 0 ? say('round.andMore', { more: more.length }) : '',
        });
  return `${where}: ${measureWords(say, fault)}`;
}

const OF: Partial<Record<FaultKind, PlainKey>> = {
  rubbing: 'round.gap',
  crossing: 'round.axesApartBy',
  inward: 'round.headsInBy',
  'upright sprout': 'round.fromVertical',
  downward: 'round.belowLevel',
  'narrow union': 'round.angle',
  'flat union': 'round.fromVertical',
  cluster: 'round.shoots',
  'over another': 'round.covered',
  'too low': 'round.height2',
  'out of reach': 'round.jointAt',
  'past bearing': 'round.age',
  'double leader': 'round.thicknessRatio',
  'empty sector': 'round.gap',
  lopsided: 'round.offTheStemBy',
  'out of plane': 'round.outBy',
};

function measureWords(say: Say, { kind, measured, limit, unit }: Fault): string {
  if (kind === 'sucker') return say('round.belowTheGraftUnion');
  const measure = (value: number) =>
    `${figure(say, value, { least: unit === 'ratio' ? 2 : 0 })}${unit === '°' || unit === '' ? unit : unit === 'ratio' || unit === 'limbs' ? '' : ` ${unit}`}`;
  const of = OF[kind];
  return say('round.limit', { of: of ? say(of) : '', figure: measure(measured), figure2: measure(limit) });
}
