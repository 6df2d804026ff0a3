// The disorders beyond the six worked ones: what they look like, how far past the last sign to cut, and when not to cut at all.
import type { Confidence } from '../register/index';
import type { Disorder, Traits } from './disorder';

type Clearance = readonly [number, number];
interface Handled {
  disorder: Disorder;
  /** cm past the last sign; null where wood is not cut for it. */
  cut: { dormantCm: Clearance; growingCm: Clearance; use: string } | null;
}

const POME = 'Apple, pear, quince, medlar, hawthorn and other pome fruit';
const STONE = 'Peach, apricot, plum, cherry, almond';
const EXTENSION = 'handling tables of extension services, from memory';
const FIRE_BLIGHT_REPORT =
  'May be notifiable where you are: ask the plant-health authority before cutting or moving wood.';
const OUT = 'Remove from the site: burn where legal, bury, or landfill.';
const CHIP = 'Chip or firewood.';
const HALF_OUT = 'Half of the trunk girdled: the tree comes out. Less: excise in dry weather and watch.';
const NO_TRUNK_CUT = 'No cut on the stem answers it: watch, or ask a plant clinic.';
const FREEZE_WAIT =
  'Wait until leaf-out shows what is alive, then cut to live wood. Light pruning only this year.';

/** Distances: Science of handling by extension services, remembered; each is a school that a site may change. */
export const handlingTable: readonly Handled[] = [
  disease(
    'FB_SHOOT',
    'Fire blight shoot strike',
    POME,
    'Hooked tip, leaves cling brown or black, dark streak down the bark, ooze in warm wet weather.',
    [1, 3],
    OUT,
    null,
    {
      notifiable: FIRE_BLIGHT_REPORT,
      edge: 'the last dark bark',
      spread: 'fire blight',
      pathogen: 'FB',
      causeGroup: 'fire blight',
      runsOn: true,
      strike: true,
      active: true,
      chips: 'thin',
    },
  ),
  disease(
    'FB_BLOS',
    'Fire blight in blossom or spur',
    POME,
    'Flower cluster dead and brown, spur dying, ooze on the stalk; 1–4 weeks after bloom.',
    [1, 3],
    OUT,
    null,
    {
      notifiable: FIRE_BLIGHT_REPORT,
      edge: 'the last dark bark',
      spread: 'fire blight',
      pathogen: 'FB',
      causeGroup: 'fire blight',
      runsOn: true,
      strike: true,
      active: true,
      chips: 'thin',
    },
  ),
  disease(
    'FB_ROOT',
    'Fire blight of the rootstock',
    POME,
    'Bleeding or dead bark below the graft union only, ooze, early red leaves.',
    [1, 3],
    OUT,
    'none',
    {
      notifiable: FIRE_BLIGHT_REPORT,
      onTrunk: 'No cut cures it: the tree comes out, roots and suckers too.',
      instead: 'No cut cures it: the tree comes out, roots and suckers too. Have it looked at first.',
      spread: 'fire blight',
      pathogen: 'FB',
      causeGroup: 'fire blight',
      runsOn: true,
      takesTree: true,
      sits: 'rootstock',
    },
  ),
  disease(
    'NFB',
    'Anthracnose or perennial canker of apple',
    'Apple, pear',
    'Sunken ellipse with a cracked edge, bark frayed like fiddle strings; or callus rings killed again each year.',
    [1, 1],
    OUT,
    [
      [5, 15],
      [5, 15],
    ],
    { causeGroup: 'canker', pared: true },
  ),
  disease(
    'PSS_CANK',
    'Bacterial canker',
    STONE,
    'Dead spurs, sour smell, brown flecks in the inner bark past the edge, gum, blank buds.',
    [1, 2],
    OUT,
    [
      [15, 30],
      [15, 30],
    ],
    {
      use: 'In dry summer; not in wet or cold weather.',
      confidence: 'low',
      onTrunk: 'Half girdled: it declines. Dead above ground, the stock may sprout again.',
      spread: 'bacterial canker',
      pathogen: 'PSS',
      causeGroup: 'bacterial',
      summerOnly: true,
      pared: true,
      chips: 'thin',
    },
  ),
  disease(
    'PSS_BLAST',
    'Bacterial blast of bloom and tips',
    'Pear, Asian pear, stone fruit',
    'Brown clusters after frost and wet; stops at the spur base; no ooze drops.',
    [1, 1],
    'Nothing special.',
    [
      [5, 5],
      [5, 5],
    ],
    {
      use: 'Wait 3–4 weeks for a clear edge; usually limits itself at the spur.',
      spread: 'bacterial canker',
      pathogen: 'PSS',
      causeGroup: 'bacterial',
      chips: 'thin',
    },
  ),
  disease(
    'BOT',
    'Black rot canker',
    'Apple, pear; peach as fungal gum',
    'Red-brown sunken bark, papery and orange-ish, black pimples, frogeye leaf spots, mummies.',
    [1, 1],
    'No brush piles: burn, bury, or chip and compost hot.',
    [
      [15, 15],
      [15, 15],
    ],
    { pathogen: 'BOT', causeGroup: 'canker', pared: true, chips: 'never' },
  ),
  disease(
    'BRN',
    'Brown rot of blossom and twig',
    `${STONE}; quince, apple`,
    'Blighted flowers, gum at the spur base, tan tufts in humid weather, mummies on the tree.',
    [0, 1],
    'Mummies buried, bagged or burned; not left on the ground.',
    [
      [5, 10],
      [10, 15],
    ],
    { use: 'Below the blight; all mummies and stalks too.', causeGroup: 'brown rot', onFruit: true },
  ),
  disease(
    'SIL',
    'Silver leaf',
    'Plum, cherry, peach, apple',
    'Silvery leaves, first on one limb; brown stain in the sapwood; later small purple-edged shelves.',
    [1, 1],
    'Burn or remove before brackets form, by early autumn.',
    [
      [10, 15],
      [10, 15],
    ],
    {
      use: 'Past the last stain, June to August, dry. Not in winter.',
      onTrunk:
        'Stain at the base of the trunk or a bracket on it: the tree comes out. A whole crown may recover: watch 1–2 years.',
      pathogen: 'SIL',
      causeGroup: 'stain',
      summerOnly: true,
      runsOn: true,
      chips: 'never',
    },
  ),
  disease(
    'EUT',
    'Eutypa dieback',
    'Apricot, cherry; apple little',
    'One limb collapses in summer, leaves cling; canker with gum round an old cut; brown wedge on the cut end.',
    [0, 0],
    'Burn or bury dead wood: it sheds spores for years.',
    [
      [30, 30],
      [30, 30],
    ],
    {
      use: 'Past stain and canker, dry summer, 6 weeks before autumn rain.',
      pathogen: 'EUT',
      causeGroup: 'stain',
      summerOnly: true,
      chips: 'never',
    },
  ),
  disease(
    'COR',
    'Coral spot',
    'All',
    'Coral-pink cushions on dead wood.',
    [0, 0],
    'Burn or bury; not stacked.',
    [
      [5, 10],
      [5, 10],
    ],
    { use: 'To live wood.', causeGroup: 'dead wood' },
  ),
  disease(
    'PMW',
    'Powdery mildew of tips',
    'Apple and others',
    'White tips, silver flattened winter shoots, dead end buds.',
    [0, 0],
    'Chip or mow.',
    [
      [10, 15],
      [10, 15],
    ],
    { use: 'Below the silver buds; dormant tip-out.', causeGroup: 'local', chips: 'always' },
  ),
  disease(
    'CGL',
    'Crown gall',
    'All',
    'Rough corky tumour at collar, roots or graft.',
    [3, 3],
    'Landfill or burn; do not chip as mulch.',
    'none',
    {
      instead: 'Do not cut a gall while pruning other trees. A young tree with many galls comes out.',
      spread: 'crown gall',
      causeGroup: 'local',
      chips: 'never',
    },
  ),
  disease(
    'PHY',
    'Phytophthora collar or root rot',
    'All',
    'Decline, early red leaves, dead bark at the soil line with orange inner bark and a sharp edge.',
    [1, 1],
    'Any; wash soil off boots and tools.',
    'none',
    { instead: 'Expose the collar, drain the ground. Do not cut yet.', causeGroup: 'root', sits: 'base' },
  ),
  disease(
    'BKT',
    'Black knot',
    'Plum, cherry',
    'Hard black lumpy swelling along the twig; olive green in its first year.',
    [1, 1],
    'Burn, bury or landfill soon: knots shed spores after cutting.',
    [
      [15, 20],
      [15, 20],
    ],
    {
      use: 'By late winter; not in spring rain.',
      notifiable: 'Regulated in places: ask the plant-health authority before moving wood.',
      causeGroup: 'local',
      chips: 'never',
      onlyIn: 'North America',
    },
  ),
  disease(
    'SCB',
    'Scab on wood',
    'Apple, pear',
    'Blistered, then cracked pustules on young twigs; olive leaf spots.',
    [0, 0],
    'Chip or mow.',
    [
      [0, 5],
      [0, 5],
    ],
    { use: 'Pustuled tips only.', causeGroup: 'local', chips: 'always' },
  ),
  damage(
    'BOR',
    'Borers or bark beetles',
    'Holes, sawdust alone or in gum, tunnels under the bark.',
    [
      [5, 10],
      [5, 10],
    ],
    'Chip thin wood or burn before the spring flight.',
    { use: 'Below the tunnels, to clean wood.', causeGroup: 'borers', chips: 'thin' },
  ),
  damage(
    'TIPB',
    'Shoot-tip borer',
    'One wilted tip, hollow inside.',
    [
      [5, 5],
      [5, 5],
    ],
    'Bag or chip.',
    { use: 'Below the tunnel; optional.', causeGroup: 'borers' },
  ),
  damage(
    'FRZ_WOOD',
    'Freeze injury of wood',
    'Brown cambium, no edge of a canker; several kinds of plant hit alike; only last year’s tips dead.',
    'wait',
    CHIP,
    { causeGroup: 'freeze', summerOnly: true, stresses: true },
  ),
  damage('FRZ_BUD', 'Freeze: buds or bloom killed', 'Brown inside the bud, green wood.', 'none', CHIP, {
    instead: 'The wood is alive: nothing to cut.',
    causeGroup: 'freeze',
    stresses: true,
  }),
  damage('FRZ_HEART', 'Freeze: black heart', 'Dark core, live cambium, brittle wood.', 'none', CHIP, {
    instead: 'The wood lives on but is brittle: lighten it, do not hang on it.',
    causeGroup: 'freeze',
    stresses: true,
  }),
  damage('FRZ_DLY', 'Delayed dieback after freeze', 'Leafed out, then collapsed weeks later.', 'wait', CHIP, {
    causeGroup: 'freeze',
    summerOnly: true,
    stresses: true,
  }),
  damage(
    'SWI',
    'Winter sun injury or frost split',
    'Dead strip on the sunny winter side of the stem, or a long vertical split.',
    'none',
    CHIP,
    { instead: 'Trim loose bark to the live edge; shade or whitewash the stem.', causeGroup: 'freeze' },
  ),
  damage('SUN', 'Sunscald', 'Dead papery bark on top of an exposed limb.', 'none', CHIP, {
    instead: 'Trim loose bark to the live edge; shade or whitewash. Half girdled: the limb goes.',
    causeGroup: 'sunscald',
  }),
  damage(
    'RUB',
    'Rub wound',
    'Worn patch where two limbs touch.',
    [
      [0, 0],
      [0, 0],
    ],
    CHIP,
    { use: 'The lesser of the two, to its collar.', causeGroup: 'damage' },
  ),
  damage(
    'BRW',
    'Browsing',
    'Twig ends bitten, ragged or slanted, within reach of animals.',
    [
      [0, 0],
      [0, 0],
    ],
    CHIP,
    { use: 'To live wood; then protect the tree.', causeGroup: 'damage' },
  ),
  damage(
    'ROD',
    'Bark gnawed by rodents',
    'Bark gnawed, tooth marks, at the base or under the snow line.',
    'none',
    CHIP,
    {
      instead:
        'Measure how much of the circumference is gone. From half on: bridge graft in spring. Put on a guard.',
      causeGroup: 'damage',
      sits: 'base',
      often: true,
    },
  ),
  damage('MEC', 'Mower, tie or string damage', 'Scrape or gouge low on the stem.', 'none', CHIP, {
    instead: 'Trim to live bark, keep machines off, loosen ties.',
    causeGroup: 'damage',
  }),
  damage(
    'HRB',
    'Weedkiller injury',
    'Strap leaves, bleaching in a pattern, several plants at once.',
    'none',
    'Not as mulch on beds.',
    { instead: 'Wait a season; remove only what is dead then.', causeGroup: 'root' },
  ),
  damage('DRT', 'Drought dieback', 'Leaf edges scorched, tips dying evenly.', 'none', CHIP, {
    instead: 'Water first; wait a season, then remove what is dead.',
    causeGroup: 'root',
    stresses: true,
  }),
  damage('WLG', 'Waterlogging', 'Pale leaves, wilting in wet soil.', 'none', CHIP, {
    instead: 'Drain first; look at the collar for rot.',
    causeGroup: 'root',
    stresses: true,
  }),
  damage('GUM', 'Gum without a dead patch', 'Amber gum, green underneath, no dead bark.', 'none', CHIP, {
    instead: 'Do not cut for gum alone: find the cause.',
    causeGroup: 'gum',
  }),
  own(
    'SUSPECT',
    'Not identified yet',
    'diseased',
    'Dead or sunken wood whose cause nobody has named; treated as the worst it could be.',
    { dormantCm: [25, 30], growingCm: [25, 30], use: 'As the worst it could be, until the cause is named.' },
    { plain: 'diseased' },
  ),
  own(
    'STUB',
    'Dead stub of an old cut',
    'dead',
    'A stub that died back.',
    atLiveWood('To the living collar.'),
    { oldCut: true, plain: 'old cut' },
  ),
  own(
    'DMG',
    'Damaged, how is not said',
    'damaged',
    'Bark or wood is hurt; nothing says yet by what.',
    atLiveWood('To live wood.'),
    { plain: 'damaged' },
  ),
  own(
    'TORN',
    'Torn old cut',
    'damaged',
    'Bark torn down below an old cut.',
    atLiveWood('Smooth to live wood.'),
    { oldCut: true },
  ),
  own('CLOSING', 'Old cut, closing well', 'dead', 'A ring of callus all round.', null, {
    instead: 'Nothing to do: let it close.',
    oldCut: true,
  }),
  own('SPROUTS', 'Old cut, sprouting', 'misplaced', 'Several shoots below an old cut.', null, {
    instead: 'Thin in summer, while the shoots are soft; one may stay.',
    oldCut: true,
    summerOnly: true,
  }),
  own('MISPLACED', 'Badly placed wood', 'misplaced', 'Sound wood in the wrong place.', null, {
    instead: 'Badly placed wood. The plan decides whether to cut it.',
    plain: 'misplaced',
  }),
];

