// Geometry against a general 3-D library, worked distances, an analytic gap probability, and the trade's rules.
import fc from 'fast-check';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { Line3, Vector3 } from 'three';
import { manyRuns } from '../testing/index';
import { cutBack, type Limb, starterMap } from '../tree/index';
import { hits, wilson } from './gapTest';
import {
  type FaultKind,
  type FaultTree,
  faultKey,
  gapTest,
  geometryFaults,
  lightInside,
  nearest,
  startingLimits,
} from './index';
import { EXTINCTION, Leaves, skyDirections } from './light';
import { angleDeg } from './segments';

const p = (x: number, y: number, z: number) => ({ x, y, z });

describe('distance of segments', () => {
  // Worked values G01–G03, after Ericson 2005
  test.each([
    ['crossing skew', [p(0, 0, 0), p(2, 0, 0)], [p(1, -1, 0.05), p(1, 1, 0.05)], 0.05],
    ['parallel', [p(0, 0, 0), p(1, 0, 0)], [p(0, 0.3, 0), p(1, 0.3, 0)], 0.3],
    ['end to end', [p(0, 0, 0), p(1, 0, 0)], [p(2, 1, 0), p(3, 1, 0)], Math.SQRT2],
    ['two points', [p(0, 0, 0), p(0, 0, 0)], [p(0, 3, 4), p(0, 3, 4)], 5],
  ] as const)('%s', (_, [base, tip], [otherBase, otherTip], expected) => {
    expect(nearest({ base, tip }, { base: otherBase, tip: otherTip }).distance).toBeCloseTo(expected, 9);
  });

  test('agrees with a general 3-D library on segments anywhere', () => {
    const number = fc.double({ min: -500, max: 500, noNaN: true });
    const point = fc.record({ x: number, y: number, z: number });
    const v = ({ x, y, z }: { x: number; y: number; z: number }) => new Vector3(x, y, z);
    fc.assert(
      fc.property(point, point, point, point, (a, b, c, d) => {
        const ours = nearest({ base: a, tip: b }, { base: c, tip: d });
        const theirs = Math.sqrt(new Line3(v(a), v(b)).distanceSqToLine3(new Line3(v(c), v(d))));
        expect(ours.distance).toBeCloseTo(theirs, 3);
      }),
      { numRuns: 2000 },
    );
  });

  test('worked crotch angle: axis (0,0,1), branch (0.6,0,0.8) is 36.87°', () => {
    expect(angleDeg(p(0, 0, 1), p(0.6, 0, 0.8))).toBeCloseTo(36.8699, 4);
  });
});

function limb(id: string, parentId: string | null, more: Partial<Limb>): Limb {
  return {
    id,
    parentId,
    jointCm: 0,
    lengthCm: 200,
    baseMm: 40,
    tipMm: 8,
    ageYears: 6,
    kind: parentId === null ? 'trunk' : 'scaffold',
    bearingDeg: 0,
    inclinationDeg: parentId === null ? 90 : 40,
    ...more,
  };
}

const stem = limb('T', null, { lengthCm: 250, baseMm: 110, tipMm: 30, graftUnionCm: 20 });
/** Four limbs evenly round the stem: nothing is wrong with them. */
const even = ['A', 'B', 'C', 'D'].map((id, i) =>
  limb(id, 'T', { jointCm: 90 + 30 * i, bearingDeg: 90 * i + 10 }),
);
const tree = (limbs: Limb[], more: Partial<FaultTree> = {}): FaultTree => ({
  limbs: [stem, ...limbs],
  species: 'apple',
  form: 'central leader',
  habit: 'unknown',
  reachCm: null,
  ...more,
});
const kinds = (given: FaultTree) => geometryFaults(given, startingLimits()).map((fault) => fault.kind);

test('an even young tree has no fault', () => expect(kinds(tree(even))).toEqual([]));

