// What is known of the tree: is it worth the saw, what it is, where it stands, and its jobs without a saw.

import { heightReading, upperFirst } from '@mortisect/core/measure';
import type { SiteToday, TreeView } from '@mortisect/core/present';
import type { Job, TreeDetail, TreeSummary } from '@mortisect/core/records';
import { jobDueOn, jobKinds, speciesName } from '@mortisect/core/register';
import { type Triage, triageTable } from '@mortisect/core/triage';
import type { PlainKey } from '@mortisect/words';
import { joined, tapeText, told, triageWords } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { dayWords, isDay } from '../../data/moment';
import { triageOf } from '../../data/triageOf';
import { useClock } from '../../data/useClock';
import { useSay } from '../../data/useSay';
import { newId, useSaveJob } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Notice } from '../../ui/Notice';
import { Select } from '../../ui/Select';
import { Sheet } from '../../ui/Sheet';
import { Body, Label, Section, Small } from '../../ui/type';
import { CropPart } from './CropPart';
import { SkipTree } from './SkipTree';

interface TreePartProps {
  view: TreeView;
  detail: TreeDetail;
  today: SiteToday;
}

export function TreePart({ view, detail, today }: TreePartProps) {
  const say = useSay();
  const router = useRouter();
  return (
    <View gap={20}>
      <Verdict triage={triageOf(view, detail, today)} />
      <Facts tree={view.tree} today={today} />
      <CropPart treeId={view.tree.id} actions={detail.actions} today={today} />
      <Jobs treeId={view.tree.id} jobs={detail.jobs} today={today} />
      <View flexDirection="row" flexWrap="wrap" gap={8}>
        <Button onPress={() => router.navigate(`/round/${view.tree.id}/edit`)}>
          {say('round.editTheTree')}
        </Button>
        <Button onPress={() => router.navigate(`/round/${view.tree.id}/map`)}>{say('round.limbMap')}</Button>
        <SkipTree tree={view.tree} />
      </View>
    </View>
  );
}

const VERDICT: Record<Triage['verdict'], PlainKey> = {
  'hand over': 'round.handToALicensedArborist',
  replace: 'round.replaceIt',
  'trial year': 'round.giveItATrialYear',
  renovate: 'round.renovateIt',
  keep: 'round.keepIt',
};
const TREND: Record<Triage['trend'], PlainKey> = {
  better: 'round.betterThanASeasonAgo',
  worse: 'round.worseThanASeasonAgo',
  steady: 'round.aboutAsASeasonAgo',
  unknown: 'round.noEarlierRoundToCompareWith',
};

function Verdict({ triage }: { triage: Triage & { share: number } }) {
  const say = useSay();
  const [why, setWhy] = useState(false);
  const hours =
    triage.minutesASeason >= 90
      ? say('round.hours', { minutesASeason: Math.round(triage.minutesASeason / 30) / 2 })
      : say('round.minutes', { minutesASeason: triage.minutesASeason });
  const over = triage.seasons > 1 ? say('round.overSeasons', { seasons: triage.seasons }) : '';
  return (
    <View gap={8}>
      <Section>{say('round.worthTheSaw')}</Section>
      <Notice
        kind={triage.verdict === 'hand over' ? 'danger' : triage.verdict === 'keep' ? 'said' : 'caution'}
        title={`${say(VERDICT[triage.verdict])}${over}`}
        action={
          <View flexDirection="row">
            <Button kind="quiet" paddingHorizontal={0} onPress={() => setWhy(true)}>
              {say('shared.why')}
            </Button>
          </View>
        }
      >{`${triageWords(say, triage.because)}${triage.verdict === 'hand over' ? '' : say('round.aboutASeason', { hours })} ${say(TREND[triage.trend])}`}</Notice>
      <Sheet title={say('round.worthTheSaw')} open={why} onClose={() => setWhy(false)}>
        <Body>
          {say('round.theFirstRowThatHoldsDecidesOf', {
            rule: triage.rule,
            share: Math.round(triage.share * 100),
          })}
        </Body>
        {triageTable.map((row) => (
          <View key={row.rule} flexDirection="row" gap={12}>
            <Label flex={1} color={row.rule === triage.rule ? '$chalk' : '$soft'}>
              {row.rule}
            </Label>
            <Small>{say(VERDICT[row.verdict])}</Small>
          </View>
        ))}
        <Small>{say('round.hoursAndLimitsAreCommonPracticeNo')}</Small>
      </Sheet>
    </View>
  );
}

