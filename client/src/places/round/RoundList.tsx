// The round: where it stands, and the queue in walking order, plot by plot.

import { dangersOf } from '@mortisect/core/handling';
import type { OpenRound, Queue, RoundEntry } from '@mortisect/core/present';
import type { Plot, TreeSummary } from '@mortisect/core/records';
import type { Say } from '@mortisect/words';
import { told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useReadAhead, useTrees } from '../../data/queries';
import { MOST_UNASKED } from '../../data/quietly';
import { useSay } from '../../data/useSay';
import { Button } from '../../ui/Button';
import { useInParts } from '../../ui/inParts';
import { Notice } from '../../ui/Notice';
import { PressRow } from '../../ui/PressRow';
import { Row, Rows } from '../../ui/Row';
import { Aside, Screen } from '../../ui/Screen';
import { Body, Label, Section, Small } from '../../ui/type';
import { Waiting } from '../../ui/Waiting';
import { speciesWords } from '../words';
import { FindByTag } from './FindByTag';
import { RoundControls } from './RoundControls';
import { useQueue } from './walk';

export function RoundList({ openId }: { openId?: string }) {
  const say = useSay();
  const router = useRouter();
  const { data, error, refetch } = useTrees();
  const { round, queue, ...walk } = useQueue();
  // Which plot is open, and whether a round can be started, hangs on the round: whoever taps before it is there would close a plot for good
  if (!data || !queue || !walk.isRead) {
    const retry = () => Promise.all([refetch(), walk.refetch()]);
    return <Waiting title={say('shared.round')} beside error={error ?? walk.error} onRetry={retry} />;
  }
  const next = round && !round.paused ? queue.next : null;
  return (
    <Screen
      title={say('shared.round')}
      subtitle={round ? roundWords(say, round, queue) : say('round.noRoundIsOpen')}
      beside
      aside={
        round ? (
          <Aside
            figure={say('round.of2', { done: queue.done, trees: queue.trees.length })}
            caption={say('round.seenCaption')}
          />
        ) : null
      }
      actions={
        <RoundControls
          round={round}
          queue={queue}
          plots={data.plots}
          next={next}
          onGo={(tree) => router.navigate(`/round/${tree.id}`)}
        />
      }
    >
      <View flexDirection="row" flexWrap="wrap" gap={8}>
        <FindByTag />
        <Button onPress={() => router.navigate('/round/register')}>{say('round.register')}</Button>
      </View>
      {round && !round.paused ? (
        <ReadAhead round={round} plots={data.plots} trees={queue.trees.length} />
      ) : null}
      {data.trees.length === 0 ? <Body>{say('round.noTreesAreWrittenDownYetBegin')}</Body> : null}
      {data.plots.map((plot) => (
        <PlotQueue
          key={plot.id}
          plot={plot}
          trees={queue.trees.filter((tree) => tree.plotId === plot.id)}
          round={round}
          openId={openId}
          startsOpen={plot.id === (queue.trees.find((tree) => tree.id === openId) ?? queue.next)?.plotId}
        />
      ))}
    </Screen>
  );
}

/** Whether the trees of the round are on this device, so that one may walk out of signal. */
function ReadAhead({ round, plots, trees }: { round: OpenRound; plots: readonly Plot[]; trees: number }) {
  const say = useSay();
  const plotIds = round.plotIds.length === 0 ? plots.map((plot) => plot.id) : round.plotIds;
  const [wanted, setWanted] = useState(false);
  const few = trees <= MOST_UNASKED || wanted;
  const { data, error, refetch } = useReadAhead(few ? round.id : null, plotIds);
  if (!few)
    return (
      <Notice
        kind="said"
        title={say('round.treesAreManyForOneDevice', { trees })}
        action={
          <View flexDirection="row">
            <Button onPress={() => setWanted(true)}>{say('round.readThemAllOntoThisDevice')}</Button>
          </View>
        }
      >
        {say('round.withoutSignalOnlyTreesThatWereOpened')}
      </Notice>
    );
  if (error && !data)
    return (
      <Notice
        kind="caution"
        title={say('round.notAllTreesAreOnThisDevice')}
        action={
          <View flexDirection="row">
            <Button onPress={() => void refetch()}>{say('round.readThemNow')}</Button>
          </View>
        }
      >
        {say('round.withoutSignalThoseThatAreMissingCannot')}
      </Notice>
    );
  return (
    <Small role="status">
      {data ? say('round.allTreesOfThisRoundAreOn') : say('round.readingTheTreesOfThisRoundOnto')}
    </Small>
  );
}

