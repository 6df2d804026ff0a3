// What is known of the tree: is it worth the saw, what it is, where it stands, and its jobs without a saw.

import { heightReading, joined, tapeText, upperFirst } from '@mortisect/core/measure';
import type { SiteToday, TreeView } from '@mortisect/core/present';
import type { Job, TreeDetail, TreeSummary } from '@mortisect/core/records';
import { jobDueOn, jobKinds, speciesName } from '@mortisect/core/register';
import { type Triage, triageTable } from '@mortisect/core/triage';
import { triageWords } from '@mortisect/core/words';
import { View } from '@tamagui/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { dayWords, isDay } from '../../data/moment';
import { triageOf } from '../../data/triageOf';
import { useClock } from '../../data/useClock';
import { newId, useSaveJob } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Notice } from '../../ui/Notice';
import { Select } from '../../ui/Select';
import { Sheet } from '../../ui/Sheet';
import { Body, Label, Section, Small } from '../../ui/type';
import { SkipTree } from './SkipTree';

interface TreePartProps {
  view: TreeView;
  detail: TreeDetail;
  today: SiteToday;
}

export function TreePart({ view, detail, today }: TreePartProps) {
  const router = useRouter();
  return (
    <View gap={20}>
      <Verdict triage={triageOf(view, detail, today)} />
      <Facts tree={view.tree} today={today} />
      <Jobs treeId={view.tree.id} jobs={detail.jobs} today={today} />
      <View flexDirection="row" flexWrap="wrap" gap={8}>
        <Button onPress={() => router.navigate(`/round/${view.tree.id}/edit`)}>Edit the tree</Button>
        <Button onPress={() => router.navigate(`/round/${view.tree.id}/map`)}>Limb map</Button>
        <SkipTree tree={view.tree} />
      </View>
    </View>
  );
}

const VERDICT: Record<Triage['verdict'], string> = {
  'hand over': 'Hand to a licensed arborist',
  replace: 'Replace it',
  'trial year': 'Give it a trial year',
  renovate: 'Renovate it',
  keep: 'Keep it',
};
const TREND: Record<Triage['trend'], string> = {
  better: 'Better than a season ago.',
  worse: 'Worse than a season ago.',
  steady: 'About as a season ago.',
  unknown: 'No earlier round to compare with.',
};

function Verdict({ triage }: { triage: Triage & { share: number } }) {
  const [why, setWhy] = useState(false);
  const hours =
    triage.minutesASeason >= 90
      ? `${Math.round(triage.minutesASeason / 30) / 2} hours`
      : `${triage.minutesASeason} minutes`;
  const over = triage.seasons > 1 ? ` over ${triage.seasons} seasons` : '';
  return (
    <View gap={8}>
      <Section>Worth the saw?</Section>
      <Notice
        kind={triage.verdict === 'hand over' ? 'danger' : triage.verdict === 'keep' ? 'said' : 'caution'}
        title={`${VERDICT[triage.verdict]}${over}`}
        action={
          <View flexDirection="row">
            <Button kind="quiet" paddingHorizontal={0} onPress={() => setWhy(true)}>
              Why
            </Button>
          </View>
        }
      >
        {`${triageWords(triage.because)}${triage.verdict === 'hand over' ? '' : ` About ${hours} a season.`} ${TREND[triage.trend]}`}
      </Notice>
      <Sheet title="Worth the saw?" open={why} onClose={() => setWhy(false)}>
        <Body>{`The first row that holds decides: “${triage.rule}”. ${Math.round(triage.share * 100)} % of the crown is dead or diseased, by the sections of the limbs (pipe model).`}</Body>
        {triageTable.map((row) => (
          <View key={row.rule} flexDirection="row" gap={12}>
            <Label flex={1} color={row.rule === triage.rule ? '$chalk' : '$soft'}>
              {row.rule}
            </Label>
            <Small>{VERDICT[row.verdict]}</Small>
          </View>
        ))}
        <Small>
          Hours and limits are common practice, no source. The caretaker decides: the status is set under
          “Edit the tree”.
        </Small>
      </Sheet>
    </View>
  );
}

