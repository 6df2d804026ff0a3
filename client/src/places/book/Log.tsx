// The log: everything that was recorded, newest first, with who and when.

import { disorderOf } from '@mortisect/core/disorders';
import { upperFirst } from '@mortisect/core/measure';
import type { SiteToday } from '@mortisect/core/present';
import { type LogEntry, markOf } from '@mortisect/core/records';
import type { Say } from '@mortisect/words';
import { jobName, limbIn, tapeText, told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import Svg from 'react-native-svg';
import { dayWords, shortMoment } from '../../data/moment';
import { useLog, useTrees } from '../../data/queries';
import { useSay } from '../../data/useSay';
import { useToday } from '../../data/useToday';
import { Kerf, Mark } from '../../drawings/marks';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Row, Rows } from '../../ui/Row';
import { Screen } from '../../ui/Screen';
import { useWide } from '../../ui/theme';
import { Body, Label, Small } from '../../ui/type';
import { Waiting } from '../../ui/Waiting';
import { actionWords } from '../words';
import { BookTabs } from './BookTabs';

/** With `tree` in the address only what was recorded of it; a search goes on to older entries until a screen is full. */
export function Log() {
  const say = useSay();
  const { tree } = useLocalSearchParams<{ tree?: string }>();
  const router = useRouter();
  const { data, error, refetch, hasNextPage, fetchNextPage, isFetchingNextPage } = useLog(tree);
  const today = useToday();
  const wide = useWide();
  const trees = useTrees().data?.trees;
  const [sought, setSought] = useState('');
  const entries = data?.pages.flatMap((page) => page.entries) ?? [];
  const words = sought.toLowerCase().split(/\s+/).filter(Boolean);
  const found = today
    ? entries.filter((entry) => words.every((word) => textOf(say, entry, today).includes(word)))
    : [];
  const goesOn = words.length > 0 && found.length < SCREENFUL && hasNextPage && !isFetchingNextPage;
  const pages = data?.pages.length;
  // After each page anew: a quick answer comes before it was seen that one was on its way
  useEffect(() => {
    if (goesOn && pages) void fetchNextPage();
  }, [goesOn, pages, fetchNextPage]);
  if (!data || !today) return <Waiting title={say('shared.book')} error={error} onRetry={refetch} />;
  const code = tree === undefined ? null : (trees?.find((known) => known.id === tree)?.code ?? tree);
  return (
    <Screen
      width="full"
      title={say('shared.book')}
      subtitle={code === null ? today.site.name : say('book.whatWasRecordedOf', { code })}
    >
      <BookTabs />
      {code === null ? null : (
        <View flexDirection="row" flexWrap="wrap" gap={8}>
          <Button onPress={() => router.navigate(`/round/${tree}`)}>{say('book.lookAt', { code })}</Button>
          <Button onPress={() => router.navigate('/book')}>{say('book.allTrees')}</Button>
        </View>
      )}
      <View maxWidth={640}>
        <Field label={say('book.searchTheLog')} value={sought} onChangeText={setSought} />
      </View>
      {words.length > 0 ? (
        <Small role="status">{searchWords(say, found.length, entries.length, hasNextPage)}</Small>
      ) : null}
      {entries.length === 0 ? (
        <Body>
          {code === null
            ? say('book.whatIsFoundCleanedAndCutIs')
            : say('book.nothingWasRecordedOfYet', { code })}
        </Body>
      ) : null}
      {wide && found.length > 0 ? <Headings /> : null}
      <Rows>
        {found.map((entry) =>
          wide ? (
            <EntryLine key={entry.seq} entry={entry} today={today} />
          ) : (
            <EntryRow key={entry.seq} entry={entry} today={today} />
          ),
        )}
      </Rows>
      {hasNextPage ? (
        <Button onPress={() => fetchNextPage()} disabled={isFetchingNextPage}>
          {say('book.olderEntries')}
        </Button>
      ) : null}
    </Screen>
  );
}

const SCREENFUL = 12;

function searchWords(say: Say, found: number, of: number, more: boolean): string {
  return say('book.ofEntries', { found, more: more ? say('book.theLast', { of }) : say('book.all', { of }) });
}

/** All that its row says, to be searched. */
function textOf(say: Say, entry: LogEntry, today: SiteToday): string {
  const { title, detail } = entryWords(say, entry, today);
  return `${entry.treeCode ?? ''} ${title} ${detail} ${entry.by} ${shortMoment(entry.at, today.site.timeZone)}`.toLowerCase();
}

