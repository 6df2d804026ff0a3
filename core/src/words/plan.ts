// A plan in a caretaker's words, in one place.
import type { ReasonNotToCut, Telling } from '../cuts/index';
import { disorderOf } from '../disorders/index';
import { upperFirst } from '../measure/index';
import type { ClashPart, LeftWhy, OtherKind, Pass, Pin, Priced, Visit } from '../plan/index';
import { lowerFirst } from '../tree/index';
import { asText, cutSentence } from './cut';

const OTHER: Record<OtherKind, string> = {
  'tie down': 'Spread or tie it down',
  'thin the fruit': 'Thin the fruit it carries',
  'pick mummies': 'Pick the mummies and carry them away',
  excise: 'Pare the canker out to clean bark',
  'leave the strike': 'Leave the strike: the tree walls it off',
};
/** What an alternative to a cut is called. */
export const otherWords = (kind: OtherKind) => OTHER[kind];

/** What is done, in one or two sentences. */
export function stepSentence({ candidate }: Priced, telling: Telling): string {
  const { what } = candidate;
  if (what.is === 'cut') return asText(cutSentence(what.cut, telling));
  const name = lowerFirst(telling.names.get(what.limbId) ?? what.limbId);
  return `${otherWords(what.kind)}: ${name}.`;
}

/** What the step is for: each finding once. */
export function reasonWords({ candidate }: Priced, disorderById: ReadonlyMap<string, string>): string {
  const words = candidate.answers.flatMap(({ findingId }) => {
    const code = disorderById.get(findingId);
    return code === undefined ? [] : (disorderOf(code)?.name ?? code);
  });
  return [...new Set(words)].join(' · ') || 'Training of a young tree';
}

export function passWords(season: number, pass: Pass, firstYear: number): string {
  const year = firstYear + season - 1;
  return pass === 'dormant' ? `Winter ${year}/${String(year + 1).slice(2)}` : `Summer ${year + 1}`;
}

/** What a visit is called: its pass and its calendar year. */
export const visitTitle = ({ season, pass, firstYear }: Visit): string => passWords(season, pass, firstYear);

/** Why a finding is left as it is. */
export function leftWords(why: LeftWhy | ReasonNotToCut): string {
  return {
    pinned: 'Left, because you pinned it.',
    'not worth it': 'Left: the cut would cost the crown more than it is worth. Look again next season.',
    'no room': 'Left for a later plan: the limit of these seasons is full.',
    'hand over': 'For a licensed arborist: nothing is planned here.',
    'no candidate': 'Nothing is cut for this.',
    decision: 'No cut answers it: see the decision.',
    held: 'On hold: somebody was asked and has not answered yet.',
    healed: 'Healed over: no cut. Look at it again next round.',
    fruit: 'On the fruit: pick it and carry it off the site; mummies always.',
    measure: 'Measure first: say where on the limb it begins. Until then it has no cut.',
    wait: 'Not yet.',
    leave: 'No wood is cut for this.',
  }[why];
}

export interface Named {
  names: ReadonlyMap<string, string>;
  /** What each finding is, by its id. */
  findings: ReadonlyMap<string, string>;
}

export function pinSentence(pin: Pin, { names }: Pick<Named, 'names'>): string {
  const name = (limbId: string) => lowerFirst(names.get(limbId) ?? limbId);
  const cut = (candidateId: string) => name(candidateId.split(' ')[0] ?? candidateId);
  switch (pin.kind) {
    case 'stays':
      return `${upperFirst(name(pin.limbId))} stays`;
    case 'goes':
      return `the cut on ${cut(pin.candidateId)} is made in season ${pin.season}`;
    case 'not before':
      return `the cut on ${cut(pin.candidateId)} waits until season ${pin.season}`;
    case 'follower':
      return `${name(pin.limbId)} stays until ${name(pin.followerId)} is ${pin.untilMm} mm thick`;
  }
}

/** The smallest set that cannot be kept, as one sentence. */
export function clashSentence(parts: readonly ClashPart[], named: Named): string {
  const words = parts.map((part) => {
    if (part.pin) return `“${pinSentence(part.pin, named)}”`;
    if (part.findingId) return `${named.findings.get(part.findingId) ?? 'a finding'} must come out`;
    return `the limit of season ${part.season}`;
  });
  const last = words.at(-1) ?? '';
  const list = words.length > 1 ? `${words.slice(0, -1).join(', ')} and ${last}` : last;
  return `${upperFirst(list)} cannot ${words.length > 1 ? 'all be kept together' : 'be kept'}.`;
}
