// Why is it this place and no other? The reason told step by step, for whoever taps a number.

import type { Reason, Telling } from '@mortisect/core/cuts';
import type { Clearance } from '@mortisect/core/disorders';
import { disorderOf, schoolsFor } from '@mortisect/core/disorders';
import { thicknessReading, type Units } from '@mortisect/core/measure';
import type { Say } from '../say';
import { joined, tapeText } from './figures';
import { limbIn } from './limbIn';
import { told } from './told';

interface WhyStep {
  title: string;
  lines: string[];
}

/** Clearance with its school, the walk, the place, and what was passed over; a cut that keeps no clearance tells the last two. */
export function whySteps(say: Say, reason: Reason, from: Clearance | undefined, telling: Telling): WhyStep[] {
  const kept = from ? [clearanceStep(say, reason, from, telling.units), walkStep(say, reason, telling)] : [];
  return [...kept, placeStep(say, reason, telling), passedStep(say, reason, telling)].filter(
    (step) => step.lines.length > 0,
  );
}

const CONFIDENCE = {
  high: 'trade.rememberedConfident',
  low: 'trade.rememberedUnsure',
  practice: 'trade.commonPractice',
} as const;

function clearanceStep(say: Say, reason: Reason, { because }: Clearance, units: Units): WhyStep {
  const disorder = disorderOf(reason.disorder);
  const school = schoolsFor(reason.disorder).find((school) => school.id === because.schoolId);
  const [low, high] = because.rangeCm;
  const lines = [
    say('trade.season', {
      disorder: told(say, disorder?.name) ?? reason.disorder,
      more: because.growing ? say('trade.growing') : say('trade.dormant'),
    }),
  ];
  if (school)
    lines.push(
      say('trade.schoolSource2', {
        school: told(say, school.name),
        use: told(say, school.use),
        source: school.source,
        confidence: say(CONFIDENCE[school.confidence]),
      }),
    );
  if (high > low) lines.push(say('trade.aRangeMeansItsUpperEnd', { tape: tapeText(say, high, units, 'up') }));
  if (because.factors.length > 0)
    lines.push(say('trade.n15Once', { factors: because.factors.map((each) => told(say, each)).join(', ') }));
  if (because.byHand !== undefined)
    lines.push(say('trade.setByHandForThisFindingThe', { tape: tapeText(say, because.byHand, units, 'up') }));
  if (because.halved) lines.push(say('trade.halvedDormantEdgeDefiniteAndTheSite'));
  return { title: say('trade.clearance', { tape: tapeText(say, reason.clearanceCm, units, 'up') }), lines };
}

function walkStep(say: Say, reason: Reason, { names, units }: Telling): WhyStep {
  const lines = reason.walk
    .filter((stretch) => stretch.fromCm !== stretch.toCm)
    .map((stretch) =>
      say('trade.fromTo', {
        get: limbIn(say, names.get(stretch.limbId) ?? stretch.limbId),
        tape: tapeText(say, stretch.fromCm, units),
        tape2: tapeText(say, stretch.toCm, units),
      }),
    );
  if (reason.target.on === 'trunk') lines.push(say('trade.thereTheMeasureWouldEnterTheTrunk'));
  if (reason.target.on === 'leader') lines.push(say('trade.thereItWouldGoDownTheLeader'));
  return { title: say('trade.theMeasure'), lines };
}

function placeStep(say: Say, reason: Reason, telling: Telling): WhyStep {
  const { place } = reason;
  const { units } = telling;
  const mm = (value: number) => joined(say, thicknessReading(value, units));
  switch (place.kind) {
    case 'heading':
      return {
        title: say('trade.aboveABud'),
        lines: [
          say('trade.theBudAtIsAliveAndPoints', {
            tape: tapeText(say, place.budAtCm, units),
            points: told(say, place.points === 'in' ? 'inward' : place.points),
            mm: mm(place.limbMm),
          }),
          say('trade.kerfAboveItTheMostDistalAllowed', { tape: tapeText(say, 0.6, units) }),
        ],
      };
    case 'reduction':
      return {
        title: say('trade.toASideBranch'),
        lines: [
          say('trade.theSideBranchAtIsThickThe', {
            tape: tapeText(say, place.jointCm, units),
            mm: mm(place.branchMm),
            mm2: mm(place.limbMm),
            mm3: mm(place.neededMm),
          }),
          say('trade.kerfBeyondHalfItsBasePlus2'),
        ],
      };
    case 'stub':
      return {
        title:
          disorderOf(reason.disorder)?.kind === 'dead'
            ? say('trade.onlyTheDeadWood')
            : say('trade.inSeasonStub'),
        lines:
          disorderOf(reason.disorder)?.kind === 'dead'
            ? [say('trade.noBudOrSideBranchStandsNear')]
            : [say('trade.aBareStubBeyondTheUnionAt', { tape: tapeText(say, place.unionCm, units) })],
      };
    case 'collar':
      return {
        title: say('trade.atTheCollar'),
        lines: [
          reason.target.on === 'limb'
            ? say('trade.noSoundSideBranchOrUsableBud')
            : say('trade.trunkAndLeaderAreNeverCutWithout'),
        ],
      };
  }
}

function passedStep(say: Say, reason: Reason, { names, units }: Telling): WhyStep {
  const lines = reason.passedOver.map((over) => {
    const what = over.branchId
      ? say('trade.sideBranch', { get: limbIn(say, names.get(over.branchId) ?? over.branchId) })
      : say('trade.bud');
    return say('trade.at', { what, tape: tapeText(say, over.atCm, units), why: told(say, over.why) });
  });
  return { title: say('trade.passedOver'), lines };
}
