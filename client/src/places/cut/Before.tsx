// Before the first cut: the trees in order, what to bring, the mix, the marks, and the look around that starts the run.
import { mixes } from '@mortisect/contracts';
import { agentOf } from '@mortisect/core/blades';
import { joined, thicknessReading } from '@mortisect/core/measure';
import { View } from '@tamagui/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { clockTime } from '../../data/moment';
import { useTiming } from '../../data/queries';
import { useClock } from '../../data/useClock';
import { Button } from '../../ui/Button';
import { CheckRow } from '../../ui/CheckRow';
import { Columns } from '../../ui/Columns';
import { Notice } from '../../ui/Notice';
import { Row, Rows } from '../../ui/Row';
import { Aside, Screen } from '../../ui/Screen';
import { Body, Section, Small } from '../../ui/type';
import { disorderWords, plural, upperFirst } from '../words';
import { bringFor } from './bring';
import { LeftOutRows } from './LeftOutRows';
import { LookAround } from './LookAround';
import { RunMap } from './RunMap';
import type { Stop } from './run';
import { openNow, windowWords } from './stopWindows';
import { toggled } from './toggled';
import { UndoLast } from './UndoLast';
import type { RunHere } from './useRun';
import type { RunItem } from './work';

export function Before({ here }: { here: RunHere }) {
  const { run, today, walk } = here;
  const router = useRouter();
  const [looking, setLooking] = useState(false);
  const timing = useTiming();
  const told = timing.data;
  const [said, setSaid] = useState<ReadonlySet<string> | null>(null);
  // Until somebody says otherwise, the trees that have a window now
  const chosen = said ?? openNow(run.stops, told);
  const inRun = run.stops.filter(({ view }) => chosen.has(view.tree.id));
  const cuts = inRun.reduce((sum, { items }) => sum + items.length, 0);
  if (run.stops.length === 0) return <Nothing here={here} />;
  // Nothing moves under the finger: order and windows are there before anything can be chosen
  const reading = timing.isPending && timing.fetchStatus === 'fetching' && timing.failureCount === 0;
  if (!walk || reading)
    return (
      <Screen title="Cut" subtitle={today.site.name}>
        <Body role="status">Ordering the trees …</Body>
      </Screen>
    );
  return (
    <Screen
      title="Cut"
      subtitle={today.site.name}
      aside={<Aside figure={plural(cuts, 'cut')} caption={`on ${plural(inRun.length, 'tree')}`} />}
      width="full"
      actions={
        <Button
          grow
          kind="main"
          minHeight={68}
          onPress={() => setLooking(true)}
          disabled={inRun.length === 0}
        >
          Look around first
        </Button>
      }
    >
      <Columns beside={<RunMap run={run} stops={inRun} />}>
        <Section>Trees in this order</Section>
        {inRun.length === 0 ? (
          <Notice kind="caution" title="No tree is chosen">
            None of these trees has a window now. What cannot wait can be chosen all the same; why each waits
            stands under Plan, When.
          </Notice>
        ) : null}
        <View>
          {run.stops.map(({ view, wood, items }) => (
            <CheckRow
              key={view.tree.id}
              label={`${placeIn(inRun, view.tree.id)}${view.tree.code}`}
              detail={`${plural(items.length, 'cut')}, ${wood}: ${disorderWords(items.flatMap((item) => item.disorders.map((disorder) => ({ disorder }))))}. ${upperFirst(windowWords({ view, wood, items }, told, today))}`}
              on={chosen.has(view.tree.id)}
              onChange={(on) => setSaid(toggled(chosen, view.tree.id, on))}
            />
          ))}
        </View>
        {told?.station.simulated ? <Small>The windows go by simulated weather.</Small> : null}
        {walk ? (
          <Small>
            {`Sound before suspect before infected, on the shortest way: ${Math.round(walk.metres)} m, as listed ${Math.round(walk.naiveMetres)} m${walk.gap > 0 ? `, within ${Math.ceil(walk.gap * 100)} % of the least` : ', proved'}.`}
          </Small>
        ) : null}
        {inRun.length > 0 ? <BringRows here={here} left={inRun.flatMap(({ items }) => items)} /> : null}
        <View flexDirection="row" flexWrap="wrap" gap={12}>
          <Button onPress={() => router.navigate('/cut/mix')}>Mix</Button>
          <Button onPress={() => router.navigate('/cut/kit')}>Blades</Button>
          <Button onPress={() => router.navigate('/cut/marks')}>Mark limbs first</Button>
          <Button onPress={() => router.navigate('/cut/skipping')}>What skipping costs</Button>
        </View>
        <UndoLast run={run} />
        <LeftOutRows run={run} />
      </Columns>
      <LookAround
        run={run}
        treeIds={inRun.map(({ view }) => view.tree.id)}
        open={looking}
        onClose={() => setLooking(false)}
      />
    </Screen>
  );
}