function Facts({ tree, today }: { tree: TreeSummary; today: SiteToday }) {
  const height = (cm: number) => joined(heightReading(cm, today.units));
  const facts: [string, string | null][] = [
    ['Status', upperFirst(tree.status)],
    ['Kind', [speciesName(tree.species), tree.cultivar ?? 'variety unknown'].join(', ')],
    [
      'Stock',
      tree.rootstock &&
        `${tree.rootstock}${tree.graftUnionCm === null ? '' : `, union at ${tapeText(tree.graftUnionCm, today.units)}`}`,
    ],
    ['Form', `${upperFirst(tree.form)}, bears on ${tree.habit === 'unknown' ? 'unknown wood' : tree.habit}`],
    [
      'Size',
      `${height(tree.heightCm)} high${tree.targetHeightCm === null ? '' : ` (should be ${height(tree.targetHeightCm)})`}, ${height(tree.spreadCm)} wide${tree.girthCm === null ? '' : `, ${tapeText(tree.girthCm, today.units)} round`}`,
    ],
    [
      'For',
      `${tree.purposes.join(', ') || 'nothing said'}${tree.pickedBy ? `, picked by ${tree.pickedBy}` : ''}${tree.reachCm === null ? '' : `, who reach ${height(tree.reachCm)}`}`,
    ],
    ['Growth', tree.vigour === 'unknown' ? null : tree.vigour],
    ['Dangers', tree.hazards.join(', ') || null],
    ['Neighbours', tree.neighbours.map(({ code, how }) => `${code} ${how}`).join(', ') || null],
    [
      'Round it',
      [
        ...tree.fixtures,
        ...(tree.frostPocket ? ['frost pocket'] : []),
        ...(tree.drainage === 'unknown' ? [] : [`drainage ${tree.drainage}`]),
      ].join(', ') || null,
    ],
    [
      'Stands',
      `${tree.plot}, ${tree.row}, place ${tree.place}${tree.latitude === null ? '' : ` (${tree.latitude}°, ${tree.longitude}°)`}`,
    ],
  ];
  return (
    <View gap={4}>
      <Section>The tree</Section>
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
      <Section>Jobs without a saw</Section>
      {open.length === 0 ? <Small>None open.</Small> : null}
      {open.map((job) => {
        const kind = jobKinds.find((jobKind) => jobKind.code === job.job);
        const late = job.dueOn < today.day;
        return (
          <View key={job.id} flexDirection="row" alignItems="center" gap={8}>
            <View flex={1} minWidth={0}>
              <Label>{kind?.name ?? job.job}</Label>
              <Small
                color={late ? '$ochreText' : '$soft'}
              >{`${late ? 'Late: was due' : 'Due'} ${dayWords(job.dueOn)}${job.note ? ` · ${job.note}` : ''}`}</Small>
            </View>
            <Button
              onPress={() => change(job, { doneAt: clock() })}
              aria-label={`Done: ${kind?.name ?? job.job}`}
            >
              Done
            </Button>
            <Button
              kind="quiet"
              onPress={() => {
                change(job, { withdrawn: true });
                setRemoved(job);
              }}
              aria-label={`Remove: ${kind?.name ?? job.job}`}
            >
              Remove
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
                Restore it
              </Button>
            </View>
          }
        >
          {`${jobKinds.find((jobKind) => jobKind.code === removed.job)?.name ?? removed.job} is removed.`}
        </Notice>
      ) : null}
      <View flexDirection="row">
        <Button onPress={() => setAdding(true)}>Add a job</Button>
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
  const saving = useSaveJob();
  const [job, setJob] = useState('guard');
  const [note, setNote] = useState('');
  const usual = jobDueOn(job, today.day, today.site.latitude);
  const [typed, setTyped] = useState<string | null>(null);
  const dueOn = typed ?? usual;
  const good = isDay(dueOn);
  return (
    <Sheet
      title="Add a job"
      open={open}
      onClose={onClose}
      closeLabel="Back"
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
          Add
        </Button>
      }
    >
      <Select
        label="Job"
        value={job}
        options={KINDS}
        onChange={setJob}
        hint={jobKinds.find((kind) => kind.code === job)?.why}
      />
      <Field
        label="Due, year-month-day"
        value={dueOn}
        onChangeText={setTyped}
        fault={good ? undefined : 'Write the day like 2026-11-30.'}
        hint={`Usually by ${usual}: common practice, no source.`}
      />
      <Field label="Note" value={note} onChangeText={(text) => setNote(text.slice(0, 300))} />
    </Sheet>
  );
}
