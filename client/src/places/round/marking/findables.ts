// What can be found on a tree, by its name: disorders, misplaced wood, old cuts, mummies.

import { codesWhere, codeWhere, type Disorder, disorders, plainDisorder } from '@mortisect/core/disorders';
import { type FaultKind, faultKey, faultKinds } from '@mortisect/core/faults';
import type { FindingKind } from '@mortisect/core/records';
import type { Limb } from '@mortisect/core/tree';
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
const ALSO: Partial<Record<FaultKind, string>> = {
  'upright sprout': 'water sprout, water shoot, straight up',
  sucker: 'root shoot, rootstock',
  crossing: 'crosses another limb',
  rubbing: 'rubs, chafes another limb',
  inward: 'into the crown',
  'too low': 'in the way of the mower, mulch',
  'out of reach': 'too high',
};
const NAMED: Partial<Record<FaultKind, string>> = {
  'upright sprout': 'Water sprout',
  sucker: 'Sucker',
  crossing: 'Crossing limb',
  rubbing: 'Rubbing limb',
};

function ofDisorder({ code, name, kind, tellingSigns, oldCut, sits }: Disorder): Findable {
  const findingKind: FindingKind = oldCut ? 'old cut' : kind;
  return {
    key: code,
    name,
    says: tellingSigns,
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

function ofFault(kind: FaultKind): Findable {
  return {
    key: kind,
    name: NAMED[kind] ?? faultTitle({ kind }),
    says: 'Sound wood in the wrong place.',
    also: `${kind} ${ALSO[kind] ?? ''}`,
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
const MUMMIES: Findable = {
  key: 'mummies',
  name: 'Mummies',
  says: 'Shrivelled fruit that hangs on: pick it and carry it away.',
  also: 'mummy, brown rot, fruit',
  mark: 'diseased',
  kinds: ['diseased'],
  apply: (marking, limbs) =>
    atPlace({ ...marking, kind: 'diseased', disorder: MUMMY_CODE, fault: null }, 'fruit', limbs),
  isChosen: (marking) => marking.place === 'fruit',
};

const ALL: readonly Findable[] = [
  ...disorders.filter(({ plain }) => plain !== 'misplaced').map(ofDisorder),
  MUMMIES,
  ...OF_ONE_LIMB.map(ofFault),
];

/** Offered before anything is chosen. */
export const FOUND_MOST: readonly Findable[] = [
  'upright sprout',
  'sucker',
  'mummies',
  'crossing',
  'rubbing',
  ...codesWhere(({ often }) => often === true),
].flatMap((key) => ALL.find((findable) => findable.key === key) ?? []);

/** By their codes, in this order; codes that are no disorder are left out. */
export function findablesOf(codes: readonly string[]): Findable[] {
  return codes.flatMap((code) => ALL.find((findable) => findable.key === code) ?? []);
}

/** Those of a kind, or of all kinds where something is sought: each word of it stands in a name, a sign or another name. */
export function findables(kind: FindingKind | null, sought: string): Findable[] {
  const words = sought.toLowerCase().split(/\s+/).filter(Boolean);
  if (words.length === 0)
    return ALL.filter((findable) => kind === null || findable.kinds.includes(kind)).toSorted(
      (a, b) => rank(a, kind) - rank(b, kind),
    );
  const text = (findable: Findable) => `${findable.name} ${findable.also} ${findable.says}`.toLowerCase();
  // Whole words of a name before parts of one before words of a sign
  const inName = (findable: Findable) => {
    const name = `${findable.name} ${findable.also}`.toLowerCase();
    const parts = name.split(/[^\p{L}]+/u);
    return (
      Number(words.every((word) => name.includes(word))) + Number(words.every((word) => parts.includes(word)))
    );
  };
  return ALL.filter((findable) => words.every((word) => text(findable).includes(word))).toSorted(
    (a, b) => inName(b) - inName(a),
  );
}

/** The plain names of the kind first. */
function rank(findable: Findable, kind: FindingKind | null): number {
  return kind === null || findable.kinds[0] === kind ? 0 : 1;
}
