// How is a cut said in one or two sentences?

import { type Cut, leadingReason, type Place, type Reason, type Telling } from '@mortisect/core/cuts';
import { disorderOf } from '@mortisect/core/disorders';
import { clockHour } from '@mortisect/core/measure';
import type { Site } from '@mortisect/core/records';
import type { Say } from '../say';
import { tapeText } from './figures';
import { limbInText } from './limbIn';
import { told } from './told';

/** A piece of a sentence; `chalk` is a measure, `kerf` is the cut, the rest is plain. */
export interface Phrase {
  text: string;
  is?: 'chalk' | 'kerf';
}

const MARKED = /<(chalk|kerf)>(.*?)<\/\1>/g;

/** What to measure and where to cut, in words; figures rounded as on the tape. */
export function cutSentence(say: Say, cut: Cut, telling: Telling): Phrase[] {
  const reason = leadingReason(cut);
  return phrasesOf(
    measured(say, reason, telling) + cutting(say, cut, reason, telling) + shortfall(say, reason, telling),
  );
}

/** A message with marked pieces, in its pieces. */
function phrasesOf(text: string): Phrase[] {
  const phrases: Phrase[] = [];
  let from = 0;
  for (const { 0: whole, 1: is, 2: piece = '', index } of text.matchAll(MARKED)) {
    if (index > from) phrases.push({ text: text.slice(from, index) });
    phrases.push({ text: piece, is: is as 'chalk' | 'kerf' });
    from = index + whole.length;
  }
  if (from < text.length) phrases.push({ text: text.slice(from) });
  return phrases;
}

export function asText(phrases: Phrase[]): string {
  return phrases.map((phrase) => phrase.text).join('');
}

function measured(say: Say, reason: Reason, { units, names }: Telling): string {
  const disorder = disorderOf(reason.disorder);
  if (disorder?.kind === 'misplaced') return '';
  const edge = told(say, disorder?.edge) ?? say('trade.cutVisibleEdge');
  if (reason.clearanceCm === 0) return say('trade.cutFollow', { edge });
  const clearance = tapeText(say, reason.clearanceCm, units, 'up');
  const last = reason.walk.at(-1);
  const runsOn = reason.target.on === 'limb' && reason.walk.length > 1;
  if (!runsOn || !last) return say('trade.cutMeasure', { clearance, edge });
  return say('trade.cutMeasurePastJoint', {
    clearance,
    edge,
    down: tapeText(say, last.fromCm - last.toCm, units),
    limb: limbInText(say, names.get(last.limbId) ?? last.limbId),
  });
}

function cutting(say: Say, cut: Cut, reason: Reason, telling: Telling): string {
  const tape = (cm: number) => tapeText(say, cm, telling.units, 'down');
  if (cut.kind === 'stub' && disorderOf(reason.disorder)?.kind === 'dead')
    return say('trade.cutDeadOnly', { at: tape(cut.atCm) });
  const moved = cut.limbId !== reason.edgeLimbId;
  const on = moved
    ? say('trade.cutOn', { limb: limbInText(say, telling.names.get(cut.limbId) ?? cut.limbId) })
    : '';
  if (cut.upToCm === undefined)
    return say('trade.cutPlace', { place: placeWords(say, reason.place, telling, on) });
  const { towardDeg } = cut;
  return towardDeg !== undefined
    ? say('trade.cutBudToward', {
        on,
        hour: say('trade.clockHour', { hour: clockHour(towardDeg, telling.twelveBearingDeg) }),
        upTo: tape(cut.upToCm),
      })
    : say('trade.cutFirstBud', {
        on,
        upTo: tape(cut.upToCm),
        place: placeWords(say, reason.place, telling, ''),
      });
}

function placeWords(say: Say, place: Place, telling: Telling, on: string): string {
  const at = tapeText(say, place.atCm, telling.units, 'down');
  switch (place.kind) {
    case 'heading':
      return say('trade.cutAboveBud', {
        points: told(say, place.points === 'in' ? 'inward' : place.points),
        on,
        at,
      });
    case 'reduction':
      return say('trade.cutBeyondBranch', { hour: hourOf(say, place.toLimbId, telling), on, at });
    case 'stub':
      return say('trade.cutBare', { on, at });
    case 'collar': {
      const limb = limbInText(say, telling.names.get(place.limbId) ?? place.limbId);
      const on = telling.limbs.find(({ id }) => id === place.limbId);
      if (on?.kind === 'trunk') return say('trade.cutAtStool', { limb });
      const off = say(on?.bundle ? 'trade.eachComesOffWhole' : 'trade.wholeLimbComesOff');
      return say(COLLAR[place.finish], { limb, off });
    }
  }
}

/** How the face lies and what is put on it, by the school of the site; nothing for a cut through dead wood, which is no wound. */
export function faceWords(
  say: Say,
  { cut, dead, infected }: { cut: Pick<Cut, 'kind'>; dead: boolean; infected: boolean },
  { slope, dressing }: Pick<Site['schools'], 'slope' | 'dressing'>,
): string {
  if (dead) return '';
  const sloped = cut.kind === 'heading' ? 'trade.faceAwayFromBud' : 'trade.faceWaterRunsOff';
  const sprayed = dressing === 'spray' && infected;
  return [
    say(slope === 'square' ? 'trade.faceSquare' : sloped),
    say(sprayed ? 'trade.woundSpray' : 'trade.woundNothing'),
  ].join(' ');
}

const COLLAR = {
  tight: 'trade.cutCollarTight',
  stub: 'trade.cutCollarStub',
  heel: 'trade.cutCollarHeel',
} as const satisfies Record<Extract<Place, { kind: 'collar' }>['finish'], string>;

function shortfall(say: Say, reason: Reason, { units }: Telling): string {
  if (reason.shortfallCm <= 0) return '';
  return say('trade.cutShortfall', {
    reached: tapeText(say, reason.reachedCm, units, 'down'),
    clearance: tapeText(say, reason.clearanceCm, units, 'up'),
    shortfall: tapeText(say, reason.shortfallCm, units, 'up'),
  });
}

function hourOf(say: Say, limbId: string, { limbs, twelveBearingDeg }: Telling): string {
  const limb = limbs.find((limb) => limb.id === limbId);
  return limb ? say('trade.clockHour', { hour: clockHour(limb.bearingDeg, twelveBearingDeg) }) : limbId;
}
