// How the risk of a day is computed: equations, constants and where they come from.

import { temperatureReading } from '@mortisect/core/measure';
import { speciesName } from '@mortisect/core/register';
import {
  crops,
  FROST_CONFIDENCE,
  FROST_SOURCE,
  fahrenheitToC,
  HARDINESS_CONFIDENCE,
  HARDINESS_SOURCE,
  NEEDS_CONFIDENCE,
  NEEDS_SOURCE,
} from '@mortisect/core/stage';
import {
  bloomRisks,
  CLOSED_BELOW,
  DRAWS,
  HEAT_BASE_C,
  HEAT_DH,
  HORIZON_DAYS,
  LEAST_MEAN_C,
  PATHOGEN_CONFIDENCE,
  PATHOGEN_SOURCE,
  pathogens,
  SPREAD,
  SYMPTOM_BASE_C,
  SYMPTOM_DD,
  schoolWords,
  timingSchools,
  USUAL_FLOWER_DD,
  WET_AFTER_RAIN_H,
  wordsOnly,
} from '@mortisect/core/timing';
import { WET_HUMIDITY_PCT, WET_RAIN_MM } from '@mortisect/core/weather';
import { joined, told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useSay } from '../../data/useSay';
import { useUnits } from '../../data/useToday';
import { Body, Label, Section, Small } from '../../ui/type';

const MONTHS = 'JFMAMJJASOND';

export function TimingReference() {
  const say = useSay();
  const units = useUnits();
  return (
    <View gap={14}>
      <Section>{say('book.howTheRiskOfADayIs')}</Section>
      <Body>{say('book.expectedInfectionsOfAWoundAreThe')}</Body>
      <Body>
        {say('book.s11DdDd50NDegree', {
          wetRainMm: WET_RAIN_MM,
          wetAfterRainH: WET_AFTER_RAIN_H,
          closedBelow: CLOSED_BELOW * 100,
          horizonDays: HORIZON_DAYS,
        })}
      </Body>
      <Body>{say('book.infection11ConsequenceChanceRiskOf')}</Body>
      <Small>
        {say('book.theRangeIsTheTenthAndNinetieth', {
          draws: DRAWS,
          perHour: SPREAD.perHour,
          halfClosed: SPREAD.halfClosed,
          inoculum: SPREAD.inoculum,
          bestC: SPREAD.bestC,
          pathogenConfidence: told(say, PATHOGEN_CONFIDENCE),
        })}
      </Small>
      <Body>{say('trade.withEqualRainTheEffectsOfTemperature')}</Body>
      <Label fontSize="$19">{say('book.diseasesThatWeHaveFiguresFor')}</Label>
      {pathogens.map((pathogen) => (
        <View key={pathogen.code}>
          <Label>{told(say, pathogen.name)}</Label>
          <Small color="$ink">
            {say('book.cLeastBestMostHealsAboveC', {
              minC: pathogen.minC,
              bestC: pathogen.bestC,
              maxC: pathogen.maxC,
              healsAboveC: pathogen.healsAboveC,
              halfClosedDd: pathogen.halfClosedDd,
              sharpness: pathogen.sharpness,
              perHour: pathogen.perHour,
              consequence: pathogen.consequence,
              more: [...MONTHS]
                .map((month, i) => `${month} ${Math.round((pathogen.months[i] as number) * 10)}`)
                .join(' '),
            })}
          </Small>
        </View>
      ))}
      <Small>
        {say('book.confidenceMonthsOfTheNorthInoculumIn', {
          pathogenSource: PATHOGEN_SOURCE,
          pathogenConfidence: told(say, PATHOGEN_CONFIDENCE),
        })}
      </Small>
      <Label fontSize="$19">{say('book.theOthersByRule')}</Label>
      {wordsOnly.map((disease) => (
        <Small
          key={disease.code}
          color="$ink"
        >{`${told(say, disease.name)}: ${told(say, disease.rule)}`}</Small>
      ))}
      <Label fontSize="$19">{say('book.fireBlightInBloom')}</Label>
      <Body>
        {say('book.fourConditionsOpenFlowersDegreeHours', {
          heatDh: HEAT_DH,
          heatBaseC: HEAT_BASE_C,
          usualFlowerDd: USUAL_FLOWER_DD,
          leastMeanC: LEAST_MEAN_C,
          bloomRisks: bloomRisks
            .map((risk, met) => say('book.riskOfMet', { met: met + 1, risk: told(say, risk) }))
            .join(', '),
          symptomDd: SYMPTOM_DD,
          symptomBaseC: SYMPTOM_BASE_C,
        })}
      </Body>
      <Small>{say('book.steiner1990ActaHortic273139Remembered')}</Small>
      <Label fontSize="$19">{say('book.wetHours')}</Label>
      <Body>
        {say('book.asASensorSaysElseRainOf', { wetRainMm: WET_RAIN_MM, wetHumidityPct: WET_HUMIDITY_PCT })}
      </Body>
      <Label fontSize="$19">{say('book.stages')}</Label>
      <Body>{say('book.chillByTheDynamicModelFishmanErez')}</Body>
      {crops.map((crop) => (
        <Small key={crop.code} color="$ink">
          {say('book.woodStandsC', {
            species: told(say, speciesName(crop.code)),
            more: crop.follows
              ? say('book.asDays', {
                  species: told(say, speciesName(crop.follows.crop)).toLowerCase(),
                  more: crop.follows.days > 0 ? '+' : '',
                  days: crop.follows.days,
                })
              : say('book.chillPortionsDegreeHoursToBloom', {
                  portions: crop.portions.join('–'),
                  warmth: crop.warmth.join('–'),
                }),
            more2:
              crop.woodC[0] === crop.woodC[1]
                ? crop.woodC[0]
                : say('book.to2', { woodc: crop.woodC[0], woodc2: crop.woodC[1] }),
          })}
        </Small>
      ))}
      <Small>
        {say('book.confidenceConfidence', {
          needsSource: NEEDS_SOURCE,
          needsConfidence: told(say, NEEDS_CONFIDENCE),
          hardinessSource: HARDINESS_SOURCE,
          hardinessConfidence: told(say, HARDINESS_CONFIDENCE),
        })}
      </Small>
      <Label fontSize="$19">{say('book.frostInBudAndBloom')}</Label>
      <Small>{say('book.aTenthAndNineTenthsOfThe')}</Small>
      {crops
        .filter((crop) => crop.frostLike === crop.code && crop.stages.some((stage) => stage.killF))
        .map((crop) => (
          <Small key={crop.code} color="$ink">{`${told(say, speciesName(crop.code))}: ${crop.stages
            .flatMap(({ name, killF }) =>
              killF
                ? [
                    `${told(say, name)} ${killF.map((f) => joined(say, temperatureReading(fahrenheitToC(f), units, 1))).join(', ')}`,
                  ]
                : [],
            )
            .join('; ')}`}</Small>
        ))}
      <Small>
        {say('book.confidence', { frostSource: FROST_SOURCE, frostConfidence: told(say, FROST_CONFIDENCE) })}
      </Small>
      <Label fontSize="$19">{say('book.schoolsOfPruningTime')}</Label>
      {timingSchools.map((school) => (
        <View key={school}>
          <Label>{`${told(say, schoolWords[school].name)}: ${told(say, schoolWords[school].when)}`}</Label>
          <Small>
            {say('shared.forAgainst', {
              for: told(say, schoolWords[school].for),
              against: told(say, schoolWords[school].against),
            })}
          </Small>
        </View>
      ))}
    </View>
  );
}
