// What skipping costs: the cuts of this run with the blade cleaned never, sometimes, always.

import {
  agentOf,
  agents,
  type CleaningPolicy,
  HANDLING_SECONDS,
  type TransmissionInput,
} from '@mortisect/core/blades';
import { transmissionCuts } from '@mortisect/core/run';
import type { PlainKey, Say } from '@mortisect/words';
import { cleaningWords, figure, told } from '@mortisect/words/trade';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { useSay } from '../../data/useSay';
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
import { type RunHere, useRun } from './useRun';

export function Skipping() {
  const say = useSay();
  const { here, says, error, refetch } = useRun();
  if (!here)
    return (
      <Waiting title={say('cut.whatSkippedCleaningCosts')} says={says} error={error} onRetry={refetch} />
    );
  return <Costs here={here} />;
}

const RUNS = 100_000;
const SEED = 11;

const POLICY_WORDS: Record<CleaningPolicy, PlainKey> = {
  never: 'cut.never',
  'between trees': 'cut.betweenTrees',
  'after diseased cuts': 'cut.alsoAfterDiseasedCuts',
  'every cut': 'cut.beforeEveryCut',
  'two blades': 'cut.everyCutTwoBladesInTurn',
};

const seasonsIn = (say: Say) =>
  [
    { value: 'dormant', label: say('cut.dormant') },
    { value: 'summer', label: say('cut.inGrowth') },
  ] as const;

function Costs({ here }: { here: RunHere }) {
  const say = useSay();
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
      title={say('cut.whatSkippedCleaningCosts')}
      subtitle={say('cut.cutsOnTrees', { left: run.left.length, stops: run.stops.length })}
      actions={
        <Button grow kind="main" onPress={() => router.navigate('/cut')}>
          {say('shared.backToTheRun')}
        </Button>
      }
    >
      <Failed title={say('cut.notComputed')} error={error} />
      <Choice label={say('shared.season')} options={seasonsIn(say)} value={season} onChange={setSeason} />
      <YesNo
        label={say('cut.woodAndWeather')}
        yes={say('cut.wet')}
        no={say('cut.dry')}
        value={wet}
        onChange={setWet}
      />
      <YesNo
        label={say('cut.soundCuts')}
        yes={say('cut.inSoftShoots')}
        no={say('cut.inHardWood')}
        value={soft}
        onChange={setSoft}
      />
      <YesNo
        label={say('cut.blade2')}
        yes={say('cut.sappy')}
        no={say('cut.wipedFirst')}
        value={sappy}
        onChange={setSappy}
      />
      <Select
        label={say('shared.agent')}
        value={agentId}
        options={agents.map(({ id, name }) => ({ value: id, label: told(say, name) }))}
        onChange={(id) => {
          setAgentId(id);
          setSeconds(agentOf(id).contactSeconds);
        }}
      />
      <NumberField
        label={say('cut.keptWetFor')}
        unit="s"
        value={seconds}
        least={0}
        most={1800}
        hint={say('cut.itAsksForS', { contactSeconds: agentOf(agentId).contactSeconds })}
        onChange={setSeconds}
      />
      {data ? (
        <>
          <Section>{say('cut.newInfectionsToExpect')}</Section>
          <RangeBars
            label={say('cut.newInfectionsByWhenBladesAreCleaned')}
            rows={data.policies.map(({ policy, expected, cleanings, minutes, simulated }) => ({
              name: say(POLICY_WORDS[policy]),
              range: expected,
              says: `${rare(say, expected[1])} (${rare(say, expected[0])}–${rare(say, expected[2])})`,
              detail: say('cut.cleaningsMin', {
                cleanings,
                minutes: Math.round(minutes),
                more: simulated
                  ? say('cut.of100SuchRunsBringOneOr', { hundredths: hundredths(say, simulated.atLeastOne) })
                  : '',
              }),
              chosen: policy === data.advice.policy,
            }))}
          />
          <Body>
            {say('cut.itAvoidsATreeTo', {
              cleaning: cleaningWords(say, data.advice.because),
              figure: rare(say, data.advice.avoided[1]),
              figure2: rare(say, data.advice.avoided[0]),
              figure3: rare(say, data.advice.avoided[2]),
            })}
          </Body>
          {data.thin ? (
            <Notice kind="caution" title={say('cut.theEvidenceIsThin')}>
              {say('cut.inTheDormantSeasonHardlyAnybodyHas')}
            </Notice>
          ) : null}
          <Small>{say('cut.theStrokeIsTheMiddleTheBar', { runs: RUNS })}</Small>
        </>
      ) : (
        <Body role="status">{say('cut.playingOutTheRuns')}</Body>
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

function rare(say: Say, value: number): string {
  if (value === 0) return '0';
  if (value < 0.0001) return say('cut.under', { figure: figure(say, 0.0001, { least: 4 }) });
  if (value < 0.01) return figure(say, value, { significant: 1 });
  return figure(say, value, { least: value < 1 ? 2 : 1 });
}

function hundredths(say: Say, share: number): string {
  return share > 0 && share < 0.005 ? say('cut.fewerThanOne') : String(Math.round(share * 100));
}
