// What does a young tree need, before anything is wrong with it?

import { shapeCut } from '../cuts/index';
import { plainDisorder } from '../disorders/index';
import { treeAge } from '../register/index';
import { TRAINED_UP_TO_YEARS } from '../shaping/index';
import { type Limb, widestGap } from '../tree/index';
import { type Candidate, cutId } from './candidates';
import type { PlanFinding, PlanInput } from './input';

export interface Training {
  findings: PlanFinding[];
  candidates: Candidate[];
  /** Findings made here. */
  ids: Set<string>;
  /** Those of them that are done in the first pass, whatever the limit: a whip is headed. */
  musts: Set<string>;
}

/** Ages and heights: common practice, no source. */
const WHIP_UP_TO_YEARS = 2;
const KNEE_CM = 55;
const SCAFFOLDS_KEPT = 4;
const STEEP_DEG = 65;

/**
 * A whip is headed at knee height; a year or two later three or four of its limbs are chosen for the frame, spread round the stem, and
 * steep ones are tied down. Only on trees whose year of planting is known.
 */
export function trainingOf(input: PlanInput): Training {
  const { tree, year } = input;
  const none: Training = { findings: [], candidates: [], ids: new Set(), musts: new Set() };
  const age = treeAge(tree.plantedYear, year);
  if (age === null) return none;
  const onStem = tree.limbs.filter((limb) => limb.kind !== 'trunk' && isStem(limb.parentId, tree.limbs));
  const stems = tree.limbs.filter((limb) => limb.kind === 'trunk');
  if (age <= WHIP_UP_TO_YEARS && onStem.length === 0 && stems.length === 1)
    return whip(stems[0] as Limb, input);
  if (age > TRAINED_UP_TO_YEARS || tree.form !== 'open centre') return none;
  const kept = new Set(frame(onStem).map((limb) => limb.id));
  const findings: PlanFinding[] = [];
  const candidates: Candidate[] = [];
  for (const limb of onStem) {
    const steep = kept.has(limb.id) && limb.inclinationDeg > STEEP_DEG;
    if (kept.has(limb.id) && (!steep || input.tied.includes(limb.id))) continue;
    const finding = marked(`train ${limb.id}`, limb);
    findings.push(finding);
    candidates.push(...(steep ? [tied(finding)] : taken(finding, input)));
  }
  return { findings, candidates, ids: new Set(findings.map((finding) => finding.id)), musts: new Set() };
}

function isStem(parentId: string | null, limbs: Limb[]): boolean {
  return limbs.find((limb) => limb.id === parentId)?.kind === 'trunk';
}

function marked(id: string, limb: Limb): PlanFinding {
  return {
    id,
    limbId: limb.id,
    fromCm: 0,
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

function whip(stem: Limb, input: PlanInput): Training {
  const atCm = Math.min(KNEE_CM, stem.lengthCm);
  if (stem.lengthCm <= KNEE_CM + 5) return { findings: [], candidates: [], ids: new Set(), musts: new Set() };
  const finding = { ...marked(`train ${stem.id}`, stem), fromCm: atCm };
  const target = { on: 'limb' as const, limbId: stem.id, atCm };
  const place = {
    kind: 'heading' as const,
    limbId: stem.id,
    atCm,
    budAtCm: atCm - 0.6,
    points: 'out' as const,
    limbMm: stem.baseMm,
  };
  const cut = {
    limbId: stem.id,
    atCm,
    upToCm: atCm,
    kind: 'heading' as const,
    targetLimbId: stem.id,
    targetCm: atCm,
    shortfallCm: 0,
    lesionIds: [finding.id],
    swallowedBy: null,
    because: [
      {
        lesionId: finding.id,
        disorder: finding.disorder,
        edgeLimbId: stem.id,
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
  return {
    findings: [finding],
    candidates: [
      {
        id: cutId(cut),
        what: { is: 'cut', cut },
        answers: [{ findingId: finding.id, remains: 0 }],
        passes: ['dormant'],
      },
    ].filter(() => input.tree.form !== 'cordon') as Candidate[],
    ids: new Set([finding.id]),
    musts: new Set([finding.id]),
  };
}

function taken(finding: PlanFinding, input: PlanInput): Candidate[] {
  const cut = shapeCut(input.tree.limbs, finding.limbId, null, {
    findingId: finding.id,
    disorder: finding.disorder,
    finish: input.schools.finish,
  });
  if (!cut) return [];
  return [
    {
      id: cutId(cut),
      what: { is: 'cut', cut },
      answers: [{ findingId: finding.id, remains: 0 }],
      passes: ['dormant', 'summer'],
    },
  ];
}

function tied(finding: PlanFinding): Candidate {
  return {
    id: `${finding.limbId} tie down`,
    what: { is: 'other', kind: 'tie down', limbId: finding.limbId, atCm: 0 },
    answers: [{ findingId: finding.id, remains: 0.15 }],
    passes: ['dormant', 'summer'],
  };
}

/** Up to four limbs, the stoutest first, each in the widest gap that those before it leave. */
function frame(limbs: Limb[]): Limb[] {
  const left = limbs.toSorted((a, b) => b.baseMm - a.baseMm);
  const kept: Limb[] = [];
  while (kept.length < SCAFFOLDS_KEPT && left.length > 0) {
    const middle =
      kept.length === 0 ? (left[0]?.bearingDeg ?? 0) : widestGap(kept.map((limb) => limb.bearingDeg));
    const off = (limb: Limb) => Math.abs(((limb.bearingDeg - middle + 540) % 360) - 180) - limb.baseMm / 4;
    const next = left.toSorted((a, b) => off(a) - off(b))[0] as Limb;
    kept.push(next);
    left.splice(left.indexOf(next), 1);
  }
  return kept;
}
