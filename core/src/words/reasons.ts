// The sentence of each reason that the rooms give as data.
import type { DebrisReason, LookFor, RecheckVerdict, ScionReason } from '../aftercare/index';
import type { CleaningReason, SuppliesReason } from '../blades/index';
import { type LimitReason, limitSchools, type RegrowthReason, type ShootsAt } from '../crown/index';
import type { GirdleAdvice } from '../diagnosis/index';
import { disorderOf } from '../disorders/index';
import type { Caution, CautionReason, MinutesFor } from '../handling/index';
import type { KeptFor, Verdict, VerdictReason } from '../plan/index';
import { type Sentences, sentenceOf } from '../reason/index';
import type { TriageReason } from '../triage/index';

const percent = (share: number) => `${Math.round(share * 100)} %`;
const metres = (cm: number) => `${cm / 100} m`;
const FOOT_CM = 30.48;
const INCH_CM = 2.54;
const LB_KG = 0.45359237;
const feet = (cm: number) => `${metres(cm)} (${Math.round(cm / FOOT_CM)} ft)`;
const inches = (cm: number) => `${cm} cm (${Math.round(cm / INCH_CM)} in)`;

const LIMIT: Sentences<LimitReason> = {
  stressed: () => 'A stressed or frozen tree: a tenth at most, little but dead wood.',
  young: () => 'A young tree: less, so that it grows.',
  weak: () => 'A weak tree: less.',
  'bears on last year’s shoots': () => 'Peach and nectarine bear on last year’s shoots: half of them may go.',
  'cherry or plum': () => 'Cherries and plums: a fifth at most.',
  'renovated evenly': () => 'A tree to renovate: a third a season, spread evenly; the big limbs first.',
  'renovated hard first': () =>
    'A tree to renovate, hard at once and then light: expect upright shoots for two or three years.',
  school: ({ schoolId }) => {
    const school = limitSchools.find((limitSchool) => limitSchool.id === schoolId);
    return `School “${school?.name}”: ${school?.use} Source: ${school?.source}.`;
  },
};
/** Why a season has its limit. */
export const limitWords = (reason: LimitReason) => sentenceOf(LIMIT, reason);

const REGROWTH: Sentences<RegrowthReason> = {
  'cut in summer': () => 'Summer cuts are hardly answered.',
  'large wound': () => 'A large dormant cut wakes many buds round it.',
  'taken at its collar': () => 'A limb taken at its collar is hardly answered.',
  shortened: () => 'A shortened limb answers just below the cut.',
  'much goes at once': () =>
    'Over three tenths of the crown goes this season: the shoots grow half as long again, or twice.',
};
export const regrowthWords = (reasons: readonly RegrowthReason[]) =>
  reasons.map((reason) => sentenceOf(REGROWTH, reason)).join(' ');

const SHOOTS_AT: Record<ShootsAt, string> = {
  collar: 'round the collar and on the upper side of the wood below it',
  'below the cut': 'within 30 cm (12 in) below the cut',
};
export const shootsAtWords = (at: ShootsAt) => SHOOTS_AT[at];

const LOOK_FOR: Record<LookFor, string> = {
  strikes: 'New strikes within 30 cm of the cut.',
  dieback: 'Regrowth, and any dieback from the cut.',
  canker: 'Canker at the cut or toward the trunk.',
  collar: `Shoots ${SHOOTS_AT.collar}.`,
  'below the cut': `Shoots ${SHOOTS_AT['below the cut']}.`,
};
/** What a recheck looks for. */
export const lookForWords = (what: LookFor) => LOOK_FOR[what];

const RECHECKED: Record<RecheckVerdict, string> = {
  'clean so far': 'Nothing to be seen so far. That is no proof.',
  regrown: 'Regrown as cuts are: choose what stays, rub off the rest.',
  'fell short': 'The cut fell short: cut again, 30 cm further or to the next main union.',
  'new or crept': 'New infection, or an old one that spread: mark it and plan again.',
};
/** What was seen at a cut says of it, and what to do. */
export const recheckedWords = (verdict: RecheckVerdict) => RECHECKED[verdict];

const GIRDLING: Record<GirdleAdvice, string> = {
  'excise and watch': 'Less than a quarter: excise in dry weather and watch.',
  'take or excise':
    'A quarter to a half: take a limb that the frame can spare; else excise and lighten what hangs above.',
  'excise and lighten': 'A quarter to a half: excise and lighten the crown above.',
  'limb goes': 'Half or more: the limb goes.',
  'stem declines': 'Half to three quarters of the stem: the tree will decline; it is better taken out.',
  'bridge in spring': 'Half to three quarters of the stem: bridge graft in spring, or take the tree out.',
  'stem is lost': 'Three quarters or more of the stem, from disease: the tree comes out.',
  'bridge when bark slips':
    'Three quarters or more of the stem: bridge graft when the bark slips, or take the tree out.',
};
export const girdlingWords = (advice: GirdleAdvice) => GIRDLING[advice];