function roundWords(say: Say, round: OpenRound, queue: Queue): string {
  return [
    round.paused
      ? say('round.paused')
      : round.order === 'tag'
        ? say('round.byTag')
        : say('round.inWalkingOrder'),
    ...(queue.partly > 0 ? [say('round.seenInPart', { partly: queue.partly })] : []),
    ...(queue.skipped > 0 ? [say('round.skipped', { skipped: queue.skipped })] : []),
    say('round.toSee', { trees: queue.trees.length - queue.done - queue.partly - queue.skipped }),
  ].join(' · ');
}

interface PlotQueueProps {
  plot: Plot;
  trees: TreeSummary[];
  round: OpenRound | null;
  openId: string | undefined;
  startsOpen: boolean;
}

function PlotQueue({ plot, trees, round, openId, startsOpen }: PlotQueueProps) {
  const say = useSay();
  const [toggled, setToggled] = useState<boolean | null>(null);
  const at = trees.findIndex((tree) => tree.id === openId);
  const { shown, more } = useInParts(trees, at + 1);
  if (trees.length === 0) return null;
  const open = toggled ?? startsOpen;
  const done = trees.filter((tree) => isDone(round?.entries.get(tree.id))).length;
  const found = trees.filter((tree) => tree.openFindings > 0).length;
  return (
    <View>
      <PressRow
        aria-expanded={open}
        onPress={() => setToggled(!open)}
        marginHorizontal={-16}
        paddingHorizontal={11}
        paddingVertical={8}
        aria-label={`${plot.name}, ${say('round.trees3', { trees: trees.length })}`}
      >
        <View flex={1} minWidth={0}>
          <Section render="h2">{plot.name}</Section>
          <Small>{`${round ? say('round.ofSeen', { done, trees: trees.length }) : say('round.trees3', { trees: trees.length })}${found > 0 ? say('round.withFindings', { found }) : ''}`}</Small>
        </View>
        <Label color="$chalk">{open ? say('shared.close') : say('round.open')}</Label>
      </PressRow>
      {open ? (
        <>
          <Rows>
            {shown.map((tree) => (
              <TreeRow
                key={tree.id}
                tree={tree}
                entry={round?.entries.get(tree.id)}
                open={tree.id === openId}
              />
            ))}
          </Rows>
          {more}
        </>
      ) : null}
    </View>
  );
}

function isDone(entry: RoundEntry | undefined): boolean {
  return entry?.state === 'sound' || entry?.state === 'found';
}

function TreeRow({ tree, entry, open }: { tree: TreeSummary; entry: RoundEntry | undefined; open: boolean }) {
  const say = useSay();
  const danger = dangersOf(tree.hazards).length > 0;
  return (
    <Row
      href={`/round/${tree.id}`}
      {...(open ? { bar: 'open' as const } : danger ? { bar: 'danger' as const } : {})}
      title={tree.nickname ? `${tree.code} · ${tree.nickname}` : tree.code}
      detail={`${speciesWords(say, tree)}${tree.hazards.length > 0 ? ` · ${tree.hazards.map((each) => told(say, each)).join(', ')}` : ''}`}
      aside={
        <View alignItems="flex-end">
          {tree.openFindings > 0 ? (
            <Label>{say('round.findings2', { openFindings: tree.openFindings })}</Label>
          ) : null}
          {entry ? <StateWords entry={entry} /> : null}
        </View>
      }
    />
  );
}

function StateWords({ entry }: { entry: RoundEntry }) {
  const say = useSay();
  if (entry.state === 'sound') return <Small color="$leaf">{say('round.sound')}</Small>;
  if (entry.state === 'found') return <Small>{say('round.seen')}</Small>;
  if (entry.state === 'partly')
    return <Small color="$ochreText">{say('round.only2', { seen: told(say, entry.seen) ?? '' })}</Small>;
  return <Small color="$ochreText">{say('round.skipped2')}</Small>;
}
