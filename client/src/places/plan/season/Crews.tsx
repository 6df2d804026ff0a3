// Who works here, and when; each crew in a sheet, and a new one.
import type { SeasonPlan } from '@mortisect/contracts';
import { Crew, LEAST_PACE, MOST_PACE, type Skill, skills } from '@mortisect/core/campaign';
import { paceBeside } from '@mortisect/core/handling';
import type { Site } from '@mortisect/core/records';
import type { PlainKey, Say } from '@mortisect/words';
import { View } from '@tamagui/core';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { v7 } from 'uuid';
import { dayWords, isDay } from '../../../data/moment';
import { useSite } from '../../../data/queries';
import { SEASON_PLAN } from '../../../data/seasonPlan';
import { useSay } from '../../../data/useSay';
import { useSaveSite } from '../../../data/writes';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { Failed } from '../../../ui/Failed';
import { Field } from '../../../ui/Field';
import { NumberField } from '../../../ui/NumberField';
import { PressRow } from '../../../ui/PressRow';
import { Several } from '../../../ui/Several';
import { Sheet } from '../../../ui/Sheet';
import { Body, Label, Section, Small } from '../../../ui/type';
import { bringsGiven } from './season';
import { WhatIf } from './WhatIf';

const SKILL_WORDS: Record<Skill, PlainKey> = { 'power saw': 'plan.powerSaw', arborist: 'plan.arborist' };
const MOST_CREWS = 20;

const newCrew = (): Crew => ({
  ...{ id: v7(), name: '', people: 1, ladders: 1, poles: 1, skills: [], weekdays: [6] },
  ...{ fromHour: 9, toHour: 16, daysOff: [], from: null, to: null, pace: null },
});

/** “Sat” of 6, in the language of the device. */
function weekdayName(say: Say, weekday: number): string {
  // The first of January 2024 was a Monday
  const day = new Date(Date.UTC(2024, 0, weekday, 12));
  return new Intl.DateTimeFormat(say.locale, { weekday: 'short', timeZone: 'UTC' }).format(day);
}

const ONE_MORE_WORDS = { person: 'plan.oneMoreIsWorth', ladder: 'plan.oneMoreLadderIsWorth' } as const;
const LEAST_POINTS = 0.05;

interface CrewsProps {
  shared: SeasonPlan['shared'];
  paces: SeasonPlan['paces'];
}

export function Crews({ shared, paces }: CrewsProps) {
  const say = useSay();
  const record = useSite().data;
  const [edited, setEdited] = useState<Crew | null>(null);
  if (!record) return null;
  const { crews } = record.site;
  return (
    <View gap={6}>
      <Section>{say('plan.whoWorksHere')}</Section>
      {crews.map((crew) => {
        // A ladder only where it brings anything: many trees want none
        const more = (shared?.oneMore ?? []).filter(
          ({ crewId, of, points }) => crewId === crew.id && (of === 'person' || points > LEAST_POINTS),
        );
        return (
          <PressRow key={crew.id} onPress={() => setEdited(crew)}>
            <View flex={1} minWidth={0} paddingHorizontal={12} paddingVertical={8}>
              <Label>{crew.name}</Label>
              <Small>{crewWords(say, crew, paces[crew.id] ?? 1)}</Small>
              {more.map(({ of, ...brings }) => (
                <Small key={of}>{say(ONE_MORE_WORDS[of], bringsGiven(brings))}</Small>
              ))}
            </View>
          </PressRow>
        );
      })}
      {shared && crews.length > 0 ? <WhatIf crews={crews} shared={shared} /> : null}
      {crews.length < MOST_CREWS ? (
        <Button onPress={() => setEdited(newCrew())}>{say('plan.addACrew')}</Button>
      ) : null}
      {edited ? (
        <CrewSheet
          key={edited.id}
          crew={edited}
          site={record.site}
          revision={record.revision}
          measured={paceBeside(record.paces, edited.name)}
          onClose={() => setEdited(null)}
        />
      ) : null}
    </View>
  );
}

function crewWords(say: Say, crew: Crew, pace: number): string {
  const { people, ladders, poles, weekdays, fromHour, toHour, daysOff, from, to } = crew;
  return [
    say('plan.peopleAndLadders', { people, ladders }),
    ...(poles === 0 ? [say('plan.noPole')] : []),
    weekdays.length > 0
      ? say('plan.onDaysFromTo', {
          days: weekdays
            .toSorted()
            .map((day) => weekdayName(say, day))
            .join(', '),
          from: fromHour,
          to: toHour,
        })
      : say('plan.onNoDay'),
    ...(from ? [say('plan.hereFrom', { day: dayWords(from) })] : []),
    ...(to ? [say('plan.hereTo', { day: dayWords(to) })] : []),
    ...(pace === 1 ? [] : [say('plan.paceOfTheCrew', { pace })]),
    ...(daysOff.length > 0 ? [say('plan.daysOffCount', { days: daysOff.length })] : []),
  ].join(' · ');
}

