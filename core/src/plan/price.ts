// What does each candidate cost, and what does it leave behind?
import { type CrownMap, type Regrowth, regrowth } from '../crown/index';
import type { TreeCuts } from '../cuts/index';
import { type CutMinutes, cutMinutes } from '../handling/index';
import { type Handling, judgeCut, type Left } from '../residual/index';
import { isDistalOf, type Kerf, type LimbIndex } from '../tree/index';
import { type Candidate, OTHER_MINUTES } from './candidates';
import type { PlanInput } from './input';
import type { Pass } from './passes';

export interface Priced {
  id: string;
  candidate: Candidate;
  /** Where the wood goes from; null for what is not a cut. */
  kerf: Kerf | null;
  /** Thousandths of the living crown beyond it, and the fruiting part of them. */
  crown: number;
  fruit: number;
  minutes: CutMinutes;
  handling: Handling | null;
  left: Left[];
  /** The wood met is diseased within reach of the blade: the blade is cleaned afterwards. */
  infected: boolean;
}

/** Was it thought of for this finding? */
export function answersIt({ candidate }: Priced, findingId: string): boolean {
  return candidate.answers.some((answer) => answer.findingId === findingId);
}

/** What it leaves of what it was thought of for; undefined where it was not thought of for this. */
export function remainsOf({ candidate }: Pick<Priced, 'candidate'>, id: string): number | undefined {
  return candidate.answers.find(({ findingId }) => findingId === id)?.remains;
}

/** The judgement of a candidate with its minutes. Crown comes from the map of pieces. */
export function priceOf(
  candidate: Candidate,
  input: PlanInput,
  { clearances }: Pick<TreeCuts, 'clearances'>,
  index: LimbIndex,
  crown: CrownMap,
): Priced {
  if (candidate.what.is === 'other') return pricedOther(candidate);
  const { kerf, handling, left, infected } = judgeCut(candidate.what.cut, { ...input, clearances }, index);
  const beyond = crownBeyond(kerf, crown, index);
  return {
    id: candidate.id,
    candidate,
    kerf,
    ...beyond,
    minutes: minutesFor(handling, input, infected),
    handling,
    left,
    infected,
  };
}

/** What a cut takes, or one of a bundle as a cut of its own where it is handed so. */
export function minutesFor(
  {
    wielded,
    kerfMm,
    dead,
    pieces,
    alike,
    massKg,
  }: Pick<Handling, 'wielded' | 'kerfMm' | 'dead' | 'pieces' | 'alike' | 'massKg'>,
  { cleanSeconds, workPace }: Pick<PlanInput, 'cleanSeconds' | 'workPace'>,
  infected: boolean,
): CutMinutes {
  return cutMinutes({
    ...{ wielded, kerfMm, dead, alike },
    pieces: pieces.length,
    kg: massKg,
    cleanSeconds: infected ? cleanSeconds : 0,
    pace: wielded ? (workPace[wielded.tool.kind] ?? 1) : 1,
  });
}

/** Thousandths of the living crown beyond a place, and the fruiting part of them. */
export function crownBeyond(
  { limbId, atCm }: Kerf,
  { pieces }: CrownMap,
  index: LimbIndex,
): Pick<Priced, 'crown' | 'fruit'> {
  const beyond = pieces.filter((piece) =>
    isDistalOf(index, piece.limbId, (piece.fromCm + piece.toCm) / 2, limbId, atCm),
  );
  return {
    crown: beyond.reduce((sum, piece) => sum + piece.crown, 0),
    fruit: beyond.reduce((sum, piece) => sum + piece.fruit, 0),
  };
}

function pricedOther(candidate: Candidate): Priced {
  const kind = candidate.what.is === 'other' ? candidate.what.kind : 'excise';
  const minutes = OTHER_MINUTES[kind];
  return {
    id: candidate.id,
    candidate,
    kerf: null,
    crown: 0,
    fruit: 0,
    minutes: { minutes, plain: minutes, because: [{ what: 'by hand', minutes }] },
    handling: null,
    left: candidate.answers.map(({ findingId, remains }) => ({
      findingId,
      distanceCm: null,
      chance: remains,
      range: [remains / 2, Math.min(1, remains * 1.6)],
    })),
    infected: kind === 'excise',
  };
}

/** What the tree answers a cut with, by the pass it is made in. */
export function regrowthOf(
  { candidate, handling }: Priced,
  pass: Pass,
  seasonShare: number,
): Regrowth | null {
  if (candidate.what.is !== 'cut' || !handling) return null;
  return regrowth({
    kind: candidate.what.cut.kind,
    kerfMm: handling.kerfMm,
    pass: pass === 'summer' ? 'summer' : 'dormant',
    seasonShare,
    weakHeir: candidate.lowers?.heir === 'weak',
  });
}
