// What does each clearance cost and leave behind? The curve that a margin is dragged along.
import { crownMap } from '../crown/index';
import { type Cut, leadingReason, treeCuts } from '../cuts/index';
import { kindOf, schoolFor, schoolsFor } from '../disorders/index';
import { kerfOf } from '../residual/index';
import { indexLimbs, isDistalOf } from '../tree/index';
import type { PlanInput } from './input';
import { priceOf } from './price';

export interface CurvePoint {
  clearanceCm: number;
  /** null where the trunk leaves only a decision. */
  cut: Cut | null;
  reachedCm: number;
  /** Thousandths of the living crown beyond the kerf. */
  crown: number;
  chance: number;
  range: [number, number];
}

interface SchoolMark {
  schoolId: string;
  name: string;
  clearanceCm: number;
  isSites: boolean;
}

export interface MarginCurve {
  findingId: string;
  points: CurvePoint[];
  schools: SchoolMark[];
  /** The clearance that holds now. */
  nowCm: number;
}

const STEP_CM = 2.5;
const LEAST_CM = 5;
const BEYOND_SCHOOLS_CM = 20;

/**
 * Every clearance from 5 cm to beyond the widest school, each with the place it leads to by the position rule.
 *
 * @returns null for a finding that asks for no clearance
 */
export function marginCurve(input: PlanInput, findingId: string): MarginCurve | null {
  const { tree, schools, season, year } = input;
  const finding = input.findings.find((finding) => finding.id === findingId);
  if (!finding || kindOf(finding.disorder) !== 'diseased' || schoolsFor(finding.disorder).length === 0)
    return null;
  const index = indexLimbs(tree.limbs);
  const at = (change: { clearanceCm?: number; school?: string }) => {
    const { clearanceCm: _set, ...plain } = finding;
    const changed = change.clearanceCm === undefined ? plain : { ...plain, clearanceCm: change.clearanceCm };
    const by = change.school
      ? { ...schools, clearance: { ...schools.clearance, [finding.disorder]: change.school } }
      : schools;
    const all = input.findings.map((other) => (other.id === findingId ? changed : other));
    return treeCuts(tree, all, by, season, year);
  };
  const sites = schoolFor(finding.disorder, schools.clearance).id;
  const marks = schoolsFor(finding.disorder).map(
    (school): SchoolMark => ({
      schoolId: school.id,
      name: school.name,
      clearanceCm: at({ school: school.id }).clearances[findingId]?.clearanceCm ?? 0,
      isSites: school.id === sites,
    }),
  );
  const nowCm = treeCuts(tree, input.findings, schools, season, year).clearances[findingId]?.clearanceCm ?? 0;
  const mostCm = Math.max(nowCm, ...marks.map((mark) => mark.clearanceCm)) + BEYOND_SCHOOLS_CM;
  const dead = input.findings
    .filter((finding) => kindOf(finding.disorder) === 'dead')
    .map(({ limbId, fromCm }) => ({ limbId, fromCm }));
  const points: CurvePoint[] = [];
  for (let clearanceCm = LEAST_CM; clearanceCm <= mostCm; clearanceCm += STEP_CM) {
    const cuts = at({ clearanceCm });
    const cut = cuts.cuts.find((cut) => cut.lesionIds.includes(findingId));
    if (!cut) {
      points.push({ clearanceCm, cut: null, reachedCm: 0, crown: 0, chance: 1, range: [1, 1] });
      continue;
    }
    const kerf = kerfOf(cut);
    const crown = crownMap(tree.limbs, dead, new Map([[kerf.limbId, [kerf.atCm]]]), tree);
    const atClearance = priceOf(
      { id: 'curve', what: { is: 'cut', cut }, answers: [{ findingId, remains: 0 }], passes: ['dormant'] },
      input,
      cuts,
      index,
      crown,
    );
    const left = atClearance.left.find((entry) => entry.findingId === findingId);
    points.push({
      clearanceCm,
      cut,
      reachedCm: leadingReason(cut).reachedCm,
      crown: crown.pieces.reduce(
        (sum, piece) =>
          isDistalOf(index, piece.limbId, (piece.fromCm + piece.toCm) / 2, kerf.limbId, kerf.atCm)
            ? sum + piece.crown
            : sum,
        0,
      ),
      chance: left?.chance ?? 1,
      range: left?.range ?? [1, 1],
    });
  }
  return { findingId, points, schools: marks, nowCm };
}
