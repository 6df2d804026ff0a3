// Is there a tree left to plan for? The honest choices, before any cut is chosen.
import type { TreeCuts } from '../cuts/index';
import { disorderOf, isFireBlight } from '../disorders/index';
import { plainReason } from '../reason/index';
import { diameterMmAt } from '../tree/index';
import { isDiseased } from './candidates';
import type { PlanFinding, PlanInput } from './input';
import type { Verdict, VerdictReason } from './verdictShape';

/** @source thresholds common practice, no source; bridge grafting: extension practice, remembered with confidence */
const GIRDLED_OUT = 0.5;
const CROWN_OUT = 450;
const SCION_EVERY_CM = 6;

/** Scions of a bridge graft: one for each 6 cm of girdled bark. @example bridgeScions(24) //=> 4 */
function bridgeScions(girdledCm: number): number {
  return Math.ceil(girdledCm / SCION_EVERY_CM);
}

/**
 * A rootstock lost to fire blight, a stem half girdled by disease, or more of the crown infected than a tree can lose: the tree comes
 * out. A stem girdled by teeth or machines is bridged. What the caretaker decided otherwise stands.
 *
 * @param mustCrown thousandths of the crown that disease alone must take
 */
export function verdictOf(input: PlanInput, cuts: TreeCuts, mustCrown: number): Verdict | null {
  const open = input.findings.filter(({ id, held, healed }) => !held && !healed && !overruled(input, id));
  const removed = input.findings.filter(({ id }) => input.decided[id] === 'remove tree');
  if (removed.length > 0) return out(removed, plainReason('decided'));
  const rootstock = open.filter(
    (finding) =>
      disorderOf(finding.disorder)?.takesTree ||
      (finding.place === 'rootstock' && isFireBlight(finding.disorder)),
  );
  if (rootstock.length > 0) {
    return out(rootstock, plainReason('rootstock lost'));
  }
  const stems = new Set(
    cuts.decisions.filter(({ wood }) => wood !== 'leader').map(({ lesionId }) => lesionId),
  );
  const girdled = open.filter(
    (finding) =>
      isDiseased(finding) &&
      (stems.has(finding.id) || finding.place === 'base') &&
      (finding.girdledShare ?? 0) >= GIRDLED_OUT,
  );
  if (girdled.length > 0) {
    const share = Math.max(...girdled.map((finding) => finding.girdledShare ?? 0));
    return out(girdled, { code: 'girdled by disease', values: { share } }, [
      'excise',
      'watch',
      ...(girdled.every(({ disorder }) => !disorderOf(disorder)?.runsOn) ? ['top-work' as const] : []),
    ]);
  }
  const gnawed = open.filter(
    (finding) => isGnawed(finding, input) && (finding.girdledShare ?? 0) >= GIRDLED_OUT,
  );
  if (gnawed.length > 0) return bridged(gnawed, input);
  if (mustCrown > CROWN_OUT) {
    return {
      choice: 'restart or remove',
      findingIds: open.filter(isDiseased).map((finding) => finding.id),
      because: { code: 'too much at once', values: { share: mustCrown / 1000 } },
      instead: ['remove tree', 'watch'],
    };
  }
  return null;
}

function overruled({ decided }: PlanInput, id: string): boolean {
  return decided[id] !== undefined && decided[id] !== 'remove tree';
}

function out(findings: PlanFinding[], because: VerdictReason, instead: Verdict['instead'] = []): Verdict {
  return { choice: 'remove tree', findingIds: findings.map((finding) => finding.id), because, instead };
}

function isGnawed(finding: PlanFinding, { tree }: PlanInput): boolean {
  const limb = tree.limbs.find((limb) => limb.id === finding.limbId);
  return !isDiseased(finding) && limb?.kind === 'trunk' && !disorderOf(finding.disorder)?.causeUnknown;
}

function bridged(findings: PlanFinding[], { tree }: PlanInput): Verdict {
  const [worst] = findings.toSorted((a, b) => (b.girdledShare ?? 0) - (a.girdledShare ?? 0)) as [PlanFinding];
  const stem = tree.limbs.find((limb) => limb.id === worst.limbId);
  const roundCm = stem ? (Math.PI * diameterMmAt(stem, Math.min(worst.fromCm, stem.lengthCm))) / 10 : 0;
  const girdledCm = roundCm * (worst.girdledShare ?? 0);
  return {
    choice: 'bridge graft',
    findingIds: findings.map((finding) => finding.id),
    because: {
      code: 'gnawed',
      values: { share: worst.girdledShare ?? 0, scions: bridgeScions(girdledCm) },
    },
    instead: ['remove tree', 'watch'],
  };
}
