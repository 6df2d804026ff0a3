// What waits to be sent, with its count; and what needs a person: both versions of a record that changed meanwhile.

import { disorderOf } from '@mortisect/core/disorders';
import { upperFirst } from '@mortisect/core/measure';
import { Finding, FindingBody, markOf } from '@mortisect/core/records';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { isFailed, keepMine, letGo, type OutboxItem, send, tryAgain, useOutbox } from '../../data/outbox';
import { Button } from '../../ui/Button';
import { Sheet } from '../../ui/Sheet';
import { TopBar } from '../../ui/TopBar';
import { Body, Label, Section, Small } from '../../ui/type';
import { UNSEEN } from '../../ui/Unseen';
import { actionWords } from '../words';

export function OutboxBar() {
  const { items, away } = useOutbox();
  const [open, setOpen] = useState(false);
  const said = useSaid(items.length);
  const stuck = items.filter((item) => item.state !== 'waiting');
  const words =
    stuck.length > 0
      ? `${stuck.length === 1 ? '1 change conflicts' : `${stuck.length} changes conflict`}: choose one`
      : `${items.length} to send${away ? ', no server' : ''}`;
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
        Show
      </Button>
      <Sheet
        title="Waiting on this device"
        open={open}
        onClose={() => setOpen(false)}
        actions={
          <Button grow kind="main" onPress={() => void send()}>
            Send now
          </Button>
        }
      >
        <Body>Everything here is safe on this device and goes to the server in this order, each once.</Body>
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
  const [before, setBefore] = useState(waiting);
  const [said, setSaid] = useState('');
  if (waiting !== before) {
    setBefore(waiting);
    if (waiting > before) setSaid(`Kept on this device. Waiting: ${waiting}.`);
    else if (waiting === 0) setSaid('All sent.');
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

const FAILED =
  'The server failed over this again and again. It is safe on this device: try again later, or drop it.';

function ItemRow({ item }: { item: OutboxItem }) {
  const theirs = item.problem?.theirs as { revision?: unknown } | null | undefined;
  const revision = typeof theirs?.revision === 'number' ? theirs.revision : null;
  return (
    <View gap={8} paddingVertical={8} borderBottomWidth={1} borderStyle="solid" borderColor="$rule">
      <Label>{itemWords(item)}</Label>
      {item.state === 'waiting' ? null : (
        <>
          <Body>{isFailed(item) ? FAILED : (item.problem?.detail ?? '')}</Body>
          {item.state === 'conflict' ? (
            <>
              <Version title="Yours" lines={versionLines(item.problem?.yours)} />
              <Version title="Theirs" lines={versionLines(item.problem?.theirs)} />
            </>
          ) : null}
          <View flexDirection="row" flexWrap="wrap" gap={8}>
            <Button onPress={() => void letGo(item)}>
              {item.state === 'conflict' ? 'Keep theirs' : 'Drop it'}
            </Button>
            {isFailed(item) ? <Button onPress={() => void tryAgain(item)}>Try again</Button> : null}
            {item.state === 'conflict' && revision !== null ? (
              <Button onPress={() => void keepMine(item, revision)}>Keep mine</Button>
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

function itemWords(item: OutboxItem): string {
  const body = (item.input as { body?: unknown }).body;
  if (item.route === 'putAction') return upperFirst(actionWords(body as Parameters<typeof actionWords>[0]));
  if (item.route === 'putPhoto') return 'A photo';
  if (item.route === 'putLimbs') return 'A limb map';
  if (item.route === 'putJob') return 'A job';
  if (item.route === 'putTree') return 'A tree';
  return `Finding: ${findingLines((body as { finding: unknown }).finding).join(', ')}`;
}

function versionLines(version: unknown): string[] {
  const lines = findingLines(version);
  if (lines.length > 0) return lines;
  if (typeof version !== 'object' || version === null) return [];
  return Object.entries(version)
    .filter(([, value]) => typeof value === 'string' || typeof value === 'number')
    .slice(0, 8)
    .map(([key, value]) => `${key}: ${value}`);
}

function findingLines(version: unknown): string[] {
  const knownValues = Object.fromEntries(
    Object.entries((version ?? {}) as object).filter(([key]) => key in FindingBody.shape),
  );
  const parsed = FindingBody.safeParse(knownValues);
  if (!parsed.success) return [];
  const { disorder, limbName, fromCm, toCm, edge, note, withdrawn } = parsed.data;
  const by = Finding.safeParse(version).data?.by;
  return [
    `${disorderOf(disorder)?.name ?? markOf(parsed.data)}, ${limbName}`,
    `${fromCm} to ${toCm} cm, edge ${edge === 'definite' ? 'clear' : 'unclear'}`,
    ...(note ? [note] : []),
    ...(withdrawn ? ['Taken back.'] : []),
    ...(by ? [`By ${by}.`] : []),
  ];
}
