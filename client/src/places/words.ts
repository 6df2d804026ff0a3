// Small words that several places say.

import { DEBRIS_ROUTE_WORDS } from '@mortisect/core/aftercare';
import { agentOf } from '@mortisect/core/blades';
import type { Cut } from '@mortisect/core/cuts';
import { disorderOf } from '@mortisect/core/disorders';
import type { Fall, Tool } from '@mortisect/core/handling';
import { clockHour, heightReading, type Units, upperFirst } from '@mortisect/core/measure';
import type { Pin } from '@mortisect/core/plan';
import { bladesOf, type SiteToday } from '@mortisect/core/present';
import type { ActionBody, Finding, TreeSummary } from '@mortisect/core/records';
import { speciesName } from '@mortisect/core/register';
import { lowerFirst } from '@mortisect/core/tree';
import type { PlainKey, Say } from '@mortisect/words';
import { figure, joined, limbInText, otherWords, tapeText, told } from '@mortisect/words/trade';
import { dayWords, spanWords } from '../data/moment';

/** When what was deleted can no longer be had back. */
export const forGoodWords = (say: Say, daysLeft: number): string =>
  daysLeft === 0 ? say('shared.forGoodToday') : say('shared.forGoodInDays', { daysLeft });

/** “Dead wood · Neonectria canker”: each once. */
export function disorderWords(say: Say, findings: readonly { disorder: string }[]): string {
  return codeWords(
    say,
    findings.map(({ disorder }) => disorder),
  );
}

/** As `disorderWords`, of codes alone. */
export function codeWords(say: Say, codes: readonly string[]): string {
  return [...new Set(codes.map((code) => told(say, disorderOf(code)?.name) ?? code))].join(' · ');
}

/** As `disorderWords`; misplaced wood by the fault it was found by. */
export function findingWords(say: Say, findings: readonly Pick<Finding, 'disorder' | 'fault'>[]): string {
  const words = findings.map(({ disorder, fault }) =>
    fault ? told(say, upperFirst(fault.kind)) : (told(say, disorderOf(disorder)?.name) ?? disorder),
  );
  return [...new Set(words)].join(' · ');
}

/** “41.5 cm”, “collar”, “up to 50 cm”: the place in the fewest words. */
export function placeWords(say: Say, cut: Pick<Cut, 'atCm' | 'upToCm'>, units: Units): string {
  if (cut.upToCm !== undefined) return say('shared.upTo', { tape: tapeText(say, cut.upToCm, units, 'down') });
  return cut.atCm === 0 ? say('shared.collar') : tapeText(say, cut.atCm, units, 'down');
}

const KIND_WORDS: Record<Cut['kind'], PlainKey> = {
  collar: 'shared.wholeLimbAtTheCollar',
  reduction: 'shared.toASideBranch',
  heading: 'shared.headingAboveABud',
  stub: 'shared.bareStubForThisSeason',
};

/** What kind of cut it is, in a few words. */
export function kindWords(say: Say, cut: Cut): string {
  const onlyDead =
    cut.kind === 'stub' && cut.because.every((reason) => disorderOf(reason.disorder)?.kind === 'dead');
  if (onlyDead) return say('shared.onlyTheDeadWood');
  // Nobody knows yet whether there is a bud to end at
  const mayEndAtBud = cut.kind === 'collar' && cut.upToCm !== undefined;
  return say(mayEndAtBud ? 'shared.toABudOrTheCollar' : KIND_WORDS[cut.kind]);
}

/** What somebody says of the visit of a tree. */
export const VISIT_WORDS = {
  open: 'shared.visitAsPlanned',
  fixed: 'shared.visitFixed',
  'not before': 'shared.visitNotBefore',
  left: 'shared.visitLeft',
} as const;

