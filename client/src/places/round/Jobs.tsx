// The jobs of a tree that need no saw: the usual ones, and any in one’s own words.

import type { SiteToday } from '@mortisect/core/present';
import { type Job, MOST_JOB_MINUTES } from '@mortisect/core/records';
import { jobDueOn, jobKinds, OWN_JOB } from '@mortisect/core/register';
import { jobName, jobNotes, told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { dayWords, isDay } from '../../data/moment';
import { useClock } from '../../data/useClock';
import { useSay } from '../../data/useSay';
import { newId, useSaveJob } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Notice } from '../../ui/Notice';
import { Select } from '../../ui/Select';
import { Sheet } from '../../ui/Sheet';
import { Label, Section, Small } from '../../ui/type';

export function Jobs({ treeId, jobs, today }: { treeId: string; jobs: readonly Job[]; today: SiteToday }) {
  const say = useSay();
  const clock = useClock();
  const saving = useSaveJob();
  const [adding, setAdding] = useState(false);
  const [removed, setRemoved] = useState<Job | null>(null);
  const open = jobs.filter((job) => job.doneAt === null && !job.withdrawn);
  const change = (job: Job, part: Partial<Pick<Job, 'doneAt' | 'withdrawn'>>) => {
    const { id, revision, by, receivedAt, ...body } = job;
    saving.mutate({ id, baseRevision: revision, job: { ...body, ...part } });
  };
  return (
    <View gap={8}>
      <Section>{say('round.jobsWithoutASaw')}</Section>
      {open.length === 0 ? <Small>{say('round.noneOpen')}</Small> : null}
      {open.map((job) => {
        const named = jobName(say, job);
        const late = job.dueOn < today.day;
        return (
          <View key={job.id} flexDirection="row" alignItems="center" gap={8}>
            <View flex={1} minWidth={0}>
              <Label>{named}</Label>
              <Small
                color={late ? '$ochreText' : '$soft'}
              >{`${late ? say('round.lateWasDue') : say('shared.due')} ${[dayWords(job.dueOn), ...jobNotes(say, job)].join(' · ')}`}</Small>
            </View>
            <Button
              onPress={() => change(job, { doneAt: clock() })}
              aria-label={say('round.done', { kind: named })}
            >
              {say('shared.done')}
            </Button>
            <Button
              kind="quiet"
              onPress={() => {
                change(job, { withdrawn: true });
                setRemoved(job);
              }}
              aria-label={say('round.remove2', { kind: named })}
            >
              {say('shared.remove')}
            </Button>
          </View>
        );
      })}
      {removed ? (
        <Notice
          kind="said"
          action={
            <View flexDirection="row">
              <Button
                onPress={() => {
                  change(removed, { withdrawn: false });
                  setRemoved(null);
                }}
              >
                {say('round.restoreIt')}
              </Button>
            </View>
          }
        >
          {say('round.isRemoved', { job: jobName(say, removed) })}
        </Notice>
      ) : null}
      <View flexDirection="row">
        <Button onPress={() => setAdding(true)}>{say('round.addAJob')}</Button>
      </View>
      <JobSheet
        key={String(adding)}
        treeId={treeId}
        today={today}
        open={adding}
        onClose={() => setAdding(false)}
      />
    </View>
  );
}

const KINDS = jobKinds.map(({ code, name }) => ({ value: code, label: name }));

function JobSheet({
  treeId,
  today,
  open,
  onClose,
}: {
  treeId: string;
  today: SiteToday;
  open: boolean;
  onClose(): void;
}) {
  const say = useSay();
  const saving = useSaveJob();
  const [job, setJob] = useState('guard');
  const [note, setNote] = useState('');
  const usual = jobDueOn(job, today.day, today.site.latitude);
  const [typed, setTyped] = useState<string | null>(null);
  const dueOn = typed ?? usual;
  const [title, setTitle] = useState('');
  const [minutes, setMinutes] = useState('');
  const isOwn = job === OWN_JOB;
  const untitled = isOwn && title.trim() === '';
  const timed =
    minutes.trim() === '' ||
    (/^\d{1,5}$/.test(minutes.trim()) && Number(minutes) >= 1 && Number(minutes) <= MOST_JOB_MINUTES);
  const good = isDay(dueOn) && !untitled && timed;
  return (
    <Sheet
      title={say('round.addAJob')}
      open={open}
      onClose={onClose}
      closeLabel={say('shared.back')}
      actions={
        <Button
          grow
          kind="main"
          disabled={!good}
          onPress={() =>
            saving.mutate(
              {
                id: newId(),
                baseRevision: null,
                job: {
                  ...{ treeId, job, dueOn, note: note.trim(), doneAt: null, withdrawn: false },
                  ...(isOwn && { title: title.trim() }),
                  ...(minutes.trim() !== '' && { minutes: Number(minutes) }),
                },
              },
              { onSuccess: onClose },
            )
          }
        >
          {say('shared.add')}
        </Button>
      }
    >
      <Select
        label={say('round.job')}
        value={job}
        options={KINDS}
        onChange={setJob}
        hint={told(say, jobKinds.find((kind) => kind.code === job)?.why)}
      />
      {isOwn ? (
        <Field
          label={say('round.jobInOwnWords')}
          value={title}
          onChangeText={(text) => setTitle(text.slice(0, 80))}
          fault={untitled ? say('round.sayWhatIsToBeDone') : undefined}
        />
      ) : null}
      <Field
        label={say('round.dueYearMonthDay')}
        value={dueOn}
        onChangeText={setTyped}
        fault={isDay(dueOn) ? undefined : say('round.writeTheDayLike20261130')}
        hint={isOwn ? undefined : say('round.usuallyByCommonPracticeNoSource', { usual })}
      />
      <Field
        label={say('round.jobMinutes')}
        kind="decimal"
        value={minutes}
        onChangeText={setMinutes}
        fault={timed ? undefined : say('round.wholeMinutesPlease')}
      />
      <Field label={say('shared.note')} value={note} onChangeText={(text) => setNote(text.slice(0, 300))} />
    </Sheet>
  );
}
