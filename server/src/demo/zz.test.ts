import { PlanInput, planning, preparePlan } from '@mortisect/core/plan';
import { heightOf } from '@mortisect/core/shaping';
import { growTree } from './growTree';
import { trees } from './orrinBight';

function show(name: string, tree: any, booked: number[] = [], seasons = 3, plan: any = {}) {
  const input = PlanInput.parse({
    tree,
    findings: [],
    schools: { clearance: {}, halveDefiniteDormant: false, inSeasonStub: false, finish: 'tight' },
    season: 'dormant',
    year: 2026,
    seasons,
    booked,
    settings: plan,
  });
  const a = performance.now();
  const p = planning(input);
  const t = p.step(200_000);
  const ms = performance.now() - a;
  const { prepared } = p;
  if (process.env.COST)
    console.log(
      prepared.problem.candidates
        .map((c, k) => {
          let own = 0,
            f = 0,
            keep = 0;
          prepared.problem.candidates.forEach((d, j) => {
            let at: number | null = j;
            while (at !== null && at !== k) at = prepared.problem.candidates[at]!.parent;
            if (at === k) {
              own += d.own.crown;
              f += d.own.fruit;
              keep += d.own.keepWorth;
            }
          });
          return `${c.id} crown ${own} cost ${(own * 0.03 + f * 0.015).toFixed(1)} keep ${keep} min ${c.minutes.toFixed(0)}=${(c.minutes * 0.15).toFixed(1)} gain ${c.solves.reduce((s, q) => s + prepared.problem.problems[q.problem]!.value * (1 - q.remains), 0).toFixed(1)} slots ${c.slots}`;
        })
        .join('\n'),
    );
  console.log(
    name,
    'H',
    tree.targetHeightCm,
    'booked',
    booked,
    Math.round(heightOf(tree.limbs)),
    'cand',
    prepared.all.length,
    'chosen',
    prepared.problem.candidates.length,
    'asked',
    prepared.asked
      .filter((q) => q.what === 'height')
      .map((q) => `${q.id}=${q.value.toFixed(1)}`)
      .join(' '),
    '\nsteps',
    t.steps.map((s) => `${s.season}${s.pass[0]} ${s.candidateId} w${s.crown} ${s.serves}`).join(' | '),
    '\n',
    JSON.stringify(t.height),
    'limits',
    t.seasons.map((s) => `${s.crown}/${s.limit}`).join(' '),
    'handOver',
    t.handOver,
    'done',
    t.proof.done,
    Math.round(ms) + 'ms',
    t.proof.nodes,
  );
}
test('x', () => {
  for (const id of ['net-loft-03', 'net-loft-05']) {
    const tr = trees.find((t) => t.id === id)!;
    const { limbs, species, habit, form, susceptible, heightCm, targetHeightCm, hazards } = tr as any;
    for (const booked of [[], [1, 2, 3]])
      show(
        id,
        {
          limbs,
          species,
          habit,
          form,
          susceptible,
          heightCm,
          targetHeightCm,
          hazards,
          plantedYear: null,
          renovated: form === 'wild',
        },
        booked,
      );
  }
  const apple = growTree(
    { lengthCm: 760, baseMm: 260, tipMm: 40, ageYears: 40 },
    Array.from({ length: 12 }, (_, i) => ({
      id: `S${i}`,
      jointCm: 120 + 52 * i,
      lengthCm: Math.max(90, 330 - 18 * i),
      baseMm: Math.max(34, 110 - 6 * i),
      bearingDeg: (i * 137) % 360,
      inclinationDeg: 25 + (i % 3) * 12,
    })),
  );
  const base = {
    species: 'apple',
    habit: 'spur',
    form: 'wild',
    susceptible: false,
    heightCm: 800,
    targetHeightCm: 450,
    hazards: [],
    plantedYear: null,
    renovated: true,
  };
  show('apple8', { ...base, limbs: apple });
  show('apple8', { ...base, limbs: apple }, [1, 2, 3, 4], 4);
  const pear = growTree(
    { lengthCm: 540, baseMm: 140, tipMm: 16, ageYears: 22 },
    Array.from({ length: 10 }, (_, i) => ({
      id: `S${i}`,
      jointCm: 80 + 44 * i,
      lengthCm: Math.max(60, 190 - 12 * i),
      baseMm: Math.max(22, 60 - 3.4 * i),
      bearingDeg: (i * 137) % 360,
      inclinationDeg: 30 + (i % 3) * 10,
    })),
  );
  show('pear56', {
    ...base,
    species: 'pear',
    form: 'central leader',
    heightCm: 560,
    targetHeightCm: 350,
    limbs: pear,
    renovated: false,
  });
  show(
    'pear56',
    {
      ...base,
      species: 'pear',
      form: 'central leader',
      heightCm: 560,
      targetHeightCm: 350,
      limbs: pear,
      renovated: false,
    },
    [1, 2, 3, 4],
    4,
  );
  // open-centre apple of tall scaffolds
  const vase = growTree(
    { lengthCm: 110, baseMm: 200, tipMm: 170, ageYears: 30 },
    Array.from({ length: 4 }, (_, i) => ({
      id: `S${i}`,
      jointCm: 80 + 8 * i,
      lengthCm: 480,
      baseMm: 105,
      bearingDeg: 90 * i,
      inclinationDeg: 62,
      sideBranches: 8,
    })),
  );
  show('vase53', {
    ...base,
    form: 'open centre',
    heightCm: 530,
    targetHeightCm: 350,
    limbs: vase,
    renovated: false,
  });
});
