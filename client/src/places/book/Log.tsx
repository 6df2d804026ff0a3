// The log: everything that was recorded, newest first, with who and when.
import { type LogEntry, markOf } from '@mortisect/contracts';
import { disorderOf } from '@mortisect/core/disorders';
import { tapeText } from '@mortisect/core/measure';
import { jobKinds } from '@mortisect/core/register';
import Svg from 'react-native-svg';
import { shortMoment } from '../../data/moment';
import type { SiteToday } from '../../data/orchardView';
import { useLog } from '../../data/queries';
import { useToday } from '../../data/useToday';
import { Kerf, Mark } from '../../drawings/marks';
import { Button } from '../../ui/Button';
import { Row, Rows } from '../../ui/Row';
import { Screen } from '../../ui/Screen';
import { Body } from '../../ui/type';
import { Waiting } from '../../ui/Waiting';
import { actionWords, plural, upperFirst } from '../words';
import { BookTabs } from './BookTabs';

export function Log() {
  const { data, error, refetch, hasNextPage, fetchNextPage, isFetchingNextPage } = useLog();
  const today = useToday();
  if (!data || !today) return <Waiting title="Book" error={error} onRetry={refetch} />;
  const entries = data.pages.flatMap((page) => page.entries);
  return (
    <Screen title="Book" subtitle={today.site.name}>
      <BookTabs />
      {entries.length === 0 ? (
        <Body>What is found, cleaned and cut is written here as it happens.</Body>
      ) : null}
      <Rows>
        {entries.map((entry) => (
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

function EntryRow({ entry, today }: { entry: LogEntry; today: SiteToday }) {
  const { title, detail, mark } = told(entry, today);
  const tree = entry.treeCode ? `${entry.treeCode} · ` : '';
  return (
    <Row
      {...(entry.treeId && { href: `/round/${entry.treeId}` as never })}
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
    const said = entry.job.withdrawn ? 'taken back' : entry.job.doneAt ? 'done' : `due ${entry.job.dueOn}`;
    return { title: `${name}, ${said}`, detail: entry.job.note };
  }
  if (entry.kind === 'finding') {
    const { disorder, limbName, fromCm, toCm, note, withdrawn } = entry.finding;
    const name = disorderOf(disorder)?.name ?? disorder;
    const said = withdrawn ? 'taken back' : entry.revision > 1 ? 'changed' : 'found';
    return {
      title: `${name}, ${said}`,
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
