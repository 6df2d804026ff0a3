// How far each kind of tree is, and when it is expected in bloom.

import type { TimingNow } from '@mortisect/contracts';
import { upperFirst } from '@mortisect/core/measure';
import { speciesName } from '@mortisect/core/register';
import { DEGREE_DAYS_BASE_C } from '@mortisect/core/stage';
import type { Say } from '@mortisect/words';
import { told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { dayWords } from '../../data/moment';
import { useSay } from '../../data/useSay';
import { Body, Label, Small } from '../../ui/type';

const PHASES = {
  rest: 'shared.dormant',
  awake: 'shared.winterChillIsMetBudsNotMoving',
  buds: 'shared.budsMoving',
  bloom: 'shared.inBloom',
  'petal fall': 'shared.petalsFalling',
  growth: 'shared.growing',
  hardening: 'shared.growthHasEndedWoodIsHardening',
} as const;

export function stageWords(say: Say, stage: NonNullable<TimingNow['stages'][number]['stage']>): string {
  const basis = { weather: '', calendar: say('shared.byTheCalendar'), seen: say('shared.fromWhatWasSeen') }[
    stage.basis
  ];
  const plain = say(PHASES[stage.phase]);
  const exact = stage.phase === 'buds' || stage.phase === 'bloom' ? `: ${stage.stage}` : '';
  const chill =
    stage.phase === 'rest' && stage.basis === 'weather'
      ? say('shared.ofWinterChillMet', { chillShare: Math.round(stage.chillShare * 100) })
      : '';
  return `${plain}${exact}${chill}${basis}`;
}

/** What was counted, by every way of counting. */
function sumWords(say: Say, stage: NonNullable<TimingNow['stages'][number]['stage']>): string {
  return say('shared.chillPortionsUtahUnitsHoursUnder7', {
    portions: Math.round(stage.portions),
    utah: Math.round(stage.utah),
    chillHours: stage.chillHours,
    warmth: Math.round(stage.warmth),
    degreeDays: Math.round(stage.degreeDays),
    degreeDaysBaseC: DEGREE_DAYS_BASE_C,
  });
}

export function StageLines({ stages }: { stages: TimingNow['stages'] }) {
  const say = useSay();
  return (
    <View gap={6}>
      {stages.map(({ species, stage, bloom }) => (
        <View key={species}>
          <Label>{told(say, speciesName(species))}</Label>
          <Body
            fontSize="$16"
            lineHeight="$16"
          >{`${stage ? upperFirst(stageWords(say, stage)) : say('shared.keepsItsLeavesNoWinterRest')}${bloom ? say('shared.fullBloomAboutTo', { day: dayWords(bloom.day), day2: dayWords(bloom.from), day3: dayWords(bloom.to) }) : ''}`}</Body>
          {stage?.basis === 'weather' || stage?.basis === 'seen' ? (
            <Small>{sumWords(say, stage)}</Small>
          ) : null}
        </View>
      ))}
    </View>
  );
}
