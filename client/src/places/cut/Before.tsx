// Before the first cut: the trees in order, what to bring, the mix, the marks, and the look around that starts the run.

import type { TimingNow } from '@mortisect/contracts';
import { upperFirst } from '@mortisect/core/measure';
import type { RunOrder } from '@mortisect/core/plan';
import { MOST_RUN_TREES } from '@mortisect/core/records';
import type { Stop } from '@mortisect/core/run';
import type { Say } from '@mortisect/words';
import { goalWords, told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { isBeingRead, useTiming } from '../../data/queries';
import { useSeasonToday } from '../../data/seasonPlan';
import { useSay } from '../../data/useSay';
import { Button } from '../../ui/Button';
import { CheckRow } from '../../ui/CheckRow';
import { Columns } from '../../ui/Columns';
import { Afterwards, useInParts } from '../../ui/inParts';
import { Notice } from '../../ui/Notice';
import { Aside, Screen } from '../../ui/Screen';
import { Body, Section, Small } from '../../ui/type';
import { allToggled, toggled } from '../toggled';
import { codeWords } from '../words';
import { BringRows } from './BringRows';
import { CartPlace } from './CartPlace';
import { LeftOutRows } from './LeftOutRows';
import { LookAround } from './LookAround';
import { NothingToCut } from './NothingToCut';
import { openNow } from './openWindows';
import { RunFromAbove } from './RunFromAbove';
import { windowWords } from './stopWindows';
import { UndoLast } from './UndoLast';
import type { RunHere } from './useRun';
import { useStopOrder } from './useStopOrder';

/** Rows that a screen shows: two lines and more each. */
const ON_SCREEN = 8;
const NO_STOPS: Stop[] = [];

/** What somebody chose. */
interface Said {
  trees: ReadonlySet<string>;
  /** All trees as the list had them when they began to choose. */
  listed: readonly string[];
}

export function Before({ here }: { here: RunHere }) {
  const say = useSay();
  const { run, today } = here;
  const [looking, setLooking] = useState(false);
  const timing = useTiming();
  const timingNow = timing.data;
  const [said, setSaid] = useState<Said | null>(null);
  const { crew, half } = useLocalSearchParams<{ crew?: string; half?: string }>();
  const season = useSeasonToday(crew !== undefined);
  const halfDay = season.data?.halfDays.find((each) => each.crewId === crew && each.half === half);
  // Until somebody says otherwise, those that the season has for a crew, else the trees that have a window now
  const chosen = useMemo(
    () => said?.trees ?? (halfDay ? new Set(halfDay.treeIds) : openNow(run.stops, timingNow)),
    [said, halfDay, run.stops, timingNow],
  );
  const picked = useMemo(() => run.stops.filter(({ tree }) => chosen.has(tree.id)), [run.stops, chosen]);
  // Nothing moves under the finger: order and windows are there before anything can be chosen
  const reading = [timing, season].some(isBeingRead);
  const order = useStopOrder(reading ? NO_STOPS : picked);
  const inRun = useMemo(() => inOrder(picked, order?.order ?? []), [picked, order]);
  // The list stands still under the finger; numbers and the run follow the trees that are chosen
  const listed = useMemo(() => (said ? inOrder(run.stops, said.listed) : run.stops), [run.stops, said]);
  const choose = (trees: ReadonlySet<string>) =>
    setSaid({ trees, listed: said?.listed ?? run.stops.map(({ tree }) => tree.id) });
  const cuts = inRun.reduce((sum, { items }) => sum + items.length, 0);
  if (run.stops.length === 0) return <NothingToCut here={here} />;
  // The page stands while they are reckoned
  const isReady = here.ordered && !reading;
  return (
    <Screen
      title={say('shared.cut')}
      subtitle={today.site.name}
      width="full"
      {...(isReady && {
        aside: (
          <Aside figure={say('cut.cuts', { cuts })} caption={say('cut.onTrees', { inRun: inRun.length })} />
        ),
        actions: (
          <Button
            grow
            kind="main"
            minHeight={68}
            onPress={() => setLooking(true)}
            disabled={inRun.length === 0 || inRun.length > MOST_RUN_TREES}
          >
            {say('cut.lookAroundFirst')}
          </Button>
        ),
      })}
    >
      <Columns
        beside={
          isReady ? (
            <RunFromAbove
              stops={run.stops}
              inRun={inRun}
              onToggle={(treeIds) => choose(allToggled(chosen, treeIds))}
            />
          ) : null
        }
      >
        <Section>{say('cut.treesInThisOrder')}</Section>
        {isReady ? (
          <Trees
            {...{ here, listed, inRun, chosen, timingNow, order }}
            crew={halfDay && said === null ? halfDay.crew : null}
            onChosen={choose}
          />
        ) : (
          <Body role="status">{say('cut.orderingTheTrees')}</Body>
        )}
      </Columns>
      <LookAround
        run={run}
        treeIds={inRun.map(({ tree }) => tree.id)}
        open={looking}
        onClose={() => setLooking(false)}
      />
    </Screen>
  );
}

interface TreesProps {
  here: RunHere;
  /** All of them, as they stand in the list. */
  listed: readonly Stop[];
  /** Those that are chosen, as they are visited. */
  inRun: readonly Stop[];
  chosen: ReadonlySet<string>;
  timingNow: TimingNow | undefined;
  order: RunOrder | null;
  /** Whose half-day of the season they are; null where somebody said otherwise, or the weather did. */
  crew: string | null;
  onChosen(trees: ReadonlySet<string>): void;
}

function Trees({ here, listed, inRun, chosen, timingNow, order, crew, onChosen }: TreesProps) {
  const say = useSay();
  const router = useRouter();
  const { run, today } = here;
  const { shown, more } = useInParts(listed, 0, { first: ON_SCREEN });
  return (
    <>
      {crew === null ? null : <Small>{say('cut.asTheSeasonHasIt', { crew })}</Small>}
      {inRun.length === 0 ? (
        <Notice kind="caution" title={say('cut.noTreeIsChosen')}>
          {say('cut.noTreeCanBeCutRightNow')}
        </Notice>
      ) : null}
      {inRun.length > MOST_RUN_TREES ? (
        <Notice kind="caution" title={say('cut.moreTreesThanARunTakes')}>
          {say('cut.aRunTakesAtMost', { most: MOST_RUN_TREES })}
        </Notice>
      ) : null}
      <View>
        {shown.map(({ tree, wood, items }) => (
          <CheckRow
            key={tree.id}
            label={`${placeIn(inRun, tree.id)}${tree.code}`}
            detail={`${say('cut.cuts2', { items: items.length })}, ${told(say, wood)}: ${[
              codeWords(
                say,
                items.flatMap((item) => item.disorders),
              ),
              ...goalWords(say, [...new Set(items.flatMap((item) => item.goals))]),
            ]
              .filter(Boolean)
              .join(' · ')}. ${upperFirst(windowWords(say, { tree, wood, items }, timingNow, today))}`}
            on={chosen.has(tree.id)}
            onChange={(on) => onChosen(toggled(chosen, tree.id, on))}
          />
        ))}
      </View>
      {more}
      {timingNow?.station.simulated ? (
        <Small>{say('shared.simulatedWeatherNoInstrumentMeasuredIt')}</Small>
      ) : null}
      {order && inRun.length > 1 ? <Small>{orderWords(say, order)}</Small> : null}
      <Afterwards>
        <CartPlace />
        {inRun.length > 0 ? <BringRows here={here} left={inRun.flatMap(({ items }) => items)} /> : null}
        <View flexDirection="row" flexWrap="wrap" gap={12}>
          <Button onPress={() => router.navigate('/cut/mix')}>{say('cut.mix')}</Button>
          <Button onPress={() => router.navigate('/cut/kit')}>{say('cut.blades')}</Button>
          <Button onPress={() => router.navigate('/cut/marks')}>{say('cut.markLimbsFirst')}</Button>
          <Button onPress={() => router.navigate('/cut/skipping')}>
            {say('cut.whatSkippedCleaningCosts')}
          </Button>
        </View>
        <UndoLast run={run} />
        <LeftOutRows run={run} />
      </Afterwards>
    </>
  );
}

/** “2 · ” for the second of the run; nothing for a tree that is left for another one. */
function placeIn(inRun: readonly Stop[], treeId: string): string {
  const place = inRun.findIndex(({ tree }) => tree.id === treeId);
  return place < 0 ? '' : `${place + 1} · `;
}

/** Those that are named first, as they are named; the others after them as they come. */
function inOrder(stops: readonly Stop[], order: readonly string[]): Stop[] {
  const placeOf = new Map(order.map((id, place) => [id, place]));
  const place = ({ tree }: Stop) => placeOf.get(tree.id) ?? order.length;
  return stops.toSorted((a, b) => place(a) - place(b));
}

function orderWords(say: Say, { walk, naive, gap }: RunOrder): string {
  const proof = gap > 0 ? say('cut.withinOfTheLeast', { ceil: Math.ceil(gap * 100) }) : say('cut.proved');
  return say('cut.soundBeforeSuspectBeforeInfectedOnThe', {
    metres: Math.round(walk.metres),
    metres2: Math.round(naive.metres),
    proof,
  });
}
