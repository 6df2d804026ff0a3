// The mix: how much of the product, how much water, what it holds, how long it lasts, how much to carry.

import {
  type Agent,
  agentOf,
  agents,
  type CleaningMethod,
  type DilutionInput,
  type DilutionResult,
  dilution,
  type Keeping,
  strengthAfter,
  usableHours,
  usualMethod,
} from '@mortisect/core/blades';
import { upperFirst } from '@mortisect/core/measure';
import { mixes } from '@mortisect/core/present';
import { bringFor } from '@mortisect/core/run';
import type { Say } from '@mortisect/words';
import { suppliesWords, told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { ago, clockTime } from '../../data/moment';
import { useClock } from '../../data/useClock';
import { useSay } from '../../data/useSay';
import { useRecordAction } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Failed } from '../../ui/Failed';
import { Notice } from '../../ui/Notice';
import { NumberField } from '../../ui/NumberField';
import { Screen } from '../../ui/Screen';
import { Select } from '../../ui/Select';
import { Body, Figure, Section, Small } from '../../ui/type';
import { Waiting } from '../../ui/Waiting';
import { AgentFacts } from '../AgentFacts';
import { litresWords } from './runWords';
import { type RunHere, useRun } from './useRun';

export function Mix() {
  const say = useSay();
  const { here, says, error, refetch } = useRun();
  if (!here) return <Waiting title={say('cut.mix')} says={says} error={error} onRetry={refetch} />;
  return <MixForm here={here} />;
}

const keepingsIn = (say: Say): { value: Keeping; label: string }[] => [
  { value: 'shade', label: say('cut.liddedShade') },
  { value: 'sun', label: say('cut.openSun') },
  { value: 'sappy', label: say('cut.sapInIt') },
];

function MixForm({ here }: { here: RunHere }) {
  const say = useSay();
  const { run, today, actions } = here;
  const router = useRouter();
  const clock = useClock();
  const recording = useRecordAction();
  const [agentId, setAgentId] = useState(agentOf(today.site.agentId).id);
  const agent = agentOf(agentId);
  const [said, setSaid] = useState<CleaningMethod | null>(null);
  const method = said && agent.methods.includes(said) ? said : usualMethod(agent);
  const bring = bringFor(run, today, agent, method);
  const [litres, setLitres] = useState(Math.max(0.25, Math.ceil(bring.supplies.litres * 4) / 4));
  const [bleachPct, setBleachPct] = useState(5.25);
  const [parts, setParts] = useState(9);
  const [spiritPct, setSpiritPct] = useState(96);
  const [spirit, setSpirit] = useState<'ethanol' | 'isopropanol'>('ethanol');
  const [keeping, setKeeping] = useState<Keeping>('shade');
  const asked = askedOf(agent, { litres, bleachPct, parts, spiritPct, spirit });
  const diluted = asked && dilution(asked);
  const share = diluted?.ppm && agent.target.kind === 'chlorine' ? diluted.ppm / agent.target.ppm : 1;
  const hours = usableHours(agent, keeping, share);
  const now = clock();
  const mix = mixes(actions, now).find((mix) => mix.action.agentId === agent.id);
  const record = () =>
    recording.record({
      kind: 'mixMade',
      at: clock(),
      agentId: agent.id,
      litres,
      strength: diluted?.ppm ?? diluted?.pct ?? null,
      keeping,
      usableHours: Math.round(hours * 100) / 100,
    });
  return (
    <Screen
      title={say('cut.mix')}
      subtitle={told(say, agent.name)}
      actions={
        <>
          <Button minHeight={56} onPress={() => router.navigate('/cut')}>
            {say('shared.back')}
          </Button>
          <Button grow kind="main" onPress={record} disabled={recording.isPending || !agent.disinfects}>
            {say('cut.recordTheMix')}
          </Button>
        </>
      }
    >
      <Failed title={say('shared.notRecordedYet')} error={recording.error} />
      <Select
        label={say('shared.agent')}
        value={agentId}
        options={agents.map((agent) => ({
          value: agent.id,
          label: agent.disinfects
            ? told(say, agent.name)
            : say('cut.cleansDoesNotDisinfect', { agent: told(say, agent.name) }),
        }))}
        onChange={setAgentId}
        hint={
          agentId === today.site.agentId
            ? say('cut.theAgentOfThisOrchard')
            : say('cut.timersUseTheAgentOfThisOrchard')
        }
      />
      {agent.disinfects ? null : (
        <Notice kind="danger" title={say('cut.thisDoesNotDisinfect')}>
          {told(say, agent.caution)}
        </Notice>
      )}
      <View flexDirection="row" flexWrap="wrap" gap={12}>
        <NumberField
          grow
          label={say('cut.litresWanted')}
          unit="L"
          value={litres}
          least={0.05}
          most={100}
          onChange={setLitres}
        />
        {agent.target.kind === 'chlorine' ? (
          <>
            <NumberField
              grow
              label={say('cut.onTheBottle')}
              unit="%"
              value={bleachPct}
              least={0.5}
              most={15}
              onChange={setBleachPct}
            />
            <NumberField
              grow
              label={say('cut.partsOfWaterTo1')}
              unit=""
              value={parts}
              least={1}
              most={99}
              onChange={setParts}
            />
          </>
        ) : null}
        {agent.target.kind === 'alcohol' ? (
          <NumberField
            grow
            label={say('cut.onTheBottle')}
            unit="%"
            value={spiritPct}
            least={70}
            most={100}
            onChange={setSpiritPct}
          />
        ) : null}
      </View>
      {agent.target.kind === 'alcohol' ? (
        <Choice
          label={say('cut.spirit')}
          options={[
            { value: 'ethanol', label: say('cut.ethanol') },
            { value: 'isopropanol', label: say('cut.isopropanol') },
          ]}
          value={spirit}
          onChange={setSpirit}
        />
      ) : null}
      {diluted ? (
        <Recipe dilution={diluted} litres={litres} parts={agent.target.kind === 'chlorine' ? parts : null} />
      ) : (
        <Body>{say('cut.asItComesOrAsItsLabel')}</Body>
      )}
      <Choice
        label={say('cut.howItIsKept')}
        options={keepingsIn(say)}
        value={keeping}
        onChange={setKeeping}
      />
      <Body>
        {hours > 0
          ? say('cut.madeNowUseItBy', {
              clockTime: clockTime(
                new Date(Date.parse(now) + hours * 3_600_000).toISOString(),
                today.site.timeZone,
              ),
              more: hours >= 24 ? say('cut.tomorrow') : '',
              more2:
                diluted?.ppm && agent.halfLifeHours
                  ? say('cut.after2HItHoldsPpm', {
                      strengthAfter: Math.round(strengthAfter(diluted.ppm, 2, agent.halfLifeHours[keeping])),
                    })
                  : '',
            })
          : say('cut.tooWeakFromTheStartLessThan')}
      </Body>
      {mix ? (
        <Small>
          {say('cut.lastMixedL', {
            ago: ago(mix.action.at, now),
            litres: mix.action.litres,
            more: mix.spent
              ? say('cut.spent')
              : say('cut.useBy', { clockTime: clockTime(mix.useBy, today.site.timeZone) }),
          })}
        </Small>
      ) : null}
      <Section>{say('cut.toCarry')}</Section>
      <Choice
        label={say('cut.howBladesAreCleaned')}
        options={agent.methods.map((value) => ({ value, label: upperFirst(told(say, value)) }))}
        value={method}
        onChange={setSaid}
      />
      <Body>
        {say('cut.cleaningsByAheadLAndClothsA', {
          cleanings: bring.cleanings,
          method: told(say, bring.method),
          litres: litresWords(say, bring.supplies.litres),
          cloths: bring.supplies.cloths,
        })}
      </Body>
      <Small>{suppliesWords(say, bring.supplies.because)}</Small>
      <Small>
        {say('cut.withBladesOfAKindInRotation', {
          bladesForNoWait: bring.supplies.bladesForNoWait,
          waitMinutes: Math.round(bring.supplies.waitMinutes),
        })}
      </Small>
      <Section>{say('cut.whatItDoes')}</Section>
      <AgentFacts agent={agent} />
    </Screen>
  );
}

