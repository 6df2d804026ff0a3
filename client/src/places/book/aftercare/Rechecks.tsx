// Cuts looked at again: what is due, what is to come, what was seen, and which margins held up.

import { type Held, marginsHeld } from '@mortisect/core/aftercare';
import { disorderOf } from '@mortisect/core/disorders';

import {
  type CutOnRecord,
  lookedAgain,
  type RecheckDue,
  rechecksDue,
  type SiteToday,
} from '@mortisect/core/present';
import type { PlainKey, Say } from '@mortisect/words';
import { limbIn, lookForWords, tapeText, told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { dayWords } from '../../../data/moment';
import { useTrees } from '../../../data/queries';
import { useCutsOnRecord } from '../../../data/useCutsOnRecord';
import { useSay } from '../../../data/useSay';
import { useToday } from '../../../data/useToday';
import { Columns } from '../../../ui/Columns';
import { PressRow } from '../../../ui/PressRow';
import { Row, Rows } from '../../../ui/Row';
import { Aside, Screen } from '../../../ui/Screen';
import { useWide } from '../../../ui/theme';
import { Body, Label, Section, Small } from '../../../ui/type';
import { Waiting } from '../../../ui/Waiting';
import { codeWords, percent } from '../../words';
import { BookTabs } from '../BookTabs';
import { RecheckSheet } from './RecheckSheet';

export function Rechecks() {
  const say = useSay();
  const today = useToday();
  const trees = useTrees().data?.trees;
  const { cuts, error, refetch } = useCutsOnRecord(today);
  const [open, setOpen] = useState<RecheckDue | null>(null);
  const wide = useWide();
  if (!cuts || !today) return <Waiting title={say('shared.book')} error={error} onRetry={refetch} />;
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
      <Section>{say('shared.seen')}</Section>
      {done.length === 0 ? <Body>{say('book.nothingWasLookedAtAgainYet')}</Body> : null}
      <Rows>
        {done.slice(0, MOST_ROWS).map((recheck) => (
          <Row
            key={recheck.id}
            href={`/round/${recheck.treeId}`}
            title={`${codeOf(recheck.treeId)} · ${told(say, recheck.done?.outcome) ?? ''}${recheck.done?.distanceCm != null ? say('book.fromTheCut', { tape: tapeText(say, recheck.done.distanceCm, today.units) }) : ''}`}
            detail={[
              limbIn(say, recheck.cut.action.cut.limbName),
              codeWords(say, recheck.cut.disorders),
              `${recheck.done?.by ?? ''}, ${dayWords(doneAt(recheck).slice(0, 10))}`,
              recheck.done?.note ?? '',
            ]
              .filter(Boolean)
              .join(' · ')}
          />
        ))}
      </Rows>
      <Section>{say('book.toCome')}</Section>
      <Rows>
        {toCome.slice(0, MOST_ROWS).map((recheck) => (
          <Row
            key={recheck.id}
            title={`${dayWords(recheck.dueOn)} · ${codeOf(recheck.treeId)}`}
            detail={`${limbIn(say, recheck.cut.action.cut.limbName)} · ${kindWords(say, recheck)}${recheck.shoots && recheck.shoots[1] > 0 ? say('book.toShoots', { shoots: recheck.shoots[0], shoots2: recheck.shoots[1] }) : ''}`}
          />
        ))}
      </Rows>
      {toCome.length > MOST_ROWS ? (
        <Small>{say('book.andMore', { toCome: toCome.length - MOST_ROWS })}</Small>
      ) : null}
      {lapsed > 0 ? (
        <Small>
          {say('book.rechecksLapsedLaterThanDaysTheyAre', {
            lapsed,
            overdueDays: today.site.rechecks.overdueDays,
          })}
        </Small>
      ) : null}
    </View>
  );
  return (
    <Screen
      title={say('shared.book')}
      width="full"
      subtitle={today.site.name}
      aside={<Aside figure={say('book.rechecks2', { due: due.length })} caption={say('book.dueCaption')} />}
    >
      <BookTabs />
      <Columns beside={wide ? later : null}>
        {cuts.length === 0 ? <Body>{say('book.datesToCheckYourCutsAppearHere')}</Body> : null}
        <Section>{say('shared.due')}</Section>
        {due.length === 0 ? <Body>{say('book.nothingIsDueToday')}</Body> : null}
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
                <Label fontSize="$19">{`${codeOf(recheck.treeId)} · ${limbIn(say, recheck.cut.action.cut.limbName)}`}</Label>
                <Small>
                  {say('book.due2', {
                    kind: kindWords(say, recheck),
                    day: dayWords(recheck.dueOn),
                    lookFor: lookForWords(say, recheck.lookFor),
                  })}
                </Small>
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

const KIND_WORDS: Record<RecheckDue['kind'], PlainKey> = {
  strikes: 'book.afterOneToTwoWeeks',
  month: 'book.afterAMonth',
  'early summer': 'book.earlySummer',
  'next winter': 'book.nextWinter',
};
const kindWords = (say: Say, recheck: CutOnRecord['rechecks'][number]) => say(KIND_WORDS[recheck.kind]);

function HeldRows({ held, today }: { held: Held[]; today: SiteToday }) {
  const say = useSay();
  if (held.length === 0) return null;
  const cm = (value: number) => tapeText(say, value, today.units);
  return (
    <View gap={8}>
      <Section>{say('book.didTheMarginsHold')}</Section>
      <Rows>
        {held.map((row) => (
          <Row
            key={`${row.disorder}${row.season}${row.fromCm}`}
            title={`${told(say, disorderOf(row.disorder)?.name) ?? row.disorder}, ${row.season === 'growing' ? say('book.inGrowth') : say('shared.dormant')}, ${row.toCm >= 500 ? say('book.over', { cm: cm(row.fromCm) }) : say('book.to3', { cm: cm(row.fromCm), cm2: cm(row.toCm) })}`}
            detail={say('book.cutsCheckedCameBackInTheLong', {
              cuts: row.cuts,
              more: row.cameBack === 0 ? say('shared.none') : row.cameBack,
              percent: percent(row.interval[0]),
              percent2: percent(row.interval[1]),
            })}
            aside={say('book.ofHeld', { cuts: row.cuts - row.cameBack, cuts2: row.cuts })}
          />
        ))}
      </Rows>
      <Small>{say('book.exact95IntervalsOfAShareClopper')}</Small>
    </View>
  );
}
