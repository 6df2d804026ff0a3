// Small words that several places say.

import { DEBRIS_ROUTE_WORDS } from '@mortisect/core/aftercare';
import { agentOf } from '@mortisect/core/blades';
import type { Cut } from '@mortisect/core/cuts';
import { disorderOf } from '@mortisect/core/disorders';
import type { Fall, Tool } from '@mortisect/core/handling';
import { clockHour, heightReading, joined, tapeText, type Units, upperFirst } from '@mortisect/core/measure';
import type { Pin } from '@mortisect/core/plan';
import { bladesOf, type SiteToday } from '@mortisect/core/present';
import type { ActionBody, Finding, TreeSummary } from '@mortisect/core/records';
import { speciesName } from '@mortisect/core/register';
import { lowerFirst } from '@mortisect/core/tree';
import { spanWords } from '../data/moment';

/** When what was deleted can no longer be had back. */
export const forGoodWords = (daysLeft: number): string =>
  daysLeft === 0 ? 'for good today' : `for good in ${plural(daysLeft, 'day')}`;

export function plural(count: number, singular: string): string {
  return `${count} ${singular}${count === 1 ? '' : 's'}`;
}

/** “Dead wood · Neonectria canker”: each once. */
export function disorderWords(findings: readonly { disorder: string }[]): string {
  return codeWords(findings.map(({ disorder }) => disorder));
}

/** As `disorderWords`, of codes alone. */
export function codeWords(codes: readonly string[]): string {
  return [...new Set(codes.map((code) => disorderOf(code)?.name ?? code))].join(' · ');
}

/** As `disorderWords`; misplaced wood by the fault it was found by. */
export function findingWords(findings: readonly Pick<Finding, 'disorder' | 'fault'>[]): string {
  const words = findings.map(({ disorder, fault }) =>
    fault ? upperFirst(fault.kind) : (disorderOf(disorder)?.name ?? disorder),
  );
  return [...new Set(words)].join(' · ');
}

/** “41.5 cm”, “collar”, “up to 50 cm”: the place in the fewest words. */
export function placeWords(cut: Cut, units: Units): string {
  if (cut.upToCm !== undefined) return `up to ${tapeText(cut.upToCm, units, 'down')}`;
  return cut.atCm === 0 ? 'collar' : tapeText(cut.atCm, units, 'down');
}

const KIND_WORDS: Record<Cut['kind'], string> = {
  collar: 'whole limb, at the collar',
  reduction: 'to a side branch',
  heading: 'heading above a bud',
  stub: 'bare stub, for this season',
};

/** What kind of cut it is, in a few words. */
export function kindWords(cut: Cut): string {
  const onlyDead =
    cut.kind === 'stub' && cut.because.every((reason) => disorderOf(reason.disorder)?.kind === 'dead');
  return onlyDead ? 'only the dead wood' : KIND_WORDS[cut.kind];
}