const VERDICT: Sentences<VerdictReason> = {
  decided: () => 'Decided by the caretaker.',
  'rootstock lost': () =>
    'Fire blight in the rootstock: no cut cures it. The tree comes out, roots and suckers too.',
  'girdled by disease': ({ share }) =>
    `Disease girdles ${percent(share)} of the stem: from half on the tree declines, and it comes out.`,
  'too much at once': ({ share }) =>
    `${percent(share)} of the living crown must go for disease alone: more than a tree can lose at once.`,
  gnawed: ({ share, scions }) =>
    `The bark is gone round ${percent(share)} of the stem, and no disease did it: bridge it when the bark slips, with ${scions} scions of last year’s wood, 6–10 mm thick, one each 5–8 cm.`,
};
export const verdictWords = (reason: VerdictReason) => sentenceOf(VERDICT, reason);

type Instead = Verdict['instead'][number];
const INSTEAD: Record<VerdictReason['code'], Partial<Record<Instead, string>>> = {
  decided: {},
  'rootstock lost': {},
  'girdled by disease': {
    excise: 'Pare it out in dry weather and watch: little hope from half on.',
    watch: 'Watch: it stays a source of disease for the trees around.',
    'top-work':
      'Cut it off below the canker, and graft a sound scion on what is left or let the stock grow again.',
  },
  'too much at once': {
    'remove tree': 'Take the tree out.',
    watch: 'Cut what must be cut, and see what is left in a year.',
  },
  gnawed: {
    'remove tree': 'Replant, or cut to above the graft where it is lower.',
    watch: 'Watch: from half on a stem seldom feeds its roots.',
  },
};
/** What it means to choose something else than the verdict. */
export const insteadWords = ({ because }: Verdict, choice: Instead): string =>
  INSTEAD[because.code][choice] ?? '';

const KEPT_FOR: Record<KeptFor, string> = {
  frame: 'one of the frame',
  sector: 'fills an empty sector',
  balance: 'balances the crown',
  level: 'near level and young',
  follower: 'grown on as a follower',
};
export const keptForWords = (reasons: readonly KeptFor[]) =>
  reasons.map((reason) => KEPT_FOR[reason]).join(', ');

const MINUTES_FOR: Record<MinutesFor, string> = {
  blade: 'blade',
  'no tool': 'no tool of the kit does it',
  place: 'at the place',
  pieces: 'further pieces',
  carrying: 'carrying away',
  ladder: 'ladder, its share',
  cleaning: 'cleaning the blade',
  'by hand': 'by hand',
};
/** @param tool name of the tool that cuts */
export const minutesForWords = (what: MinutesFor, tool?: string) =>
  what === 'blade' && tool !== undefined ? `blade, ${tool.toLowerCase()}` : MINUTES_FOR[what];

const SUPPLIES: Sentences<SuppliesReason> = {
  wipes: ({ mL, count }) => `${mL} mL on the cloth for each of ${count} wipes`,
  squirts: ({ mL, count }) => `${mL} mL on each of two sides, ${count} times`,
  tray: ({ litres }) => `a tray of ${litres} L`,
  jar: ({ litres }) => `a jar of ${litres} L`,
  'top-up': ({ litres, everyHours }) => `${litres} L more for every ${everyHours} h`,
};
export const suppliesWords = (reasons: readonly SuppliesReason[]) =>
  `${reasons.map((reason) => sentenceOf(SUPPLIES, reason)).join('; ')}.`;

const CLEANING: Sentences<CleaningReason> = {
  notifiable: () => 'A disease that must be reported is among them: every cut, whatever it avoids.',
  'avoids more': ({ than }) => `Cleaning at every cut avoids more than ${than} new infections a tree.`,
  'avoids no more': ({ than }) =>
    `Cleaning at every cut avoids no more than ${than} new infections a tree in the middle of the range.`,
};
export const cleaningWords = (reason: CleaningReason) => sentenceOf(CLEANING, reason);

