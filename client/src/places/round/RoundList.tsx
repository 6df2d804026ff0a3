// The round: where it stands, and the queue in walking order, plot by plot.

import { dangersOf } from '@mortisect/core/handling';
import type { OpenRound, Queue, RoundEntry } from '@mortisect/core/present';
import type { Plot, TreeSummary } from '@mortisect/core/records';
import { View } from '@tamagui/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useReadAhead, useTrees } from '../../data/queries';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { PressRow } from '../../ui/PressRow';
import { Row, Rows } from '../../ui/Row';
import { Aside, Screen } from '../../ui/Screen';
import { Body, Label, Section, Small } from '../../ui/type';
import { Waiting } from '../../ui/Waiting';
import { plural, speciesWords } from '../words';
import { FindByTag } from './FindByTag';
import { RoundControls } from './RoundControls';
import { useQueue } from './walk';

export function RoundList({ openId }: { openId?: string }) {
  const router = useRouter();
  const { data, error, refetch } = useTrees();
  const { round, queue } = useQueue();
  if (!data || !queue) return <Waiting title="Round" beside error={error} onRetry={refetch} />;
  const next = round && !round.paused ? queue.next : null;
  return (
    <Screen
      title="Round"
      subtitle={round ? roundWords(round, queue) : 'No round is open'}
      beside
      aside={round ? <Aside figure={`${queue.done} of ${queue.trees.length}`} caption="seen" /> : null}
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
        <Button onPress={() => router.navigate('/round/register')}>Register</Button>
      </View>
      {round && !round.paused ? (
        <ReadAhead round={round} plots={data.plots} trees={queue.trees.length} />
      ) : null}
      {data.trees.length === 0 ? (
        <Body>No trees are written down yet. Begin in the register: one by one, or from a file.</Body>
      ) : null}
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

/** So many trees are read without asking; more are megabytes by the dozen. */
const MOST_UNASKED = 1000;

/** Whether the trees of the round are on this device, so that one may walk out of signal. */
function ReadAhead({ round, plots, trees }: { round: OpenRound; plots: readonly Plot[]; trees: number }) {
  const plotIds = round.plotIds.length === 0 ? plots.map((plot) => plot.id) : round.plotIds;
  const [wanted, setWanted] = useState(false);
  const few = trees <= MOST_UNASKED || wanted;
  const { data, error, refetch } = useReadAhead(few ? round.id : null, plotIds);
  if (!few)
    return (
      <Notice
        kind="said"
        title={`${trees} trees are many for one device`}
        action={
          <View flexDirection="row">
            <Button onPress={() => setWanted(true)}>Read them all onto this device</Button>
          </View>
        }
      >
        Without signal only trees that were opened here can be opened. Reading all of them takes a while.
      </Notice>
    );
  if (error && !data)
    return (
      <Notice
        kind="caution"
        title="Not all trees are on this device yet"
        action={
          <View flexDirection="row">
            <Button onPress={() => void refetch()}>Read them now</Button>
          </View>
        }
      >
        Without signal those that are missing cannot be opened.
      </Notice>
    );
  return (
    <Small role="status">
      {data
        ? 'All trees of this round are on this device: it goes on without signal.'
        : 'Reading the trees of this round onto this device …'}
    </Small>
  );
}

function roundWords(round: OpenRound, queue: Queue): string {
  return [
    round.paused ? 'Paused' : round.order === 'tag' ? 'By tag' : 'In walking order',
    ...(queue.partly > 0 ? [`${queue.partly} seen in part`] : []),
    ...(queue.skipped > 0 ? [`${queue.skipped} skipped`] : []),
    `${queue.trees.length - queue.done - queue.partly - queue.skipped} to see`,
  ].join(' · ');
}

interface PlotQueueProps {
  plot: Plot;
  trees: TreeSummary[];
  round: OpenRound | null;
  openId: string | undefined;
  startsOpen: boolean;
}

const AT_ONCE = 60;

function PlotQueue({ plot, trees, round, openId, startsOpen }: PlotQueueProps) {
  const [toggled, setToggled] = useState<boolean | null>(null);
  const [shown, setShown] = useState(AT_ONCE);
  if (trees.length === 0) return null;
  const open = toggled ?? startsOpen;
  const done = trees.filter((tree) => isDone(round?.entries.get(tree.id))).length;
  const found = trees.filter((tree) => tree.openFindings > 0).length;
  const at = trees.findIndex((tree) => tree.id === openId);
  return (
    <View>
      <PressRow
        aria-expanded={open}
        onPress={() => setToggled(!open)}
        marginHorizontal={-16}
        paddingHorizontal={11}
        paddingVertical={8}
        aria-label={`${plot.name}, ${plural(trees.length, 'tree')}`}
      >
        <View flex={1} minWidth={0}>
          <Section render="h2">{plot.name}</Section>
          <Small>{`${round ? `${done} of ${trees.length} seen` : plural(trees.length, 'tree')}${found > 0 ? ` · ${found} with findings` : ''}`}</Small>
        </View>
        <Label color="$chalk">{open ? 'Close' : 'Open'}</Label>
      </PressRow>
      {open ? (
        <>
          <Rows>
            {trees.slice(0, Math.max(shown, at + 1)).map((tree) => (
              <TreeRow
                key={tree.id}
                tree={tree}
                entry={round?.entries.get(tree.id)}
                open={tree.id === openId}
              />
            ))}
          </Rows>
          {shown < trees.length ? (
            <Button onPress={() => setShown(shown + AT_ONCE)}>{`${trees.length - shown} more trees`}</Button>
          ) : null}
        </>
      ) : null}
    </View>
  );
}

function isDone(entry: RoundEntry | undefined): boolean {
  return entry?.state === 'sound' || entry?.state === 'found';
}

function TreeRow({ tree, entry, open }: { tree: TreeSummary; entry: RoundEntry | undefined; open: boolean }) {
  const danger = dangersOf(tree.hazards).length > 0;
  return (
    <Row
      href={`/round/${tree.id}`}
      {...(open ? { bar: 'open' as const } : danger ? { bar: 'danger' as const } : {})}
      title={tree.nickname ? `${tree.code} · ${tree.nickname}` : tree.code}
      detail={`${speciesWords(tree)}${tree.hazards.length > 0 ? ` · ${tree.hazards.join(', ')}` : ''}`}
      aside={
        <View alignItems="flex-end">
          {tree.openFindings > 0 ? <Label>{plural(tree.openFindings, 'finding')}</Label> : null}
          {entry ? <StateWords entry={entry} /> : null}
        </View>
      }
    />
  );
}

function StateWords({ entry }: { entry: RoundEntry }) {
  if (entry.state === 'sound') return <Small color="$leaf">✓ sound</Small>;
  if (entry.state === 'found') return <Small>✓ seen</Small>;
  if (entry.state === 'partly') return <Small color="$ochreText">{entry.seen} only</Small>;
  return <Small color="$ochreText">skipped</Small>;
}
