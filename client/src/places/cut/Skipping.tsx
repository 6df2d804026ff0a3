// What skipping costs: the cuts of this run with the blade cleaned never, sometimes, always.

import {
  agentOf,
  agents,
  type CleaningPolicy,
  HANDLING_SECONDS,
  type TransmissionInput,
} from '@mortisect/core/blades';
import { transmissionCuts } from '@mortisect/core/run';
import { cleaningWords } from '@mortisect/core/words';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { useTransmission } from '../../data/useTransmission';
import { RangeBars } from '../../drawings/RangeBars';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Failed } from '../../ui/Failed';
import { Notice } from '../../ui/Notice';
import { NumberField } from '../../ui/NumberField';
import { Screen } from '../../ui/Screen';
import { Select } from '../../ui/Select';
import { Body, Section, Small } from '../../ui/type';
import { Waiting } from '../../ui/Waiting';
import { plural } from '../words';
import { type RunHere, useRun } from './useRun';

export function Skipping() {
  const { here, error, refetch } = useRun();
  if (!here) return <Waiting title="What skipped cleaning costs" error={error} onRetry={refetch} />;
  return <Costs here={here} />;
}

const RUNS = 100_000;
const SEED = 11;

const POLICY_WORDS: Record<CleaningPolicy, string> = {
  never: 'Never',
  'between trees': 'Between trees',
  'after diseased cuts': 'Also after diseased cuts',
  'every cut': 'Before every cut',
  'two blades': 'Every cut, two blades in turn',
};

const SEASONS = [
  { value: 'dormant', label: 'Dormant' },
  { value: 'summer', label: 'In growth' },
] as const;

function Costs({ here }: { here: RunHere }) {
  const { run, today } = here;
  const router = useRouter();
  const [season, setSeason] = useState<'dormant' | 'summer'>(
    today.season === 'dormant' || today.season === 'autumn' ? 'dormant' : 'summer',
  );
  const [wet, setWet] = useState(false);
  const [soft, setSoft] = useState(season === 'summer');
  const [sappy, setSappy] = useState(false);
  const [agentId, setAgentId] = useState(agentOf(today.site.agentId).id);
  const [seconds, setSeconds] = useState(agentOf(today.site.agentId).contactSeconds);
  const notifiable = run.left.some((item) =>
    item.disorders.some((code) => today.site.notifiable.some(({ codes }) => codes.includes(code))),
  );
  const input = useMemo((): TransmissionInput => {
    return {
      cuts: transmissionCuts(run.left, soft),
      season,
      wet,
      agentId,
      contactSeconds: seconds,
      handlingSeconds: HANDLING_SECONDS,
      sappy,
      notifiable,
      runs: RUNS,
      seed: SEED,
    };
  }, [run.left, season, wet, soft, sappy, notifiable, agentId, seconds]);
  const { data, error } = useTransmission(input);
  return (
    <Screen
      title="What skipped cleaning costs"
      subtitle={`${plural(run.left.length, 'cut')} on ${plural(run.stops.length, 'tree')}`}
      actions={
        <Button grow kind="main" onPress={() => router.navigate('/cut')}>
          Back to the run
        </Button>
      }
    >
      <Failed title="Not computed" error={error} />
      <Choice label="Season" options={SEASONS} value={season} onChange={setSeason} />
      <YesNo label="Wood and weather" yes="Wet" no="Dry" value={wet} onChange={setWet} />
      <YesNo label="Sound cuts" yes="In soft shoots" no="In hard wood" value={soft} onChange={setSoft} />
      <YesNo label="Blade" yes="Sappy" no="Wiped first" value={sappy} onChange={setSappy} />
      <Select
        label="Agent"
        value={agentId}
        options={agents.map(({ id, name }) => ({ value: id, label: name }))}
        onChange={(id) => {
          setAgentId(id);
          setSeconds(agentOf(id).contactSeconds);
        }}
      />
      <NumberField
        label="Kept wet for"
        unit="s"
        value={seconds}
        least={0}
        most={1800}
        hint={`It asks for ${agentOf(agentId).contactSeconds} s.`}
        onChange={setSeconds}
      />
      {data ? (
        <>
          <Section>New infections to expect</Section>
          <RangeBars
            label="New infections by when blades are cleaned"
            rows={data.policies.map(({ policy, expected, cleanings, minutes, simulated }) => ({
              name: POLICY_WORDS[policy],
              range: expected,
              says: `${figure(expected[1])} (${figure(expected[0])}–${figure(expected[2])})`,
              detail: `${plural(cleanings, 'cleaning')}, ${Math.round(minutes)} min${simulated ? `; of 100 such runs ${hundredths(simulated.atLeastOne)} bring one or more` : ''}`,
              chosen: policy === data.advice.policy,
            }))}
          />
          <Body>
            {`${cleaningWords(data.advice.because)} It avoids ${figure(data.advice.avoided[1])} a tree (${figure(data.advice.avoided[0])} to ${figure(data.advice.avoided[2])}).`}
          </Body>
          {data.thin ? (
            <Notice kind="caution" title="The evidence is thin">
              In the dormant season hardly anybody has measured it: the range is wide and begins at none.
              Where a disease is notifiable, clean at every cut whatever this says.
            </Notice>
          ) : null}
          <Small>
            {`The stroke is the middle, the bar the range of what is known. ${RUNS.toLocaleString('en')} runs were played out at the middle; they agree with the closed form. Chances: ranges from memory, Teviotdale et al. 1991 for the direction; unsure.`}
          </Small>
        </>
      ) : (
        <Body role="status">Playing out the runs …</Body>
      )}
    </Screen>
  );
}

function YesNo({
  label,
  yes,
  no,
  value,
  onChange,
}: {
  label: string;
  yes: string;
  no: string;
  value: boolean;
  onChange(value: boolean): void;
}) {
  return (
    <Choice
      label={label}
      options={[
        { value: false, label: no },
        { value: true, label: yes },
      ]}
      value={value}
      onChange={onChange}
    />
  );
}

function figure(value: number): string {
  if (value === 0) return '0';
  if (value < 0.01) return value < 0.0001 ? 'under 0.0001' : value.toPrecision(1);
  return value < 1 ? value.toFixed(2) : value.toFixed(1);
}

function hundredths(share: number): string {
  return share > 0 && share < 0.005 ? 'fewer than one' : String(Math.round(share * 100));
}
