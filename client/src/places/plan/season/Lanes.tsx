// The season of each kind of wood, with its summer cuts.
import { dayAfter, daysBetween } from '@mortisect/core/weather';
import { laneName } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useRef } from 'react';
import Svg, { Rect } from 'react-native-svg';
import { shortDay } from '../../../data/moment';
import { useSay } from '../../../data/useSay';
import { elementRef } from '../../../ui/dom';
import { useWidthOf } from '../../../ui/size';
import { usePalette } from '../../../ui/theme';
import { Section, Small } from '../../../ui/type';
import type { Shared } from './season';

const STRIP = 8;

/** Over the weeks of the plan: before its season and after it the plan pays for wounds. */
export function Lanes({ shared: { lanes, slots } }: { shared: Shared }) {
  const say = useSay();
  const box = useRef<HTMLElement>(null);
  const width = useWidthOf(box) || 320;
  const { leaf, ochre, rule } = usePalette();
  const [first, last] = [slots[0], slots.at(-1)];
  if (!first || !last || lanes.length === 0) return null;
  const all = daysBetween(first.from, last.to) + 1;
  const x = (day: string) => (width * Math.min(all, Math.max(0, daysBetween(first.from, day)))) / all;
  const strip = ({ from, to }: { from: string; to: string }, fill: string) => (
    <Rect
      key={from}
      x={x(from)}
      y={0}
      width={Math.max(0, x(dayAfter(to, 1)) - x(from))}
      height={STRIP}
      fill={fill}
    />
  );
  return (
    <View ref={elementRef(box)} gap={8} width="100%">
      <Section>{say('plan.seasonsOfTheWood')}</Section>
      {lanes.map(({ lane, species, school, summer }) => {
        const days = {
          wood: laneName(say, { id: lane, species }),
          from: shortDay(school.from),
          to: shortDay(school.to),
        };
        return (
          <View key={lane} gap={2}>
            <Small color="$ink">
              {summer
                ? say('plan.laneWithSummer', {
                    ...days,
                    summerFrom: shortDay(summer.from),
                    summerTo: shortDay(summer.to),
                  })
                : say('plan.laneSeason', days)}
            </Small>
            <Svg width={width} height={STRIP} aria-hidden>
              <Rect x={0} y={0} width={width} height={STRIP} fill={rule} />
              {strip(school, leaf)}
              {summer ? strip(summer, ochre) : null}
            </Svg>
          </View>
        );
      })}
      <Small>{say('plan.afterItsSeasonItIsLate')}</Small>
    </View>
  );
}
