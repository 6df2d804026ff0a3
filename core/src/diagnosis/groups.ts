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
  group('fire blight', 'fireBlight', 'cutWellPastTheLastSign'),
  group('canker', 'aCankerFungus', 'cutPastTheStainToClean'),
  group('bacterial', 'bacterialCankerOrBlast', 'waitForDrySummerWeatherThen'),
  group('brown rot', 'brownRot', 'cutBelowTheBlightAllMummies'),
  group('stain', 'aWoodStainingFungus', 'cutPastTheLastStainIn'),
  group('dead wood', 'plainDeadWood', 'toLiveWoodAnyDryDay'),
  group('freeze', 'freezeOrWinterSunInjury', 'waitUntilGrowthShowsWhatIs'),
  group('sunscald', 'sunscald', 'trimLooseBarkShadeTheWood'),
  group('damage', 'damageByLoadRubbingAnimalsOr', 'toTheNextUnionProtectThe'),
  group('root', 'rootsWaterOrWeedkiller', 'doNotCutYetMendThe'),
  group('gum', 'gumAlone', 'doNotCutForGumAlone'),
  group('borers', 'borers', 'belowTheTunnelsToCleanWood'),
  group('local', 'mildewScabGallOrKnot', 'eachByItsOwnRule'),
  { id: 'other', name: 'somethingElse', members: [OTHER], treatment: 'notAmongTheCausesKnownHere' },
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
