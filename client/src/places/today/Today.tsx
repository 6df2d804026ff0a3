// What should I do now: danger first, then cuts, decisions, the blade, and what was done last. Its parts are drawn anew by what they show alone: what the
// page reads comes in a dozen answers, and to draw all of it for each kept a slow phone busy for a second.

import { type Lane, lanesOf } from '@mortisect/contracts';
import { upperFirst } from '@mortisect/core/measure';
import type { SiteToday } from '@mortisect/core/present';
import type { Action } from '@mortisect/core/records';
import type { ListedTree, Run } from '@mortisect/core/run';
import { hourOf } from '@mortisect/core/weather';
import type { PlainKey } from '@mortisect/words';
import { limbIn } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { type Href, useRouter } from 'expo-router';
import { memo, startTransition, useEffect, useState } from 'react';
import { ago, longDay, shortMoment } from '../../data/moment';
import { isBeingRead, useCopies, useTiming, useTrees } from '../../data/queries';
import { useBriefly } from '../../data/useBriefly';
import { useClock, useClockOff } from '../../data/useClock';
import { useSay } from '../../data/useSay';
import { Button } from '../../ui/Button';
import { Columns } from '../../ui/Columns';
import { Afterwards, useFewRows } from '../../ui/inParts';
import { Row, Rows } from '../../ui/Row';
import { ActionBar, Aside, Screen } from '../../ui/Screen';
import { useWide } from '../../ui/theme';
import { Body, Section } from '../../ui/type';
import { Waiting } from '../../ui/Waiting';
import { oldWords } from '../book/SafeCopies';
import { useRun } from '../cut/useRun';
import { nowWords } from '../when/daysView';
import { actionWords, clockOffWords, codeWords, placeWords } from '../words';
import { CareRows, RecheckRows } from './Aftercare';
import { BlightRows, EmergencyRows, FrostRows, ProtectantRows } from './CannotWait';
import { CuttingWeather, oldWeather } from './CuttingWeather';
import { FirstHour } from './FirstHour';
import { SeasonRows } from './SeasonRows';
import { type Known, useNextStep } from './useNextStep';
import { JobRows, QuestionRows, RoundRow } from './Walking';

export function Today() {
  const say = useSay();
  const trees = useTrees().data?.trees;
  const weather = useTiming();
  const timing = weather.data;
  const isSoon = useBriefly(isBeingRead(weather));
  const clock = useClock();
  const wide = useWide();
  const [isOrdered, setOrdered] = useState(false);
  const { here, listed, says, error, refetch } = useRun(isOrdered);
  // The header and the next step speak for the kind of wood that most trees are of
  const lane = timing && lanesOf(timing).toSorted((a, b) => treesOf(b) - treesOf(a))[0];
  const stands = here !== null && listed !== null && !isSoon;
  // Which of the cuts comes first is reckoned once the page is there
  useEffect(() => {
    if (stands) startTransition(() => setOrdered(true));
  }, [stands]);
  if (!listed || isSoon) return <Waiting title={say('shared.today')} error={error} onRetry={refetch} />;
  const { today, trees: open, latestActions } = listed;
  const now = clock();
  const codeOf = (treeId: string) => trees?.find((tree) => tree.id === treeId)?.code ?? treeId;
  const doneLast = <LatestRecords {...{ today, codeOf }} actions={latestActions} />;
  return (
    <Screen
      width="full"
      title={today.site.name}
      subtitle={`${longDay(now, today.site.timeZone)} · ${say(SEASON_WORDS[today.season])}`}
      bar={
        <Afterwards>
          <NextStepBar run={here?.run} timingNow={timing} listed={open} {...{ today, lane }} />
        </Afterwards>
      }
      aside={
        lane && timing ? <Aside {...nowWords(say, lane, hourOf(timing.now), today.site.timeZone)} /> : null
      }
    >
      {trees?.length === 0 ? <FirstHour /> : null}
      {timing ? (
        <CuttingWeather timingNow={timing} today={today} old={oldWeather(timing, now)} />
      ) : (
        <Body role="status">{say('today.readingTheWeather')}</Body>
      )}
      <Columns beside={wide ? doneLast : null}>
        <Rows>
          <EmergencyRows timingNow={timing} trees={open} today={today} />
          <BlightRows timingNow={timing} today={today} />
          <FrostRows timingNow={timing} today={today} />
          <ProtectantRows timingNow={timing} />
          {here ? (
            <>
              <CutsRow run={here.run} today={today} />
              <SeasonRows trees={open} />
            </>
          ) : (
            <Row title={say('today.planningTheCuts')} detail={says} />
          )}
          <Afterwards>
            <RecheckRows today={today} codeOf={codeOf} />
            <DecisionRows trees={open} />
            <QuestionRows trees={open} />
            {here ? <HandOverRow run={here.run} /> : null}
            <RoundRow />
            <JobRows today={today} />
            {here ? <CareRows here={here} /> : null}
            <CopyRow timeZone={today.site.timeZone} />
            <ClockRow />
          </Afterwards>
        </Rows>
        {open.length === 0 && trees?.length !== 0 ? (
          <Body>{say('today.nothingIsOpenWalkTheRoundWhat')}</Body>
        ) : null}
        {wide ? null : <Afterwards>{doneLast}</Afterwards>}
      </Columns>
    </Screen>
  );
}

