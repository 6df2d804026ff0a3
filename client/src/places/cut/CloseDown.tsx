// No cut is left: blades counted back in, mixes poured away, wood on its way out; then the run is closed.
import {
  brushVolume,
  closeDown,
  DEBRIS_ROUTE_WORDS,
  debrisSums,
  SCHOOLS_ON_BURNING,
} from '@mortisect/core/aftercare';
import { joined, massReading, upperFirst } from '@mortisect/core/measure';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { useClock } from '../../data/useClock';
import { useRecordAction } from '../../data/writes';
import { Button } from '../../ui/Button';
import { CheckRow } from '../../ui/CheckRow';
import { Columns } from '../../ui/Columns';
import { Failed } from '../../ui/Failed';
import { Notice } from '../../ui/Notice';
import { Row, Rows } from '../../ui/Row';
import { Aside, Screen } from '../../ui/Screen';
import { Body, Section, Small } from '../../ui/type';
import { plural } from '../words';
import { stateWords } from './bladeWords';
import { LeftOutRows } from './LeftOutRows';
import { cutsAsDebris, totalsWords } from './RunTotals';
import { toggled } from './toggled';
import { UndoLast } from './UndoLast';
import type { RunHere } from './useRun';

export function CloseDown({ here }: { here: RunHere }) {
  const { run, today } = here;
  const clock = useClock();
  const recording = useRecordAction();
  const [done, setDone] = useState<ReadonlySet<string>>(new Set());
  const [counted, setCounted] = useState<ReadonlySet<string>>(new Set());
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
      title="Close down"
      subtitle={today.site.name}
      aside={<Aside figure={plural(run.madeCuts.length, 'cut')} caption="made in this run" />}
      width="full"
      actions={
        <Button grow kind="main" minHeight={68} onPress={close} disabled={recording.isPending}>
          {missing.length === 0 ? 'Close the run' : `Close without ${plural(missing.length, 'blade')}`}
        </Button>
      }
    >
      <Columns
        beside={
          <View gap={8}>
            <Section>Schools on burning</Section>
            {SCHOOLS_ON_BURNING.map(({ school, says }) => (
              <View key={school}>
                <Body>{school}</Body>
                <Small>{says}</Small>
              </View>
            ))}
          </View>
        }
      >
        <Failed title="Not recorded yet" error={recording.error} />
        <Body>{totalsWords(run, today, clock())}</Body>
        <Section>Count the blades back in</Section>
        {missing.length > 0 && counted.size > 0 ? (
          <Notice kind="caution">{`Still out: ${missing.map(({ name }) => name).join(', ')}. Look in the grass and under the brush.`}</Notice>
        ) : null}
        <View>
          {out.map(({ id, name }) => (
            <CheckRow
              key={id}
              label={name}
              detail={upperFirst(stateWords(run.logs.get(id)?.state))}
              on={counted.has(id)}
              onChange={(on) => setCounted(toggled(counted, id, on))}
            />
          ))}
        </View>
        <Section>Before you go</Section>
        <View>
          {closeDown.map(({ id, text, why }) => (
            <CheckRow
              key={id}
              label={text}
              detail={why}
              on={done.has(id)}
              onChange={(on) => setDone(toggled(done, id, on))}
            />
          ))}
        </View>
        <Section>The wood</Section>
        {sums.length === 0 ? <Body>No wood came off.</Body> : null}
        <Rows>
          {sums.map((sum) => (
            <Row
              key={`${sum.class}${sum.route}`}
              title={`${upperFirst(sum.class)}: ${DEBRIS_ROUTE_WORDS[sum.route]}`}
              detail={`${plural(sum.cuts, 'cut')}, ${brushVolume(sum.kg)} of brush${sum.class === 'sound' ? '' : '; apart from the rest, never to livestock'}`}
              aside={joined(massReading(sum.kg, today.units))}
            />
          ))}
        </Rows>
        <Notice kind="caution">
          Ask before you burn: local bans and dry days rule. Moving infected wood off the site may be
          forbidden where a disease is notifiable.
        </Notice>
        <UndoLast run={run} />
        <LeftOutRows run={run} />
      </Columns>
    </Screen>
  );
}