/** A whole number of a crew, what it is called, and between what it may lie. */
type NumberOf = readonly ['people' | 'ladders' | 'poles' | 'fromHour' | 'toHour', PlainKey, number, number];
const KIT_FIELDS: readonly NumberOf[] = [
  ['people', 'plan.people', 1, 50],
  ['ladders', 'plan.ladders', 0, 50],
  ['poles', 'plan.poles', 0, 50],
];
const HOUR_FIELDS: readonly NumberOf[] = [
  ['fromHour', 'plan.fromHour', 0, 23],
  ['toHour', 'plan.toHour', 1, 24],
];

interface CrewSheetProps {
  crew: Crew;
  site: Site;
  revision: number;
  /** How long it takes by its runs. */
  measured: number;
  onClose(): void;
}

function CrewSheet({ crew, site, revision, measured, onClose }: CrewSheetProps) {
  const say = useSay();
  const client = useQueryClient();
  const saving = useSaveSite();
  const [draft, setDraft] = useState(crew);
  const [off, setOff] = useState(crew.daysOff.join(', '));
  const [isTried, setTried] = useState(false);
  const change = (more: Partial<Crew>) => setDraft((before) => ({ ...before, ...more }));
  const isKnown = site.crews.some(({ id }) => id === crew.id);
  const daysOff = off.split(/[\s,;]+/).filter(Boolean);
  const read = Crew.safeParse({ ...draft, daysOff });
  const wrong = (field: keyof Crew) =>
    isTried && !read.success && read.error.issues.some(({ path }) => path[0] === field);
  const send = (crews: Crew[]) =>
    saving.mutate(
      { baseRevision: revision, site: { ...site, crews } },
      {
        onSuccess: () => {
          void client.invalidateQueries({ queryKey: SEASON_PLAN });
          onClose();
        },
      },
    );
  const numberField = ([field, label, least, most]: NumberOf) => (
    <NumberField
      key={field}
      label={say(label)}
      value={draft[field]}
      least={least}
      most={most}
      unit=""
      whole
      onChange={(value) => change({ [field]: value })}
    />
  );
  const save = () => {
    setTried(true);
    if (!read.success) return;
    const saved = read.data;
    send(isKnown ? site.crews.map((each) => (each.id === crew.id ? saved : each)) : [...site.crews, saved]);
  };
  return (
    <Sheet
      title={isKnown ? crew.name : say('plan.addACrew')}
      open
      onClose={onClose}
      actions={
        <Button grow kind="main" disabled={saving.isPending} onPress={save}>
          {say('plan.saveTheCrew')}
        </Button>
      }
    >
      <Field
        label={say('plan.nameOfTheCrew')}
        value={draft.name}
        onChangeText={(name) => change({ name })}
        fault={wrong('name') ? say('fault.noName') : undefined}
      />
      {KIT_FIELDS.map(numberField)}
      <Several
        label={say('plan.skills')}
        options={skills.map((value) => ({ value, label: say(SKILL_WORDS[value]) }))}
        value={draft.skills}
        onChange={(chosen) => change({ skills: chosen })}
      />
      <Several
        label={say('plan.daysOfWork')}
        options={[1, 2, 3, 4, 5, 6, 7].map((day) => ({ value: String(day), label: weekdayName(say, day) }))}
        value={draft.weekdays.map(String)}
        onChange={(days) => change({ weekdays: days.map(Number) })}
      />
      {HOUR_FIELDS.map(numberField)}
      {isTried && draft.toHour <= draft.fromHour ? (
        <Body color="$ochreText" role="alert">
          {say('fault.stopsBeforeBegins')}
        </Body>
      ) : null}
      <Field
        label={say('plan.daysOff')}
        hint={say('plan.daysOffHint')}
        value={off}
        onChangeText={setOff}
        fault={wrong('daysOff') ? say('fault.noDay') : undefined}
      />
      <Field
        label={say('plan.firstDayHere')}
        hint={say('plan.emptyIsAlways')}
        value={draft.from ?? ''}
        onChangeText={(day) => change({ from: day.trim() || null })}
        fault={wrong('from') ? say('fault.noDay') : undefined}
      />
      <Field
        label={say('plan.lastDayHere')}
        value={draft.to ?? ''}
        onChangeText={(day) => change({ to: day.trim() || null })}
        fault={
          wrong('to') ? say(isDay(draft.to ?? '') ? 'fault.lastDayBeforeFirst' : 'fault.noDay') : undefined
        }
      />
      <Label>{say('plan.paceOfWork')}</Label>
      <Choice
        label={say('plan.paceOfWork')}
        layout="wrap"
        options={[
          { value: 'measured', label: say('plan.asTheirRunsSay', { pace: measured }) },
          { value: 'set', label: say('plan.paceSetByHand') },
        ]}
        value={draft.pace === null ? 'measured' : 'set'}
        onChange={(how) => change({ pace: how === 'set' ? measured : null })}
      />
      {draft.pace === null ? null : (
        <NumberField
          label={say('plan.minutesForAMinute')}
          value={draft.pace}
          least={LEAST_PACE}
          most={MOST_PACE}
          unit="min"
          onChange={(pace) => change({ pace })}
        />
      )}
      <Failed title={say('plan.theCrewWasNotSaved')} error={saving.error} />
      {isKnown ? (
        <Button
          kind="quiet"
          disabled={saving.isPending}
          onPress={() => send(site.crews.filter(({ id }) => id !== crew.id))}
        >
          {say('plan.takeTheCrewOut')}
        </Button>
      ) : null}
    </Sheet>
  );
}