const SEASON_WORDS: Record<SiteToday['season'], PlainKey> = {
  dormant: 'shared.dormantSeason',
  bloom: 'shared.budToPetalFall',
  summer: 'today.summerGrowth',
  autumn: 'shared.autumn',
};

const treesOf = (lane: Lane) => lane.groups.reduce((sum, group) => sum + group.trees, 0);

/** Found out once the page stands: it asks of all trees what the rows ask of a few. */
function NextStepBar(known: Known) {
  const router = useRouter();
  const next = useNextStep(known);
  if (!next) return null;
  return (
    <ActionBar width="full">
      <Button grow kind="main" onPress={() => router.navigate(next.href as Href)}>
        {next.words}
      </Button>
    </ActionBar>
  );
}

interface LatestRecordsProps {
  /** The latest first. */
  actions: readonly Action[];
  today: SiteToday;
  codeOf(treeId: string): string;
}

function LatestRecords({ actions, today, codeOf }: LatestRecordsProps) {
  const say = useSay();
  const wide = useWide();
  const now = useClock()();
  const latest = actions
    .filter(({ undone, action }) => !undone && action.kind !== 'undone')
    .slice(0, wide ? 8 : 3);
  if (latest.length === 0) return null;
  return (
    <View gap={8}>
      <Section>{say('today.latestRecords')}</Section>
      <Rows>
        {latest.map(({ id, action, by }) => (
          <Row
            key={id}
            title={`${'treeId' in action ? `${codeOf(action.treeId)} · ` : ''}${upperFirst(actionWords(say, action, today.site.plan.kit))}`}
            detail={`${by}, ${ago(action.at, now)}`}
            href="/book"
          />
        ))}
      </Rows>
    </View>
  );
}

const CutsRow = memo(function CutsRow({ run, today }: { run: Run; today: SiteToday }) {
  const say = useSay();
  const first = run.left[0] ?? run.waiting[0];
  if (!first) return null;
  const trees = new Set(run.waiting.map(({ tree }) => tree.id)).size;
  const place = say('today.at', {
    tree: first.tree.code,
    get: limbIn(say, first.limbName),
    place: placeWords(say, first, today.units),
  });
  const state = run.open ? (run.open.paused ? say('today.theRunIsPaused') : say('today.aRunIsUnderWay')) : '';
  return (
    <Row
      href="/cut"
      {...(run.open && { bar: 'open' as const })}
      title={say('today.cutsToMakeOnTrees', { waiting: run.waiting.length, trees })}
      detail={say('today.first', { state, place })}
    />
  );
});

const DecisionRows = memo(function DecisionRows({ trees }: { trees: readonly ListedTree[] }) {
  const say = useSay();
  const { shown, more } = useFewRows(trees.filter(({ toDecide }) => toDecide.length > 0));
  return (
    <>
      {shown.map(({ tree, toDecide }) => (
        <Row
          key={tree.id}
          href={`/plan/${tree.id}`}
          title={say('today.pleaseDecide')}
          detail={say('today.thatNoCutRemoves', { tree: tree.code, disorder: codeWords(say, toDecide) })}
        />
      ))}
      {more}
    </>
  );
});

const HandOverRow = memo(function HandOverRow({ run }: { run: Run }) {
  const say = useSay();
  const trees = [
    ...new Set(run.leftOut.filter((item) => item.because.code === 'hand over').map((item) => item.tree.code)),
  ];
  if (trees.length === 0) return null;
  return (
    <Row
      href="/plan"
      title={say('today.toHandOver')}
      detail={say('today.workForALicensedArborist', { trees: trees.join(', ') })}
    />
  );
});

/** Only where something is wrong with it. */
function CopyRow({ timeZone }: { timeZone: string }) {
  const say = useSay();
  const copies = useCopies().data;
  if (!copies) return null;
  const { damage, isReadOnly } = copies.database;
  if (damage || isReadOnly)
    return (
      <Row
        href="/book/settings"
        title={damage ? say('shared.theDatabaseIsDamaged') : say('shared.theDiskOfTheServerTakesNothing')}
        detail={say('today.settingsSayWhatToDo')}
      />
    );
  if (!copies.isOld) return null;
  const [last] = copies.kept;
  const details = [
    ...(last ? [say('today.made', { shortMoment: shortMoment(last.madeAt, timeZone) })] : []),
    ...(copies.failed ? [copies.failed.why] : []),
    say('today.seeSettings'),
  ];
  return <Row href="/book/settings" title={oldWords(say, copies)} detail={details.join(' · ')} />;
}

function ClockRow() {
  const say = useSay();
  const offMs = useClockOff();
  if (offMs === null) return null;
  return (
    <Row
      href="/book/settings"
      title={clockOffWords(say, offMs)}
      detail={say('today.recordsHereCarryTheServersTimeSet')}
    />
  );
}
