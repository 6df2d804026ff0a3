// Which causes ask for the same treatment, and how strongly may a group of them be named?

export interface CauseGroup {
  id: string;
  name: string;
  members: readonly string[];
  /** What the group asks for, in one line. */
  treatment: string;
}

export const OTHER = 'OTHER';

/** @source common practice, no source: groups by what is done, so that two causes that need the same cut do not compete */
export const causeGroups: readonly CauseGroup[] = [
  group(
    'fire blight',
    'Fire blight',
    ['FB_SHOOT', 'FB_BLOS', 'FB_CANK_A', 'FB_CANK_D', 'FB_ROOT'],
    'Cut well past the last sign, disinfect between cuts, out of the orchard. May be notifiable.',
  ),
  group(
    'canker',
    'A canker fungus',
    ['NEO', 'NFB', 'BOT', 'CYT'],
    'Cut past the stain to clean wood in dry weather; on a stem pare to live bark.',
  ),
  group(
    'bacterial',
    'Bacterial canker or blast',
    ['PSS_CANK', 'PSS_BLAST'],
    'Wait for dry summer weather, then cut past the flecks.',
  ),
  group('brown rot', 'Brown rot', ['BRN'], 'Cut below the blight, all mummies off and away.'),
  group('stain', 'A wood-staining fungus', ['SIL', 'EUT'], 'Cut past the last stain in dry summer.'),
  group('dead wood', 'Plain dead wood', ['COR', 'DEAD'], 'To live wood, any dry day.'),
  group(
    'freeze',
    'Freeze or winter sun injury',
    ['FRZ_WOOD', 'FRZ_BUD', 'FRZ_HEART', 'FRZ_DLY', 'SWI'],
    'Wait until growth shows what is alive, then cut to live wood.',
  ),
  group('sunscald', 'Sunscald', ['SUN'], 'Trim loose bark, shade the wood.'),
  group(
    'damage',
    'Damage by load, rubbing, animals or machines',
    ['BRK', 'RUB', 'BRW', 'ROD', 'MEC'],
    'To the next union; protect the tree.',
  ),
  group(
    'root',
    'Roots, water or weedkiller',
    ['HRB', 'DRT', 'WLG', 'PHY'],
    'Do not cut yet: mend the cause first.',
  ),
  group('gum', 'Gum alone', ['GUM'], 'Do not cut for gum alone.'),
  group('borers', 'Borers', ['BOR', 'TIPB'], 'Below the tunnels to clean wood, before the flight.'),
  group('local', 'Mildew, scab, gall or knot', ['PMW', 'SCB', 'CGL', 'BKT'], 'Each by its own rule.'),
  group('other', 'Something else', [OTHER], 'Not among the causes known here.'),
];

function group(id: string, name: string, members: string[], treatment: string): CauseGroup {
  return { id, name, members, treatment };
}

export const strengths = ['likely', 'possible', 'unclear'] as const;
export type Strength = (typeof strengths)[number];

const LIKELY_FROM = 0.7;
const POSSIBLE_FROM = 0.4;

/** The word for the probability of a group; never more than “likely”. */
export function strengthOf(p: number): Strength {
  return p >= LIKELY_FROM ? 'likely' : p >= POSSIBLE_FROM ? 'possible' : 'unclear';
}