// Each rule by the trade's figures: common practice, no source.
const cases: [FaultKind, Limb[], Partial<FaultTree>?][] = [
  [
    'rubbing',
    [
      ...even,
      limb('X', 'A', { kind: 'branch', jointCm: 100, bearingDeg: 159, inclinationDeg: 3, lengthCm: 110 }),
    ],
  ],
  [
    'inward',
    [
      ...even,
      limb('X', 'A', { kind: 'lateral', jointCm: 120, bearingDeg: 190, lengthCm: 60, inclinationDeg: 5 }),
    ],
  ],
  [
    'upright sprout',
    [
      ...even,
      limb('X', 'A', {
        kind: 'sprout',
        jointCm: 90,
        ageYears: 1,
        inclinationDeg: 85,
        lengthCm: 70,
        baseMm: 9,
      }),
    ],
  ],
  [
    'downward',
    [
      ...even,
      limb('X', 'A', {
        kind: 'branch',
        jointCm: 120,
        bearingDeg: 60,
        inclinationDeg: -35,
        lengthCm: 50,
        baseMm: 14,
      }),
    ],
  ],
  [
    'narrow union',
    [
      ...even,
      limb('X', 'T', { jointCm: 220, bearingDeg: 150, inclinationDeg: 65, lengthCm: 60, baseMm: 24 }),
    ],
  ],
  ['flat union', [...even.slice(1), limb('A', 'T', { jointCm: 90, bearingDeg: 10, inclinationDeg: 2 })]],
  [
    'cluster',
    [
      ...even,
      ...['X', 'Y', 'Z'].map((id, i) =>
        limb(id, 'A', {
          kind: 'shoot',
          jointCm: 150 + i,
          ageYears: 1,
          lengthCm: 20,
          baseMm: 6,
          tipMm: 3,
          bearingDeg: 40 * i + 330,
          inclinationDeg: 30,
        }),
      ),
    ],
  ],
  ['over another', [...even, limb('X', 'T', { jointCm: 107, bearingDeg: 10 })]],
  [
    'too low',
    [
      ...even,
      limb('X', 'A', { kind: 'branch', jointCm: 100, bearingDeg: 40, inclinationDeg: -60, lengthCm: 150 }),
    ],
  ],
  ['out of reach', even, { reachCm: 150 }],
  [
    'past bearing',
    [...even, limb('X', 'A', { kind: 'lateral', jointCm: 120, ageYears: 5, bearingDeg: 60, lengthCm: 40 })],
    { species: 'peach' },
  ],
  [
    'sucker',
    [
      ...even,
      limb('X', 'T', {
        jointCm: 6,
        kind: 'shoot',
        bearingDeg: 45,
        lengthCm: 30,
        inclinationDeg: 70,
        baseMm: 8,
        ageYears: 1,
      }),
    ],
  ],
  [
    'double leader',
    [...even, limb('X', 'T', { jointCm: 120, bearingDeg: 50, inclinationDeg: 72, baseMm: 66 })],
  ],
  ['empty sector', even.slice(0, 2)],
  [
    'lopsided',
    [...even.slice(1), limb('A', 'T', { jointCm: 90, bearingDeg: 10, baseMm: 90, lengthCm: 260 })],
  ],
  [
    'out of plane',
    [
      ...[90, 270].map((bearingDeg, i) => limb(`E${i}`, 'T', { jointCm: 60, bearingDeg, inclinationDeg: 5 })),
      limb('X', 'E0', { kind: 'branch', jointCm: 80, bearingDeg: 0, lengthCm: 50 }),
    ],
    { form: 'espalier' },
  ],
];

test.each(cases.map(([kind, limbs, more]) => [kind, limbs, more ?? {}] as const))(
  '%s is found and told with its measure',
  (kind, limbs, more) => {
    const found = geometryFaults(tree(limbs, more), startingLimits()).find((fault) => fault.kind === kind);
    expect(found).toBeDefined();
    expect(found?.severity).toBeGreaterThanOrEqual(1);
    expect(Number.isFinite(found?.measured)).toBe(true);
  },
);

test('bearing age never speaks against scaffolds, nor on species whose old wood bears', () => {
  const old = [
    ...even.map((part) => ({ ...part, ageYears: 30 })),
    limb('X', 'A', { kind: 'lateral', jointCm: 120, ageYears: 20, bearingDeg: 60, lengthCm: 40 }),
  ];
  expect(kinds(tree(old, { species: 'pear' }))).not.toContain('past bearing');
  expect(
    geometryFaults(tree(old, { species: 'peach' }), startingLimits())
      .filter((fault) => fault.kind === 'past bearing')
      .map((fault) => fault.limbIds),
  ).toEqual([['X']]);
});

