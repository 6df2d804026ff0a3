// What waits to be sent, with its count; and what needs a person: both versions of a record that changed meanwhile.

import { disorderOf } from '@mortisect/core/disorders';
import { upperFirst } from '@mortisect/core/measure';
import { Finding, FindingBody, markOf } from '@mortisect/core/records';
import type { Say } from '@mortisect/words';
import { told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { isFailed, keepMine, letGo, type OutboxItem, send, tryAgain, useOutbox } from '../../data/outbox';
import { useSay } from '../../data/useSay';
import { Button } from '../../ui/Button';
import { Sheet } from '../../ui/Sheet';
import { TopBar } from '../../ui/TopBar';
import { Body, Label, Section, Small } from '../../ui/type';
import { UNSEEN } from '../../ui/Unseen';
import { actionWords } from '../words';

export function OutboxBar() {
  const say = useSay();
  const { items, away } = useOutbox();
  const [open, setOpen] = useState(false);
  const said = useSaid(items.length);
  const stuck = items.filter((item) => item.state !== 'waiting');
  const words =
    stuck.length > 0
      ? say('shared.chooseOne', {
          more:
            stuck.length === 1
              ? say('shared.n1ChangeConflicts')
              : say('shared.changesConflict', { stuck: stuck.length }),
        })
      : say('shared.toSend', { items: items.length, more: away ? say('shared.noServer') : '' });
  const bar = (
    <TopBar>
      <Label
        flex={1}
        color={stuck.length > 0 ? '$ochreText' : '$soft'}
        {...(stuck.length > 0 && { role: 'status' as const })}
      >
        {words}
      </Label>
      <Button kind="quiet" onPress={() => setOpen(true)}>
        {say('shared.show')}
      </Button>
      <Sheet
        title={say('shared.waitingOnThisDevice')}
        open={open}
        onClose={() => setOpen(false)}
        actions={
          <Button grow kind="main" onPress={() => void send()}>
            {say('shared.sendNow')}
          </Button>
        }
      >
        <Body>{say('shared.everythingHereIsSafeOnThisDevice')}</Body>
        {items.map((item) => (
          <ItemRow key={item.id} item={item} />
        ))}
      </Sheet>
    </TopBar>
  );
  return (
    <>
      <Spoken words={said} />
      {items.length === 0 ? null : bar}
    </>
  );
}

/** What a press came to, for those who do not see the count: safe here, then sent. */
function useSaid(waiting: number): string {
  const say = useSay();
  const [before, setBefore] = useState(waiting);
  const [said, setSaid] = useState('');
  if (waiting !== before) {
    setBefore(waiting);
    if (waiting > before) setSaid(say('shared.keptOnThisDeviceWaiting', { waiting }));
    else if (waiting === 0) setSaid(say('shared.allSent'));
  }
  return said;
}

/** A live region that stays on the page, so that what comes into it is read out. */
function Spoken({ words }: { words: string }) {
  return (
    <div role="status" style={UNSEEN}>
      {words}
    </div>
  );
}

function ItemRow({ item }: { item: OutboxItem }) {
  const say = useSay();
  const theirs = item.problem?.theirs as { revision?: unknown } | null | undefined;
  const revision = typeof theirs?.revision === 'number' ? theirs.revision : null;
  return (
    <View gap={8} paddingVertical={8} borderBottomWidth={1} borderStyle="solid" borderColor="$rule">
      <Label>{itemWords(say, item)}</Label>
      {item.state === 'waiting' ? null : (
        <>
          <Body>
            {isFailed(item) ? say('shared.theServerFailedOverThisAgainAnd') : (item.problem?.detail ?? '')}
          </Body>
          {item.state === 'conflict' ? (
            <>
              <Version title={say('shared.yours')} lines={versionLines(say, item.problem?.yours)} />
              <Version title={say('shared.theirs')} lines={versionLines(say, item.problem?.theirs)} />
            </>
          ) : null}
          <View flexDirection="row" flexWrap="wrap" gap={8}>
            <Button onPress={() => void letGo(item)}>
              {item.state === 'conflict' ? say('shared.keepTheirs') : say('shared.dropIt')}
            </Button>
            {isFailed(item) ? (
              <Button onPress={() => void tryAgain(item)}>{say('shared.tryAgain')}</Button>
            ) : null}
            {item.state === 'conflict' && revision !== null ? (
              <Button onPress={() => void keepMine(item, revision)}>{say('shared.keepMine')}</Button>
            ) : null}
          </View>
        </>
      )}
    </View>
  );
}

function Version({ title, lines }: { title: string; lines: string[] }) {
  return (
    <View gap={2} borderLeftWidth={5} borderColor="$chalk" borderStyle="solid" paddingLeft={12}>
      <Section render="h3" fontSize="$19">
        {title}
      </Section>
      {lines.map((line) => (
        <Small key={line} color="$ink">
          {line}
        </Small>
      ))}
    </View>
  );
}

function itemWords(say: Say, item: OutboxItem): string {
  const body = (item.input as { body?: unknown }).body;
  if (item.route === 'putAction')
    return upperFirst(actionWords(say, body as Parameters<typeof actionWords>[1]));
  if (item.route === 'putPhoto') return say('shared.aPhoto');
  if (item.route === 'putLimbs') return say('shared.aLimbMap');
  if (item.route === 'putJob') return say('shared.aJob');
  if (item.route === 'putTree') return say('shared.aTree');
  return say('shared.finding', {
    findingLines: findingLines(say, (body as { finding: unknown }).finding).join(', '),
  });
}

function versionLines(say: Say, version: unknown): string[] {
  const lines = findingLines(say, version);
  if (lines.length > 0) return lines;
  if (typeof version !== 'object' || version === null) return [];
  return Object.entries(version)
    .filter(([, value]) => typeof value === 'string' || typeof value === 'number')
    .slice(0, 8)
    .map(([key, value]) => `${key}: ${value}`);
}

function findingLines(say: Say, version: unknown): string[] {
  const knownValues = Object.fromEntries(
    Object.entries((version ?? {}) as object).filter(([key]) => key in FindingBody.shape),
  );
  const parsed = FindingBody.safeParse(knownValues);
  if (!parsed.success) return [];
  const { disorder, limbName, fromCm, toCm, edge, note, withdrawn } = parsed.data;
  const by = Finding.safeParse(version).data?.by;
  return [
    `${told(say, disorderOf(disorder)?.name) ?? markOf(parsed.data)}, ${limbName}`,
    say('shared.toCmEdge', {
      fromCm,
      toCm,
      more: edge === 'definite' ? say('shared.clear') : say('shared.unclear'),
    }),
    ...(note ? [note] : []),
    ...(withdrawn ? [say('shared.takenBack2')] : []),
    ...(by ? [say('shared.by', { by })] : []),
  ];
}
