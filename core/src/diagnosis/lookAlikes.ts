// What looks much the same, and which check tells them apart?

interface LookAlike {
  name: string;
  /** Met on healthy trees: nothing to cut. */
  harmless: boolean;
  /** The look or test that decides between them. */
  check: string;
}

const LICHEN: LookAlike = {
  name: 'Lichen',
  harmless: true,
  check: 'Grey-green crust or tufts on top of sound bark; scratch: green below. Harmless.',
};
const APHID: LookAlike = {
  name: 'Woolly aphid',
  harmless: true,
  check: 'White wool that wipes off, soft swellings, no dead bark below. Not a canker.',
};
const NORMAL: LookAlike = {
  name: 'Normal bark',
  harmless: true,
  check: 'Evenly spaced pores or fissures, no sunken edge; scratch: green right across.',
};
const FROST: LookAlike = {
  name: 'Frost',
  harmless: false,
  check: 'All at once, several kinds of plant, no streak, no edge.',
};
const BORER: LookAlike = {
  name: 'A borer',
  harmless: false,
  check: 'Holes, sawdust or tunnels under the bark.',
};

/** @source Science of look-alikes from extension guides, from memory; biology high, checks common practice */
const table: Record<string, readonly LookAlike[]> = {
  FB_SHOOT: [
    { name: 'Bacterial blast', harmless: false, check: 'After cold wet bloom, stops at the spur, no ooze.' },
    { name: 'Shoot-tip borer', harmless: false, check: 'Split the shoot: hollow, with a bore hole.' },
    {
      name: 'A canker at the base of the shoot',
      harmless: false,
      check: 'Look at the base of the dead shoot for a sunken ring.',
    },
    FROST,
  ],
  FB_BLOS: [
    {
      name: 'Bacterial blast',
      harmless: false,
      check: 'Cold before it, not warmth; no ooze, no spread down the shoot.',
    },
    FROST,
  ],
  FB_CANK_A: [
    {
      name: 'Neonectria canker',
      harmless: false,
      check: 'Rings like a target, cracked edge, red beads in winter.',
    },
    { name: 'Black rot canker', harmless: false, check: 'Papery bark with black pimples, sharp edge.' },
    APHID,
    NORMAL,
  ],
  FB_CANK_D: [
    {
      name: 'Black rot canker',
      harmless: false,
      check: 'Papery bark with black pimples; no dark flecks past the edge.',
    },
    { name: 'Neonectria canker', harmless: false, check: 'Rings like a target, red beads in winter.' },
    NORMAL,
  ],
  NEO: [
    APHID,
    { name: 'Anthracnose canker', harmless: false, check: 'Fibres like fiddle strings, no red beads.' },
    LICHEN,
  ],
  NFB: [
    { name: 'Neonectria canker', harmless: false, check: 'Rings and red beads instead of fibres.' },
    APHID,
  ],
  CYT: [
    { name: 'Bacterial canker', harmless: false, check: 'Sour smell, flecks past the edge, no pimples.' },
    BORER,
    { name: 'Gum alone', harmless: true, check: 'Green underneath, no dead patch.' },
  ],
  PSS_CANK: [
    { name: 'Cytospora canker', harmless: false, check: 'Pimples, orange threads when wet, sharp edge.' },
    FROST,
    { name: 'Gum alone', harmless: true, check: 'Green underneath, no dead patch.' },
  ],
  PSS_BLAST: [
    {
      name: 'Fire blight in blossom',
      harmless: false,
      check: 'Warmth before it, ooze drops, runs down the shoot.',
    },
    FROST,
  ],
  BOT: [
    {
      name: 'Fire blight canker, inactive',
      harmless: false,
      check: 'Flecks past the edge, centred on a spur or strike.',
    },
    { name: 'Sunscald', harmless: false, check: 'Only on top of exposed limbs, no pimples.' },
    LICHEN,
  ],
  BRN: [
    { name: 'Bacterial blast', harmless: false, check: 'No tan tufts in damp weather or a moist bag.' },
    FROST,
  ],
  SIL: [
    {
      name: 'False silvering by stress',
      harmless: true,
      check: 'Whole tree at once; cut a twig: no brown stain in the wood.',
    },
  ],
  EUT: [
    {
      name: 'Cytospora canker',
      harmless: false,
      check: 'No brown wedge on the cut end; pimples on the bark.',
    },
  ],
  COR: [
    {
      name: 'Neonectria canker',
      harmless: false,
      check: 'Red beads on a live edge, not cushions on dead wood.',
    },
  ],
  CGL: [
    { name: 'Burr knot', harmless: true, check: 'Smooth or with root tips, above ground.' },
    { name: 'Callus', harmless: true, check: 'Even ring round a wound.' },
    APHID,
  ],
  PHY: [
    BORER,
    {
      name: 'Gnawing or mower damage',
      harmless: false,
      check: 'Tooth marks or a scrape; sound inner bark past it.',
    },
  ],
  SCB: [{ name: 'Pores of normal bark', harmless: true, check: 'Even rows, not cracked, no pustule.' }],
  BKT: [{ name: 'Crown gall', harmless: false, check: 'Corky, at collar or roots, not along a twig.' }],
  FRZ_WOOD: [
    {
      name: 'Bacterial canker',
      harmless: false,
      check: 'A sour smell and flecks; freeze is even and has no edge.',
    },
  ],
  GUM: [
    { name: 'Cytospora canker', harmless: false, check: 'A dead patch with pimples under the gum.' },
    BORER,
  ],
  DEAD: [
    {
      name: 'Any canker further down',
      harmless: false,
      check: 'Follow the dead wood to its foot: a sunken edge is a canker.',
    },
    LICHEN,
  ],
  ROD: [{ name: 'Mower or string', harmless: false, check: 'A clean scrape without tooth marks.' }],
  SWI: [
    {
      name: 'Cytospora canker',
      harmless: false,
      check: 'Pimples and gum on any side, not the sunny side alone.',
    },
  ],
};

const ALWAYS: readonly LookAlike[] = [LICHEN, APHID, NORMAL];

/** What is easily taken for this cause; harmless things met on healthy trees always stand among them. */
export function lookAlikesOf(code: string): LookAlike[] {
  const rows = table[code] ?? [];
  return [...rows, ...ALWAYS.filter((lookAlike) => !rows.includes(lookAlike))];
}