test('the same fault has the same key next season, whichever way round its limbs are listed', () => {
  expect(faultKey({ kind: 'crossing', limbIds: ['B', 'A'] })).toBe(
    faultKey({ kind: 'crossing', limbIds: ['A', 'B'] }),
  );
});

test('two gaps between the same two limbs are two faults', () => {
  const opposite = tree([limb('A', 'T', { bearingDeg: 90 }), limb('B', 'T', { bearingDeg: 270 })]);
  const gaps = geometryFaults(opposite, startingLimits()).filter(({ kind }) => kind === 'empty sector');
  expect(gaps.map(faultKey).sort()).toEqual(['empty sector:A+B', 'empty sector:B+A']);
});

test('turning the whole tree changes no fault', () => {
  const given = tree([
    ...even,
    limb('X', 'A', { kind: 'branch', jointCm: 100, bearingDeg: 159, inclinationDeg: 3, lengthCm: 110 }),
  ]);
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 359 }), (by) => {
      const turned = {
        ...given,
        limbs: given.limbs.map((limb) => ({ ...limb, bearingDeg: (limb.bearingDeg + by) % 360 })),
      };
      expect(kinds(turned).sort()).toEqual(kinds(given).sort());
    }),
    { numRuns: 30 },
  );
});

describe('gap test', () => {
  test('disc among Poisson sticks: agrees with the analytic value 0.3295 (worked value G07)', () => {
    // Poisson number of sticks, mean 30 of 0.5 m, radius 1 cm, on a torus of 4 m²; disc of 10 cm
    const rng = xoroshiro128plus(11);
    const random = () => uniformFloat64(rng);
    const [side, length, radius, disc] = [2, 0.5, 0.01, 0.1];
    const analytic = Math.exp(
      (-30 * (2 * (disc + radius) * length + Math.PI * (disc + radius) ** 2)) / side ** 2,
    );
    expect(analytic).toBeCloseTo(0.329526, 6);
    const throws = 10_000;
    let passed = 0;
    for (let i = 0; i < throws; i++) {
      let clear = true;
      const wait = () => -Math.log(1 - random());
      for (let met = wait(); met < 30; met += wait()) {
        const [u, v, turn] = [random() * side, random() * side, random() * 2 * Math.PI];
        for (const du of [-side, 0, side]) {
          for (const dv of [-side, 0, side]) {
            const seen = {
              u1: u + du,
              v1: v + dv,
              u2: u + du + length * Math.cos(turn),
              v2: v + dv + length * Math.sin(turn),
              radius,
            };
            if (hits(seen, side / 2, side / 2, disc)) clear = false;
          }
        }
      }
      if (clear) passed++;
    }
    expect(Math.abs(passed / throws - analytic)).toBeLessThan(0.01);
  });

  // Wilson 1927; 10 of 20 gives 0.299–0.701 in textbooks
  test('interval of a share', () => {
    expect(wilson(10, 20)).toEqual([expect.closeTo(0.2993, 3), expect.closeTo(0.7007, 3)]);
    expect(wilson(0, 0)).toEqual([0, 1]);
  });

  test('repeatable by its seed; more wood catches more; the interval holds the share', () => {
    const open = [stem, ...even];
    const dense = [
      ...open,
      ...even.flatMap((part) =>
        [30, 60, 90, 120, 150].map((at, i) =>
          limb(`${part.id}${i}`, part.id, {
            kind: 'branch',
            jointCm: at,
            lengthCm: 90,
            baseMm: 18,
            bearingDeg: part.bearingDeg + (i % 2 ? 60 : -60),
            inclinationDeg: 20,
          }),
        ),
      ),
    ];
    const first = gapTest(open, 1500, 5);
    expect(gapTest(open, 1500, 5)).toEqual(first);
    expect(gapTest(dense, 1500, 5).share).toBeLessThan(first.share);
    expect(first.interval[0]).toBeLessThan(first.share);
    expect(first.interval[1]).toBeGreaterThan(first.share);
    expect(first.catchers.length).toBeGreaterThan(0);
  });
});

