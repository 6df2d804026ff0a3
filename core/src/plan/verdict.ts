// Is there a tree left to plan for? The honest choices, before any cut is chosen.
import { z } from 'zod';
import type { TreeCuts } from '../cuts/index';
import { disorderOf, isFireBlight } from '../disorders/index';
import { diameterMmAt } from '../tree/index';
import { isDiseased } from './candidates';
import type { PlanFinding, PlanInput } from './input';

export const Verdict = z.strictObject({
  choice: z.enum(['remove tree', 'bridge graft', 'restart or remove']),
  findingIds: z.array(z.string()),
  because: z.string(),
  instead: z
    .array(
      z.strictObject({
        choice: z.enum(['excise', 'watch', 'remove tree', 'bridge', 'top-work']),
        words: z.string(),
      }),
    )
    .describe('what else may be chosen, each with what it means'),
});
export type Verdict = z.infer<typeof Verdict>;

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
  if (removed.length > 0) return out(removed, 'Decided by the caretaker.');
  const rootstock = open.filter(
    (finding) =>
      disorderOf(finding.disorder)?.takesTree ||
      (finding.place === 'rootstock' && isFireBlight(finding.disorder)),
  );
  if (rootstock.length > 0) {
    return out(
      rootstock,
      'Fire blight in the rootstock: no cut cures it. The tree comes out, roots and suckers too.',
    );
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
    const share = Math.round(Math.max(...girdled.map((one) => one.girdledShare ?? 0)) * 100);
    return out(
      girdled,
      `Disease girdles ${share} % of the stem: from half on the tree declines, and it comes out.`,
      [
        { choice: 'excise', words: 'Pare it out in dry weather and watch: little hope from half on.' },
        { choice: 'watch', words: 'Watch: it stays a source of disease for the trees around.' },
        ...(girdled.every(({ disorder }) => !disorderOf(disorder)?.runsOn)
          ? [
              {
                choice: 'top-work' as const,
                words:
                  'Cut it off below the canker, and graft a sound scion on what is left or let the stock grow again.',
              },
            ]
          : []),
      ],
    );
  }
  const gnawed = open.filter(
    (finding) => isGnawed(finding, input) && (finding.girdledShare ?? 0) >= GIRDLED_OUT,
  );
  if (gnawed.length > 0) return bridged(gnawed, input);
  if (mustCrown > CROWN_OUT) {
    return {
      choice: 'restart or remove',
      findingIds: open.filter(isDiseased).map((one) => one.id),
      because: `${Math.round(mustCrown / 10)} % of the living crown must go for disease alone: more than a tree can lose at once.`,
      instead: [
        { choice: 'remove tree', words: 'Take the tree out.' },
        { choice: 'watch', words: 'Cut what must be cut, and see what is left in a year.' },
      ],
    };
  }
  return null;
}

function overruled({ decided }: PlanInput, id: string): boolean {
  return decided[id] !== undefined && decided[id] !== 'remove tree';
}

function out(findings: PlanFinding[], because: string, instead: Verdict['instead'] = []): Verdict {
  return { choice: 'remove tree', findingIds: findings.map((one) => one.id), because, instead };
}

function isGnawed(finding: PlanFinding, { tree }: PlanInput): boolean {
  const limb = tree.limbs.find((one) => one.id === finding.limbId);
  return !isDiseased(finding) && limb?.kind === 'trunk' && !disorderOf(finding.disorder)?.causeUnknown;
}

function bridged(findings: PlanFinding[], { tree }: PlanInput): Verdict {
  const [worst] = findings.toSorted((a, b) => (b.girdledShare ?? 0) - (a.girdledShare ?? 0)) as [PlanFinding];
  const stem = tree.limbs.find((one) => one.id === worst.limbId);
  const roundCm = stem ? (Math.PI * diameterMmAt(stem, Math.min(worst.fromCm, stem.lengthCm))) / 10 : 0;
  const girdledCm = roundCm * (worst.girdledShare ?? 0);
  return {
    choice: 'bridge graft',
    findingIds: findings.map((one) => one.id),
    because: `The bark is gone round ${Math.round((worst.girdledShare ?? 0) * 100)} % of the stem, and no disease did it: bridge it when the bark slips, with ${bridgeScions(girdledCm)} scions of last year’s wood, 6–10 mm thick, one each 5–8 cm.`,
    instead: [
      { choice: 'remove tree', words: 'Replant, or cut to above the graft where it is lower.' },
      { choice: 'watch', words: 'Watch: from half on a stem seldom feeds its roots.' },
    ],
  };
}
