// How long does the cut position of a large tree take?
import { cutPosition, type Lesion } from '@mortisect/core/cuts';
import type { Limb } from '@mortisect/core/tree';

const LIMBS = 400;
const LESIONS = 60;
const RUNS = 300;

const input = { limbs: largeTree(), lesions: manyLesions(), clearanceCm: 30 };
for (let i = 0; i < RUNS; i++) cutPosition(input);
const times: number[] = [];
for (let i = 0; i < RUNS; i++) {
  const from = performance.now();
  cutPosition(input);
  times.push(performance.now() - from);
}
times.sort((a, b) => a - b);
const at = (share: number) => (times[Math.round(share * (RUNS - 1))] as number).toFixed(2);
console.log(
  `Cut position, ${LIMBS} limbs, ${LESIONS} lesions: ${at(0.5)} ms, 95 % under ${at(0.95)} ms  (aim: under 5 ms)`,
);

function largeTree(): Limb[] {
  const limbs: Limb[] = [limb('L0', null, 0, 420, 190, 30, 'trunk', 20)];
  for (let i = 1; i < LIMBS; i++) {
    const parent = limbs[i <= 12 ? 0 : Math.floor(i / 5)] as Limb;
    const lengthCm = i <= 12 ? 260 : Math.max(14, parent.lengthCm * 0.5);
    limbs.push(
      limb(
        `L${i}`,
        parent.id,
        parent.lengthCm * (0.2 + 0.14 * (i % 6)),
        lengthCm,
        Math.max(6, parent.baseMm * 0.5),
        4,
        i <= 12 ? 'scaffold' : 'lateral',
        8,
      ),
    );
  }
  return limbs;
}

function limb(
  id: string,
  parentId: string | null,
  jointCm: number,
  lengthCm: number,
  baseMm: number,
  tipMm: number,
  kind: Limb['kind'],
  ageYears: number,
): Limb {
  const points = ['out', 'up', 'under', 'in'] as const;
  const buds = points.map((direction, i) => ({
    atCm: lengthCm * (0.2 + i * 0.2),
    points: direction,
    kind: 'leaf' as const,
    live: true,
  }));
  return {
    id,
    parentId,
    jointCm,
    lengthCm,
    baseMm,
    tipMm,
    ageYears,
    kind,
    bearingDeg: 0,
    inclinationDeg: 40,
    buds,
    budsComplete: true,
  };
}

function manyLesions(): Lesion[] {
  return Array.from({ length: LESIONS }, (_, i) => ({
    id: `x${i}`,
    limbId: `L${5 + i * 6}`,
    fromCm: 4 + (i % 9),
    toCm: 12 + (i % 9),
    disorder: i % 3 === 0 ? 'DEAD' : 'FB_CANK_A',
    edge: 'definite' as const,
  }));
}
