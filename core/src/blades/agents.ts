// What makes a blade clean, how long must it stay wet, and what must it never meet?
import type { Confidence } from '../disorders/index';

export const cleaningMethods = ['wipe', 'spray', 'dip', 'soak'] as const;
export type CleaningMethod = (typeof cleaningMethods)[number];

/** What is measured out: available chlorine, alcohol by volume, grams in a litre, or nothing: as it comes, or as its label says. */
export type Target =
  | { kind: 'chlorine'; ppm: number }
  | { kind: 'alcohol'; pct: number }
  | { kind: 'weight'; gramsPerLitre: number }
  | { kind: 'label' };

export const effects = ['good', 'weak', 'none', 'unsure'] as const;
type Effect = (typeof effects)[number];

/** Share of what is on a blade that a cleaning takes off: low, middle, high. @source made from the ranges of extension texts, from memory, unsure */
type Efficacy = readonly [number, number, number];

export interface Agent {
  id: string;
  name: string;
  how: string;
  /** False: it takes sap off and leaves what makes ill. */
  disinfects: boolean;
  /** Of its usual method, seconds wet. */
  contactSeconds: number;
  /** The ways it is used; the first is usual. */
  methods: readonly CleaningMethod[];
  target: Target;
  against: { bacteria: Effect; fungi: Effect; viruses: Effect };
  efficacy: { clean: Efficacy; sappy: Efficacy };
  /** Hours until half of it is gone; null where it does not decay in a day. */
  halfLifeHours: { shade: number; sun: number; sappy: number } | null;
  /** A bath is changed at least this often, hours. */
  changeHours: number;
  corrodes: boolean;
  flammable: boolean;
  protection: string;
  neverWith: readonly string[];
  caution: string;
  source: string;
  confidence: Confidence;
}

const GLOVES = 'glovesThatKeepItOutEye';