const nameOf = (disorder: string, unknown: string) => disorderOf(disorder)?.name ?? unknown;
const wood = (disorder: string) => nameOf(disorder, 'Wood of unknown cause');
const DEBRIS: Sentences<DebrisReason> = {
  'burning banned': () => 'Burning is not allowed here.',
  'fire blight not burned': () => 'By the school of this site fire blight is not burned.',
  'does not stay': () => 'Brush of diseased or suspect wood is a reservoir: it does not stay.',
  'sheds from chips': ({ disorder }) =>
    `${wood(disorder)} goes on shedding from chips unless they are composted hot.`,
  'chipped only thin': ({ disorder, mm }) =>
    `${wood(disorder)} is chipped only where it is no thicker than ${mm} mm.`,
  'chips less safe': ({ disorder }) => `${wood(disorder)}: chips are less safe than taking it away.`,
  'kept apart': () => 'Kept apart from sound wood, and never fed to livestock.',
  'ask about burning': () => 'Ask first whether it may be burned here today.',
};
export const debrisWords = (reason: DebrisReason) => sentenceOf(DEBRIS, reason);

const SCIONS: Sentences<ScionReason> = {
  'on record': ({ disorder, years }) =>
    `${nameOf(disorder, 'Something of unknown cause')} is on its record within ${years} years.`,
  'dead of unknown cause': () => 'It has dead wood of unknown cause.',
  'came back': () => 'Disease came back after a cut.',
  'not looked at': () => 'Nobody has looked all round it for a year: what was not seen is not sound.',
  clean: ({ years }) =>
    `No disease on its record for ${years} years. Viruses do not show: a clean record is no certificate.`,
};
export const scionWords = (reasons: readonly ScionReason[]) =>
  reasons.map((reason) => sentenceOf(SCIONS, reason)).join(' ');

const TRIAGE: Sentences<TriageReason> = {
  dangers: ({ hazards }) => `${hazards.join(' and ')}: work for a licensed arborist.`,
  'too tall': ({ overCm }) => `Over ${metres(overCm)} high.`,
  'tall and unsafe': ({ overCm }) =>
    `Over ${metres(overCm)} high, and it leans, is hollow or stands on a slope.`,
  'for wildlife': () => 'Kept for wildlife: dead wood that endangers nobody stays, disease comes out.',
  'stem girdled': ({ share }) => `${percent(share)} of the stem is girdled by disease.`,
  'crown dead or diseased': ({ share }) => `${percent(share)} of the crown is dead or diseased.`,
  'crown gone, fruit unknown': ({ share }) =>
    `${percent(share)} of the crown is gone and nobody knows the fruit.`,
  'half gone': ({ share }) =>
    `${percent(share)} of the crown is dead or diseased: the least that must be cut, one season’s protection, then decide.`,
  'fruit unknown': () => 'Nobody knows the fruit: prune the least, taste it, then decide.',
  'grown wild': () => 'It has grown wild.',
  outgrown: () => 'It has outgrown the height it should have.',
  sound: () => 'Mostly sound and as high as it should be.',
  'not planned': ({ overCm }) =>
    `It is over ${feet(overCm)} high: Plan leaves all its cuts to a licensed arborist.`,
};
export const triageWords = (reasons: readonly TriageReason[]) =>
  reasons.map((reason) => sentenceOf(TRIAGE, reason)).join(' ');

const CAUTIONS: Sentences<CautionReason> = {
  'hanging limb': () => 'A limb hangs in this tree: keep everybody from under it.',
  'split stem': () => 'The stem is split: it may open without warning.',
  'power line': () =>
    'A power line is near: keep 3 m (10 ft) at least, more above 50 kV, and ask the utility.',
  cavity: () => 'The stem is hollow: do not climb it or lean a ladder on it.',
  lean: () => 'The tree leans: nobody on the low side.',
  'tree too high': ({ overCm }) => `The tree is over ${feet(overCm)} high.`,
  'cut too high': ({ overCm }) => `The cut is more than ${feet(overCm)} over the ground.`,
  'too thick': ({ overMm }) => `The wood is over ${inches(overMm / 10)} thick at the cut.`,
  'too heavy': ({ overKg }) => `The limb weighs more than ${overKg} kg (${Math.round(overKg / LB_KG)} lb).`,
  'down on a rope': () => 'Two people: one lets the limb down on a rope, nobody stands under it.',
  'two to lift': () => 'Two people: it weighs more than one should lift.',
  'three cuts': ({ undercutOutCm }) =>
    `Heavy: undercut first, a third through, ${inches(undercutOutCm)} out from the last cut; top cut a little further out; then the last cut. Nobody below.`,
  'on a ladder': () =>
    'Above reach: three-legged ladder on firm ground, feet no higher than 2 m (6.5 ft), three points of contact, no power saw.',
  slope: () => 'On the slope the third leg of the ladder goes uphill.',
  'metal in the stem': () => 'There is metal in the stem: no saw there.',
  'boundary mark': () => 'A boundary mark is nailed to the stem: no saw near it, and the mark stays.',
  'heritage tree': () => 'Protected as heritage: ask the authority before cutting more than dead wood.',
};
export const cautionWords = ({ because }: Caution) => sentenceOf(CAUTIONS, because);