function BringRows({ here, left }: { here: RunHere; left: RunItem[] }) {
  const { today, actions } = here;
  const { tools, ladder, missing, supplies, cleanings, minutes } = bringFor({ left }, today);
  const clock = useClock();
  const agent = agentOf(today.site.agentId);
  const mix = mixes(actions, clock()).find((one) => one.action.agentId === agent.id);
  const have = today.site.gear;
  return (
    <View gap={8}>
      <Section>Bring</Section>
      {missing.map(({ itemId, treeCode, text }) => (
        <Notice key={itemId} kind="danger" title={treeCode}>
          {text}
        </Notice>
      ))}
      {ladder && !have.includes('ladder') ? null : (
        <Body>
          {upperFirst([...(ladder ? ['ladder'] : []), ...have.filter((one) => one !== 'ladder')].join(', '))}
        </Body>
      )}
      <Rows>
        {tools.map(({ tool, cuts, thickestMm }) => (
          <Row
            key={tool.id}
            href="/cut/kit"
            title={tool.count && tool.count > 1 ? `${tool.count} × ${tool.name}` : tool.name}
            detail={`${plural(cuts, 'cut')}, up to ${joined(thicknessReading(thickestMm, today.units))} of ${joined(thicknessReading(tool.takesMm, today.units))}`}
          />
        ))}
        <Row
          href="/cut/mix"
          title={agent.name}
          detail={`${plural(cleanings, 'cleaning')} in about ${Math.max(1, Math.round(minutes))} min: ${supplies.litres.toFixed(2)} L, ${plural(supplies.cloths, 'cloth')}${supplies.waitMinutes >= 1 ? `; ${Math.round(supplies.waitMinutes)} min of waiting, none with ${plural(supplies.bladesForNoWait, 'blade')} of a kind` : ''}`}
          aside={
            mix
              ? mix.spent
                ? 'spent'
                : `use by ${clockTime(mix.useBy, today.site.timeZone)}`
              : 'not mixed yet'
          }
        />
      </Rows>
    </View>
  );
}

function Nothing({ here }: { here: RunHere }) {
  const router = useRouter();
  const { run, today } = here;
  return (
    <Screen
      title="Cut"
      subtitle={today.site.name}
      aside={<Aside figure={plural(run.madeCuts.length, 'cut')} caption="made today" />}
      actions={
        <Button grow kind="main" onPress={() => router.navigate('/round')}>
          Go on with the round
        </Button>
      }
    >
      <Body>No cut waits. What you mark in Round and can do yourself comes here, one card a step.</Body>
      {run.madeCuts.length > 0 ? (
        <Row
          href="/book/rechecks"
          title="Look at the cuts again"
          detail="When each is due stands in the Book, under Rechecks."
        />
      ) : null}
      <View flexDirection="row" flexWrap="wrap" gap={12}>
        <Button onPress={() => router.navigate('/cut/kit')}>Blades</Button>
        <Button onPress={() => router.navigate('/cut/mix')}>Mix</Button>
      </View>
      <UndoLast run={run} />
      <LeftOutRows run={run} />
    </Screen>
  );
}

/** “2 · ” for the second of the run; nothing for a tree that is left for another one. */
function placeIn(inRun: readonly Stop[], treeId: string): string {
  const place = inRun.findIndex(({ view }) => view.tree.id === treeId);
  return place < 0 ? '' : `${place + 1} · `;
}
