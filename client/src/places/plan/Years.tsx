// The plan over its years: what comes off in each season, and how many seasons it takes.

import { massReading } from '@mortisect/core/measure';
import { MOST_PLAN_SEASONS, type SeasonOfPlan, type Solved, wholeMinutes } from '@mortisect/core/plan';
import type { SiteToday, TreeView } from '@mortisect/core/present';
import type { Say } from '@mortisect/words';
import { countedWords, joined, limitWords } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useClock } from '../../data/useClock';
import { useSay } from '../../data/useSay';
import { planInputFor } from '../../data/views';
import { useRecordAction } from '../../data/writes';
import { Choice } from '../../ui/Choice';
import { Label, Section, Small } from '../../ui/type';
import { Pace } from './Pace';
import { percentOf } from './planView';

function comesOff(say: Say, { crown, limit, exempt, quotas }: SeasonOfPlan): string {
  const more = exempt > 0 ? say('plan.forDisease', { percent: percentOf(exempt) }) : '';
  return quotas.length > 0
    ? `${percentOf(crown)}${more}`
    : say('plan.of', { percent: percentOf(crown), percent2: percentOf(limit), more });
}

const SEASONS = Array.from({ length: MOST_PLAN_SEASONS }, (_, i) => `${i + 1}`);

export function Years({ view, today, solved }: { view: TreeView; today: SiteToday; solved: Solved }) {
  const say = useSay();
  const clock = useClock();
  const { record } = useRecordAction();
  const { plan, prepared } = solved;
  return (
    <View gap={8}>
      <Section>{say('plan.seasons')}</Section>
      <Choice<string>
        label={say('plan.plannedOverHowManySeasons')}
        options={SEASONS.map((value) => ({ value, label: value }))}
        value={String(prepared.input.seasons)}
        onChange={(value) =>
          record({ kind: 'seasonsPlanned', at: clock(), treeId: view.tree.id, seasons: Number(value) })
        }
      />
      <View role="table" aria-label={say('plan.whatComesOffInEachSeason')}>
        {plan.seasons.map((season) => (
          <View key={season.season} borderBottomWidth={1} borderStyle="solid" borderColor="$rule">
            <View role="row" flexDirection="row" gap={8} paddingVertical={6}>
              <Label role="cell" flex={2}>
                {say('plan.season', { season: season.season })}
              </Label>
              <Label role="cell" flex={3}>
                {comesOff(say, season)}
              </Label>
              <Label role="cell" flex={2}>
                {say('plan.min5', { wholeMinutes: wholeMinutes(season.minutes) })}
              </Label>
              <Label role="cell" flex={2} textAlign="right">
                {joined(say, massReading(season.massKg, today.units))}
              </Label>
            </View>
            {season.quotas.map(({ what, used, limit }) => (
              <Small key={what} paddingBottom={6}>
                {say(what === 'shoots' ? 'plan.ofLastYearsShoots' : 'plan.ofOlderWood', {
                  percent: percentOf(used),
                  percent2: percentOf(limit),
                })}
              </Small>
            ))}
            {season.thin ? (
              <Small paddingBottom={6}>
                {say('plan.thinCuts', {
                  percent: percentOf(season.thin.used),
                  percent2: percentOf(season.thin.limit),
                })}
              </Small>
            ) : null}
            {season.off >= 5 ? (
              <Small paddingBottom={6}>
                {say('plan.cameOffAlready', { percent: percentOf(season.off) })}
              </Small>
            ) : null}
            {season.grown >= 5 ? (
              <Small paddingBottom={6}>{say('plan.grownBack', { percent: percentOf(season.grown) })}</Small>
            ) : null}
            <Counted season={season} />
            {season.shootMinutes >= 0.5 ? (
              <Small paddingBottom={6}>
                {say('plan.shootMinutes', { minutes: wholeMinutes(season.shootMinutes) })}
              </Small>
            ) : null}
          </View>
        ))}
      </View>
      <Small>{limitWords(say, prepared.limits.because)}</Small>
      <Pace view={view} input={planInputFor(view, today)} />
    </View>
  );
}

function Counted({ season }: { season: SeasonOfPlan }) {
  const say = useSay();
  const words = countedWords(say, season);
  return words ? <Small paddingBottom={6}>{words}</Small> : null;
}
