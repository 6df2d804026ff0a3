// A second implementation of the cut position rule, written for plainness only: it lists every place of the whole tree that a
// saw may take, throws out what the rule forbids, and sorts. It shares no code with the first but the types.
import fc from 'fast-check';
import type { Bud, Limb } from '../tree/index';
import { cutPosition } from './cutPosition';
import type { Cut, Lesion } from './model';

interface Candidate {
  kind: 'reduction' | 'heading' | 'collar';
  atCm: number;
}

const close = (a: number, b: number) => Math.abs(a - b) < 1e-4;
const thick = (limb: Limb, s: number) => limb.baseMm + (limb.tipMm - limb.baseMm) * (s / limb.lengthCm);
const old = (limb: Limb, s: number) => Math.max(1, Math.ceil(limb.ageYears * (1 - s / limb.lengthCm)));

/** Walks one centimetre-thousandth after another would be plain too; this walks limb by limb. */
function target(
  limbs: Limb[],
  limb: Limb,
  edge: number,
  clearance: number,
): { limb: Limb; t: number } | 'trunk' {
  let on = limb;
  let t = edge - clearance;
  while (t < 0) {
    const parent = limbs.find((limb) => limb.id === on.parentId);
    if (!parent || parent.kind === 'trunk') return 'trunk';
    t += on.jointCm;
    on = parent;
  }
  return { limb: on, t };
}

function candidates(limbs: Limb[], limb: Limb, lesionOn: string): Candidate[] {
  const carries = (branch: Limb): boolean =>
    branch.id === lesionOn || limbs.some((limb) => limb.parentId === branch.id && carries(limb));
  const reductions = limbs
    .filter((branch) => branch.parentId === limb.id && !carries(branch))
    .filter(
      (branch) =>
        branch.baseMm >= thick(limb, branch.jointCm) * (thick(limb, branch.jointCm) > 50 ? 1 / 2 : 1 / 3),
    )
    .map((branch) => ({
      kind: 'reduction' as const,
      atCm: branch.jointCm + branch.baseMm / 10 / 2 + (thick(limb, branch.jointCm) < 25 ? 0.6 : 2.5),
    }));
  const usable = (bud: Bud) =>
    bud.live &&
    ['leaf', 'unknown'].includes(bud.kind) &&
    ['out', 'under', 'left', 'right'].includes(bud.points);
  const headings = (limb.buds ?? [])
    .filter((bud) => usable(bud))
    .map((bud) => ({ kind: 'heading' as const, atCm: bud.atCm + 0.6 }))
    .filter(({ atCm }) => thick(limb, atCm) <= 25 + 1e-9 || old(limb, atCm) <= 2);
  return [...reductions, ...headings, { kind: 'collar', atCm: 0 }];
}

const length = fc.integer({ min: 30, max: 200 });
const share = fc.integer({ min: 1, max: 99 }).map((n) => n / 100);
const sideways = fc.constantFrom<Bud['points']>('left', 'right', 'up', 'in');
const bud = fc.record({
  at: share,
  points: sideways,
  live: fc.boolean(),
  kind: fc.constantFrom<Bud['kind']>('leaf', 'flower', 'unknown'),
});
const grown = fc.record({
  parent: fc.nat(8),
  joint: share,
  lengthCm: length,
  baseMm: fc.integer({ min: 6, max: 60 }),
  ageYears: fc.integer({ min: 1, max: 12 }),
  buds: fc.array(bud, { maxLength: 5 }),
});

/** A stem, a scaffold, and up to six more limbs that hang anywhere on what is there but the stem. */
const tree = fc.array(grown, { minLength: 1, maxLength: 7 }).map((all) => {
  const stem: Limb = {
    id: 'T',
    parentId: null,
    jointCm: 0,
    lengthCm: 250,
    baseMm: 120,
    tipMm: 30,
    ageYears: 15,
    kind: 'trunk',
    bearingDeg: 0,
    inclinationDeg: 90,
  };
  const limbs: Limb[] = [stem];
  all.forEach((drawn, i) => {
    const parent = i === 0 ? stem : (limbs[1 + (drawn.parent % (limbs.length - 1))] as Limb);
    limbs.push({
      ...stem,
      id: `L${i}`,
      parentId: parent.id,
      // On the stem at its top: there is no leader above, so that a walk onto it always ends in the trunk
      jointCm: i === 0 ? 250 : drawn.joint * parent.lengthCm,
      lengthCm: drawn.lengthCm,
      baseMm: drawn.baseMm,
      tipMm: 4,
      ageYears: drawn.ageYears,
      kind: i === 0 ? 'scaffold' : 'lateral',
      budsComplete: true,
      buds: drawn.buds.map(({ at, ...rest }) => ({ ...rest, atCm: at * drawn.lengthCm })),
    });
  });
  return limbs;
});

test('the place is the most distal of all that the rule allows, on 2,000 generated trees', () => {
  fc.assert(
    fc.property(tree, fc.nat(20), share, fc.integer({ min: 0, max: 80 }), (limbs, pick, at, clearanceCm) => {
      const limb = limbs[1 + (pick % (limbs.length - 1))] as Limb;
      const fromCm = at * limb.lengthCm;
      const lesion: Lesion = {
        id: 'x',
        limbId: limb.id,
        fromCm,
        toCm: limb.lengthCm,
        disorder: 'CYT',
        edge: 'definite',
      };
      const { cuts } = cutPosition({ limbs, lesions: [lesion], clearanceCm });
      const [cut] = cuts as [Cut];
      const end = target(limbs, limb, fromCm, clearanceCm);
      if (end === 'trunk') {
        expect(cut).toMatchObject({ kind: 'collar', limbId: 'L0', atCm: 0 });
        return;
      }
      expect(cut.limbId).toBe(end.limb.id);
      expect(close(cut.targetCm ?? Number.NaN, end.t)).toBe(true);
      const allowed = candidates(limbs, end.limb, limb.id).filter(
        ({ atCm }) => atCm <= end.t + 1e-9 && atCm <= end.limb.lengthCm,
      );
      const best = Math.max(...allowed.map(({ atCm }) => atCm));
      expect(close(cut.atCm, best)).toBe(true);
      expect(allowed.some(({ kind, atCm }) => kind === cut.kind && close(atCm, best))).toBe(true);
    }),
    { numRuns: 2000 },
  );
});
