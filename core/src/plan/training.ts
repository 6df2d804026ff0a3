// The training of a young tree as work that a plan can weigh.

import { type Cut, heirsOf, shapeCut } from '../cuts/index';
import { plainDisorder } from '../disorders/index';
import { treeAge } from '../register/index';
import { TRAINED_UP_TO_YEARS, type Wish, wishWorths, youngTree } from '../shaping/index';
import type { Limb } from '../tree/index';
import { type Candidate, ofCut, ofTie } from './candidates';
import type { PlanFinding, PlanInput } from './input';

export interface Training {
  findings: PlanFinding[];
  candidates: Candidate[];
  /** What each finding that was made here is worth, by its id. */
  worth: ReadonlyMap<string, number>;
  /** Those of them that are done in the first pass, whatever the limit: a whip is headed. */
  musts: ReadonlySet<string>;
  /** Limbs that the frame is built of; null where nothing is said of it. */
  frame: ReadonlySet<string> | null;
}

const NONE: Training = { findings: [], candidates: [], worth: new Map(), musts: new Set(), frame: null };

/** A limb that is too stout for its leader is shortened by so much. Common practice, no source. */
const SHORTENED_BY = 1 / 3;

/** Only on trees whose year of planting is known, and that are still built up. */
export function trainingOf(input: PlanInput): Training {
  const { tree, year, tied } = input;
  const ageYears = treeAge(tree.plantedYear, year);
  if (ageYears === null || ageYears > TRAINED_UP_TO_YEARS) return NONE;
  const { limbs, form } = tree;
  const { wishes, frame } = youngTree({ limbs, form, ageYears, tied });
  const asked = wishes.flatMap((wish) => {
    const limb = limbs.find(({ id }) => id === wish.limbId);
    if (!limb) return [];
    const finding = marked(wish, limb);
    return [{ wish, finding, candidates: candidatesFor(wish, limb, finding, input) }];
  });
  return {
    findings: asked.map(({ finding }) => finding),
    candidates: asked.flatMap(({ candidates }) => candidates),
    worth: new Map(asked.map(({ wish, finding }) => [finding.id, wishWorths[wish.kind]])),
    musts: new Set(asked.flatMap(({ wish, finding }) => (wish.kind === 'head the whip' ? [finding.id] : []))),
    frame,
  };
}

function marked({ kind, atCm }: Wish, limb: Limb): PlanFinding {
  return {
    id: `train ${limb.id} ${kind}`,
    limbId: limb.id,
    fromCm: atCm,
    toCm: limb.lengthCm,
    disorder: plainDisorder('misplaced'),
    edge: 'definite',
    growthRapid: false,
    place: 'limb',
    active: false,
    danger: false,
    ooze: false,
    girdledShare: null,
    fault: { kind: 'cluster', limbIds: [limb.id], atCm: 0 },
  };
}

function candidatesFor(wish: Wish, limb: Limb, finding: PlanFinding, input: PlanInput): Candidate[] {
  switch (wish.kind) {
    case 'head the whip':
    case 'head the leader':
      return [ofCut(headed(limb, wish.atCm, finding), finding, DORMANT)];
    case 'lower the leader':
      return lowered(wish, finding, input);
    case 'spread it':
      return [tied(finding)];
    case 'rival':
    case 'between tiers':
      return [tied(finding), ...whole(finding, input)];
    case 'too stout':
      return [tied(finding), ...shortened(limb, finding, input)];
    case 'too many':
    case 'too low':
      return whole(finding, input);
  }
}

const DORMANT = ['dormant'] as const;

/** Above a bud, whatever is known of the buds: on a young stem there is one every few centimetres. */
function headed(limb: Limb, atCm: number, finding: PlanFinding): Cut {
  const target = { on: 'limb' as const, limbId: limb.id, atCm };
  const place = {
    kind: 'heading' as const,
    limbId: limb.id,
    atCm,
    budAtCm: atCm - 0.6,
    points: 'out' as const,
    limbMm: limb.baseMm,
  };
  return {
    limbId: limb.id,
    atCm,
    upToCm: atCm,
    kind: 'heading',
    targetLimbId: limb.id,
    targetCm: atCm,
    shortfallCm: 0,
    lesionIds: [finding.id],
    swallowedBy: null,
    because: [
      {
        lesionId: finding.id,
        disorder: finding.disorder,
        edgeLimbId: limb.id,
        edgeCm: atCm,
        clearanceCm: 0,
        walk: [],
        target,
        place,
        reachedCm: 0,
        shortfallCm: 0,
        passedOver: [],
        alternatives: [],
        choices: [],
      },
    ],
  };
}

const named = ({ id, disorder }: PlanFinding) => ({ findingId: id, disorder });

function lowered({ limbId, toLimbId }: Wish, finding: PlanFinding, { tree }: PlanInput): Candidate[] {
  const heir = heirsOf(tree.limbs, limbId, [], named(finding)).find(({ branch }) => branch.id === toLimbId);
  return heir ? [ofCut(heir.cut, finding)] : [];
}

function whole(finding: PlanFinding, { tree, schools }: PlanInput): Candidate[] {
  const cut = shapeCut(tree.limbs, finding.limbId, null, { ...named(finding), finish: schools.finish });
  return cut ? [ofCut(cut, finding)] : [];
}

function shortened(limb: Limb, finding: PlanFinding, { tree }: PlanInput): Candidate[] {
  const cut = shapeCut(tree.limbs, limb.id, limb.lengthCm * (1 - SHORTENED_BY), {
    ...named(finding),
    youngTips: tree.habit !== 'unknown' && tree.habit !== 'tip',
  });
  return cut ? [ofCut(cut, finding)] : [];
}

const tied = (finding: PlanFinding) => ofTie('tie down', finding.limbId, finding.id);