interface More extends Traits {
  notifiable?: string;
  edge?: string;
  onTrunk?: string;
  instead?: string;
  use?: string;
  confidence?: Confidence;
}
type Cutting = readonly [Clearance, Clearance] | 'none' | 'wait' | null;

function disease(
  code: string,
  name: string,
  hosts: string,
  tellingSigns: string,
  [dormant, growing]: [0 | 1 | 2 | 3, 0 | 1 | 2 | 3],
  disposal: string,
  cutting: Cutting,
  more: More = {},
): Handled {
  return handled(
    {
      code,
      name,
      kind: 'diseased',
      cause: name,
      hosts,
      tellingSigns,
      toolWeight: { dormant, growing },
      disposal,
      edge: 'the last sign',
      onTrunk: HALF_OUT,
    },
    cutting,
    more,
  );
}

function damage(
  code: string,
  name: string,
  tellingSigns: string,
  cutting: Cutting,
  disposal: string,
  more: More = {},
): Handled {
  const clean = { dormant: 0, growing: 0 } as const;
  return handled(
    {
      code,
      name,
      kind: 'damaged',
      cause: name,
      hosts: 'All',
      tellingSigns,
      toolWeight: clean,
      disposal,
      edge: 'the edge of live wood',
      onTrunk: NO_TRUNK_CUT,
    },
    cutting,
    more,
  );
}

