// Fire blight in the last bloom: the four conditions day by day, and when its strikes are to be looked for and cut.

import type { TimingNow } from '@mortisect/contracts';
import { rainReading, temperatureReading, type Units, upperFirst } from '@mortisect/core/measure';
import { speciesName } from '@mortisect/core/register';
import { HEAT_DH, removalSpan, SYMPTOM_DD } from '@mortisect/core/timing';
import { figure, joined, told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { dayWords } from '../../../data/moment';
import { useSay } from '../../../data/useSay';
import { Body, Label, Small } from '../../../ui/type';

export function Bloom({ timingNow, units }: { timingNow: TimingNow; units: Units }) {
  const say = useSay();
  const hosts = timingNow.timing?.blight.filter((host) => host.days.length > 0) ?? [];
  if (hosts.length === 0) return <Body>{say('book.noHostOfFireBlightWasIn')}</Body>;
  return (
    <View gap={12}>
      {hosts.map((host) => (
        <View key={host.key} gap={4}>
          <Label fontSize="$19" lineHeight="$19">
            {told(say, speciesName(host.species))}
          </Label>
          {host.days.map((day) => (
            <Small key={day.day} color="$ink">
              {say('book.ofDegreeHoursMeanRainBacteriaDouble', {
                day: dayWords(day.day),
                risk: upperFirst(told(say, day.risk)),
                degreeHours: Math.round(day.degreeHours),
                heatDh: HEAT_DH,
                temperature: joined(say, temperatureReading(day.meanC, units, 1)),
                rain: joined(say, rainReading(day.rainMm, units)),
                more: day.wet ? '' : say('book.dry'),
                doublings: figure(say, day.doublings, { least: 1 }),
              })}
            </Small>
          ))}
          {host.strikes.map((strike) => {
            const span = removalSpan(strike);
            return (
              <Body key={`${strike.day} ${strike.cause}`} fontSize="$16" lineHeight="$16">
                {span
                  ? say('book.onStrikesShowFromCuttingThemOut', {
                      cause: upperFirst(told(say, strike.cause)),
                      day: dayWords(strike.day),
                      day2: dayWords(span.from),
                      day3: dayWords(span.to),
                    })
                  : say('book.onOfTheWarmthUntilStrikesShow', {
                      cause: upperFirst(told(say, strike.cause)),
                      day: dayWords(strike.day),
                      degreeDays: Math.round((strike.degreeDays / SYMPTOM_DD) * 100),
                    })}
              </Body>
            );
          })}
        </View>
      ))}
      <Small>{say('book.inAHeavyEpidemicOnOldTrees')}</Small>
    </View>
  );
}