function Facts({ tree, today }: { tree: TreeSummary; today: SiteToday }) {
  const say = useSay();
  const height = (cm: number) => joined(say, heightReading(cm, today.units));
  const facts: [string, string | null][] = [
    [say('round.status'), upperFirst(told(say, tree.status))],
    [
      say('shared.kind'),
      [told(say, speciesName(tree.species)), tree.cultivar ?? say('shared.varietyUnknown')].join(', '),
    ],
    [
      say('round.stock'),
      tree.rootstock &&
        `${tree.rootstock}${tree.graftUnionCm === null ? '' : say('round.unionAt', { tape: tapeText(say, tree.graftUnionCm, today.units) })}`,
    ],
    [
      say('round.form'),
      say('round.bearsOn2', {
        form: upperFirst(told(say, tree.form)),
        more: tree.habit === 'unknown' ? say('round.unknownWood') : told(say, tree.habit),
      }),
    ],
    [
      say('round.size'),
      say('round.highWide2', {
        height: height(tree.heightCm),
        more:
          tree.targetHeightCm === null ? '' : say('round.shouldBe', { height: height(tree.targetHeightCm) }),
        height2: height(tree.spreadCm),
        more2:
          tree.girthCm === null
            ? ''
            : say('round.round2', { tape: tapeText(say, tree.girthCm, today.units) }),
      }),
    ],
    [
      say('round.for'),
      `${tree.purposes.map((each) => told(say, each)).join(', ') || say('round.nothingSaid')}${tree.pickedBy ? say('round.pickedBy', { pickedBy: tree.pickedBy }) : ''}${tree.reachCm === null ? '' : say('round.whoReach', { height: height(tree.reachCm) })}`,
    ],
    [say('round.growth'), tree.vigour === 'unknown' ? null : told(say, tree.vigour)],
    [say('round.dangers'), tree.hazards.map((each) => told(say, each)).join(', ') || null],
    [say('round.neighbours'), tree.neighbours.map(({ code, how }) => `${code} ${how}`).join(', ') || null],
    [
      say('round.roundIt'),
      [
        ...tree.fixtures,
        ...(tree.frostPocket ? [say('round.frostPocket')] : []),
        ...(tree.drainage === 'unknown'
          ? []
          : [say('round.drainage2', { drainage: told(say, tree.drainage) })]),
      ].join(', ') || null,
    ],
    [
      say('round.stands'),
      say('round.place2', {
        plot: tree.plot,
        row: tree.row,
        place: tree.place,
        more: tree.latitude === null ? '' : ` (${tree.latitude}°, ${tree.longitude}°)`,
      }),
    ],
  ];
  return (
    <View gap={4}>
      <Section>{say('round.theTree')}</Section>
      {tree.note ? <Body>{tree.note}</Body> : null}
      {facts.map(([what, words]) =>
        words ? (
          <View key={what} flexDirection="row" gap={12}>
            <Small width={92}>{what}</Small>
            <Body flex={1}>{words}</Body>
          </View>
        ) : null,
      )}
    </View>
  );
}

function Jobs({ treeId, jobs, today }: { treeId: string; jobs: readonly Job[]; today: SiteToday }) {
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
        const kind = jobKinds.find((jobKind) => jobKind.code === job.job);
        const late = job.dueOn < today.day;
        return (
          <View key={job.id} flexDirection="row" alignItems="center" gap={8}>
            <View flex={1} minWidth={0}>
              <Label>{told(say, kind?.name) ?? job.job}</Label>
              <Small
                color={late ? '$ochreText' : '$soft'}
              >{`${late ? say('round.lateWasDue') : say('shared.due')} ${dayWords(job.dueOn)}${job.note ? ` · ${job.note}` : ''}`}</Small>
            </View>
            <Button
              onPress={() => change(job, { doneAt: clock() })}
              aria-label={say('round.done', { kind: told(say, kind?.name) ?? job.job })}
            >
              {say('shared.done')}
            </Button>
            <Button
              kind="quiet"
              onPress={() => {
                change(job, { withdrawn: true });
                setRemoved(job);
              }}
              aria-label={say('round.remove2', { kind: told(say, kind?.name) ?? job.job })}
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
          {say('round.isRemoved', {
            job: told(say, jobKinds.find((jobKind) => jobKind.code === removed.job)?.name) ?? removed.job,
          })}
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
  const good = isDay(dueOn);
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
                job: { treeId, job, dueOn, note: note.trim(), doneAt: null, withdrawn: false },
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
      <Field
        label={say('round.dueYearMonthDay')}
        value={dueOn}
        onChangeText={setTyped}
        fault={good ? undefined : say('round.writeTheDayLike20261130')}
        hint={say('round.usuallyByCommonPracticeNoSource', { usual })}
      />
      <Field label={say('shared.note')} value={note} onChangeText={(text) => setNote(text.slice(0, 300))} />
    </Sheet>
  );
}