function handled(
  base: Omit<Disorder, 'source' | 'confidence' | 'answer'>,
  cutting: Cutting,
  more: More,
): Handled {
  const { use = 'Past the last sign.', confidence = 'low', ...rest } = more;
  const answer = cutting === 'none' ? 'leave' : cutting === 'wait' ? 'wait' : 'cut';
  const instead = answer === 'wait' ? { instead: FREEZE_WAIT } : {};
  const disorder: Disorder = { ...base, ...instead, ...rest, answer, source: EXTENSION, confidence };
  if (cutting === 'none' || cutting === null) return { disorder, cut: null };
  const [dormantCm, growingCm] =
    cutting === 'wait'
      ? ([
          [0, 0],
          [0, 0],
        ] as const)
      : cutting;
  return {
    disorder,
    cut: { dormantCm, growingCm, use: cutting === 'wait' ? 'To live wood, once it shows.' : use },
  };
}

/** Nothing is cut past the edge of live wood. */
function atLiveWood(use: string): Handled['cut'] {
  return { dormantCm: [0, 0], growingCm: [0, 0], use };
}

function own(
  code: string,
  name: string,
  kind: Disorder['kind'],
  tellingSigns: string,
  cut: Handled['cut'],
  more: Traits & Pick<More, 'instead'>,
): Handled {
  const weight =
    code === 'SUSPECT' ? ({ dormant: 1, growing: 3 } as const) : ({ dormant: 0, growing: 0 } as const);
  return {
    disorder: {
      code,
      name,
      kind,
      cause: name,
      hosts: 'All',
      tellingSigns,
      edge: code === 'SUSPECT' ? 'the edge' : 'live wood',
      toolWeight: weight,
      answer: cut ? 'cut' : 'leave',
      onTrunk: code === 'SUSPECT' ? HALF_OUT : NO_TRUNK_CUT,
      disposal: code === 'SUSPECT' ? OUT : CHIP,
      ...more,
      source: 'common practice, no source',
      confidence: 'practice',
    },
    cut,
  };
}
