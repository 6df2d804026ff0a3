// The season: who does which tree when, what moved, what does not fit and why, how it went in past years, and what one more hand is worth.
import type { SeasonPlan } from '@mortisect/contracts';
import type { PlainKey } from '@mortisect/words';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { useWaiting } from '../../../data/queries';
import { Stopped, useSeasonPlan } from '../../../data/seasonPlan';
import { useClock } from '../../../data/useClock';
import { useSay } from '../../../data/useSay';
import { useRecordAction } from '../../../data/writes';
import { Columns } from '../../../ui/Columns';
import { Failed } from '../../../ui/Failed';
import { FileLinks } from '../../../ui/FileLinks';
import { Aside, Screen } from '../../../ui/Screen';
import { useWide } from '../../../ui/theme';
import { Body, Small } from '../../../ui/type';
import { Waiting } from '../../../ui/Waiting';
import { Crews } from './Crews';
import { DragBoard } from './drag';
import { Lanes } from './Lanes';
import { Places } from './Places';
import { SeasonChart } from './SeasonChart';
import { NoSeasonYet, SharingOut } from './SharingOut';
import { aboutMoved, aboutWords, type Days, type Shared, wishOf } from './season';
import { Arborist, Lapsed, LaterYears, LeftByChoice, LeftRows, Moved, PastYears } from './Told';
import { type Opened, VisitSheet } from './VisitSheet';

export function SeasonPage() {
  const say = useSay();
  const wide = useWide();
  const { data, error, isFetching, refetch } = useSeasonPlan();
  const isSaid = useWaiting().some(
    ({ value }) => value.kind === 'action' && value.action.kind === 'visitWished',
  );
  if (!data && error && !(error instanceof Stopped))
    return <Waiting title={say('plan.theSeason')} error={error} onRetry={refetch} />;
  if (!data) return <NoSeasonYet />;
  const { shared, state, unplanned, crews, isFirst } = data;
  // On a phone what stands beside on a wide screen comes after it
  const beside = (
    <View gap={24}>
      {shared ? <Moved shared={shared} crews={crews} /> : null}
      {shared ? <Lanes shared={shared} /> : null}
      {shared ? <PastYears shared={shared} /> : null}
      {shared ? <Arborist shared={shared} /> : null}
      {shared ? <LaterYears shared={shared} /> : null}
      <Crews shared={shared} paces={data.paces} />
    </View>
  );
  return (
    <Screen
      title={say('plan.theSeason')}
      subtitle={say('plan.whoDoesWhatWhen')}
      width="full"
      aside={
        shared ? (
          <Aside
            figure={say('plan.ofVisits', {
              done: shared.plan.done.length,
              visits: shared.visits.length + shared.leftByChoice.length,
            })}
            caption={say('plan.visitsHaveADay')}
          />
        ) : null
      }
    >
      <SharingOut isFirst={isFirst} />
      {isSaid && !isFetching ? <Body role="status">{say('plan.whatYouSaidWaits')}</Body> : null}
      {state === 'planned' ? null : <Body>{say(STATE_WORDS[state])}</Body>}
      {unplanned > 0 ? <Body>{say('plan.treesWithoutAPlanYet', { trees: unplanned })}</Body> : null}
      <Columns beside={beside}>{shared ? <Planned crews={crews} shared={shared} /> : null}</Columns>
      {wide ? null : beside}
    </Screen>
  );
}

const STATE_WORDS: Record<Exclude<SeasonPlan['state'], 'planned'>, PlainKey> = {
  'nobody works': 'plan.nobodyWorksHereYet',
  'nothing to do': 'plan.noTreeAsksForAVisit',
  'no weather': 'plan.noWeatherIsKnownForASeason',
};

function Planned({ crews, shared }: { crews: SeasonPlan['crews']; shared: Shared }) {
  const say = useSay();
  const wide = useWide();
  const clock = useClock();
  const recording = useRecordAction();
  const [opened, setOpened] = useState<Opened | null>(null);
  const fix = (visits: readonly { visitId: string; treeId: string }[], days: Days) => {
    for (const visit of visits)
      recording.record({
        kind: 'visitWished',
        at: clock(),
        ...wishOf(visit),
        wish: { is: 'fixed', ...days },
      });
  };
  const board = (
    <View gap={24}>
      <SeasonChart crews={crews} shared={shared} />
      {wide ? <Small>{say('plan.dragATree')}</Small> : <Small>{say('plan.tapATree')}</Small>}
      <Failed title={say('shared.notRecordedYet')} error={recording.error} />
      <Lapsed shared={shared} />
      <Places shared={shared} crews={crews} onOpen={setOpened} />
      <LeftRows shared={shared} crews={crews} onOpen={setOpened} />
      <LeftByChoice shared={shared} onOpen={setOpened} />
      <FileLinks
        links={[
          ['/api/season-plan.csv', say('plan.seasonAsCsv')],
          ['/api/season-plan.ics', say('plan.seasonAsCalendar')],
          ...crews.map(({ id, name }): [string, string] => [
            `/api/season-plan.ics?crew=${encodeURIComponent(id)}`,
            say('plan.calendarOfCrew', { crew: name }),
          ]),
          ...crews.map(({ id, name }): [string, string] => [
            `/api/season-plan/week.pdf?crew=${encodeURIComponent(id)}`,
            say('plan.weekSheetOfCrew', { crew: name }),
          ]),
          ['/api/season-plan.lp', say('plan.seasonAsProgram')],
        ]}
      />
      <Small>
        {[
          say('plan.pointsOfSeason', { points: Math.round(shared.plan.points) }),
          shared.plan.gap > 0
            ? say('plan.noPlanBringsMoreThan', { percent: Math.ceil(shared.plan.gap * 1000) / 10 })
            : say('plan.provedBest'),
        ].join(' ')}
      </Small>
      {opened ? (
        <VisitSheet
          key={opened.visitId}
          opened={opened}
          shared={shared}
          crews={crews}
          onClose={() => setOpened(null)}
        />
      ) : null}
    </View>
  );
  return (
    <DragBoard
      onDrop={fix}
      tells={(visits, days) =>
        aboutWords(
          say,
          aboutMoved(
            { shared, crews },
            visits.map(({ visitId }) => visitId),
            days,
          ),
        )
      }
    >
      {board}
    </DragBoard>
  );
}
