// When may this tree be cut: its windows, how a wound made then would live, the schools over the year, and the days to carry into a calendar.

import type { TreeTiming } from '@mortisect/contracts';
import { temperatureReading, upperFirst } from '@mortisect/core/measure';
import { type Solved, visitsOf } from '@mortisect/core/plan';
import { type SiteToday, type TreeView, USUAL_CUT } from '@mortisect/core/present';
import { speciesName, speciesOf } from '@mortisect/core/register';
import { stopDayOfYear, wordsOnly } from '@mortisect/core/timing';
import { hourOf, momentOf } from '@mortisect/core/weather';
import type { Say } from '@mortisect/words';
import { dayReasonWords, joined, riskWords, told, VERDICT_WORDS } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { ServerProblem } from '../../data/api';
import { clockHour, dayHour, weekday } from '../../data/moment';
import { type CutAsked, useTree, useTreeTiming } from '../../data/queries';
import { usePlan } from '../../data/usePlan';
import { useSay } from '../../data/useSay';
import { useToday } from '../../data/useToday';
import { planInputFor, viewOf } from '../../data/views';
import { Button } from '../../ui/Button';
import { Columns } from '../../ui/Columns';
import { FileLinks } from '../../ui/FileLinks';
import { Notice } from '../../ui/Notice';
import { PressRow } from '../../ui/PressRow';
import { Aside, Screen } from '../../ui/Screen';
import { Body, Label, Section, Small } from '../../ui/type';
import { Waiting } from '../../ui/Waiting';
import { WithTerms } from '../Terms';
import { stageWords } from '../today/StageLines';
import { spanWords } from './daysView';
import { Factors } from './Factors';
import { dayOfYearWords, YearStrip } from './YearStrip';

export function WhenTree({ treeId }: { treeId: string }) {
  const say = useSay();
  const today = useToday();
  const { data: detail, error, refetch } = useTree(treeId);
  const view = useMemo(() => (detail && today ? viewOf(detail, today) : null), [detail, today]);
  if (!view || !today) return <Waiting title={say('plan.when')} error={error} onRetry={refetch} />;
  return <PlannedTree view={view} today={today} />;
}

/** The largest cut and the crown that go now, from the plan, rounded so that a plan that is still being bettered asks no new question; usual ones until it is there. */
function PlannedTree({ view, today }: { view: TreeView; today: SiteToday }) {
  const input = planInputFor(view, today);
  const { data: solved } = usePlan(view.tree.id, input);
  const cut = useMemo(() => (solved ? cutOf(solved) : USUAL_CUT), [solved]);
  return <Days view={view} today={today} cut={cut} />;
}

function cutOf(solved: Solved): CutAsked {
  const now = visitsOf(solved).find((visit) => visit.isNow)?.steps ?? [];
  if (now.length === 0) return USUAL_CUT;
  return {
    mm: Math.max(5, ...now.map((stepView) => Math.round((stepView.priced.handling?.kerfMm ?? 0) / 5) * 5)),
    crownShare: Math.min(
      1,
      Math.round(now.reduce((sum, stepView) => sum + stepView.step.crown + stepView.step.exempt, 0) / 10) /
        100,
    ),
  };
}

