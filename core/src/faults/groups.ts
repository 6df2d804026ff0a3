// Faults that may be noted together: of one kind, or on one main limb.
import { indexLimbs, type Limb } from '../tree/index';
import type { Fault, FaultKind } from './fault';

export interface FaultGroups {
  kinds: { kind: FaultKind; faults: Fault[] }[];
  /** By the limb on the stem that carries them, itself among what it carries. */
  limbs: { limbId: string; faults: Fault[] }[];
}

const FROM = 2;

/** Groups of two faults and more, the largest first. */
export function faultGroups(faults: readonly Fault[], limbs: Limb[]): FaultGroups {
  const { byId } = indexLimbs(limbs);
  const mainOf = (limbId: string): string => {
    const limb = byId.get(limbId);
    const parent = limb?.parentId == null ? undefined : byId.get(limb.parentId);
    return !parent || parent.kind === 'trunk' ? limbId : mainOf(parent.id);
  };
  return {
    kinds: grouped(faults, ({ kind }) => kind).map(([kind, own]) => ({ kind, faults: own })),
    limbs: grouped(faults, ({ limbIds }) => mainOf(limbIds[0] ?? '')).map(([limbId, own]) => ({
      limbId,
      faults: own,
    })),
  };
}

function grouped<K>(faults: readonly Fault[], keyOf: (fault: Fault) => K): [K, Fault[]][] {
  const groups = new Map<K, Fault[]>();
  for (const fault of faults) groups.set(keyOf(fault), [...(groups.get(keyOf(fault)) ?? []), fault]);
  return [...groups].filter(([, own]) => own.length >= FROM).sort((a, b) => b[1].length - a[1].length);
}
