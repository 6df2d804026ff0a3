// Where the wood of one cut goes.

import { DEBRIS_ROUTE_WORDS, debrisOf } from '@mortisect/core/aftercare';
import { massReading, upperFirst } from '@mortisect/core/measure';
import type { ActionOf } from '@mortisect/core/records';
import { debrisWords, joined, told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useSay } from '../../data/useSay';
import { Body, Section, Small } from '../../ui/type';
import { codeWords } from '../words';
import type { RunHere } from './useRun';

export function CarryAway({ cut, here }: { cut: ActionOf<'cutMade'>; here: RunHere }) {
  const say = useSay();
  const { site, units } = here.today;
  const debris = debrisOf(cut.disorders ?? [], cut.cut.diameterMm, site.debris);
  return (
    <View gap={4}>
      <Section>{say('cut.carryAway')}</Section>
      <Body>
        {say('cut.wood', {
          class: upperFirst(told(say, debris.class)),
          more: cut.cut.massKg
            ? say('cut.about', { mass: joined(say, massReading(cut.cut.massKg, units)) })
            : '',
          debrisRouteWords: told(say, DEBRIS_ROUTE_WORDS[debris.route]),
          code: codeWords(say, cut.disorders ?? []),
        })}
      </Body>
      {debris.because
        .map((each) => debrisWords(say, each))
        .map((line) => (
          <Small key={line}>{line}</Small>
        ))}
    </View>
  );
}
