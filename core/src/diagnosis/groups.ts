// Which causes ask for the same treatment, and how strongly may a group of them be named?
import { codesWhere, type Disorder } from '../disorders/index';

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
    'Cut well past the last sign, disinfect between cuts, out of the orchard. May be notifiable.',
  ),
  group(
    'canker',
    'A canker fungus',
    'Cut past the stain to clean wood in dry weather; on a stem pare to live bark.',
  ),
  group('bacterial', 'Bacterial canker or blast', 'Wait for dry summer weather, then cut past the flecks.'),
  group('brown rot', 'Brown rot', 'Cut below the blight, all mummies off and away.'),
  group('stain', 'A wood-staining fungus', 'Cut past the last stain in dry summer.'),
  group('dead wood', 'Plain dead wood', 'To live wood, any dry day.'),
  group(
    'freeze',
    'Freeze or winter sun injury',
    'Wait until growth shows what is alive, then cut to live wood.',
  ),
  group('sunscald', 'Sunscald', 'Trim loose bark, shade the wood.'),
  group('damage', 'Damage by load, rubbing, animals or machines', 'To the next union; protect the tree.'),
  group('root', 'Roots, water or weedkiller', 'Do not cut yet: mend the cause first.'),
  group('gum', 'Gum alone', 'Do not cut for gum alone.'),
  group('borers', 'Borers', 'Below the tunnels to clean wood, before the flight.'),
  group('local', 'Mildew, scab, gall or knot', 'Each by its own rule.'),
  { id: 'other', name: 'Something else', members: [OTHER], treatment: 'Not among the causes known here.' },
];

function group(id: NonNullable<Disorder['causeGroup']>, name: string, treatment: string): CauseGroup {
  return { id, name, members: codesWhere(({ causeGroup }) => causeGroup === id), treatment };
}

export const strengths = ['likely', 'possible', 'unclear'] as const;
export type Strength = (typeof strengths)[number];

const LIKELY_FROM = 0.7;
const POSSIBLE_FROM = 0.4;

/** The word for the probability of a group; never more than “likely”. */
export function strengthOf(p: number): Strength {
  return p >= LIKELY_FROM ? 'likely' : p >= POSSIBLE_FROM ? 'possible' : 'unclear';
}
