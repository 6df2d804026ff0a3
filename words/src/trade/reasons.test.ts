// What is told of a reason that a room gives as data: its values in the sentence, in the words of the screens.

import { debrisOf, scionGuard, startingDebris } from '@mortisect/core/aftercare';
import { supplies } from '@mortisect/core/blades';
import { limitSchools, regrowth, seasonLimits } from '@mortisect/core/crown';
import { CutAtHand, whoseCut } from '@mortisect/core/handling';
import type { Verdict } from '@mortisect/core/plan';
import { type TriageInput, triage } from '@mortisect/core/triage';
import { english, sayIn } from '../all';
import {
  cautionWords,
  cleaningWords,
  debrisWords,
  girdlingWords,
  insteadWords,
  keptForWords,
  limitWords,
  lookForWords,
  minutesForWords,
  recheckedWords,
  regrowthWords,
  scionWords,
  shootsAtWords,
  suppliesWords,
  told,
  triageWords,
  verdictWords,
} from './index';

const tree = {
  species: 'apple',
  ageYears: 20,
  vigour: 'moderate',
  renovated: false,
  wild: false,
  stressed: false,
} as const;

test.each([
  [{ stressed: true }, 100, /^A stressed or frozen tree: a tenth/],
  [{ ageYears: 4 }, 150, /^A young tree: 60 % of the school “A quarter”, so that it grows\.$/],
  [{ ageYears: 5 }, 250, /^School “A quarter”: General; the default here\. Source: ANSI A300/],
  [{ vigour: 'weak' }, 150, /^A weak tree: 60 % of the school “A quarter”\.$/],
  [{ species: 'nectarine' }, 1000, /^Peach and nectarine bear on last year’s shoots/],
  [{ species: 'sweet-cherry' }, 200, /^Cherries and plums: 80 % of the school “A quarter”\.$/],
  [{ renovated: true }, 330, /^A tree to renovate: what is to come off is spread evenly/],
  [{ renovated: true, wild: true, vigour: 'strong' }, 400, /^A tree to renovate: what is to come off/],
] as const)('the limit of a tree that is %j is %i thousandths, and why', (more, limit, words) => {
  const { limits, because } = seasonLimits({ ...tree, ...more }, 3, 'quarter', 'evenly');
  expect(limits).toEqual([limit, limit, limit]);
  expect(limitWords(english, because)).toMatch(words);
});

test('hard at once and then light has words of its own; a school tells its own name and source', () => {
  const hard = seasonLimits({ ...tree, renovated: true, vigour: 'strong' }, 3, 'quarter', 'hard first');
  expect(hard.limits).toEqual([400, 100, 100]);
  const even = seasonLimits({ ...tree, renovated: true }, 3, 'quarter', 'hard first');
  expect(limitWords(english, even.because)).toMatch(/^Hard at once is for strong apples and pears/);
  expect(limitWords(english, hard.because)).toMatch(/^A tree to renovate, hard at once/);
  for (const { id, name, source } of limitSchools)
    expect(limitWords(english, seasonLimits(tree, 1, id, 'evenly').because)).toMatch(
      new RegExp(`“${told(english, name)}”.*Source: ${source}`),
    );
});

test.each([
  [{ kind: 'heading', kerfMm: 49, pass: 'dormant', seasonShare: 0.3 }, /^A shortened limb .*cut\.$/],
  [{ kind: 'heading', kerfMm: 50, pass: 'dormant', seasonShare: 0.3 }, /^A large dormant cut .*it\.$/],
  [
    { kind: 'collar', kerfMm: 49, pass: 'dormant', seasonShare: 0.3 },
    /^A limb taken at its collar .*answered\.$/,
  ],
  [{ kind: 'collar', kerfMm: 49, pass: 'dormant', seasonShare: 0.31 }, /answered\. Over three tenths/],
  [{ kind: 'collar', kerfMm: 80, pass: 'summer', seasonShare: 0.4 }, /^Summer cuts are hardly answered\.$/],
] as const)('what answers %j', (cut, words) => {
  expect(regrowthWords(english, regrowth(cut).because)).toMatch(words);
});

test('a verdict tells its share, and what else may be chosen', () => {
  const girdled = { code: 'girdled by disease', values: { share: 0.583 } } as const;
  expect(verdictWords(english, girdled)).toMatch(/^Disease girdles 58 % of the stem/);
  expect(verdictWords(english, { code: 'gnawed', values: { share: 0.6, scions: 5 } })).toMatch(
    /60 % .* take 5 scions/,
  );
  expect(verdictWords(english, { code: 'too much at once', values: { share: 0.451 } })).toMatch(
    /^45 % of the living crown/,
  );
  const instead = (because: Verdict['because']) =>
    insteadWords(english, { choice: 'remove tree', findingIds: [], instead: ['watch'], because }, 'watch');
  expect(instead(girdled)).toMatch(/^Watch: it stays a source/);
  expect(instead({ code: 'gnawed', values: { share: 1, scions: 1 } })).toMatch(/^Watch: from half on/);
});