interface EntryProps {
  entry: LogEntry;
  today: SiteToday;
}

/** When and who, the tree, what happened, more of it, its mark: one under the other over the whole page. */
const COLUMNS = '150px 130px minmax(0, 2fr) minmax(0, 3fr) 32px';
const IN_COLUMNS = { display: 'grid', gridTemplateColumns: COLUMNS, columnGap: 16, alignItems: 'center' };

function Headings() {
  const say = useSay();
  return (
    <View style={IN_COLUMNS as never} aria-hidden>
      {[say('book.whenAndWho'), say('shared.tree'), say('book.whatHappened')].map((words) => (
        <Label key={words} color="$soft">
          {words}
        </Label>
      ))}
    </View>
  );
}

function EntryLine({ entry, today }: EntryProps) {
  const say = useSay();
  const { title, detail, mark } = entryWords(say, entry, today);
  return (
    <Row
      {...(entry.treeId && { href: `/round/${entry.treeId}` })}
      title={
        <View style={IN_COLUMNS as never}>
          <View>
            <Label>{shortMoment(entry.at, today.site.timeZone)}</Label>
            <Small>{entry.by}</Small>
          </View>
          <Label fontSize="$19" lineHeight="$19">
            {entry.treeCode ?? ''}
          </Label>
          <Label fontSize="$19" lineHeight="$19">
            {title}
          </Label>
          <Small>{detail}</Small>
          {mark ?? null}
        </View>
      }
    />
  );
}

function EntryRow({ entry, today }: EntryProps) {
  const say = useSay();
  const { title, detail, mark } = entryWords(say, entry, today);
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

function entryWords(
  say: Say,
  { entry }: LogEntry,
  { units, site }: SiteToday,
): { title: string; detail: string; mark?: React.ReactNode } {
  if (entry.kind === 'site') return { title: say('book.settingsOfTheSiteChanged'), detail: '' };
  if (entry.kind === 'tree')
    return {
      title: entry.revision === 1 ? say('book.treeWrittenDown') : say('book.treeChanged'),
      detail: '',
    };
  if (entry.kind === 'limbs')
    return { title: say('book.limbMapDrawn'), detail: say('book.limbs', { limbs: entry.limbs }) };
  if (entry.kind === 'job') {
    const name = jobName(say, entry.job);
    const jobWords = entry.job.withdrawn
      ? say('shared.takenBack')
      : entry.job.doneAt
        ? say('book.done')
        : say('book.due', { dueOn: dayWords(entry.job.dueOn) });
    return { title: `${name}, ${jobWords}`, detail: entry.job.note };
  }
  if (entry.kind === 'finding') {
    const { disorder, limbName, fromCm, toCm, note, withdrawn } = entry.finding;
    const name = told(say, disorderOf(disorder)?.name) ?? disorder;
    const findingWords = withdrawn
      ? say('shared.takenBack')
      : entry.revision > 1
        ? say('book.changed')
        : say('book.found');
    return {
      title: `${name}, ${findingWords}`,
      detail: say('book.to', {
        limbName: limbIn(say, limbName),
        tape: tapeText(say, fromCm, units),
        tape2: tapeText(say, toCm, units),
        more: note ? ` · ${note}` : '',
      }),
      mark: <Mark kind={markOf(entry.finding)} />,
    };
  }
  const { action, undone } = entry;
  const title = upperFirst(
    `${actionWords(say, action, site.plan.kit)}${undone ? say('book.takenBackLater') : ''}`,
  );
  if (action.kind !== 'cutMade') return { title, detail: action.kind === 'decided' ? action.note : '' };
  const { atCm, shortfallCm, sentence } = action.cut;
  const at =
    atCm === 0 ? say('shared.atTheCollar') : say('book.at', { tape: tapeText(say, atCm, units, 'down') });
  return {
    title: `${title}, ${at}`,
    detail: `${sentence}${shortfallCm > 0 ? say('book.shortBy', { tape: tapeText(say, shortfallCm, units, 'up') }) : ''}`,
    mark: (
      <Svg width={24} height={24} aria-hidden>
        <Kerf x={12} y={12} half={10} />
      </Svg>
    ),
  };
}