/** What was done, in one line. */
export function actionWords(say: Say, action: ActionBody, kit: readonly Tool[] = []): string {
  switch (action.kind) {
    case 'bladeWetted':
      return say('shared.wetted', {
        blade: bladeName(action.blade, kit),
        agentId: told(say, agentOf(action.agentId).name),
      });
    case 'bladeSharpened':
      return say('shared.sharpened', { blade: bladeName(action.blade, kit) });
    case 'mixMade':
      return say('shared.lMixed', {
        litres: action.litres,
        agentId: told(say, agentOf(action.agentId).name),
      });
    case 'runStarted':
      return say('shared.runStartedTrees', { treeIds: action.treeIds.length });
    case 'runPaused':
      return say('shared.runPaused');
    case 'runResumed':
      return say('shared.runTakenUpAgain');
    case 'runClosed':
      return say('shared.runClosed');
    case 'stationTaken':
      return say('shared.atTheTree', { station: action.station });
    case 'limbMarked':
      return say('shared.markedWith', {
        limbName: limbInText(say, action.limbName),
        how: told(say, action.how),
      });
    case 'stoodBack':
      return say('shared.lookedAtFromTheGround', { more: action.note ? `: ${action.note}` : '' });
    case 'woodRead':
      return say('shared.woodRead', { pith: told(say, action.pith) });
    case 'debrisCleared':
      return say('shared.wood2', {
        class: told(say, action.class),
        debrisRouteWords: told(say, DEBRIS_ROUTE_WORDS[action.route]),
      });
    case 'recheckDone':
      return say('shared.rechecked', { outcome: told(say, action.outcome) });
    case 'scionTaken':
      return say('shared.scionsTaken', { sticks: action.sticks, label: action.label });
    case 'bladeCleaned':
      return action.before
        ? say('shared.wasCleanAlreadyAsSaid', { blade: bladeName(action.blade, kit) })
        : say('shared.cleaned', {
            blade: bladeName(action.blade, kit),
            agentId: told(say, agentOf(action.agentId).name),
          });
    case 'cutMade':
      return say('shared.cutOn', { limbName: limbInText(say, action.cut.limbName) });
    case 'cutNotMade':
      return say('shared.cutNotMade', { reason: lowerFirst(told(say, action.reason)) });
    case 'decided':
      return say('shared.decided', { choice: told(say, action.choice) });
    case 'undone':
      return say('shared.takenBack');
    case 'roundStarted':
      return say('shared.roundStarted');
    case 'roundPaused':
      return say('shared.roundPaused');
    case 'roundResumed':
      return say('shared.roundTakenUpAgain');
    case 'roundClosed':
      return say('shared.roundClosed');
    case 'treeSeen':
      return `${action.verdict === 'sound' ? say('shared.markedSound') : say('shared.seenWithFindings')}, ${told(say, action.seen)}`;
    case 'treeSkipped':
      return say('shared.skipped', {
        more: action.reason ? `, ${lowerFirst(told(say, action.reason))}` : '',
      });
    case 'asked':
      return say('shared.asked', { of: action.of, more: action.question ? `: ${action.question}` : '' });
    case 'answered':
      return say('shared.answered', { answer: action.answer });
    case 'sampleSent':
      return say('shared.sampleSent', { label: action.label });
    case 'sampleAnswered':
      return say('shared.sample', { label: action.label, clinic: clinicWords(say, action.evidence.result) });
    case 'wavedOff':
      return say('shared.wavedOff', { fault: told(say, action.faultKey.split(':')[0] ?? '') });
    case 'stepDone':
      return `${lowerFirst(otherWords(say, action.what))}, ${limbInText(say, action.limbName)}`;
    case 'planPinned':
      return say('shared.planPinned', { pin: pinWords(say, action.pin) });
    case 'bloomCompared':
      return say('shared.bloomCompared');
    case 'shadeSeen':
      return say('shared.shadeSeen', { count: action.shades.length });
    case 'cropSeen':
      return say('shared.cropSeen', { year: String(action.year), crop: told(say, action.crop) });
    case 'paceSet':
      return say('shared.paceSet', { pace: told(say, action.pace ?? 'as on the site') });
    case 'limitSet':
      return action.limit === null
        ? say('shared.limitBySchool')
        : say('shared.limitSet', { percent: figure(say, action.limit / 10, { most: 1 }) });
    case 'visitWished':
      return say('shared.visitWished', { wish: lowerFirst(say(VISIT_WORDS[action.wish.is])) });
    case 'visitBooked':
      return say('shared.arboristComes', { on: dayWords(action.on) });
    case 'mustLifted':
      return say('shared.mustLifted', { why: told(say, action.why) });
    case 'clearanceSet':
      return action.clearanceCm === null
        ? say('shared.clearanceByTheSchoolAgain')
        : say('shared.clearanceSetByHand');
    case 'seasonsPlanned':
      return say('shared.plannedOverSeasons', { seasons: action.seasons });
    case 'stageSeen':
      return say('shared.seenAt', {
        species: told(say, speciesName(action.species)),
        stage: told(say, action.stage),
      });
    case 'groundSaid':
      return say('shared.ground', {
        more: action.state === 'reachable' ? say('shared.treesCanBeReached') : told(say, action.state),
      });
    case 'protectantApplied':
      return say('shared.putOn', { product: lowerFirst(action.product) });
    case 'hatThrown':
      return say('shared.hatThrownOfCameThrough', { passed: action.passed, throws: action.throws });
  }
}

