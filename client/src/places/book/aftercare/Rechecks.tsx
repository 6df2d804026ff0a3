// Cuts looked at again: what is due, what is to come, what was seen, and which margins held up.

import { type Held, marginsHeld } from '@mortisect/core/aftercare';
import { disorderOf } from '@mortisect/core/disorders';
import { tapeText } from '@mortisect/core/measure';
import {
  type CutOnRecord,
  lookedAgain,
  type RecheckDue,
  rechecksDue,
  type SiteToday,
} from '@mortisect/core/present';
import { lookForWords } from '@mortisect/core/words';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { dayWords } from '../../../data/moment';
import { useTrees } from '../../../data/queries';
import { useCutsOnRecord } from '../../../data/useCutsOnRecord';
import { useToday } from '../../../data/useToday';
import { Columns } from '../../../ui/Columns';
import { PressRow } from '../../../ui/PressRow';
import { Row, Rows } from '../../../ui/Row';
import { Aside, Screen } from '../../../ui/Screen';
import { useWide } from '../../../ui/theme';
import { Body, Label, Section, Small } from '../../../ui/type';
import { Waiting } from '../../../ui/Waiting';
import { codeWords, percent, plural } from '../../words';
import { BookTabs } from '../BookTabs';
import { RecheckSheet } from './RecheckSheet';

export function Rechecks() {
  const today = useToday();
  const trees = useTrees().data?.trees;
  const { cuts, error, refetch } = useCutsOnRecord(today);
  const [open, setOpen] = useState<RecheckDue | null>(null);
  const wide = useWide();
  if (!cuts || !today) return <Waiting title="Book" error={error} onRetry={refetch} />;
  const codeOf = (treeId: string) => trees?.find((tree) => tree.id === treeId)?.code ?? treeId;
  const due = rechecksDue(cuts);
  const all = cuts.flatMap((cut) => cut.rechecks.map((recheck) => ({ ...recheck, cut })));
  const toCome = all
    .filter((recheck) => recheck.state === 'to come')
    .sort((a, b) => (a.dueOn < b.dueOn ? -1 : 1));
  const done = all
    .filter((recheck) => recheck.done !== null)
    .sort((a, b) => (doneAt(a) > doneAt(b) ? -1 : 1));
  const lapsed = all.filter((recheck) => recheck.state === 'lapsed').length;
  const later = (
    <View gap={16}>
      <Section>Seen</Section>
      {done.length === 0 ? <Body>Nothing was looked at again yet.</Body> : null}
      <Rows>
        {done.slice(0, MOST_ROWS).map((recheck) => (
          <Row
            key={recheck.id}
            href={`/round/${recheck.treeId}`}
            title={`${codeOf(recheck.treeId)} · ${recheck.done?.outcome ?? ''}${recheck.done?.distanceCm != null ? `, ${tapeText(recheck.done.distanceCm, today.units)} from the cut` : ''}`}
            detail={`${recheck.cut.action.cut.limbName} · ${codeWords(recheck.cut.disorders)} · ${recheck.done?.by ?? ''}, ${dayWords(doneAt(recheck).slice(0, 10))}${recheck.done?.note ? ` · ${recheck.done.note}` : ''}`}
          />
        ))}
      </Rows>
      <Section>To come</Section>
      <Rows>
        {toCome.slice(0, MOST_ROWS).map((recheck) => (
          <Row
            key={recheck.id}
            title={`${dayWords(recheck.dueOn)} · ${codeOf(recheck.treeId)}`}
            detail={`${recheck.cut.action.cut.limbName} · ${kindWords(recheck)}${recheck.shoots && recheck.shoots[1] > 0 ? `: ${recheck.shoots[0]} to ${recheck.shoots[1]} shoots` : ''}`}
          />
        ))}
      </Rows>
      {toCome.length > MOST_ROWS ? <Small>{`And ${toCome.length - MOST_ROWS} more.`}</Small> : null}
      {lapsed > 0 ? (
        <Small>{`${plural(lapsed, 'recheck')} lapsed: later than ${today.site.rechecks.overdueDays} days they are not asked for any more.`}</Small>
      ) : null}
    </View>
  );
  return (
    <Screen
      title="Book"
      width="full"
      subtitle={today.site.name}
      aside={<Aside figure={plural(due.length, 'recheck')} caption="due" />}
    >
      <BookTabs />
      <Columns beside={wide ? later : null}>
        {cuts.length === 0 ? <Body>Dates to check your cuts appear here.</Body> : null}
        <Section>Due</Section>
        {due.length === 0 ? <Body>Nothing is due today.</Body> : null}
        <Rows>
          {due.map((recheck) => (
            <PressRow
              key={recheck.id}
              onPress={() => setOpen(recheck)}
              minHeight={64}
              paddingHorizontal={11}
              paddingVertical={8}
            >
              <View flex={1} minWidth={0}>
                <Label fontSize="$19">{`${codeOf(recheck.treeId)} · ${recheck.cut.action.cut.limbName}`}</Label>
                <Small>{`${kindWords(recheck)} · due ${dayWords(recheck.dueOn)} · ${lookForWords(recheck.lookFor)}`}</Small>
              </View>
            </PressRow>
          ))}
        </Rows>
        <HeldRows held={marginsHeld(lookedAgain(cuts, today.site.latitude))} today={today} />
        {wide ? null : later}
      </Columns>
      <RecheckSheet recheck={open} today={today} onClose={() => setOpen(null)} />
    </Screen>
  );
}

const MOST_ROWS = 30;
const doneAt = (recheck: RecheckDue) => recheck.done?.at ?? '';

const KIND_WORDS: Record<RecheckDue['kind'], string> = {
  strikes: 'after one to two weeks',
  month: 'after a month',
  'early summer': 'early summer',
  'next winter': 'next winter',
};
const kindWords = (recheck: CutOnRecord['rechecks'][number]) => KIND_WORDS[recheck.kind];

function HeldRows({ held, today }: { held: Held[]; today: SiteToday }) {
  if (held.length === 0) return null;
  const cm = (value: number) => tapeText(value, today.units);
  return (
    <View gap={8}>
      <Section>Did the margins hold?</Section>
      <Rows>
        {held.map((row) => (
          <Row
            key={`${row.disorder}${row.season}${row.fromCm}`}
            title={`${disorderOf(row.disorder)?.name ?? row.disorder}, ${row.season === 'growing' ? 'in growth' : 'dormant'}, ${row.toCm >= 500 ? `over ${cm(row.fromCm)}` : `${cm(row.fromCm)} to ${cm(row.toCm)}`}`}
            detail={`${plural(row.cuts, 'cut')} checked, ${row.cameBack === 0 ? 'none' : row.cameBack} came back. In the long run ${percent(row.interval[0])}–${percent(row.interval[1])} may.`}
            aside={`${row.cuts - row.cameBack} of ${row.cuts} held`}
          />
        ))}
      </Rows>
      <Small>Exact 95 % intervals of a share, Clopper & Pearson 1934. Clean so far is no proof.</Small>
    </View>
  );
}
