// Disorders, schools and agents as the product knows them, each with its source and how sure it is.

import { type Disorder, disorders, schoolFor, schoolsFor } from '@mortisect/core/disorders';
import { tapeText, type Units } from '@mortisect/core/measure';
import type { SiteToday } from '@mortisect/core/present';
import { lowerFirst } from '@mortisect/core/tree';
import { View } from '@tamagui/core';
import { useSite } from '../../data/queries';
import { useToday } from '../../data/useToday';
import { Mark } from '../../drawings/marks';
import { Notice } from '../../ui/Notice';
import { Screen } from '../../ui/Screen';
import { Body, Label, Section, Small } from '../../ui/type';
import { Waiting } from '../../ui/Waiting';
import { SURE } from '../AgentFacts';
import { BookTabs } from './BookTabs';
import { CleaningReference } from './CleaningReference';
import { Folded } from './Folded';
import { TermList } from './TermList';
import { TimingReference } from './TimingReference';

export function Reference() {
  const { error, refetch } = useSite();
  const today = useToday();
  if (!today) return <Waiting title="Book" error={error} onRetry={refetch} />;
  return (
    <Screen title="Book" subtitle="What the answers are made from">
      <BookTabs />
      <Body>
        Values are settings with a source and a confidence, not certainties. A disorder named here is likely,
        never confirmed: a plant clinic confirms.
      </Body>
      <Section>Terms of the trade</Section>
      <Folded title="Show the terms, English and Spanish">
        <TermList />
      </Folded>
      {disorders.map((disorder) => (
        <OneDisorder key={disorder.code} disorder={disorder} today={today} />
      ))}
      <TimingReference />
      <CleaningReference />
    </Screen>
  );
}

function OneDisorder({ disorder, today }: { disorder: Disorder; today: SiteToday }) {
  const schools = schoolsFor(disorder.code);
  const sites = schools.length > 0 ? schoolFor(disorder.code, today.site.schools.clearance).id : null;
  return (
    <View gap={8} paddingTop={12} borderTopWidth={1} borderColor="$rule" borderStyle="solid">
      <View flexDirection="row" gap={12} alignItems="center">
        <Mark kind={disorder.kind} />
        <Section>{disorder.name}</Section>
      </View>
      <Body>{disorder.tellingSigns}</Body>
      <Small>
        {disorder.cause}. On {lowerFirst(disorder.hosts)}.
      </Small>
      {disorder.instead ? <Body>{disorder.instead}</Body> : null}
      {schools.map((school) => (
        <View
          key={school.id}
          paddingLeft={12}
          borderLeftWidth={4}
          borderStyle="solid"
          borderColor={school.id === sites ? '$chalk' : '$rule'}
        >
          <Label>
            {school.id === sites ? `Site: ${school.name}` : school.name} · dormant{' '}
            {range(school.dormantCm, today.units)}, growing {range(school.growingCm, today.units)}
          </Label>
          <Body fontSize="$16" lineHeight="$16">
            {school.use}
          </Body>
          <Small>
            {school.source} ({SURE[school.confidence]})
          </Small>
        </View>
      ))}
      <Body>On a stem: {lowerFirst(disorder.onTrunk)}</Body>
      <Body>Wood: {lowerFirst(disorder.disposal)}</Body>
      {disorder.notifiable ? <Notice kind="caution">{disorder.notifiable}</Notice> : null}
      <Small>
        {disorder.source} ({SURE[disorder.confidence]})
      </Small>
    </View>
  );
}

function range([from, to]: readonly [number, number], units: Units): string {
  if (from === to) return tapeText(to, units, 'up');
  return `${tapeText(from, units)} to ${tapeText(to, units, 'up')}`;
}
