// The log: everything that was recorded, newest first, with who and when.

import { disorderOf } from '@mortisect/core/disorders';
import { tapeText, upperFirst } from '@mortisect/core/measure';
import type { SiteToday } from '@mortisect/core/present';
import { type LogEntry, markOf } from '@mortisect/core/records';
import { jobKinds } from '@mortisect/core/register';
import { View } from '@tamagui/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import Svg from 'react-native-svg';
import { shortMoment } from '../../data/moment';
import { useLog, useTrees } from '../../data/queries';
import { useToday } from '../../data/useToday';
import { Kerf, Mark } from '../../drawings/marks';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Row, Rows } from '../../ui/Row';
import { Screen } from '../../ui/Screen';
import { Body, Small } from '../../ui/type';
import { Waiting } from '../../ui/Waiting';
import { actionWords, plural } from '../words';
import { BookTabs } from './BookTabs';

/** With `tree` in the address only what was recorded of it; a search goes on to older entries until a screen is full. */
export function Log() {
  const { tree } = useLocalSearchParams<{ tree?: string }>();
  const router = useRouter();
  const { data, error, refetch, hasNextPage, fetchNextPage, isFetchingNextPage } = useLog(tree);
  const today = useToday();
  const trees = useTrees().data?.trees;
  const [sought, setSought] = useState('');
  const entries = data?.pages.flatMap((page) => page.entries) ?? [];
  const words = sought.toLowerCase().split(/\s+/).filter(Boolean);
  const found = today
    ? entries.filter((entry) => words.every((word) => textOf(entry, today).includes(word)))
    : [];
  const goesOn = words.length > 0 && found.length < SCREENFUL && hasNextPage && !isFetchingNextPage;
  const pages = data?.pages.length;
  // After each page anew: a quick answer comes before it was seen that one was on its way
  useEffect(() => {
    if (goesOn && pages) void fetchNextPage();
  }, [goesOn, pages, fetchNextPage]);
  if (!data || !today) return <Waiting title="Book" error={error} onRetry={refetch} />;
  const code = tree === undefined ? null : (trees?.find((known) => known.id === tree)?.code ?? tree);
  return (
    <Screen title="Book" subtitle={code === null ? today.site.name : `What was recorded of ${code}`}>
      <BookTabs />
      {code === null ? null : (
        <View flexDirection="row" flexWrap="wrap" gap={8}>
          <Button onPress={() => router.navigate(`/round/${tree}`)}>{`Look at ${code}`}</Button>
          <Button onPress={() => router.navigate('/book')}>All trees</Button>
        </View>
      )}
      <Field label="Search the log" value={sought} onChangeText={setSought} />
      {words.length > 0 ? (
        <Small role="status">{searchWords(found.length, entries.length, hasNextPage)}</Small>
      ) : null}
      {entries.length === 0 ? (
        <Body>
          {code === null
            ? 'What is found, cleaned and cut is written here as it happens.'
            : `Nothing was recorded of ${code} yet.`}
        </Body>
      ) : null}
      <Rows>
        {found.map((entry) => (
          <EntryRow key={entry.seq} entry={entry} today={today} />
        ))}
      </Rows>
      {hasNextPage ? (
        <Button onPress={() => fetchNextPage()} disabled={isFetchingNextPage}>
          Older entries
        </Button>
      ) : null}
    </Screen>
  );
}

const SCREENFUL = 12;

function searchWords(found: number, of: number, more: boolean): string {
  return `${found} of ${more ? `the last ${of}` : `all ${of}`} entries`;
}

/** All that its row says, to be searched. */
function textOf(entry: LogEntry, today: SiteToday): string {
  const { title, detail } = told(entry, today);
  return `${entry.treeCode ?? ''} ${title} ${detail} ${entry.by} ${shortMoment(entry.at, today.site.timeZone)}`.toLowerCase();
}

function EntryRow({ entry, today }: { entry: LogEntry; today: SiteToday }) {
  const { title, detail, mark } = told(entry, today);
  const tree = entry.treeCode ? `${entry.treeCode} · ` : '';
  return (
    <Row
      {...(entry.treeId && { href: `/round/${entry.treeId}` })}
      title={`${tree}${title}`}
      detail={`${detail ? `${detail} · ` : ''}${entry.by}, ${shortMoment(entry.at, today.site.timeZone)}`}
      aside={mark}
    />
  );
}

function told(
  { entry }: LogEntry,
  { units, site }: SiteToday,
): { title: string; detail: string; mark?: React.ReactNode } {
  if (entry.kind === 'site') return { title: 'Settings of the site changed', detail: '' };
  if (entry.kind === 'tree')
    return { title: entry.revision === 1 ? 'Tree written down' : 'Tree changed', detail: '' };
  if (entry.kind === 'limbs') return { title: 'Limb map drawn', detail: plural(entry.limbs, 'limb') };
  if (entry.kind === 'job') {
    const name = jobKinds.find((kind) => kind.code === entry.job.job)?.name ?? entry.job.job;
    const jobWords = entry.job.withdrawn
      ? 'taken back'
      : entry.job.doneAt
        ? 'done'
        : `due ${entry.job.dueOn}`;
    return { title: `${name}, ${jobWords}`, detail: entry.job.note };
  }
  if (entry.kind === 'finding') {
    const { disorder, limbName, fromCm, toCm, note, withdrawn } = entry.finding;
    const name = disorderOf(disorder)?.name ?? disorder;
    const findingWords = withdrawn ? 'taken back' : entry.revision > 1 ? 'changed' : 'found';
    return {
      title: `${name}, ${findingWords}`,
      detail: `${limbName}, ${tapeText(fromCm, units)} to ${tapeText(toCm, units)}${note ? ` · ${note}` : ''}`,
      mark: <Mark kind={markOf(entry.finding)} />,
    };
  }
  const { action, undone } = entry;
  const title = upperFirst(`${actionWords(action, site.plan.kit)}${undone ? ', taken back later' : ''}`);
  if (action.kind !== 'cutMade') return { title, detail: action.kind === 'decided' ? action.note : '' };
  const { atCm, shortfallCm, sentence } = action.cut;
  const at = atCm === 0 ? 'at the collar' : `at ${tapeText(atCm, units, 'down')}`;
  return {
    title: `${title}, ${at}`,
    detail: `${sentence}${shortfallCm > 0 ? ` Short by ${tapeText(shortfallCm, units, 'up')}.` : ''}`,
    mark: (
      <Svg width={24} height={24} aria-hidden>
        <Kerf x={12} y={12} half={10} />
      </Svg>
    ),
  };
}