interface Given {
  litres: number;
  bleachPct: number;
  parts: number;
  spiritPct: number;
  spirit: 'ethanol' | 'isopropanol';
}

function askedOf(
  { target }: Agent,
  { litres, bleachPct, parts, spiritPct, spirit }: Given,
): DilutionInput | null {
  switch (target.kind) {
    case 'chlorine':
      return { kind: 'parts', productPct: bleachPct, partsWater: parts, litres };
    case 'alcohol':
      return { kind: 'alcohol', spirit, productPct: spiritPct, targetPct: target.pct, litres };
    case 'weight':
      return { kind: 'weight', gramsPerLitre: target.gramsPerLitre, litres };
    case 'label':
      return null;
  }
}

function Recipe({
  dilution,
  litres,
  parts,
}: {
  dilution: DilutionResult;
  litres: number;
  parts: number | null;
}) {
  const say = useSay();
  const amount =
    dilution.productMl !== null
      ? `${Math.round(dilution.productMl)} mL`
      : `${Math.round(dilution.productG ?? 0)} g`;
  const { household } = dilution;
  return (
    <View gap={4}>
      <Figure fontSize="$72" lineHeight="$72">
        {amount}
      </Figure>
      <Body>
        {say('cut.andAboutMlOfWaterToThe', {
          waterMl: Math.round(dilution.waterMl),
          litres,
          more: parts === null ? '' : say('cut.n1PartAndPartsOfWater', { parts }),
        })}
      </Body>
      {dilution.ppm !== null ? (
        <Body>{say('cut.itHoldsPpmOfAvailableChlorine', { ppm: Math.round(dilution.ppm) })}</Body>
      ) : null}
      {household ? (
        <Small>
          {say('cut.aboutUs', {
            filter: [
              household.cups ? say('cut.cup', { inQuarters: inQuarters(household.cups) }) : '',
              household.tablespoons ? say('cut.tbsp', { tablespoons: household.tablespoons }) : '',
              household.teaspoons ? say('cut.tsp', { inQuarters: inQuarters(household.teaspoons) }) : '',
            ]
              .filter(Boolean)
              .join(' + '),
            more:
              Math.abs(household.offPct) < 2
                ? ''
                : say('cut.off', { offPct: Math.round(Math.abs(household.offPct)) }),
          })}
        </Small>
      ) : null}
      <Small>{told(say, dilution.note)}</Small>
    </View>
  );
}

const QUARTERS = ['', '¼', '½', '¾'];

/** “1½”, “¾”: as a measuring cup says it. */
function inQuarters(value: number): string {
  const whole = Math.floor(value);
  return `${whole > 0 ? whole : ''}${QUARTERS[Math.round((value - whole) * 4)]}`;
}
