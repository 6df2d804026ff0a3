// Disorders, schools and agents as the product knows them, each with its source and how sure it is.

import { type Disorder, disorders, schoolFor, schoolsFor } from '@mortisect/core/disorders';
import type { Units } from '@mortisect/core/measure';
import type { SiteToday } from '@mortisect/core/present';
import { lowerFirst } from '@mortisect/core/tree';
import type { Say } from '@mortisect/words';
import { tapeText, told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useSite } from '../../data/queries';
import { useSay } from '../../data/useSay';
import { useToday } from '../../data/useToday';
import { Mark } from '../../drawings/marks';
import { Notice } from '../../ui/Notice';
import { Screen } from '../../ui/Screen';
import { useWide } from '../../ui/theme';
import { Body, Label, Section, Small } from '../../ui/type';
import { Waiting } from '../../ui/Waiting';
import { SURE } from '../AgentFacts';
import { LookAlikes } from '../LookAlikes';
import { BookTabs } from './BookTabs';
import { CleaningReference } from './CleaningReference';
import { Folded } from './Folded';
import { SignGallery } from './SignGallery';
import { TermList } from './TermList';
import { TimingReference } from './TimingReference';

export function Reference() {
  const say = useSay();
  const { error, refetch } = useSite();
  const today = useToday();
  const wide = useWide();
  if (!today) return <Waiting title={say('shared.book')} error={error} onRetry={refetch} />;
  return (
    <Screen
      title={say('shared.book')}
      subtitle={say('book.whatTheAnswersAreMadeFrom')}
      width={wide ? 'full' : 'column'}
    >
      <BookTabs />
      <Body>{say('book.valuesAreSettingsWithASourceAnd')}</Body>
      <Section>{say('book.termsOfTheTrade')}</Section>
      <Folded title={say('book.showTheTermsEnglishAndSpanish')}>
        <TermList />
      </Folded>
      <Section>{say('book.signs')}</Section>
      <Folded title={say('book.showTheSigns')}>
        <SignGallery />
      </Folded>
      <View {...(wide && { style: IN_COLUMNS })} gap={16}>
        {disorders.map((disorder) => (
          <OneDisorder key={disorder.code} disorder={disorder} today={today} />
        ))}
      </View>
      <TimingReference />
      <CleaningReference />
    </Screen>
  );
}

/** As in a printed book: down one column and on in the next. */
const IN_COLUMNS = { display: 'block', columnCount: 2, columnGap: 40 } as object;
const IN_ONE_PIECE = { style: { breakInside: 'avoid' } } as object;

function OneDisorder({ disorder, today }: { disorder: Disorder; today: SiteToday }) {
  const say = useSay();
  const schools = schoolsFor(disorder.code);
  const sites = schools.length > 0 ? schoolFor(disorder.code, today.site.schools.clearance).id : null;
  return (
    <View
      gap={8}
      paddingTop={12}
      paddingBottom={8}
      borderTopWidth={1}
      borderColor="$rule"
      borderStyle="solid"
      {...IN_ONE_PIECE}
    >
      <View flexDirection="row" gap={12} alignItems="center">
        <Mark kind={disorder.kind} />
        <Section>{told(say, disorder.name)}</Section>
      </View>
      <Body>{told(say, disorder.tellingSigns)}</Body>
      <Small>
        {say('book.on2', { cause: told(say, disorder.cause), hosts: lowerFirst(told(say, disorder.hosts)) })}
      </Small>
      <Folded
        title={say('book.showLookAlikes')}
        label={say('book.showLookAlikesOf', { disorder: lowerFirst(told(say, disorder.name)) })}
      >
        <LookAlikes code={disorder.code} />
      </Folded>
      {told(say, disorder.instead) ? <Body>{told(say, disorder.instead)}</Body> : null}
      {schools.map((school) => (
        <View
          key={school.id}
          paddingLeft={12}
          borderLeftWidth={4}
          borderStyle="solid"
          borderColor={school.id === sites ? '$chalk' : '$rule'}
        >
          <Label>
            {say('book.dormant', {
              more:
                school.id === sites
                  ? say('book.site', { school: told(say, school.name) })
                  : told(say, school.name),
            })}{' '}
            {say('book.growing', {
              range: range(say, school.dormantCm, today.units),
              range2: range(say, school.growingCm, today.units),
            })}
          </Label>
          <Body fontSize="$16" lineHeight="$16">
            {told(say, school.use)}
          </Body>
          <Small>{`${school.source} (${say(SURE[school.confidence])})`}</Small>
        </View>
      ))}
      <Body>{say('book.onAStem', { onTrunk: lowerFirst(told(say, disorder.onTrunk)) })}</Body>
      <Body>{say('book.wood', { disposal: lowerFirst(told(say, disorder.disposal)) })}</Body>
      {told(say, disorder.notifiable) ? (
        <Notice kind="caution">{told(say, disorder.notifiable)}</Notice>
      ) : null}
      <Small>{`${disorder.source} (${say(SURE[disorder.confidence])})`}</Small>
    </View>
  );
}

function range(say: Say, [from, to]: readonly [number, number], units: Units): string {
  if (from === to) return tapeText(say, to, units, 'up');
  return say('shared.to3', { tape: tapeText(say, from, units), tape2: tapeText(say, to, units, 'up') });
}
