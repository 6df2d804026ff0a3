// What stands on top of a plan: the crown ledger, and how this season compares with its limit.
import type { Solved, Visit } from '@mortisect/core/plan';
import { View } from '@tamagui/core';
import { Ledger, type LedgerPart } from '../../drawings/Ledger';
import type { MarkKind } from '../../drawings/marks';
import { Figure, Small } from '../../ui/type';
import { percentOf } from './planView';

const ORDER: MarkKind[] = ['diseased', 'damaged', 'misplaced', 'dead'];

export function PlanHead({ solved, visits }: { solved: Solved; visits: Visit[] }) {
  const { plan, prepared } = solved;
  const season = plan.seasons.find((season) => season.crown + season.exempt > 0) ?? plan.seasons[0];
  if (!season) return null;
  const steps = visits.flatMap((visit) => visit.steps);
  const parts = [false, true].flatMap((later) =>
    ORDER.map(
      (kind): LedgerPart => ({
        key: `${kind} ${later}`,
        kind,
        later,
        crown: steps
          .filter(
            (step) =>
              step.kind === kind &&
              step.step.season > season.season === later &&
              step.step.season >= season.season,
          )
          .reduce((sum, stepView) => sum + stepView.step.crown + stepView.step.exempt, 0),
      }),
    ),
  );
  const dead = steps.filter((step) => step.kind === 'dead').length;
  const whole = season.crown + season.exempt;
  const guessed = prepared.crown.guessedLimbIds.length;
  const warns = season.crown > season.warnsFrom;
  return (
    <View gap={4}>
      <View flexDirection="row" alignItems="baseline" gap={8} flexWrap="wrap">
        <Figure fontSize="$32" lineHeight="$32" color={warns ? '$ochreText' : '$ink'}>
          {percentOf(whole)}
        </Figure>
        <Small flexShrink={1}>{seasonWords(season)}</Small>
      </View>
      <Ledger
        parts={parts}
        limit={season.limit}
        exempt={season.exempt}
        deadSteps={dead}
        says={`Crown ledger: ${percentOf(whole)} comes off in season ${season.season}, of a limit of ${percentOf(season.limit)}.`}
      />
      {warns ? (
        <Small color="$ochreText">Near the limit: expect upright shoots for two or three years.</Small>
      ) : null}
      {guessed > 0 ? (
        <Small>
          {`${guessed} of ${prepared.crown.limbCount} thicknesses were guessed from length and age: measure them for a truer share.`}
        </Small>
      ) : null}
    </View>
  );
}

type SeasonShare = Pick<Solved['plan']['seasons'][number], 'season' | 'crown' | 'exempt' | 'limit'>;

export function seasonWords({ season, crown, exempt, limit }: SeasonShare): string {
  if (exempt === 0) return `of the crown in season ${season}. Your limit is ${percentOf(limit)}.`;
  const part = crown === 0 ? 'all' : `${percentOf(exempt)} of it`;
  return `of the crown in season ${season}, ${part} for disease. Your limit for other cuts is ${percentOf(limit)}.`;
}