test('minutes, worth and supplies in words', () => {
  expect(minutesForWords(english, 'blade', 'Pruning SAW')).toBe('blade, pruning saw');
  expect(minutesForWords(english, 'ladder', 'Pruning SAW')).toBe('ladder, its share');
  expect(keptForWords(english, ['frame', 'follower'])).toBe('one of the frame, grown on as a follower');
  const given = {
    cleanings: 30,
    hours: 4,
    contactSeconds: 30,
    handlingSeconds: 5,
    cutEverySeconds: 60,
    blades: 1,
  };
  expect(
    (['wipe', 'spray', 'soak', 'dip'] as const).map((method) =>
      suppliesWords(english, supplies({ ...given, method }).because),
    ),
  ).toEqual([
    '4 mL on the cloth for each of 30 wipes.',
    '0.7 mL on each of two sides, 30 times.',
    'a tray of 2 L.',
    'a jar of 0.75 L; 0.1 L more for every 2 h.',
  ]);
  expect(cleaningWords(english, { code: 'avoids more', values: { than: 0.05 } })).toBe(
    'Cleaning at every cut avoids more than 0.05 new infections a tree.',
  );
});

test('where wood goes, and whose scions are left alone, by the name of what is in it', () => {
  const said = (codes: string[], mm: number) =>
    debrisOf(codes, mm, startingDebris()).because.map((each) => debrisWords(english, each));
  expect(said(['FB_CANK_A'], 30)).toContain('Kept apart from sound wood, and never fed to livestock.');
  expect(said([], 30)).not.toContain('Kept apart from sound wood, and never fed to livestock.');
  const clean = { findings: [], lastSeenOn: '2026-11-01', cameBackOn: [] };
  const finding = { disorder: 'NEO', day: '2026-01-01', open: false };
  const words = (more: object) =>
    scionWords(english, scionGuard({ ...clean, ...more }, '2026-11-24').because);
  expect(words({})).toMatch(/^No disease on its record for 2 years\. Viruses/);
  // Said once, however often it was found
  expect(words({ findings: [finding, finding] })).toBe('Neonectria canker is on its record within 2 years.');
  expect(words({ lastSeenOn: null, cameBackOn: ['2026-02-01'] })).toBe(
    'Disease came back after a cut. Nobody has looked all round it for a year: what was not seen is not sound.',
  );
});

const given: TriageInput = {
  heightCm: 300,
  targetHeightCm: 300,
  form: 'open centre',
  hazards: [],
  leanDeg: null,
  purposes: ['picked fruit'],
  fruitKnown: true,
  affectedShare: 0,
  earlierShare: null,
  stemGirdledShare: 0,
  minutesLastSeason: null,
};
test.each([
  [
    { hazards: ['power line', 'slope', 'split stem'] },
    'power line and split stem: work for a licensed arborist.',
  ],
  [{ hazards: ['lean'] }, 'It leans.'],
  [{ stemGirdledShare: 0.5 }, '50 % of the stem is girdled by disease.'],
  [{ affectedShare: 0.75 }, '75 % of the crown is dead or diseased.'],
  [{ affectedShare: 0.5, fruitKnown: false }, '50 % of the crown is gone and nobody knows the fruit.'],
  [{ form: 'wild' }, 'It has grown wild.'],
  [{ targetHeightCm: 200 }, 'It has outgrown the height it should have.'],
  [{ heightCm: 600, targetHeightCm: null }, 'Mostly sound and as high as it should be.'],
  [
    { heightCm: 601, targetHeightCm: null },
    'Mostly sound and as high as it should be. Cuts above 3.4 m (11 ft) are work for a licensed arborist; Plan lists them.',
  ],
] as const)('triage of %j: %s', (more, words) => {
  expect(triageWords(english, triage({ ...given, ...more } as TriageInput).because)).toBe(words);
});

test.each<[Partial<CutAtHand>, RegExp]>([
  [{ hazards: ['power line'] }, /^A power line is near: keep 3 m \(10 ft\) at least/],
  [{ kerfHeightCm: 351 }, /^The cut is more than 3\.4 m \(11 ft\) over the ground\.$/],
  [
    { farther: [{ heightCm: 341, kerfMm: 9 }] },
    /^It must come down in pieces, and one of them is cut more than 3\.4 m/,
  ],
  [
    { kerfHeightCm: 300, kerfMm: 101 },
    /^The wood is over 10 cm \(4 in\) thick, which is too much to saw on a ladder\.$/,
  ],
  [{ kerfHeightCm: 300, massKg: 6, hazards: ['cavity'] }, /^The stem is hollow, so no ladder/],
  [{ kerfHeightCm: 300 }, /^With the pole: hold it no steeper than 60°/],
  [{ kerfMm: 151 }, /^The wood is over 15 cm \(6 in\) thick at the cut\.$/],
  [{ massKg: 51 }, /^The limb weighs more than 50 kg \(110 lb\)\.$/],
  [{ kerfMm: 50 }, /^Heavy: undercut first, a third through, 20 cm \(8 in\) out from the last cut/],
  [{ kerfMm: 90 }, /a third through, 30 cm \(12 in\) out/],
  [{ hazards: ['boundary mark'] }, /^A boundary mark is nailed to the stem/],
  [{ hazards: ['hanging limb'] }, /^A limb hangs in this tree/],
  [{ hazards: ['split stem'] }, /^The stem is split/],
  [{ hazards: ['cavity'] }, /^The stem is hollow: do not climb it/],
  [{ hazards: ['lean'] }, /^The tree leans: nobody on the low side/],
  [{ hazards: ['metal in the stem'] }, /^There is metal in the stem/],
  [{ hazards: ['heritage tree'] }, /^This tree is protected/],
  [{ kerfHeightCm: 300, massKg: 6 }, /^Above reach: three-legged ladder/],
])('what is said first of a cut that is %j, in both units', (more, words) => {
  const easy = { hazards: [], kerfHeightCm: 120, kerfMm: 18 };
  const [first] = whoseCut(CutAtHand.parse({ ...easy, ...more })).cautions;
  expect(first && cautionWords(english, first)).toMatch(words);
});

