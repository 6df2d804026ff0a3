// Fire blight in the last bloom: the four conditions day by day, and when its strikes are to be looked for and cut.
import type { TimingNow } from '@mortisect/contracts';
import { joined, rainReading, temperatureReading, type Units, upperFirst } from '@mortisect/core/measure';
import { speciesName } from '@mortisect/core/register';
import { HEAT_DH, removalSpan, SYMPTOM_DD } from '@mortisect/core/timing';
import { View } from '@tamagui/core';
import { dayWords } from '../../../data/moment';
import { Body, Label, Small } from '../../../ui/type';

export function Bloom({ timingNow, units }: { timingNow: TimingNow; units: Units }) {
  const hosts = timingNow.timing?.blight.filter((host) => host.days.length > 0) ?? [];
  if (hosts.length === 0)
    return <Body>No host of fire blight was in flower in the weather that is known.</Body>;
  return (
    <View gap={12}>
      {hosts.map((host) => (
        <View key={host.key} gap={4}>
          <Label fontSize="$19" lineHeight="$19">
            {speciesName(host.species)}
          </Label>
          {host.days.map((day) => (
            <Small key={day.day} color="$ink">
              {`${dayWords(day.day)} · ${upperFirst(day.risk)}: ${Math.round(day.degreeHours)} of ${HEAT_DH} degree-hours, mean ${joined(temperatureReading(day.meanC, units, 1))}, rain ${joined(rainReading(day.rainMm, units))}${day.wet ? '' : ', dry'}, bacteria double ${day.doublings.toFixed(1)} times`}
            </Small>
          ))}
          {host.strikes.map((strike) => {
            const span = removalSpan(strike);
            return (
              <Body key={`${strike.day} ${strike.cause}`} fontSize="$16" lineHeight="$16">
                {span
                  ? `${upperFirst(strike.cause)} on ${dayWords(strike.day)}: strikes show from ${dayWords(span.from)}. Cutting them out pays until about ${dayWords(span.to)}, on a dry day with two dry days to follow, while they are few.`
                  : `${upperFirst(strike.cause)} on ${dayWords(strike.day)}: ${Math.round((strike.degreeDays / SYMPTOM_DD) * 100)} % of the warmth until strikes show.`}
              </Body>
            );
          })}
        </View>
      ))}
      <Small>
        In a heavy epidemic on old trees in-season cutting does not pay: cut when dormant. Conditions after
        Steiner 1990; two weeks and “few” are common practice, no source.
      </Small>
    </View>
  );
}