describe('light', () => {
  test('Beer–Lambert (worked value G05): below a leaf area index of 2.5 at k 0.5 there is 28.65 % of the light', () => {
    const leaves = new Leaves();
    // A slab 1 m thick of 25 cm cubes; each holds its share of 2.5 m² of leaf a m² of ground
    for (let x = -400; x < 400; x += 25)
      for (let y = -400; y < 400; y += 25)
        for (let z = 0; z < 100; z += 25) leaves.add(p(x + 1, y + 1, z + 1), (2.5 / 4) * 0.25 ** 2);
    const index = leaves.areaAlong(p(3, 3, 0), p(0, 0, 1));
    expect(index).toBeCloseTo(2.5, 6);
    expect(Math.exp(-EXTINCTION * index)).toBeCloseTo(0.286505, 5);
  });

  test('directions light a level leaf as an overcast sky does: mean of sin² of height is one half', () => {
    const sky = skyDirections(64);
    expect(sky.reduce((sum, { z }) => sum + z * z, 0) / 64).toBeCloseTo(0.5, 3);
    for (const { x, y, z } of sky) expect(Math.hypot(x, y, z)).toBeCloseTo(1, 9);
  });

  test('a bare crown is full of light, a thick one is not; repeatable by the seed', () => {
    const thin = starterMap({
      form: 'open centre',
      species: 'apple',
      heightCm: 350,
      spreadCm: 360,
      scaffolds: 4,
      girthCm: 20,
      ageYears: 8,
    });
    const thick = starterMap({
      form: 'open centre',
      species: 'apple',
      heightCm: 350,
      spreadCm: 360,
      scaffolds: 9,
      girthCm: 90,
      ageYears: 40,
    });
    expect(lightInside(thin, 3).share).toBeGreaterThan(lightInside(thick, 3).share);
    expect(lightInside(thick, 3)).toEqual(lightInside(thick, 3));
    expect(lightInside([stem], 3)).toEqual({ share: 1, leafAreaM2: 0 });
  });
});

describe('taking wood opens the crown', () => {
  const forms = ['open centre', 'central leader', 'fan', 'espalier', 'wild', 'multi-stem'] as const;
  const starter = fc.record({
    form: fc.constantFrom(...forms),
    heightCm: fc.integer({ min: 150, max: 700 }),
    spreadCm: fc.integer({ min: 120, max: 700 }),
    scaffolds: fc.integer({ min: 2, max: 8 }),
    twigs: fc.array(
      fc.tuple(fc.nat(50), fc.integer({ min: 10, max: 95 }), fc.integer({ min: 20, max: 160 })),
      {
        minLength: 1,
        maxLength: 8,
      },
    ),
    kerfs: fc.array(fc.tuple(fc.nat(80), fc.integer({ min: 0, max: 95 })), { minLength: 1, maxLength: 4 }),
  });

  test('never less light inside, never fewer hats through, on many trees', () => {
    fc.assert(
      fc.property(starter, ({ form, heightCm, spreadCm, scaffolds, twigs, kerfs }) => {
        const grown = [
          ...starterMap({ form, heightCm, spreadCm, scaffolds, species: 'apple', girthCm: 38, ageYears: 12 }),
        ];
        for (const [on, at, lengthCm] of twigs) {
          const parent = grown[on % grown.length] as Limb;
          const jointCm = (parent.lengthCm * at) / 100;
          grown.push(
            limb(`t${grown.length}`, parent.id, {
              jointCm,
              lengthCm,
              baseMm: 18,
              kind: 'lateral',
              bearingDeg: on * 40,
            }),
          );
        }
        const cut = kerfs.map(([on, at]) => {
          const part = grown[1 + (on % (grown.length - 1))] as Limb;
          return { limbId: part.id, atCm: (part.lengthCm * at) / 100 };
        });
        const left = cutBack(grown, cut);
        const [before, after] = [lightInside(grown, 5), lightInside(left, 5, grown)];
        expect(after.share).toBeGreaterThanOrEqual(before.share - 1e-12);
        expect(after.leafAreaM2).toBeLessThanOrEqual(before.leafAreaM2 + 1e-12);
        const hats = (limbs: Limb[]) => gapTest(limbs, 60, 5, 12, grown).passed;
        expect(hats(left)).toBeGreaterThanOrEqual(hats(grown));
      }),
      { numRuns: manyRuns(500, 12) },
    );
  });
});