test('a height is told with the mark before decimals of the reader', () => {
  const [high] = whoseCut(CutAtHand.parse({ hazards: [], kerfHeightCm: 351, kerfMm: 18 })).cautions;
  expect(high && cautionWords(sayIn('es-ES'), high)).toBe('El corte está a más de 3,4 m (11 ft) del suelo.');
});

test('each way out of a verdict, of debris and of cleaning is said', () => {
  const share = { share: 0.5 };
  const because: Verdict['because'][] = [
    { code: 'decided', values: {} },
    { code: 'rootstock lost', values: {} },
    { code: 'girdled by disease', values: share },
    { code: 'too much at once', values: share },
    { code: 'gnawed', values: { share: 0.5, scions: 5 } },
  ];
  expect(because.map((each) => verdictWords(english, each))).toEqual([
    expect.stringMatching(/^Decided by the caretaker/),
    expect.stringMatching(/^Fire blight in the rootstock/),
    expect.stringMatching(/^Disease girdles 50 %/),
    expect.stringMatching(/^50 % of the living crown/),
    expect.stringMatching(/^The bark is gone round 50 %/),
  ]);
  const said = (codes: string[], mm: number, more: object) =>
    debrisOf(codes, mm, { ...startingDebris(), ...more }).because.map((each) => debrisWords(english, each));
  expect(said(['FB_CANK_A'], 20, { burning: 'banned' })).toEqual([
    'Burning is not allowed here.',
    expect.stringMatching(/: chips are less safe than taking it away\.$/),
    expect.stringMatching(/it does not stay\.$/),
    expect.stringMatching(/^Kept apart/),
  ]);
  expect(said(['FB_SHOOT'], 26, { burnsBlight: false, infectedBy: 'bury' })).toEqual([
    'By the school of this site fire blight is not burned.',
    expect.stringMatching(/is chipped only where it is no thicker than 25 mm\.$/),
    expect.stringMatching(/it does not stay\.$/),
    expect.stringMatching(/^Kept apart/),
  ]);
  expect(said(['NEO'], 26, { infectedBy: 'burn' })).toEqual([
    expect.stringMatching(/^Neonectria canker goes on shedding/),
    expect.stringMatching(/it does not stay\.$/),
    expect.stringMatching(/^Kept apart/),
    'Ask first whether it may be burned here today.',
  ]);
  expect(cleaningWords(english, { code: 'notifiable', values: {} })).toMatch(/must be reported/);
  expect(cleaningWords(english, { code: 'avoids no more', values: { than: 0.05 } })).toMatch(
    /no more than 0\.05/,
  );
  const keptFor = ['frame', 'level', 'follower', 'flower', 'better'] as const;
  expect(new Set(keptFor.map((reason) => keptForWords(english, [reason]))).size).toBe(keptFor.length);
  const found = {
    findings: [{ disorder: 'DEAD', day: '2026-01-01', open: true }],
    lastSeenOn: '2026-11-01',
    cameBackOn: [],
  };
  expect(scionWords(english, scionGuard(found, '2026-11-24').because)).toBe(
    'It has dead wood of unknown cause.',
  );
});

test('rechecks and girdling: what to look for, what it says, what is usually done', () => {
  const looks = ['strikes', 'dieback', 'canker', 'collar', 'below the cut'] as const;
  expect(new Set(looks.map((each) => lookForWords(english, each))).size).toBe(looks.length);
  expect(lookForWords(english, 'below the cut')).toBe('Shoots within 30 cm (12 in) below the cut.');
  expect(recheckedWords(english, 'clean so far')).toMatch(/no proof/);
  expect(recheckedWords(english, 'fell short')).toMatch(/cut again, 30 cm further/);
  expect(girdlingWords(english, 'bridge in spring')).toMatch(/bridge graft/);
  for (const disease of ['stem declines', 'stem is lost'] as const)
    expect(girdlingWords(english, disease)).not.toMatch(/bridge/);
  expect(shootsAtWords(english, 'collar')).toMatch(/collar/);
});
