// How the risk of a day is computed: equations, constants and where they come from.

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
import { LESSON } from '@mortisect/core/words';
import { View } from '@tamagui/core';
import { Body, Label, Section, Small } from '../../ui/type';

const MONTHS = 'JFMAMJJASOND';

export function TimingReference() {
  return (
    <View gap={14}>
      <Section>How the risk of a day is computed</Section>
      <Body>
        Expected infections of a wound are the sum over every hour of its healing: strength × inoculum of the
        month × what is nearby × susceptibility left × suitability of the temperature × wetness. Λ = Σ k · w ·
        loc · S · f · m; the chance is 1 − e^−Λ.
      </Body>
      <Body>{`S = 1 / (1 + (DD / DD50)^n), degree-days above the base since the cut: warm wounds close sooner. f is the beta response of Yan & Hunt 1999. m is 1 in an hour with ${WET_RAIN_MM} mm of rain or more, a half for ${WET_AFTER_RAIN_H} h after, else 0. A wound is followed until less than ${CLOSED_BELOW * 100} % is left, ${HORIZON_DAYS} days at the most: the forecast first, then past years. Nearby counts 2 on the tree itself, 1 on the site, 0.3 where nothing is known, 0 where it does not occur.`}</Body>
      <Body>
        Infection = 1 − Π(1 − consequence × chance). Risk of 100 = 100 · (1 − (1 − infection) · Π(1 − weight ×
        factor)), the factors being frost, sun scorch, slipping bark, lateness, buds knocked off and strong
        regrowth. Under 15 good, up to 35 possible: settings of the site.
      </Body>
      <Small>{`The range is the tenth and ninetieth of ${DRAWS} seeded draws: strength ×/÷ ${SPREAD.perHour}, pace of healing ×/÷ ${SPREAD.halfClosed}, inoculum ×/÷ ${SPREAD.inoculum}, best temperature ± ${SPREAD.bestC} °C, and one past year each. The risk is our proposal, not a published model (confidence ${PATHOGEN_CONFIDENCE}).`}</Small>
      <Body>{LESSON}</Body>
      <Label fontSize="$19">Diseases that we have figures for</Label>
      {pathogens.map((pathogen) => (
        <View key={pathogen.code}>
          <Label>{pathogen.name}</Label>
          <Small color="$ink">
            {`${pathogen.minC}, ${pathogen.bestC}, ${pathogen.maxC} °C (least, best, most) · heals above ${pathogen.healsAboveC} °C, DD50 ${pathogen.halfClosedDd}, n ${pathogen.sharpness} · k ${pathogen.perHour} per hour · consequence ${pathogen.consequence} · ${[...MONTHS].map((month, i) => `${month} ${Math.round((pathogen.months[i] as number) * 10)}`).join(' ')}`}
          </Small>
        </View>
      ))}
      <Small>{`${PATHOGEN_SOURCE} (confidence ${PATHOGEN_CONFIDENCE}). Months of the north, inoculum in tenths; half a year off in the south.`}</Small>
      <Label fontSize="$19">The others, by rule</Label>
      {wordsOnly.map((disease) => (
        <Small key={disease.code} color="$ink">{`${disease.name}: ${disease.rule}`}</Small>
      ))}
      <Label fontSize="$19">Fire blight in bloom</Label>
      <Body>{`Four conditions: open flowers; ${HEAT_DH} degree-hours above ${HEAT_BASE_C} °C within the last ${USUAL_FLOWER_DD} degree-days above 4.4 °C of a flower’s life; dew or 0.25 mm of rain that day, or 2.5 mm the day before; a mean of ${LEAST_MEAN_C} °C. Met: ${bloomRisks.map((risk, i) => `${i === 0 ? '0 or 1' : i + 1} ${risk}`).join(', ')}. Strikes show after ${SYMPTOM_DD} degree-days above ${SYMPTOM_BASE_C} °C.`}</Body>
      <Small>
        Steiner 1990, Acta Hortic. 273:139 (remembered, confident); flower life of pear remembered, unsure.
      </Small>
      <Label fontSize="$19">Wet hours</Label>
      <Body>{`As a sensor says; else rain of ${WET_RAIN_MM} mm, humidity of ${WET_HUMIDITY_PCT} %, or within 1.6 °C of the dew point. Dew point after Alduchov & Eskridge 1996.`}</Body>
      <Label fontSize="$19">Stages</Label>
      <Body>
        Chill by the dynamic model (Fishman, Erez & Couvillon 1987) ends rest; growing degree hours (Anderson,
        Richardson & Kesner 1986) after it bring bloom. A stage that was seen wins.
      </Body>
      {crops.map((crop) => (
        <Small key={crop.code} color="$ink">
          {`${speciesName(crop.code)}: ${
            crop.follows
              ? `as ${speciesName(crop.follows.crop).toLowerCase()}, ${crop.follows.days > 0 ? '+' : ''}${crop.follows.days} days`
              : `${crop.portions.join('–')} chill portions, ${crop.warmth.join('–')} degree hours to bloom`
          }; wood stands ${crop.woodC[0] === crop.woodC[1] ? crop.woodC[0] : `${crop.woodC[0]} to ${crop.woodC[1]}`} °C`}
        </Small>
      ))}
      <Small>{`${NEEDS_SOURCE} (confidence ${NEEDS_CONFIDENCE}). ${HARDINESS_SOURCE} (confidence ${HARDINESS_CONFIDENCE}).`}</Small>
      <Label fontSize="$19">Frost in bud and bloom</Label>
      <Small>A tenth, and nine tenths, of the buds are killed at these temperatures, °C.</Small>
      {crops
        .filter((crop) => crop.frostLike === crop.code && crop.stages.some((stage) => stage.killF))
        .map((crop) => (
          <Small key={crop.code} color="$ink">
            {`${speciesName(crop.code)}: ${crop.stages
              .flatMap(({ name, killF }) =>
                killF
                  ? [`${name} ${fahrenheitToC(killF[0]).toFixed(1)}, ${fahrenheitToC(killF[1]).toFixed(1)}`]
                  : [],
              )
              .join('; ')}`}
          </Small>
        ))}
      <Small>{`${FROST_SOURCE} (confidence ${FROST_CONFIDENCE}).`}</Small>
      <Label fontSize="$19">Schools of pruning time</Label>
      {timingSchools.map((school) => (
        <View key={school}>
          <Label>{`${schoolWords[school].name}: ${schoolWords[school].when}`}</Label>
          <Small>{`For: ${schoolWords[school].for} Against: ${schoolWords[school].against}`}</Small>
        </View>
      ))}
    </View>
  );
}