/** What the kit calls a blade; its id where it is not in the kit any more. */
function bladeName(id: string, kit: readonly Tool[]): string {
  return bladesOf(kit).find((blade) => blade.id === id)?.name ?? id;
}

/** Where a limb falls, and how far everybody stays away. */
export function fallWords(say: Say, { bearingDeg, clearZoneCm }: Fall, { units, site }: SiteToday): string {
  return say('shared.itFallsTowardOclockNobodyWithin', {
    clockHour: clockHour(bearingDeg, site.twelveBearingDeg),
    height: joined(say, heightReading(clearZoneCm, units)),
  });
}

/** A share of one, in whole hundredths. */
export function percent(share: number): string {
  return `${Math.round(share * 100)} %`;
}

/** A pin in a few words, without the names of limbs. */
function pinWords(say: Say, pin: Pin): string {
  switch (pin.kind) {
    case 'stays':
      return say('shared.aLimbStays');
    case 'goes':
      return say('shared.aCutIsMadeInSeason', { season: pin.season });
    case 'not before':
      return say('shared.aCutNotBeforeSeason', { season: pin.season });
    case 'follower':
      return say('shared.aLimbStaysUntilItsFollowerIs');
  }
}

export function clinicWords(say: Say, result: string | null): string {
  return result === null
    ? say('shared.nothingFound')
    : say('shared.theClinicReports', {
        disorderOf: lowerFirst(told(say, disorderOf(result)?.name) ?? result),
      });
}

/** “Apple · Harbour Russet · open centre”. */
export function speciesWords(say: Say, { species, cultivar, form }: TreeSummary): string {
  return [told(say, speciesName(species)), cultivar ?? say('shared.varietyUnknown'), told(say, form)].join(
    ' · ',
  );
}

/** A device whose clock is off. @param offMs how far it is ahead of the server's; below nought where it is behind */
export function clockOffWords(say: Say, offMs: number): string {
  return say('shared.thisDevicesClockIs', {
    span: spanWords(offMs),
    more: offMs > 0 ? say('shared.ahead') : say('shared.behind'),
  });
}

/** “900 kB”, “4.2 MB”, “1.3 GB”. */
export function bytesWords(say: Say, bytes: number): string {
  if (bytes < 1024 ** 2) return say('shared.kb', { more: Math.max(1, Math.round(bytes / 1024)) });
  return bytes < 1024 ** 3
    ? `${figure(say, bytes / 1024 ** 2, { least: 1 })} MB`
    : `${figure(say, bytes / 1024 ** 3, { least: 1 })} GB`;
}