function Days({ view, today, cut }: { view: TreeView; today: SiteToday; cut: CutAsked }) {
  const say = useSay();
  const router = useRouter();
  const [at, setAt] = useState<string | null>(null);
  const { data, error, refetch } = useTreeTiming(view.tree.id, cut, at);
  const title = view.tree.code;
  const back = (
    <Button grow onPress={() => router.navigate(`/plan/${view.tree.id}`)}>
      {say('plan.theCutsOfThisTree')}
    </Button>
  );
  if (error instanceof ServerProblem && error.problem.type === 'no-weather') {
    return (
      <Screen title={title} subtitle={say('plan.when')} actions={back}>
        <Notice kind="said" title={say('shared.noWeatherIsKnown')}>
          {error.problem.detail}
        </Notice>
      </Screen>
    );
  }
  if (!data) return <Waiting title={title} error={error} onRetry={refetch} />;
  const { group, station } = data;
  const { timeZone } = today.site;
  const window = group.windows.find((window) => window.verdict === 'go') ?? group.windows[0];
  return (
    <Screen
      title={title}
      subtitle={say('plan.when2', { species: told(say, speciesName(view.tree.species)) })}
      width="full"
      aside={
        <Aside
          figure={window ? say(VERDICT_WORDS[window.verdict]) : say('shared.wait')}
          caption={
            window
              ? say('plan.from', {
                  clockHour: clockHour(window.fromHour, timeZone),
                  fromHour: weekday(dayOf(data, window.fromHour)).name,
                })
              : say('plan.tenDays')
          }
        />
      }
      actions={back}
    >
      {station.simulated ? <Small>{say('shared.simulatedWeatherNoInstrumentMeasuredIt')}</Small> : null}
      <Columns
        beside={
          <View gap={16}>
            <OtherRules view={view} />
            <Calendar treeId={view.tree.id} />
          </View>
        }
      >
        {window ? <Best window={window} data={data} today={today} /> : null}
        <Body>
          {group.stage ? `${upperFirst(stageWords(say, group.stage))}. ` : ''}
          {say('plan.forAMmCutThatRemovesOf', { mm: cut.mm, crownShare: Math.round(cut.crownShare * 100) })}
        </Body>
        <AlwaysSpeaks view={view} today={today} />
        <Section>{say('plan.windows')}</Section>
        <Windows data={data} today={today} />
        <Section>{say('plan.dayByDay')}</Section>
        <HalfDays data={data} onChoose={setAt} />
        <Section>{say('plan.howAWoundWouldHeal')}</Section>
        <Factors data={data} today={today} />
        <Section>{say('plan.theYearSchoolBySchool')}</Section>
        <YearStrip treeId={view.tree.id} cut={cut} today={today} />
        <Narrow>
          <OtherRules view={view} />
          <Calendar treeId={view.tree.id} />
        </Narrow>
      </Columns>
    </Screen>
  );
}

/** Rules that hold whatever the index says. */
function AlwaysSpeaks({ view, today }: { view: TreeView; today: SiteToday }) {
  const say = useSay();
  const { site } = today;
  const restricted = site.notifiable.filter((rule) =>
    view.findings.some((finding) => rule.codes.includes(finding.disorder)),
  );
  return (
    <View gap={6}>
      {restricted.map((rule) => (
        <Notice key={rule.authority} kind="caution" title={say('plan.mayBeNotifiable')}>
          {say('plan.askBeforeCuttingOrMovingWood', { authority: rule.authority, note: rule.note })}
        </Notice>
      ))}
      <Small>
        {say('plan.activeStrikesHangingAndSplitLimbsDo', {
          stop: stopWords(say, site.timing.stopDay, site.latitude),
          temperature: joined(say, temperatureReading(site.timing.leastC, today.units)),
          climbWindMs: site.timing.climbWindMs,
        })}
      </Small>
    </View>
  );
}

/** The stop date as it falls here. */
function stopWords(say: Say, stopDay: string, latitude: number): string {
  const HALF_A_YEAR = 184;
  const ofYear = stopDayOfYear(stopDay) + (latitude < 0 ? HALF_A_YEAR : 0);
  return dayOfYearWords(say, ((ofYear - 1) % 365) + 1);
}

function Narrow({ children }: { children: React.ReactNode }) {
  return (
    <View gap={16} $wide={{ display: 'none' }}>
      {children}
    </View>
  );
}

/** Local day of an hour, from the half-days of the answer. */
function dayOf({ group }: TreeTiming, hour: number): string {
  return group.cells.findLast((cell) => cell.cutHour <= hour + 12)?.day ?? (group.cells[0]?.day as string);
}

function Windows({ data, today }: { data: TreeTiming; today: SiteToday }) {
  const say = useSay();
  const { windows } = data.group;
  if (windows.length === 0) {
    const first = data.group.cells[0];
    const why = first?.why ? `: ${dayReasonWords(say, first.why, first.verdict)}` : '';
    return <Body>{say('plan.noneInTheNextTenDays', { why })}</Body>;
  }
  return (
    <View gap={6}>
      {windows.map((window) => (
        <View key={`${window.fromHour} ${window.verdict}`}>
          <Label
            fontSize="$19"
            lineHeight="$19"
          >{`${say(VERDICT_WORDS[window.verdict])}: ${whenWords(say, window, data, today)}`}</Label>
          <Small>
            <WithTerms>{whyWords(say, window)}</WithTerms>
          </Small>
        </View>
      ))}
    </View>
  );
}

