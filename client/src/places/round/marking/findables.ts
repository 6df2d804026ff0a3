// What can be found on a tree, by its name: disorders, misplaced wood, old cuts, mummies.

import { codesWhere, codeWhere, type Disorder, disorders, plainDisorder } from '@mortisect/core/disorders';
import { type FaultKind, faultKey, faultKinds } from '@mortisect/core/faults';
import type { FindingKind } from '@mortisect/core/records';
import type { Limb } from '@mortisect/core/tree';
import type { PlainKey, Say } from '@mortisect/words';
import { told } from '@mortisect/words/trade';
import { faultTitle } from '../shape/faultWords';
import { atPlace, type Marking } from './draft';

export interface Findable {
  key: string;
  name: string;
  /** How it is told. */
  says: string;
  /** Further words it is searched by. */
  also: string;
  mark: Disorder['kind'];
  kinds: readonly FindingKind[];
  apply(marking: Marking, limbs: Limb[]): Marking;
  isChosen(marking: Marking): boolean;
}

/** Faults of the whole crown are no finding on one limb. */
const OF_ONE_LIMB = faultKinds.filter((kind) => kind !== 'empty sector' && kind !== 'lopsided');
const ALSO: Partial<Record<FaultKind, PlainKey>> = {
  'upright sprout': 'round.waterSproutWaterShootStraightUp',
  sucker: 'round.rootShootRootstock',
  crossing: 'round.crossesAnotherLimb',
  rubbing: 'round.rubsChafesAnotherLimb',
  inward: 'round.intoTheCrown',
  'too low': 'round.inTheWayOfTheMowerMulch',
  'out of reach': 'round.tooHigh',
};
const NAMED: Partial<Record<FaultKind, PlainKey>> = {
  'upright sprout': 'round.waterSprout',
  sucker: 'round.sucker',
  crossing: 'round.crossingLimb',
  rubbing: 'round.rubbingLimb',
};

function ofDisorder(say: Say, { code, name, kind, tellingSigns, oldCut, sits }: Disorder): Findable {
  const findingKind: FindingKind = oldCut ? 'old cut' : kind;
  return {
    key: code,
    name: told(say, name),
    says: told(say, tellingSigns),
    also: code,
    mark: kind,
    // Dead wood may have died of anything
    kinds: findingKind === 'diseased' ? ['diseased', 'dead'] : [findingKind],
    apply: (marking, limbs) => {
      const chosen: Marking = {
        ...marking,
        kind: marking.kind === 'dead' && findingKind === 'diseased' ? 'dead' : findingKind,
        disorder: code,
        fault: null,
      };
      return sits && !marking.measured ? atPlace(chosen, sits, limbs) : chosen;
    },
    isChosen: (marking) => marking.disorder === code && marking.fault === null,
  };
}

function ofFault(say: Say, kind: FaultKind): Findable {
  const [named, also] = [NAMED[kind], ALSO[kind]];
  return {
    key: kind,
    name: named ? say(named) : faultTitle(say, { kind }),
    says: say('round.soundWoodInTheWrongPlace'),
    also: also ? `${kind} ${say(also)}` : kind,
    mark: 'misplaced',
    kinds: ['misplaced'],
    apply: (marking, limbs) => {
      const found = {
        kind,
        limbIds: [marking.limbId],
        atCm: 0,
        measured: 0,
        limit: 0,
        unit: '' as const,
        severity: 1,
      };
      const whole = atPlace(
        { ...marking, kind: 'misplaced', disorder: plainDisorder('misplaced') },
        'limb',
        limbs,
      );
      return { ...whole, fault: { key: faultKey(found), ...found } };
    },
    isChosen: (marking) => marking.fault?.kind === kind,
  };
}

const MUMMY_CODE = codeWhere(({ onFruit }) => onFruit === true);
const mummiesIn = (say: Say): Findable => ({
  key: 'mummies',
  name: say('round.mummies'),
  says: say('round.shrivelledFruitThatHangsOnPickIt'),
  also: say('round.mummyBrownRotFruit'),
  mark: 'diseased',
  kinds: ['diseased'],
  apply: (marking, limbs) =>
    atPlace({ ...marking, kind: 'diseased', disorder: MUMMY_CODE, fault: null }, 'fruit', limbs),
  isChosen: (marking) => marking.place === 'fruit',
});

const allIn = (say: Say): readonly Findable[] => [
  ...disorders.filter(({ plain }) => plain !== 'misplaced').map((each) => ofDisorder(say, each)),
  mummiesIn(say),
  ...OF_ONE_LIMB.map((each) => ofFault(say, each)),
];

/** Offered before anything is chosen. */
export const foundMostIn = (say: Say): readonly Findable[] =>
  [
    'upright sprout',
    'sucker',
    'mummies',
    'crossing',
    'rubbing',
    ...codesWhere(({ often }) => often === true),
  ].flatMap((key) => allIn(say).find((findable) => findable.key === key) ?? []);

/** By their codes, in this order; codes that are no disorder are left out. */
export function findablesOf(say: Say, codes: readonly string[]): Findable[] {
  return codes.flatMap((code) => allIn(say).find((findable) => findable.key === code) ?? []);
}

/** Those of a kind, or of all kinds where something is sought: each word of it stands in a name, a sign or another name. */
export function findables(say: Say, kind: FindingKind | null, sought: string): Findable[] {
  const words = sought.toLowerCase().split(/\s+/).filter(Boolean);
  if (words.length === 0)
    return allIn(say)
      .filter((findable) => kind === null || findable.kinds.includes(kind))
      .toSorted((a, b) => rank(a, kind) - rank(b, kind));
  const text = (findable: Findable) => `${findable.name} ${findable.also} ${findable.says}`.toLowerCase();
  // Whole words of a name before parts of one before words of a sign
  const inName = (findable: Findable) => {
    const name = `${findable.name} ${findable.also}`.toLowerCase();
    const parts = name.split(/[^\p{L}]+/u);
    return (
      Number(words.every((word) => name.includes(word))) + Number(words.every((word) => parts.includes(word)))
    );
  };
  return allIn(say)
    .filter((findable) => words.every((word) => text(findable).includes(word)))
    .toSorted((a, b) => inName(b) - inName(a));
}

/** The plain names of the kind first. */
function rank(findable: Findable, kind: FindingKind | null): number {
  return kind === null || findable.kinds[0] === kind ? 0 : 1;
}
