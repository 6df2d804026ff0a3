// How is a cut said in one or two sentences?

import { type Cut, leadingReason, type Place, type Reason, type Telling } from '../cuts/index';
import { disorderOf } from '../disorders/index';
import { clockHour, tapeText } from '../measure/index';
import { lowerFirst } from '../tree/index';

/** A piece of a sentence; `chalk` is a measure, `kerf` is the cut, the rest is plain. */
export interface Phrase {
  text: string;
  is?: 'chalk' | 'kerf';
}

const plain = (text: string): Phrase => ({ text });
const chalk = (text: string): Phrase => ({ text, is: 'chalk' });
const kerf = (text: string): Phrase => ({ text, is: 'kerf' });

/** What to measure and where to cut, in words; figures rounded as on the tape. */
export function cutSentence(cut: Cut, telling: Telling): Phrase[] {
  const reason = leadingReason(cut);
  return [...measured(reason, telling), ...cutting(cut, reason, telling), ...shortfall(reason, telling)];
}

export function asText(phrases: Phrase[]): string {
  return phrases.map((phrase) => phrase.text).join('');
}

function measured(reason: Reason, { units, names }: Telling): Phrase[] {
  if (disorderOf(reason.disorder)?.kind === 'misplaced') return [];
  const edge = disorderOf(reason.disorder)?.edge ?? 'the visible edge';
  if (reason.clearanceCm === 0) return [plain(`Follow the limb toward the trunk to ${edge}. `)];
  const start = [
    plain('Measure '),
    chalk(tapeText(reason.clearanceCm, units, 'up')),
    plain(` toward the trunk from ${edge}`),
  ];
  const runsOn = reason.target.on === 'limb' && reason.walk.length > 1;
  if (!runsOn) return [...start, plain('. ')];
  const last = reason.walk[reason.walk.length - 1] as Reason['walk'][number];
  return [
    ...start,
    plain('; it runs past the joint, '),
    chalk(tapeText(last.fromCm - last.toCm, units)),
    plain(` down the limb at ${lowerFirst(names.get(last.limbId) ?? last.limbId)}. `),
  ];
}

function cutting(cut: Cut, reason: Reason, telling: Telling): Phrase[] {
  if (cut.kind === 'stub' && disorderOf(reason.disorder)?.kind === 'dead') {
    return [
      plain('Cut there, '),
      kerf(tapeText(cut.atCm, telling.units, 'down')),
      plain(' from the collar: only dead wood comes off.'),
    ];
  }
  const moved = cut.limbId !== reason.edgeLimbId;
  const on = moved ? ` on ${lowerFirst(telling.names.get(cut.limbId) ?? cut.limbId)}` : '';
  if (cut.upToCm !== undefined) {
    return [
      plain(`Cut${on} at the first live bud that points out or under, at or below `),
      kerf(tapeText(cut.upToCm, telling.units, 'down')),
      plain(' from the collar; if there is none, '),
      ...placeWords(reason.place, telling, ''),
    ];
  }
  return [plain('Cut '), ...placeWords(reason.place, telling, on)];
}

function placeWords(place: Place, telling: Telling, on: string): Phrase[] {
  const at = kerf(tapeText(place.atCm, telling.units, 'down'));
  switch (place.kind) {
    case 'heading':
      return [plain(`just above the bud that points ${place.points}${on}, `), at, plain(' from the collar.')];
    case 'reduction':
      return [
        plain(`just beyond the side branch at ${hourOf(place.toLimbId, telling)}${on}, `),
        at,
        plain(' from the collar.'),
      ];
    case 'stub':
      return [
        plain(`bare${on}, `),
        at,
        plain(' from the collar, and mark the stub: it comes off at the collar when dormant.'),
      ];
    case 'collar':
      return collarWords(place, telling);
  }
}

const FINISH_WORDS = {
  tight: 'just outside the collar',
  stub: 'with a stub of 0.6–2.5 cm (¼–1 in)',
  heel: 'leaving a heel of 2 cm (¾ in) on the lower side',
} as const;

function collarWords(place: Extract<Place, { kind: 'collar' }>, telling: Telling): Phrase[] {
  const name = lowerFirst(telling.names.get(place.limbId) ?? place.limbId);
  return [
    kerf('at the collar'),
    plain(` of ${name}, ${FINISH_WORDS[place.finish]}; the whole limb comes off.`),
  ];
}

function shortfall(reason: Reason, { units }: Telling): Phrase[] {
  if (reason.shortfallCm <= 0) return [];
  return [
    plain(' Only '),
    chalk(tapeText(reason.reachedCm, units, 'down')),
    plain(' of the '),
    chalk(tapeText(reason.clearanceCm, units, 'up')),
    plain(' can be kept: '),
    chalk(tapeText(reason.shortfallCm, units, 'up')),
    plain(' of wood that may be infected stays behind.'),
  ];
}

function hourOf(limbId: string, { limbs, twelveBearingDeg }: Telling): string {
  const limb = limbs.find((limb) => limb.id === limbId);
  return limb ? `${clockHour(limb.bearingDeg, twelveBearingDeg)} o’clock` : limbId;
}
