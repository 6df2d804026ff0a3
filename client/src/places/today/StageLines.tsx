// How far each kind of tree is, and when it is expected in bloom.

import type { TimingNow } from '@mortisect/contracts';
import { upperFirst } from '@mortisect/core/measure';
import { speciesName } from '@mortisect/core/register';
import { DEGREE_DAYS_BASE_C } from '@mortisect/core/stage';
import { View } from '@tamagui/core';
import { dayWords } from '../../data/moment';
import { Body, Label, Small } from '../../ui/type';

const PHASES = {
  rest: 'dormant',
  awake: 'winter chill is met, buds not moving yet',
  buds: 'buds moving',
  bloom: 'in bloom',
  'petal fall': 'petals falling',
  growth: 'growing',
  hardening: 'growth has ended, wood is hardening',
} as const;

export function stageWords(stage: NonNullable<TimingNow['stages'][number]['stage']>): string {
  const basis = { weather: '', calendar: ', by the calendar', seen: ', from what was seen' }[stage.basis];
  const plain = PHASES[stage.phase];
  const exact = stage.phase === 'buds' || stage.phase === 'bloom' ? `: ${stage.stage}` : '';
  const chill =
    stage.phase === 'rest' && stage.basis === 'weather'
      ? `, ${Math.round(stage.chillShare * 100)} % of winter chill met`
      : '';
  return `${plain}${exact}${chill}${basis}`;
}

/** What was counted, by every way of counting. */
function sumWords(stage: NonNullable<TimingNow['stages'][number]['stage']>): string {
  return `Chill ${Math.round(stage.portions)} portions, ${Math.round(stage.utah)} Utah units, ${stage.chillHours} hours under 7.2 °C · warmth since rest ${Math.round(stage.warmth)} degree hours, since midwinter ${Math.round(stage.degreeDays)} degree-days above ${DEGREE_DAYS_BASE_C} °C`;
}

export function StageLines({ stages }: { stages: TimingNow['stages'] }) {
  return (
    <View gap={6}>
      {stages.map(({ species, stage, bloom }) => (
        <View key={species}>
          <Label>{speciesName(species)}</Label>
          <Body fontSize="$16" lineHeight="$16">
            {`${stage ? upperFirst(stageWords(stage)) : 'Keeps its leaves: no winter rest'}${bloom ? ` · full bloom about ${dayWords(bloom.day)} (${dayWords(bloom.from)} to ${dayWords(bloom.to)})` : ''}`}
          </Body>
          {stage?.basis === 'weather' || stage?.basis === 'seen' ? <Small>{sumWords(stage)}</Small> : null}
        </View>
      ))}
    </View>
  );
}
