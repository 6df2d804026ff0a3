// Which bearing wood stands too close, and which has borne long enough and has something to follow it?
import { type Cut, heirsOf, type Lesion, shapeCut } from '../cuts/index';
import { plainDisorder } from '../disorders/index';
import type { Limb } from '../tree/index';

interface Tree {
  limbs: Limb[];
  species: string;
}

/** Bearing wood of a kind: how far apart it is to stand, cm, and how much of it stays at most. The brief’s figures; common practice, no source. */
interface Spacing {
  bears(limb: Limb): boolean;
  apartCm: number;
  staysShare: number;
}
const SHOOTS: Spacing = { bears: isLastYears, apartCm: 10, staysShare: 0.45 };
const SPURS: Spacing = {
  bears: ({ kind, bundle }) => kind === 'spur' && !bundle,
  apartCm: 15,
  staysShare: 1,
};
const SPACED: Readonly<Partial<Record<string, Spacing>>> = {
  peach: SHOOTS,
  nectarine: SHOOTS,
  apple: SPURS,
  pear: SPURS,
  'asian-pear': SPURS,
};

export interface Surplus {
  limbId: string;
  cut: Cut;
}

export const spacingId = (limbId: string) => `spacing ${limbId}`;
export const renewalId = (limbId: string) => `renewal ${limbId}`;

/** Shoots of a peach and spurs of an apple or pear beyond what has room; those that stay lie level, look out and are neither the weakest nor the rankest. */
export function surplusBearing({ limbs, species }: Tree): Surplus[] {
  const spacing = SPACED[species];
  if (!spacing) return [];
  const bearing = limbs.filter((limb) => limb.parentId !== null && spacing.bears(limb));
  const most = Math.floor(bearing.length * spacing.staysShare);
  const stays: Limb[] = [];
  for (const limb of bearing.toSorted((a, b) => rank(a) - rank(b) || (a.id < b.id ? -1 : 1))) {
    const near = stays.some(
      (other) => other.parentId === limb.parentId && Math.abs(other.jointCm - limb.jointCm) < spacing.apartCm,
    );
    if (!near && stays.length < most) stays.push(limb);
  }
  return bearing.flatMap((limb): Surplus[] => {
    if (stays.includes(limb)) return [];
    const cut = shapeCut(limbs, limb.id, null, { findingId: spacingId(limb.id), disorder: MISPLACED });
    return cut ? [{ limbId: limb.id, cut }] : [];
  });
}
const MISPLACED = plainDisorder('misplaced');

function isLastYears({ kind, ageYears, uncutLengthCm, bundle }: Limb): boolean {
  return kind === 'shoot' && ageYears <= 1 && uncutLengthCm === undefined && !bundle;
}

/** A bearing shoot as one would have it. Common practice, no source. */
const LIES_DEG = 20;
const GOOD_CM = 45;

/** The less, the better it bears: degrees off its best slope, and how far its length is from a good one. */
function rank({ inclinationDeg, lengthCm, kind }: Limb): number {
  const slope = Math.abs(inclinationDeg - LIES_DEG);
  return kind === 'spur' ? slope : slope + Math.abs(lengthCm - GOOD_CM);
}

/** Years after which laterals of a species give way to younger ones. @source extension handbooks on renewal pruning, from memory; the brief’s figures */
const BEAR_UNTIL: Readonly<Partial<Record<string, number>>> = {
  apple: 5,
  pear: 5,
  'european-plum': 5,
  'japanese-plum': 5,
  peach: 2,
  nectarine: 2,
  apricot: 4,
};
/** At most this share of a tree’s laterals is renewed in a year; a follower stands in the lower part of the limb and is young. Common practice, no source. */
const RENEWED_A_YEAR = 1 / 5;
const LOW_SHARE = 1 / 3;
const FOLLOWS_UP_TO_YEARS = 2;

export interface Renewal {
  limbId: string;
  followerId: string;
  cut: Cut;
}

/** Laterals past their age that have a young branch low down to go on from: the oldest first, a fifth of all laterals at most. @param lesions open findings: ill and broken branches do not follow */
export function renewals({ limbs, species }: Tree, lesions: Lesion[]): Renewal[] {
  const until = BEAR_UNTIL[species];
  if (until === undefined) return [];
  const laterals = limbs.filter(({ kind, bundle }) => kind === 'lateral' && !bundle);
  const due = laterals
    .filter(({ ageYears }) => ageYears > until)
    .toSorted((a, b) => b.ageYears - a.ageYears || (a.id < b.id ? -1 : 1))
    .flatMap((limb): Renewal[] => {
      const heir = heirsOf(limbs, limb.id, lesions, { findingId: renewalId(limb.id), disorder: MISPLACED })
        .filter(
          ({ branch, jointCm }) =>
            branch.ageYears <= FOLLOWS_UP_TO_YEARS && jointCm <= limb.lengthCm * LOW_SHARE,
        )
        .toSorted((a, b) => b.branch.baseMm - a.branch.baseMm)[0];
      return heir ? [{ limbId: limb.id, followerId: heir.branch.id, cut: heir.cut }] : [];
    });
  return due.slice(0, Math.ceil(laterals.length * RENEWED_A_YEAR));
}