/** The answer before its table: one window, and why that one. */
function Best({ window, data, today }: { window: Window; data: TreeTiming; today: SiteToday }) {
  const say = useSay();
  const good = window.verdict === 'go';
  return (
    <View>
      <Label
        fontSize="$22"
        lineHeight="$22"
      >{`${good ? say('plan.best') : say('plan.possibleAtBest')}: ${whenWords(say, window, data, today)}`}</Label>
      <Body>
        <WithTerms>
          {`${good ? say('plan.theNextWindowThatIsGood') : say('plan.noWindowOfTheNextTenDays')} ${whyWords(say, window)}`}
        </WithTerms>
      </Body>
    </View>
  );
}

type Window = TreeTiming['group']['windows'][number];

function whenWords(say: Say, window: Window, data: TreeTiming, today: SiteToday): string {
  const { timeZone } = today.site;
  return window.fromHour <= hourOf(data.now)
    ? say('plan.nowTo2', { dayHour: dayHour(window.toHour, timeZone) })
    : spanWords(say, window, timeZone);
}

function whyWords(say: Say, { dryH, score, lightHours }: Window): string {
  return say('plan.dryForHOnceItStartsH', { dryH, risk: riskWords(say, score), lightHours });
}

/** Each half-day is a choice: its curves stand below. */
function HalfDays({ data, onChoose }: { data: TreeTiming; onChoose(at: string): void }) {
  const say = useSay();
  const [all, setAll] = useState(false);
  const cells = all ? data.group.cells : data.group.cells.slice(0, 6);
  return (
    <View gap={0}>
      {cells.map((cell) => {
        const { name, number } = weekday(cell.day);
        return (
          <PressRow
            key={`${cell.day} ${cell.half}`}
            chosen={cell.cutHour === data.curves.cutHour}
            paddingHorizontal={11}
            onPress={() => onChoose(momentOf(cell.cutHour))}
          >
            <View flex={1} minWidth={0} flexDirection="row" gap={10} alignItems="center">
              <Label width={112}>{`${name} ${number}, ${told(say, cell.half)}`}</Label>
              <View flex={1} minWidth={0}>
                <Label>{say(VERDICT_WORDS[cell.verdict])}</Label>
                {cell.why ? <Small>{dayReasonWords(say, cell.why, cell.verdict)}</Small> : null}
              </View>
              <Label fontSize="$22" lineHeight="$22">
                {Math.round(cell.score[1])}
              </Label>
              <Small>{`${Math.round(cell.score[0])}–${Math.round(cell.score[2])}`}</Small>
            </View>
          </PressRow>
        );
      })}
      {all ? null : (
        <View flexDirection="row" paddingTop={8}>
          <Button onPress={() => setAll(true)}>{say('plan.allTenDays')}</Button>
        </View>
      )}
    </View>
  );
}

/** Pathogens without constants: their rules in words. */
function OtherRules({ view }: { view: TreeView }) {
  const say = useSay();
  const host = speciesOf(view.tree.species)?.host ?? null;
  const rules = wordsOnly.filter((disease) => host !== null && disease.hosts.includes(host));
  if (rules.length === 0) return null;
  return (
    <View gap={6}>
      <Section>{say('plan.alsoWatchFor')}</Section>
      {rules.map((rule) => (
        <Body
          key={rule.code}
          fontSize="$16"
          lineHeight="$16"
        >{`${told(say, rule.name)}: ${told(say, rule.rule)}`}</Body>
      ))}
      <Small>{say('plan.weHaveNoFiguresForTheseSo')}</Small>
    </View>
  );
}

function Calendar({ treeId }: { treeId: string }) {
  const say = useSay();
  return (
    <View gap={4}>
      <Section>{say('plan.calendar')}</Section>
      <FileLinks links={[[`/api/trees/${treeId}/windows.ics`, say('plan.windowsOfThisTreeIcalendar')]]} />
      <Small>{say('plan.windowsOfTheWholeSiteCanBe')}</Small>
    </View>
  );
}