/** @source chapters of extension services on sanitation, and the CDC guideline of 2008 where it is named; from memory */
export const agents: readonly Agent[] = [
  {
    id: 'alcohol-70',
    name: 'Alcohol 70 %',
    how: 'wipeTheSapOffThenWipe',
    disinfects: true,
    contactSeconds: 30,
    methods: ['wipe', 'spray', 'dip'],
    target: { kind: 'alcohol', pct: 70 },
    against: { bacteria: 'good', fungi: 'weak', viruses: 'unsure' },
    efficacy: { clean: [0.9, 0.98, 0.999], sappy: [0.6, 0.8, 0.95] },
    halfLifeHours: null,
    changeHours: 4,
    corrodes: false,
    flammable: true,
    protection: 'noFlameNoSmokingOneLitre',
    neverWith: ['bleach', 'flame'],
    caution: 'alcoholCaution',
    source: 'Rutala & Weber, CDC 2008 guideline for disinfection; time on sappy blades from common practice',
    confidence: 'high',
  },
  {
    id: 'hypochlorite-10',
    name: 'bleach1Part9PartsWater',
    how: 'wipeTheSapOffThenDip',
    disinfects: true,
    contactSeconds: 60,
    methods: ['dip', 'wipe', 'spray', 'soak'],
    target: { kind: 'chlorine', ppm: 5000 },
    against: { bacteria: 'good', fungi: 'good', viruses: 'weak' },
    efficacy: { clean: [0.97, 0.995, 0.999], sappy: [0.7, 0.9, 0.98] },
    halfLifeHours: { shade: 24, sun: 7, sappy: 3 },
    changeHours: 2,
    corrodes: true,
    flammable: false,
    protection: 'glovesEyesAirRuinsClothing',
    neverWith: ['acidVinegarAmongThemChlorineGas', 'ammonia: chloramines', 'alcoholAndOtherSolvents'],
    caution: 'bleachCaution',
    source: 'extension practice; contact time remembered, unsure',
    confidence: 'low',
  },
  {
    id: 'quat',
    name: 'quaternaryAmmonium',
    how: 'wipeTheSapOffThenKeep',
    disinfects: true,
    contactSeconds: 600,
    methods: ['soak', 'dip', 'spray'],
    target: { kind: 'label' },
    against: { bacteria: 'good', fungi: 'good', viruses: 'unsure' },
    efficacy: { clean: [0.9, 0.98, 0.995], sappy: [0.5, 0.8, 0.9] },
    halfLifeHours: null,
    changeHours: 4,
    corrodes: false,
    flammable: false,
    protection: GLOVES,
    neverWith: ['soap', 'bleach'],
    caution: 'quatCaution',
    source: 'label practice, 5–10 min, from memory',
    confidence: 'high',
  },
  {
    id: 'pine-oil',
    name: 'householdDisinfectantPhenolOrPineOil',
    how: 'wipeTheSapOffThenKeep',
    disinfects: true,
    contactSeconds: 600,
    methods: ['soak', 'dip'],
    target: { kind: 'label' },
    against: { bacteria: 'good', fungi: 'unsure', viruses: 'unsure' },
    efficacy: { clean: [0.9, 0.98, 0.995], sappy: [0.5, 0.8, 0.9] },
    halfLifeHours: null,
    changeHours: 4,
    corrodes: false,
    flammable: false,
    protection: 'glovesEyesAirBurnsSkin',
    neverWith: ['bleach'],
    caution: 'phenolCaution',
    source: 'evaluated by Teviotdale et al. 1991; result remembered, unsure',
    confidence: 'low',
  },
  {
    id: 'peroxide-3',
    name: 'hydrogenPeroxide3Percent',
    how: 'wipeTheSapOffThenKeep',
    disinfects: true,
    contactSeconds: 450,
    methods: ['dip', 'soak', 'spray'],
    target: { kind: 'label' },
    against: { bacteria: 'good', fungi: 'good', viruses: 'good' },
    efficacy: { clean: [0.8, 0.95, 0.99], sappy: [0.4, 0.7, 0.9] },
    halfLifeHours: { shade: 48, sun: 8, sappy: 4 },
    changeHours: 4,
    corrodes: true,
    flammable: false,
    protection: GLOVES,
    neverWith: ['vinegarInOneBottle', 'bleach', 'solvents'],
    caution: 'oxidizerCaution',
    source: 'from memory, unsure; efficacy between those of its neighbours, ours',
    confidence: 'low',
  },
  {
    id: 'tsp-10',
    name: 'trisodiumPhosphate10Percent',
    how: 'wipeDipAndRinse',
    disinfects: true,
    contactSeconds: 180,
    methods: ['dip', 'soak'],
    target: { kind: 'weight', gramsPerLitre: 100 },
    against: { bacteria: 'weak', fungi: 'weak', viruses: 'good' },
    efficacy: { clean: [0.6, 0.85, 0.95], sappy: [0.4, 0.7, 0.9] },
    halfLifeHours: null,
    changeHours: 4,
    corrodes: true,
    flammable: false,
    protection: 'glovesEyesAirCaustic',
    neverWith: ['acid'],
    caution: 'causticCaution',
    source: 'greenhouse practice against viruses, from memory, unsure',
    confidence: 'low',
  },
  {
    id: 'hot-water',
    name: 'waterOver80C',
    how: 'wipeTheSapOffThenHold',
    disinfects: true,
    contactSeconds: 30,
    methods: ['dip'],
    target: { kind: 'label' },
    against: { bacteria: 'good', fungi: 'good', viruses: 'unsure' },
    efficacy: { clean: [0.9, 0.98, 0.999], sappy: [0.7, 0.9, 0.98] },
    halfLifeHours: null,
    changeHours: 1,
    corrodes: false,
    flammable: false,
    protection: 'itScaldsLongGlovesASteady',
    neverWith: [],
    caution: 'itScaldsNoOpenFlameNear',
    source: 'from memory, unsure',
    confidence: 'low',
  },
  {
    id: 'solvent',
    name: 'whiteSpiritOilOrSoap',
    how: 'wipeTheSapOffThenDisinfect',
    disinfects: false,
    contactSeconds: 0,
    methods: ['wipe'],
    target: { kind: 'label' },
    against: { bacteria: 'none', fungi: 'none', viruses: 'none' },
    efficacy: { clean: [0.2, 0.3, 0.4], sappy: [0.1, 0.2, 0.3] },
    halfLifeHours: null,
    changeHours: 8,
    corrodes: false,
    flammable: true,
    protection: 'freshAirOilyRagsCanCatch',
    neverWith: ['bleach'],
    caution: 'itCleansAndDoesNotDisinfect',
    source: 'common practice, no source; share by wiping as of a dry cloth',
    confidence: 'practice',
  },
  {
    id: 'vinegar',
    name: 'vinegar5PercentAceticAcid',
    how: 'poorAndHurtsTheTreeDisinfect',
    disinfects: false,
    contactSeconds: 0,
    methods: ['wipe'],
    target: { kind: 'label' },
    against: { bacteria: 'weak', fungi: 'weak', viruses: 'none' },
    efficacy: { clean: [0.2, 0.4, 0.6], sappy: [0.1, 0.3, 0.4] },
    halfLifeHours: null,
    changeHours: 8,
    corrodes: true,
    flammable: false,
    protection: '',
    neverWith: ['bleachChlorineGas'],
    caution: 'unreliableTheBladeStaysDirtyBy',
    source: 'common practice, no source',
    confidence: 'practice',
  },
];

/** The agent of a site; alcohol where it is not known any more. */
export function agentOf(id: string): Agent {
  return agents.find((agent) => agent.id === id) ?? (agents[0] as Agent);
}

/** Of taking a blade up, wiping the sap off and putting it down. Common practice, no source. */
export const HANDLING_SECONDS = 20;

/** Of one cleaning, contact included. */
export function cleaningSeconds({ contactSeconds }: Agent): number {
  return contactSeconds + HANDLING_SECONDS;
}

/** The way this agent is usually used. */
export function usualMethod({ methods }: Agent): CleaningMethod {
  return methods[0] as CleaningMethod;
}

/** Share taken off when the blade is sprayed and used at once. @source from memory, unsure */
const NO_WAIT: Agent['efficacy'] = { clean: [0.2, 0.4, 0.6], sappy: [0.1, 0.25, 0.4] };
/** Of a slow agent after half a minute. @source from memory, unsure */
const HALF_MINUTE: Agent['efficacy'] = { clean: [0.4, 0.6, 0.8], sappy: [0.2, 0.4, 0.6] };
const HALF_MINUTE_S = 30;

/** What a cleaning takes off after this many seconds wet: what the agent can where its time was kept. */
export function efficacyAfter(agent: Agent, seconds: number, sappy: boolean): Efficacy {
  const whole = sappy ? agent.efficacy.sappy : agent.efficacy.clean;
  if (seconds >= agent.contactSeconds) return whole;
  const short = seconds >= HALF_MINUTE_S ? HALF_MINUTE : NO_WAIT;
  const part = sappy ? short.sappy : short.clean;
  return [Math.min(part[0], whole[0]), Math.min(part[1], whole[1]), Math.min(part[2], whole[2])];
}
