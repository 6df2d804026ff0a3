// What is wrong with a photo, an aim or a limb that is measured, and what to do about it.
import { CM_PER_INCH, type Units } from '@mortisect/core/measure';
import type { AimFault, LimbFault, PairFault, Ranged, StationFault } from '@mortisect/core/survey';
import type { Say } from '@mortisect/words';
import { figure, tapeText } from '@mortisect/words/trade';

type Fault = StationFault | PairFault | LimbFault | AimFault;
type Of<W extends Fault['why']> = Extract<Fault, { why: W }>;

/** @param byAim it was aimed at, not tapped on photos */
export function surveyFaultWords(say: Say, fault: Fault, units: Units, byAim = false): string {
  const words: { [W in Fault['why']]: (of: Of<W>) => string } = {
    noFoot: () => say('round.surveyTapFoot'),
    noPoleTop: () => say('round.surveyTapPole'),
    poleUpsideDown: () => say('round.faultUpsideDown'),
    poleSmall: ({ deg, leastDeg }) => say('round.faultPoleSmall', { deg: Math.round(deg), least: leastDeg }),
    doesNotFit: ({ wouldFitCm, saidCm }) =>
      say('round.faultDoesNotFit', {
        would: tapeText(say, Math.round(wouldFitCm / 10) * 10, units),
        said: tapeText(say, saidCm, units),
      }),
    sameSide: ({ deg, leastDeg }) => say('round.faultSameSide', { deg: Math.round(deg), least: leastDeg }),
    fewShared: ({ needed }) => say('round.faultFewShared', { needed }),
    tipsDoNotMeet: () => say('round.faultTipsDoNotMeet'),
    raysClose: ({ deg, leastDeg }) => say('round.faultRaysClose', { deg: Math.round(deg), least: leastDeg }),
    alongSight: () => say('round.faultAlongSight'),
    nowhere: () => say('round.faultNowhere'),
    noBase: () => say('round.faultNoBase'),
    noTip: () => say('round.faultNoTip'),
    noHour: () => say(byAim ? 'round.faultAimHour' : 'round.faultNoHour'),
    noPair: () => say('round.faultNoPair'),
    onUnknown: () => say('round.faultOnUnknown'),
    offLine: ({ offPx, mostPx }) =>
      say('round.faultOffLine', { off: Math.round(offPx), most: Math.round(mostPx) }),
    noTwelve: () => say('round.aimTwelveFirst'),
    noStem: () => say('round.aimStemFirst'),
    noJoint: () => say('round.faultNoJoint'),
  };
  return (words[fault.why] as (of: Fault) => string)(fault);
}

/** A length with its range, no finer than it is known. @example '240 cm ± 12' */
export function lengthWithin(say: Say, { value, give }: Ranged, units: Units): string {
  const unitCm = units === 'us' ? CM_PER_INCH : 1;
  const whole = Math.round(value / unitCm) * unitCm;
  return say('round.within', {
    figure: tapeText(say, whole, units),
    give: figure(say, Math.max(1, Math.round(give / unitCm))),
  });
}

export function degWithin(say: Say, { value, give }: Ranged): string {
  return say('round.within', { figure: `${Math.round(value)}°`, give: `${Math.max(1, Math.round(give))}°` });
}
