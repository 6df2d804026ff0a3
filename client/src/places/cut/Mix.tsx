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
import { suppliesWords } from '@mortisect/core/words';
import { View } from '@tamagui/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { ago, clockTime } from '../../data/moment';
import { useClock } from '../../data/useClock';
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
import { plural } from '../words';
import { type RunHere, useRun } from './useRun';

export function Mix() {
  const { here, error, refetch } = useRun();
  if (!here) return <Waiting title="Mix" error={error} onRetry={refetch} />;
  return <MixForm here={here} />;
}

const KEEPINGS: { value: Keeping; label: string }[] = [
  { value: 'shade', label: 'Lidded, shade' },
  { value: 'sun', label: 'Open, sun' },
  { value: 'sappy', label: 'Sap in it' },
];

function MixForm({ here }: { here: RunHere }) {
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
      title="Mix"
      subtitle={agent.name}
      actions={
        <>
          <Button minHeight={56} onPress={() => router.navigate('/cut')}>
            Back
          </Button>
          <Button grow kind="main" onPress={record} disabled={recording.isPending || !agent.disinfects}>
            Record the mix
          </Button>
        </>
      }
    >
      <Failed title="Not recorded yet" error={recording.error} />
      <Select
        label="Agent"
        value={agentId}
        options={agents.map((agent) => ({
          value: agent.id,
          label: agent.disinfects ? agent.name : `${agent.name} (cleans, does not disinfect)`,
        }))}
        onChange={setAgentId}
        hint={
          agentId === today.site.agentId
            ? 'The agent of this orchard.'
            : 'Timers use the agent of this orchard, not this one.'
        }
      />
      {agent.disinfects ? null : (
        <Notice kind="danger" title="This does not disinfect">
          {agent.caution}
        </Notice>
      )}
      <View flexDirection="row" flexWrap="wrap" gap={12}>
        <NumberField
          grow
          label="Litres wanted"
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
              label="On the bottle"
              unit="%"
              value={bleachPct}
              least={0.5}
              most={15}
              onChange={setBleachPct}
            />
            <NumberField
              grow
              label="Parts of water to 1"
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
            label="On the bottle"
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
          label="Spirit"
          options={[
            { value: 'ethanol', label: 'Ethanol' },
            { value: 'isopropanol', label: 'Isopropanol' },
          ]}
          value={spirit}
          onChange={setSpirit}
        />
      ) : null}
      {diluted ? (
        <Recipe dilution={diluted} litres={litres} parts={agent.target.kind === 'chlorine' ? parts : null} />
      ) : (
        <Body>As it comes, or as its label says: the label is the law.</Body>
      )}
      <Choice label="How it is kept" options={KEEPINGS} value={keeping} onChange={setKeeping} />
      <Body>
        {hours > 0
          ? `Made now, use it by ${clockTime(new Date(Date.parse(now) + hours * 3_600_000).toISOString(), today.site.timeZone)}${hours >= 24 ? ' tomorrow' : ''}${diluted?.ppm && agent.halfLifeHours ? `; after 2 h it holds ${Math.round(strengthAfter(diluted.ppm, 2, agent.halfLifeHours[keeping]))} ppm` : ''}.`
          : 'Too weak from the start: less than half of what is asked.'}
      </Body>
      {mix ? (
        <Small>
          {`Last mixed ${ago(mix.action.at, now)}, ${mix.action.litres} L: ${mix.spent ? 'spent' : `use by ${clockTime(mix.useBy, today.site.timeZone)}`}.`}
        </Small>
      ) : null}
      <Section>To carry</Section>
      <Choice
        label="How blades are cleaned"
        options={agent.methods.map((value) => ({ value, label: upperFirst(value) }))}
        value={method}
        onChange={setSaid}
      />
      <Body>
        {`${plural(bring.cleanings, 'cleaning')} by ${bring.method} ahead: ${bring.supplies.litres.toFixed(2)} L and ${plural(bring.supplies.cloths, 'cloth')}, a fifth in reserve.`}
      </Body>
      <Small>{suppliesWords(bring.supplies.because)}</Small>
      <Small>
        {`With ${plural(bring.supplies.bladesForNoWait, 'blade')} of a kind in rotation nobody waits. With yours: ${Math.round(bring.supplies.waitMinutes)} min of waiting.`}
      </Small>
      <Section>What it does</Section>
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
        {`and about ${Math.round(dilution.waterMl)} mL of water, to the ${litres} L mark${parts === null ? '' : `: 1 part and ${parts} parts of water`}.`}
      </Body>
      {dilution.ppm !== null ? (
        <Body>{`It holds ${Math.round(dilution.ppm)} ppm of available chlorine.`}</Body>
      ) : null}
      {household ? (
        <Small>
          {`About ${[
            household.cups ? `${inQuarters(household.cups)} cup` : '',
            household.tablespoons ? `${household.tablespoons} tbsp` : '',
            household.teaspoons ? `${inQuarters(household.teaspoons)} tsp` : '',
          ]
            .filter(Boolean)
            .join(
              ' + ',
            )} (US)${Math.abs(household.offPct) < 2 ? '' : `, ${Math.round(Math.abs(household.offPct))} % off`}.`}
        </Small>
      ) : null}
      <Small>{dilution.note}</Small>
    </View>
  );
}

const QUARTERS = ['', '¼', '½', '¾'];

/** “1½”, “¾”: as a measuring cup says it. */
function inQuarters(value: number): string {
  const whole = Math.floor(value);
  return `${whole > 0 ? whole : ''}${QUARTERS[Math.round((value - whole) * 4)]}`;
}
