// Start, go on, pause, take up again, close: the round as a whole.

import type { OpenRound, Queue } from '@mortisect/core/present';
import { type Plot, type TreeSummary, walkingOrders } from '@mortisect/core/records';
import type { Say } from '@mortisect/words';
import { told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { dayWords } from '../../data/moment';
import { readPlots, useRound } from '../../data/queries';
import { useClock } from '../../data/useClock';
import { useSay } from '../../data/useSay';
import { useRecordAction } from '../../data/writes';
import { Button } from '../../ui/Button';
import { CheckRow } from '../../ui/CheckRow';
import { Choice } from '../../ui/Choice';
import { Sheet } from '../../ui/Sheet';
import { Body, Label, Small } from '../../ui/type';

interface RoundControlsProps {
  round: OpenRound | null;
  queue: Queue;
  plots: Plot[];
  next: TreeSummary | null;
  onGo(tree: TreeSummary): void;
}

export function RoundControls({ round, queue, plots, next, onGo }: RoundControlsProps) {
  const say = useSay();
  const [starting, setStarting] = useState(false);
  const [minding, setMinding] = useState(false);
  const clock = useClock();
  const { record } = useRecordAction();
  if (!round) {
    return (
      <>
        <Button grow kind="main" disabled={queue.trees.length === 0} onPress={() => setStarting(true)}>
          {say('round.startARound')}
        </Button>
        <Reopen />
        <StartSheet plots={plots} open={starting} onClose={() => setStarting(false)} />
      </>
    );
  }
  return (
    <>
      <Button onPress={() => setMinding(true)}>{say('round.roundOptions')}</Button>
      {round.paused ? (
        <Button grow kind="main" onPress={() => record({ kind: 'roundResumed', at: clock() })}>
          {say('shared.continueTheRound')}
        </Button>
      ) : (
        <Button grow kind="main" disabled={!next} onPress={() => next && onGo(next)}>
          {next ? say('round.continue', { next: next.code }) : say('round.allSeen')}
        </Button>
      )}
      <MindSheet round={round} queue={queue} plots={plots} open={minding} onClose={() => setMinding(false)} />
    </>
  );
}

const REOPENED_WITHIN_MS = 14 * 24 * 3_600_000;

/** A round that was closed by a slip, or too early, goes on where it stood. */
function Reopen() {
  const say = useSay();
  const clock = useClock();
  const { closed } = useRound();
  const { record, isPending } = useRecordAction();
  const recent = closed && Date.parse(clock()) - Date.parse(closed.action.at) < REOPENED_WITHIN_MS;
  if (!closed || !recent) return null;
  return (
    <Button disabled={isPending} onPress={() => record({ kind: 'undone', at: clock(), actionId: closed.id })}>
      {say('round.reopenTheRoundOf', { day: dayWords(closed.action.at.slice(0, 10)) })}
    </Button>
  );
}

const ordersIn = (say: Say) =>
  walkingOrders.map((value) => ({
    value,
    label: value === 'tag' ? say('round.byTag') : say('round.upOneRowDownTheNext'),
  }));

function StartSheet({ plots, open, onClose }: { plots: Plot[]; open: boolean; onClose(): void }) {
  const say = useSay();
  const clock = useClock();
  const { record } = useRecordAction();
  const [order, setOrder] = useState<(typeof walkingOrders)[number]>('serpentine');
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const chosen = plots.filter((plot) => !left.has(plot.id)).map((plot) => plot.id);
  const start = () => {
    record({ kind: 'roundStarted', at: clock(), order, plotIds: left.size === 0 ? [] : chosen }, onClose);
    // What could not be read is tried again by the list
    readPlots(chosen).catch(() => undefined);
  };
  return (
    <Sheet
      title={say('round.startARound')}
      open={open}
      onClose={onClose}
      closeLabel={say('shared.back')}
      actions={
        <Button grow kind="main" disabled={chosen.length === 0} onPress={start}>
          {say('shared.start')}
        </Button>
      }
    >
      <Choice label={say('round.order')} options={ordersIn(say)} value={order} onChange={setOrder} />
      <View role="group" aria-label={say('round.plots')}>
        {plots.map((plot) => (
          <CheckRow
            key={plot.id}
            label={plot.name}
            detail={plot.note}
            on={!left.has(plot.id)}
            onChange={(on) =>
              setLeft(new Set(on ? [...left].filter((id) => id !== plot.id) : [...left, plot.id]))
            }
          />
        ))}
      </View>
      <Small>{say('round.theTreesAreReadOntoThisDevice')}</Small>
    </Sheet>
  );
}

const READING = {
  no: 'round.readAllTreesOntoThisDevice',
  reading: 'round.reading',
  read: 'round.readReadyForNoSignal',
  failed: 'round.notAllWereReadReadAgain',
} as const;

function MindSheet({
  round,
  queue,
  plots,
  open,
  onClose,
}: {
  round: OpenRound;
  queue: Queue;
  plots: Plot[];
  open: boolean;
  onClose(): void;
}) {
  const say = useSay();
  const clock = useClock();
  const { record } = useRecordAction();
  const [reading, setReading] = useState<keyof typeof READING>('no');
  const toSee = queue.trees.length - queue.done;
  const plotsOfRound = plots.filter((plot) => round.plotIds.length === 0 || round.plotIds.includes(plot.id));
  const read = () => {
    setReading('reading');
    readPlots(plotsOfRound.map((plot) => plot.id)).then(
      () => setReading('read'),
      () => setReading('failed'),
    );
  };
  const left = queue.trees.filter((tree) => {
    const state = round.entries.get(tree.id)?.state;
    return state === 'partly' || state === 'skipped';
  });
  return (
    <Sheet title={say('round.thisRound')} open={open} onClose={onClose} closeLabel={say('shared.back')}>
      <Body>
        {say('round.treesSeenToSeeStartedBy', {
          done: queue.done,
          toSee,
          more:
            queue.partly + queue.skipped > 0
              ? say('round.ofThemSeenInPartAndSkipped', { partly: queue.partly, skipped: queue.skipped })
              : '',
          by: round.by,
        })}
      </Body>
      {left.map((tree) => {
        const entry = round.entries.get(tree.id);
        return (
          <View key={tree.id} flexDirection="row" gap={12}>
            <Label flex={1}>{tree.code}</Label>
            <Small>
              {entry?.state === 'skipped'
                ? say('shared.skipped', { more: entry.reason ? `: ${entry.reason}` : '' })
                : say('round.only', { seen: told(say, entry?.seen) ?? '' })}
            </Small>
          </View>
        );
      })}
      <Button disabled={reading === 'reading'} onPress={read}>
        {say(READING[reading])}
      </Button>
      {round.paused ? null : (
        <Button onPress={() => record({ kind: 'roundPaused', at: clock() }, onClose)}>
          {say('round.pauseTheRound')}
        </Button>
      )}
      <Button onPress={() => record({ kind: 'roundClosed', at: clock() }, onClose)}>
        {toSee === 0 ? say('round.closeTheRound') : say('round.closeTheRoundWithNotSeen', { toSee })}
      </Button>
      <Small>{say('round.otherPhonesSeeThisRoundAsYou')}</Small>
    </Sheet>
  );
}
