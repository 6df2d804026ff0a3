// Why is it this place and no other? The reason told step by step, for whoever taps a number.

import type { Reason, Telling } from '../cuts/index';
import type { Clearance } from '../disorders/index';
import { disorderOf, schoolsFor } from '../disorders/index';
import { joined, tapeText, thicknessReading, type Units } from '../measure/index';

interface WhyStep {
  title: string;
  lines: string[];
}

/** Clearance with its school, the walk, the place, and what was passed over. */
export function whySteps(reason: Reason, from: Clearance, telling: Telling): WhyStep[] {
  return [
    clearanceStep(reason, from, telling.units),
    walkStep(reason, telling),
    placeStep(reason, telling),
    passedStep(reason, telling),
  ].filter((step) => step.lines.length > 0);
}

const CONFIDENCE = {
  high: 'remembered, confident',
  low: 'remembered, unsure',
  practice: 'common practice',
} as const;

function clearanceStep(reason: Reason, { because }: Clearance, units: Units): WhyStep {
  const disorder = disorderOf(reason.disorder);
  const school = schoolsFor(reason.disorder).find((school) => school.id === because.schoolId);
  const [low, high] = because.rangeCm;
  const lines = [`${disorder?.name ?? reason.disorder}, ${because.growing ? 'growing' : 'dormant'} season.`];
  if (school)
    lines.push(
      `School “${school.name}”: ${school.use} Source: ${school.source} (${CONFIDENCE[school.confidence]}).`,
    );
  if (high > low) lines.push(`A range means its upper end: ${tapeText(high, units, 'up')}.`);
  if (because.factors.length > 0) lines.push(`× 1.5, once: ${because.factors.join(', ')}.`);
  if (because.byHand !== undefined)
    lines.push(
      `Set by hand for this finding; the school would ask ${tapeText(because.byHand, units, 'up')}.`,
    );
  if (because.halved)
    lines.push('Halved: dormant, edge definite, and the site halves such distances (10 cm at least).');
  return { title: `Clearance ${tapeText(reason.clearanceCm, units, 'up')}`, lines };
}

function walkStep(reason: Reason, { names, units }: Telling): WhyStep {
  const lines = reason.walk
    .filter((stretch) => stretch.fromCm !== stretch.toCm)
    .map(
      (stretch) =>
        `${names.get(stretch.limbId) ?? stretch.limbId}: from ${tapeText(stretch.fromCm, units)} to ${tapeText(stretch.toCm, units)}.`,
    );
  if (reason.target.on === 'trunk') lines.push('There the measure would enter the trunk.');
  if (reason.target.on === 'leader') lines.push('There it would go down the leader.');
  return { title: 'The measure', lines };
}

function placeStep(reason: Reason, telling: Telling): WhyStep {
  const { place } = reason;
  const { units } = telling;
  const mm = (value: number) => joined(thicknessReading(value, units));
  switch (place.kind) {
    case 'heading':
      return {
        title: 'Above a bud',
        lines: [
          `The bud at ${tapeText(place.budAtCm, units)} is alive and points ${place.points}; the wood there is ${mm(place.limbMm)}, thin or young enough to head.`,
          `Kerf ${tapeText(0.6, units)} above it. The most distal allowed place wins, as it keeps most wood.`,
        ],
      };
    case 'reduction':
      return {
        title: 'To a side branch',
        lines: [
          `The side branch at ${tapeText(place.jointCm, units)} is ${mm(place.branchMm)} thick; the limb there is ${mm(place.limbMm)}, so ${mm(place.neededMm)} is enough to take over.`,
          'Kerf beyond half its base plus 2.5 cm (1 in) of live wood. Source: ANSI A300 and BS 3998 on reduction.',
        ],
      };
    case 'stub':
      return {
        title: disorderOf(reason.disorder)?.kind === 'dead' ? 'Only the dead wood' : 'In-season stub',
        lines:
          disorderOf(reason.disorder)?.kind === 'dead'
            ? [
                'No bud or side branch stands near the first green bark: a short stub over dead wood keeps the living limb.',
              ]
            : [
                `A bare stub beyond the union at ${tapeText(place.unionCm, units)}: a new canker then forms in the stub, not at the collar. Source: Steiner 1990.`,
              ],
      };
    case 'collar':
      return {
        title: 'At the collar',
        lines: [
          reason.target.on === 'limb'
            ? 'No sound side branch or usable bud lies between the target and the base.'
            : 'Trunk and leader are never cut without your decision: the limb comes off at its collar.',
        ],
      };
  }
}

function passedStep(reason: Reason, { names, units }: Telling): WhyStep {
  const lines = reason.passedOver.map((over) => {
    const what = over.branchId ? `Side branch ${names.get(over.branchId) ?? over.branchId}` : 'Bud';
    return `${what} at ${tapeText(over.atCm, units)}: ${over.why}.`;
  });
  return { title: 'Passed over', lines };
}
