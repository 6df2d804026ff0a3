// How long does the cut position of a large tree take?
import { cutPosition, type Lesion, MOST_LESIONS, MOST_LIMBS } from '@mortisect/core/cuts';
import type { Limb } from '@mortisect/core/tree';

timed(400, 60, 300, '  (aim: under 5 ms)');
timed(MOST_LIMBS, MOST_LESIONS, 30, '  (the most that is computed at once)');

function timed(limbCount: number, lesionCount: number, runs: number, aim: string): void {
  const limbs = largeTree(limbCount);
  const input = { limbs, lesions: manyLesions(lesionCount, limbCount), clearanceCm: 30 };
  for (let i = 0; i < runs; i++) cutPosition(input);
  const times = Array.from({ length: runs }, () => {
    const from = performance.now();
    cutPosition(input);
    return performance.now() - from;
  }).sort((a, b) => a - b);
  const at = (share: number) => (times[Math.round(share * (runs - 1))] as number).toFixed(2);
  console.log(
    `Cut position, ${limbCount} limbs, ${lesionCount} lesions: ${at(0.5)} ms, 95 % under ${at(0.95)} ms${aim}`,
  );
}

function largeTree(count: number): Limb[] {
  const limbs: Limb[] = [limb('L0', null, 0, 420, 190, 30, 'trunk', 20)];
  for (let i = 1; i < count; i++) {
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

function manyLesions(count: number, limbCount: number): Lesion[] {
  return Array.from({ length: count }, (_, i) => ({
    id: `x${i}`,
    limbId: `L${5 + Math.floor((i * (limbCount - 6)) / count)}`,
    fromCm: 4 + (i % 9),
    toCm: 12 + (i % 9),
    disorder: i % 3 === 0 ? 'DEAD' : 'FB_CANK_A',
    edge: 'definite' as const,
  }));
}