/** What was done, in one line. */
export function actionWords(action: ActionBody, kit: readonly Tool[] = []): string {
  switch (action.kind) {
    case 'bladeWetted':
      return `${bladeName(action.blade, kit)} wetted, ${agentOf(action.agentId).name}`;
    case 'bladeSharpened':
      return `${bladeName(action.blade, kit)} sharpened`;
    case 'mixMade':
      return `${action.litres} L mixed, ${agentOf(action.agentId).name}`;
    case 'runStarted':
      return `run started, ${plural(action.treeIds.length, 'tree')}`;
    case 'runPaused':
      return 'run paused';
    case 'runResumed':
      return 'run taken up again';
    case 'runClosed':
      return 'run closed';
    case 'stationTaken':
      return `at the tree, ${action.station}`;
    case 'limbMarked':
      return `${lowerFirst(action.limbName)} marked with ${action.how}`;
    case 'stoodBack':
      return `looked at from the ground${action.note ? `: ${action.note}` : ''}`;
    case 'woodRead':
      return `wood read, ${action.pith}`;
    case 'debrisCleared':
      return `${action.class} wood, ${DEBRIS_ROUTE_WORDS[action.route]}`;
    case 'recheckDone':
      return `rechecked, ${action.outcome}`;
    case 'scionTaken':
      return `${plural(action.sticks, 'scion')} taken, ${action.label}`;
    case 'bladeCleaned':
      return action.before
        ? `${bladeName(action.blade, kit)} was clean already, as said`
        : `${bladeName(action.blade, kit)} cleaned, ${agentOf(action.agentId).name}`;
    case 'cutMade':
      return `cut on ${lowerFirst(action.cut.limbName)}`;
    case 'cutNotMade':
      return `cut not made, ${lowerFirst(action.reason)}`;
    case 'decided':
      return `decided, ${action.choice}`;
    case 'undone':
      return 'taken back';
    case 'roundStarted':
      return 'round started';
    case 'roundPaused':
      return 'round paused';
    case 'roundResumed':
      return 'round taken up again';
    case 'roundClosed':
      return 'round closed';
    case 'treeSeen':
      return `${action.verdict === 'sound' ? 'marked sound' : 'seen, with findings'}, ${action.seen}`;
    case 'treeSkipped':
      return `skipped${action.reason ? `, ${lowerFirst(action.reason)}` : ''}`;
    case 'asked':
      return `${action.of} asked${action.question ? `: ${action.question}` : ''}`;
    case 'answered':
      return `answered: ${action.answer}`;
    case 'sampleSent':
      return `sample ${action.label} sent`;
    case 'sampleAnswered':
      return `sample ${action.label}: ${clinicWords(action.evidence.result)}`;
    case 'wavedOff':
      return `${action.faultKey.split(':')[0]} waved off`;
    case 'stepDone':
      return `${action.what}, ${lowerFirst(action.limbName)}`;
    case 'planPinned':
      return `plan pinned, ${pinWords(action.pin)}`;
    case 'mustLifted':
      return `must lifted, ${action.why}`;
    case 'clearanceSet':
      return action.clearanceCm === null ? 'clearance by the school again' : 'clearance set by hand';
    case 'seasonsPlanned':
      return `planned over ${plural(action.seasons, 'season')}`;
    case 'stageSeen':
      return `${speciesName(action.species)} seen at ${action.stage}`;
    case 'groundSaid':
      return `ground: ${action.state === 'reachable' ? 'trees can be reached' : action.state}`;
    case 'protectantApplied':
      return `${lowerFirst(action.product)} put on`;
    case 'hatThrown':
      return `hat thrown, ${action.passed} of ${action.throws} came through`;
  }
}

/** What the kit calls a blade; its id where it is not in the kit any more. */
function bladeName(id: string, kit: readonly Tool[]): string {
  return bladesOf(kit).find((blade) => blade.id === id)?.name ?? id;
}

/** Where a limb falls, and how far everybody stays away. */
export function fallWords({ bearingDeg, clearZoneCm }: Fall, { units, site }: SiteToday): string {
  return `It falls toward ${clockHour(bearingDeg, site.twelveBearingDeg)} o’clock: nobody within ${joined(heightReading(clearZoneCm, units))}.`;
}

/** A share of one, in whole hundredths. */
export function percent(share: number): string {
  return `${Math.round(share * 100)} %`;
}

/** A pin in a few words, without the names of limbs. */
function pinWords(pin: Pin): string {
  switch (pin.kind) {
    case 'stays':
      return 'a limb stays';
    case 'goes':
      return `a cut is made in season ${pin.season}`;
    case 'not before':
      return `a cut not before season ${pin.season}`;
    case 'follower':
      return 'a limb stays until its follower is thick enough';
  }
}

export function clinicWords(result: string | null): string {
  return result === null
    ? 'nothing found'
    : `the clinic reports ${lowerFirst(disorderOf(result)?.name ?? result)}`;
}

/** “Apple · Harbour Russet · open centre”. */
export function speciesWords({ species, cultivar, form }: TreeSummary): string {
  return [speciesName(species), cultivar ?? 'variety unknown', form].join(' · ');
}

/** A device whose clock is off. @param offMs how far it is ahead of the server's; below nought where it is behind */
export function clockOffWords(offMs: number): string {
  return `This device’s clock is ${spanWords(offMs)} ${offMs > 0 ? 'ahead' : 'behind'}`;
}

/** “900 kB”, “4.2 MB”, “1.3 GB”. */
export function bytesWords(bytes: number): string {
  if (bytes < 1024 ** 2) return `${Math.max(1, Math.round(bytes / 1024))} kB`;
  return bytes < 1024 ** 3 ? `${(bytes / 1024 ** 2).toFixed(1)} MB` : `${(bytes / 1024 ** 3).toFixed(1)} GB`;
}
