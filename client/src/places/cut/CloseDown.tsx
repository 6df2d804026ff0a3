// No cut is left, or no more are made: blades counted back in, mixes poured away, wood on its way out; then the run is closed.

import {
  brushVolume,
  closeDown,
  DEBRIS_ROUTE_WORDS,
  debrisSums,
  SCHOOLS_ON_BURNING,
} from '@mortisect/core/aftercare';
import { massReading, upperFirst } from '@mortisect/core/measure';
import { joined, told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useTicked } from '../../data/ticked';
import { useClock } from '../../data/useClock';
import { useSay } from '../../data/useSay';
import { useRecordAction } from '../../data/writes';
import { Button } from '../../ui/Button';
import { CheckRow } from '../../ui/CheckRow';
import { Columns } from '../../ui/Columns';
import { Failed } from '../../ui/Failed';
import { Notice } from '../../ui/Notice';
import { Row, Rows } from '../../ui/Row';
import { Aside, Screen } from '../../ui/Screen';
import { Body, Section, Small } from '../../ui/type';
import { toggled } from '../toggled';
import { stateWords } from './bladeWords';
import { LeftOutRows } from './LeftOutRows';
import { Points } from './Points';
import { cutsAsDebris, totalsWords } from './RunTotals';
import { UndoLast } from './UndoLast';
import type { RunHere } from './useRun';

interface CloseDownProps {
  here: RunHere;
  /** Where cuts are left: back to the run, which goes on. */
  onBack?: () => void;
}

export function CloseDown({ here, onBack }: CloseDownProps) {
  const say = useSay();
  const { run, today } = here;
  const clock = useClock();
  const recording = useRecordAction();
  const { points: done, blades: counted, tick } = useTicked(run.open?.id ?? '');
  const out = run.blades.filter(({ id }) => run.open?.bladeIds.includes(id));
  const missing = out.filter(({ id }) => !counted.has(id));
  const sums = debrisSums(cutsAsDebris(run), today.site.debris);
  const close = () => {
    const at = clock();
    for (const { class: wood, route, kg } of sums)
      recording.record({ kind: 'debrisCleared', at, class: wood, route, kg: Math.round(kg * 10) / 10 });
    recording.record({ kind: 'runClosed', at: clock(), bladeIds: [...counted], checked: [...done] });
  };
  return (
    <Screen
      title={say('cut.closeDown')}
      subtitle={today.site.name}
      aside={
        <Aside
          figure={say('cut.cuts3', { madeCuts: run.madeCuts.length })}
          caption={say('cut.madeInThisRun')}
        />
      }
      width="full"
      actions={
        <Button grow kind="main" minHeight={68} onPress={close} disabled={recording.isPending}>
          {missing.length === 0
            ? say('shared.closeTheRun')
            : say('cut.closeWithoutBlades', { missing: missing.length })}
        </Button>
      }
    >
      <Columns
        beside={
          <View gap={8}>
            <Section>{say('cut.schoolsOnBurning')}</Section>
            {SCHOOLS_ON_BURNING.map(({ school, says }) => (
              <View key={school}>
                <Body>{told(say, school)}</Body>
                <Small>{told(say, says)}</Small>
              </View>
            ))}
          </View>
        }
      >
        <Failed title={say('shared.notRecordedYet')} error={recording.error} />
        {onBack ? (
          <Notice
            kind="said"
            title={say('cut.cutsStayForAnotherRun', { left: run.left.length })}
            action={<Button onPress={onBack}>{say('shared.backToTheRun')}</Button>}
          >
            {say('cut.afterTheCloseAnotherRunTakesThem')}
          </Notice>
        ) : null}
        <Body>{totalsWords(say, run, today, clock())}</Body>
        <Section>{say('cut.countTheBladesBackIn')}</Section>
        {missing.length > 0 && counted.size > 0 ? (
          <Notice kind="caution">
            {say('cut.stillOutLookInTheGrassAnd', { missing: missing.map(({ name }) => name).join(', ') })}
          </Notice>
        ) : null}
        <View>
          {out.map(({ id, name }) => (
            <CheckRow
              key={id}
              label={name}
              detail={upperFirst(stateWords(say, run.logs.get(id)?.state))}
              on={counted.has(id)}
              onChange={(on) => tick({ blades: toggled(counted, id, on) })}
            />
          ))}
        </View>
        <Section>{say('cut.beforeYouGo')}</Section>
        <Points points={closeDown} ticked={done} onTicked={(points) => tick({ points })} />
        <Section>{say('cut.theWood')}</Section>
        {sums.length === 0 ? <Body>{say('cut.noWoodCameOff')}</Body> : null}
        <Rows>
          {sums.map((sum) => (
            <Row
              key={`${sum.class}${sum.route}`}
              title={`${upperFirst(told(say, sum.class))}: ${told(say, DEBRIS_ROUTE_WORDS[sum.route])}`}
              detail={say('cut.cutsOfBrush', {
                cuts: sum.cuts,
                brushVolume: brushVolume(sum.kg),
                more: sum.class === 'sound' ? '' : say('cut.apartFromTheRestNeverToLivestock'),
              })}
              aside={joined(say, massReading(sum.kg, today.units))}
            />
          ))}
        </Rows>
        <Notice kind="caution">{say('cut.askBeforeYouBurnLocalBansAnd')}</Notice>
        <UndoLast run={run} />
        <LeftOutRows run={run} />
      </Columns>
    </Screen>
  );
}
