// The core's computations as plain JSON in and out, stateless.
import { BladeEvent, cleaningSchools, NextStep, RunCut } from '@mortisect/core/blades';
import { CrownPiece } from '@mortisect/core/crown';
import {
  CutPositionInput,
  CutPositionResult,
  CuttingSchools,
  FindingForCut,
  TreeCuts,
  TreeForCut,
} from '@mortisect/core/cuts';
import { Causes, CausesInput } from '@mortisect/core/diagnosis';
import { Clearance, ClearanceCase, DisorderCode, seasons } from '@mortisect/core/disorders';
import {
  Fault,
  FaultTree,
  GapTest,
  LightInside,
  Limits,
  MOST_SHADES,
  Shade,
  startingLimits,
} from '@mortisect/core/faults';
import { Caution, CutAtHand, LimbMassInput, Stick, Strokes } from '@mortisect/core/handling';
import { localDay } from '@mortisect/core/measure';
import { CandidateOut, OrderInput, OrderResult, PlanInput, TreePlan } from '@mortisect/core/plan';
import { Residual, ResidualCase } from '@mortisect/core/residual';
import { Limb, LimbMap, StarterTree } from '@mortisect/core/tree';
import { Triage, TriageInput } from '@mortisect/core/triage';
import { z } from 'zod';

export const SeasonInput = z.strictObject({ day: localDay, latitude: z.number().min(-90).max(90) });
export const SeasonResult = z.strictObject({ season: z.enum(seasons) });

export const CutBackInput = z
  .strictObject({
    limbs: LimbMap,
    kerfs: z.array(z.strictObject({ limbId: z.string(), atCm: z.number().min(0) })).max(500),
  })
  .meta({ id: 'CutBackInput' });
export const CutBackResult = z.strictObject({ limbs: z.array(Limb) });

export const LimbNamesInput = z.strictObject({
  limbs: LimbMap,
  twelveBearingDeg: z.number().min(0).lt(360),
  units: z.enum(['metric', 'us']).default('metric'),
});
export const LimbNamesResult = z.strictObject({ names: z.record(z.string(), z.string()) });

export const TreeCutsInput = z
  .strictObject({
    tree: TreeForCut,
    findings: z.array(FindingForCut.extend({ disorder: DisorderCode })),
    schools: CuttingSchools,
    season: z.enum(seasons),
    year: z.number().int().min(1500).max(3000).describe('for the age of the tree'),
  })
  .meta({ id: 'TreeCutsInput' });

export const CautionsResult = z.strictObject({ cautions: z.array(Caution) });

export const NextStepInput = z
  .strictObject({
    left: z.array(RunCut).max(500).describe('cuts still to make, in order'),
    events: z.array(BladeEvent).max(2000).describe('oldest first; empty: the blade is of unknown history'),
    season: z.enum(seasons),
    school: z.enum(cleaningSchools),
  })
  .meta({ id: 'NextStepInput' });

/** Worked case 4 of the cut position rule. */
export const cutPositionExample: z.input<typeof CutPositionInput> = {
  limbs: [
    limb('T', null, 0, 300, 110, 30, 14, 'trunk', 0, 90),
    limb('S', 'T', 90, 220, 62, 12, 9, 'scaffold', 120, 40),
    limb('L', 'S', 140, 90, 24, 5, 3, 'lateral', 90, 20),
    limb('M', 'S', 112, 80, 22, 6, 5, 'branch', 240, 25),
  ],
  lesions: [{ id: 'canker-1', limbId: 'L', fromCm: 12, toCm: 20, disorder: 'FB_CANK_A', edge: 'definite' }],
  clearanceCm: 30,
};

/** The same tree with its canker and a limb that grows inward, planned over two seasons. */
export const planExample: z.input<typeof PlanInput> = {
  tree: {
    limbs: cutPositionExample.limbs,
    species: 'apple',
    habit: 'spur',
    form: 'central leader',
    plantedYear: 2009,
    susceptible: false,
    heightCm: 300,
  },
  findings: [
    {
      id: 'canker-1',
      limbId: 'L',
      fromCm: 12,
      toCm: 20,
      disorder: 'FB_CANK_A',
      edge: 'definite',
      growthRapid: false,
    },
    {
      id: 'inward-1',
      limbId: 'M',
      fromCm: 0,
      toCm: 80,
      disorder: 'MISPLACED',
      edge: 'definite',
      growthRapid: false,
      place: 'limb',
      fault: { kind: 'inward', limbIds: ['M'], atCm: 0 },
    },
  ],
  schools: {
    clearance: { FB_CANK_A: 'fb-10-12' },
    halveDefiniteDormant: false,
    inSeasonStub: false,
    finish: 'tight',
  },
  season: 'dormant',
  year: 2026,
  seasons: 2,
};

function limb(
  id: string,
  parentId: string | null,
  jointCm: number,
  lengthCm: number,
  baseMm: number,
  tipMm: number,
  ageYears: number,
  kind: Limb['kind'],
  bearingDeg: number,
  inclinationDeg: number,
): Limb {
  return { id, parentId, jointCm, lengthCm, baseMm, tipMm, ageYears, kind, bearingDeg, inclinationDeg };
}

export const FaultsInput = z
  .strictObject({ tree: FaultTree, limits: Limits.default(startingLimits()) })
  .meta({ id: 'FaultsInput' });
export const FaultsResult = z.strictObject({ faults: z.array(Fault) });

const MOST_THROWS = 20_000;
export const OpennessInput = z
  .strictObject({
    limbs: LimbMap,
    grown: LimbMap.optional().describe(
      'the limbs before any cut, where some were made: their crown is looked into',
    ),
    shades: z.array(Shade).max(MOST_SHADES).default([]).describe('what stands round the tree'),
    throws: z.number().int().min(1).max(MOST_THROWS).default(2000),
    seed: z
      .number()
      .int()
      .min(0)
      .max(2 ** 31),
  })
  .meta({ id: 'OpennessInput' });
export const Openness = z.strictObject({ gap: GapTest, light: LightInside });
export type Openness = z.infer<typeof Openness>;

export const CandidatesResult = z.strictObject({
  candidates: z.array(CandidateOut),
  handOver: TreePlan.shape.handOver,
  crownPieces: z.array(CrownPiece),
});
export type CandidatesResult = z.infer<typeof CandidatesResult>;

export const PlanResult = TreePlan.omit({ decisions: true, idlePins: true })
  .extend({ candidates: z.array(CandidateOut) })
  .meta({ id: 'PlanResult' });
export type PlanResult = z.infer<typeof PlanResult>;

export const LimbMassResult = z
  .strictObject({
    kg: z.number(),
    rangeKg: z.tuple([z.number(), z.number()]),
    woodM3: z.number(),
    densityKgPerM3: z.number(),
    source: z.string(),
    pieces: z.array(Stick),
    strokes: Strokes,
    clearZoneCm: z.number(),
    fallsTowardDeg: z.number(),
  })
  .meta({ id: 'LimbMassResult' });

export const StarterMapResult = z.strictObject({ limbs: z.array(Limb) });

export {
  Causes,
  CausesInput,
  Clearance,
  ClearanceCase,
  CutAtHand,
  CutPositionInput,
  CutPositionResult,
  LimbMassInput,
  NextStep,
  OrderInput,
  OrderResult,
  PlanInput,
  Residual,
  ResidualCase,
  StarterTree,
  TreeCuts,
  Triage,
  TriageInput,
};
