// What stands on top of a plan: the crown ledger, and how this season compares with its limit.

import type { Solved, Visit } from '@mortisect/core/plan';
import type { Say } from '@mortisect/words';
import { View } from '@tamagui/core';
import { useSay } from '../../data/useSay';
import { Ledger, type LedgerPart } from '../../drawings/Ledger';
import type { MarkKind } from '../../drawings/marks';
import { Figure, Small } from '../../ui/type';
import { percentOf } from './planView';

/** As near to a quota as the limits of crown say it too. */
const NEAR = 0.8;
const ORDER: MarkKind[] = ['diseased', 'damaged', 'misplaced', 'dead'];

export function PlanHead({ solved, visits }: { solved: Solved; visits: Visit[] }) {
  const say = useSay();
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
  const warns =
    season.crown > season.warnsFrom || season.quotas.some(({ used, limit }) => used > limit * NEAR);
  return (
    <View gap={4}>
      <View flexDirection="row" alignItems="baseline" gap={8} flexWrap="wrap">
        <Figure fontSize="$32" lineHeight="$32" color={warns ? '$ochreText' : '$ink'}>
          {percentOf(whole)}
        </Figure>
        <Small flexShrink={1}>{seasonWords(say, season)}</Small>
      </View>
      <Ledger
        parts={parts}
        limit={season.quotas.length > 0 ? null : season.limit}
        exempt={season.exempt}
        deadSteps={dead}
        says={
          season.quotas.length > 0
            ? `${percentOf(whole)} ${seasonWords(say, season)}`
            : say('plan.crownLedgerComesOffInSeasonOf', {
                percent: percentOf(whole),
                season: season.season,
                percent2: percentOf(season.limit),
              })
        }
      />
      {warns ? <Small color="$ochreText">{say('plan.nearTheLimitExpectUprightShootsFor')}</Small> : null}
      {guessed > 0 ? (
        <Small>
          {say('plan.ofThicknessesWereGuessedFromLengthAnd', {
            guessed,
            limbCount: prepared.crown.limbCount,
          })}
        </Small>
      ) : null}
    </View>
  );
}

type SeasonShare = Pick<
  Solved['plan']['seasons'][number],
  'season' | 'crown' | 'exempt' | 'limit' | 'quotas'
>;

export function seasonWords(say: Say, { season, crown, exempt, limit, quotas }: SeasonShare): string {
  if (quotas.length > 0) return say('plan.ofTheCrownInSeason', { season });
  if (exempt === 0) return say('plan.ofTheCrownInSeasonYourLimit', { season, percent: percentOf(limit) });
  const part = crown === 0 ? say('plan.all') : say('plan.ofIt', { percent: percentOf(exempt) });
  return say('plan.ofTheCrownInSeasonForDisease', { season, part, percent: percentOf(limit) });
}
