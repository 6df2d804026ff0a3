// Graft wood: only from trees with a clean record, with a label that says from where.

import { scionGuard } from '@mortisect/core/aftercare';
import type { SiteToday } from '@mortisect/core/present';
import { speciesName } from '@mortisect/core/register';
import { scionWords, told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { dayAt, dayWords } from '../../../data/moment';
import { useAftercare, useTree, useTrees } from '../../../data/queries';
import { useClock } from '../../../data/useClock';
import { useSay } from '../../../data/useSay';
import { useToday } from '../../../data/useToday';
import { newId, useRecordAction } from '../../../data/writes';
import { Button } from '../../../ui/Button';
import { Failed } from '../../../ui/Failed';
import { Notice } from '../../../ui/Notice';
import { NumberField } from '../../../ui/NumberField';
import { QrCode } from '../../../ui/QrCode';
import { Row, Rows } from '../../../ui/Row';
import { Screen } from '../../../ui/Screen';
import { Select } from '../../../ui/Select';
import { Body, Figure, Section, Small } from '../../../ui/type';
import { Waiting } from '../../../ui/Waiting';
import { BookTabs } from '../BookTabs';

export function GraftWood() {
  const say = useSay();
  const { data, error, refetch } = useTrees();
  const today = useToday();
  const [chosen, setChosen] = useState<string | null>(null);
  if (!data || !today) return <Waiting title={say('shared.book')} error={error} onRetry={refetch} />;
  const trees = data.trees.filter((tree) => tree.status !== 'removed');
  const treeId = chosen ?? trees.find((tree) => tree.openFindings === 0)?.id ?? trees[0]?.id;
  return (
    <Screen title={say('shared.book')} subtitle={today.site.name}>
      <BookTabs />
      <Body>{say('book.scionsAreCutDormantFromLastYears')}</Body>
      {treeId === undefined ? (
        <Body>{say('book.thereIsNoTreeInTheRegister')}</Body>
      ) : (
        <>
          <Select
            label={say('book.fromWhichTree')}
            value={treeId}
            options={trees.map(({ id, code, species, cultivar }) => ({
              value: id,
              label: `${code} · ${cultivar ?? told(say, speciesName(species))}`,
            }))}
            onChange={setChosen}
          />
          <FromTree key={treeId} treeId={treeId} today={today} />
        </>
      )}
      <Taken today={today} codeOf={(id) => trees.find((tree) => tree.id === id)?.code ?? id} />
    </Screen>
  );
}

function FromTree({ treeId, today }: { treeId: string; today: SiteToday }) {
  const say = useSay();
  const { data: detail, error } = useTree(treeId);
  const clock = useClock();
  const recording = useRecordAction();
  const [sticks, setSticks] = useState(6);
  const [label, setLabel] = useState<string | null>(null);
  if (!detail)
    return error ? (
      <Failed title={say('book.notRead')} error={error} />
    ) : (
      <Body role="status">{say('book.readingTheTree')}</Body>
    );
  const { timeZone } = today.site;
  const guard = scionGuard(
    {
      findings: detail.findings
        .filter((finding) => finding.state !== 'withdrawn')
        .map(({ disorder, seenAt, state }) => ({
          disorder,
          day: dayAt(seenAt, timeZone),
          open: state === 'open',
        })),
      lastSeenOn: lastWalkedRound(detail.actions, timeZone),
      cameBackOn: detail.actions.flatMap(({ action, undone }) =>
        action.kind === 'recheckDone' && action.outcome === 'came back' && !undone
          ? [dayAt(action.at, timeZone)]
          : [],
      ),
    },
    today.day,
  );
  const take = () => {
    const labelCode = `${detail.tree.code} ${today.day} ${newId().slice(-4).toUpperCase()}`.slice(0, 40);
    recording.record(
      {
        kind: 'scionTaken',
        at: clock(),
        treeId,
        limbName: say('book.lastYearsShoots'),
        label: labelCode,
        sticks,
      },
      () => setLabel(labelCode),
    );
  };
  return (
    <View gap={12}>
      <Notice
        kind={guard.may ? 'said' : 'danger'}
        title={guard.may ? say('book.aCleanRecord') : say('book.notFromThisTree')}
      >
        {scionWords(say, guard.because)}
      </Notice>
      {guard.may ? (
        <View flexDirection="row" gap={12} alignItems="flex-end">
          <NumberField
            grow
            label={say('book.sticks')}
            unit=""
            value={sticks}
            least={1}
            most={200}
            onChange={setSticks}
          />
          <Button kind="main" onPress={take} disabled={recording.isPending}>
            {say('book.takeAndLabel')}
          </Button>
        </View>
      ) : null}
      <Failed title={say('shared.notRecordedYet')} error={recording.error} />
      {label ? (
        <Label
          text={[
            today.site.name,
            label,
            `${told(say, speciesName(detail.tree.species))}, ${detail.tree.cultivar ?? say('shared.varietyUnknown')}`,
            say('book.sticks2', { sticks }),
          ]}
        />
      ) : null}
    </View>
  );
}

function lastWalkedRound(
  actions: readonly { action: { kind: string; at: string; seen?: unknown }; undone: boolean }[],
  timeZone: string,
): string | null {
  const last = actions.findLast(
    ({ action, undone }) => !undone && action.kind === 'treeSeen' && action.seen === 'all round',
  );
  return last ? dayAt(last.action.at, timeZone) : null;
}

/** A label to be printed or copied: words, and the same in a square that a camera reads. */
function Label({ text }: { text: string[] }) {
  const say = useSay();
  return (
    <View
      flexDirection="row"
      flexWrap="wrap"
      gap={16}
      padding={12}
      backgroundColor="#FFFFFF"
      alignItems="center"
    >
      <QrCode text={text.join('\n')} label={say('book.label', { text: text.join(', ') })} />
      <View gap={4}>
        <Figure color="#10201A">{text[1] ?? ''}</Figure>
        {text
          .filter((_, i) => i !== 1)
          .map((line) => (
            <Small key={line} color="#10201A">
              {line}
            </Small>
          ))}
      </View>
    </View>
  );
}

function Taken({ today, codeOf }: { today: SiteToday; codeOf(treeId: string): string }) {
  const say = useSay();
  const { data } = useAftercare();
  const taken = (data?.actions ?? [])
    .flatMap(({ id, action, undone, by }) =>
      action.kind === 'scionTaken' && !undone ? [{ id, ...action, by }] : [],
    )
    .sort((a, b) => Date.parse(b.at) - Date.parse(a.at));
  return (
    <View gap={8}>
      <Section>{say('book.taken')}</Section>
      {taken.length === 0 ? <Body>{say('book.nothingWasTakenYet')}</Body> : null}
      <Rows>
        {taken.map((scion) => (
          <Row
            key={scion.id}
            title={`${codeOf(scion.treeId)} · ${say('book.sticks2', { sticks: scion.sticks })}`}
            detail={`${scion.label} · ${scion.by}, ${dayWords(dayAt(scion.at, today.site.timeZone))}`}
          />
        ))}
      </Rows>
    </View>
  );
}
