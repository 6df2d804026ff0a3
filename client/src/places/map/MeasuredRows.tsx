// Limbs that are measured from afar: their figures with ranges, or what each still lacks. The chosen one can be put right.

import { clockHour } from '@mortisect/core/measure';
import type { AimFault, LimbFault, Ranged, RangedWood, Sayable } from '@mortisect/core/survey';
import { View } from '@tamagui/core';
import type { ReactNode } from 'react';
import { useSay } from '../../data/useSay';
import { useUnits } from '../../data/useToday';
import { FieldRow } from '../../ui/FieldRow';
import { PressRow } from '../../ui/PressRow';
import { Select } from '../../ui/Select';
import { Label, Small } from '../../ui/type';
import { hourBearing, hoursIn } from './hours';
import { degWithin, lengthWithin, surveyFaultWords } from './surveyWords';

type Found =
  | (RangedWood & { id: string; baseMm?: Ranged | null })
  | { id: string; fault: LimbFault | AimFault };

interface MeasuredRowsProps<L extends Sayable> {
  limbs: readonly L[];
  found: readonly Found[];
  twelveBearingDeg: number;
  chosenId: string | null;
  onChoose(id: string): void;
  onSay(id: string, said: Partial<Pick<Sayable, 'onId' | 'towardDeg'>>): void;
  /** They are aimed at, not tapped on photos. */
  byAim?: boolean;
  /** What else can be done with the chosen one. */
  tools(limb: L): ReactNode;
}

export function MeasuredRows<L extends Sayable>(props: MeasuredRowsProps<L>) {
  const { limbs, found, twelveBearingDeg, chosenId, onChoose, onSay, tools, byAim } = props;
  const say = useSay();
  const units = useUnits();
  if (limbs.length === 0) return <Small>{say('round.surveyNoLimbYet')}</Small>;
  return (
    <View role="list" aria-label={say('round.limbs')}>
      {limbs.map((limb, i) => {
        const measured = found.find(({ id }) => id === limb.id);
        return (
          <View key={limb.id} role="listitem">
            <PressRow chosen={limb.id === chosenId} onPress={() => onChoose(limb.id)} padding={8}>
              <Label width={28}>{String(i + 1)}</Label>
              <View flex={1} minWidth={0}>
                {measured && 'fault' in measured ? (
                  <Small color="$ochreText">{surveyFaultWords(say, measured.fault, units, byAim)}</Small>
                ) : measured ? (
                  <Figures limb={measured} twelveBearingDeg={twelveBearingDeg} />
                ) : null}
              </View>
            </PressRow>
            {limb.id === chosenId ? (
              <View gap={8} paddingHorizontal={8} paddingBottom={12}>
                <FieldRow>
                  <Select
                    label={say('round.surveyStandsOn')}
                    value={limb.onId ?? ''}
                    options={[
                      { value: '', label: say('round.surveyStem') },
                      ...limbs
                        .slice(0, i)
                        .map(({ id }, n) => ({ value: id, label: say('round.surveyLimbN', { n: n + 1 }) })),
                    ]}
                    onChange={(id) => onSay(limb.id, { onId: id === '' ? null : id })}
                  />
                  <Select
                    label={say('round.surveyHour')}
                    value={limb.towardDeg === null ? '' : String(clockHour(limb.towardDeg, twelveBearingDeg))}
                    options={[{ value: '', label: say('round.surveyNotSaid') }, ...hoursIn(say)]}
                    onChange={(hour) =>
                      onSay(limb.id, {
                        towardDeg: hour === '' ? null : hourBearing(Number(hour), twelveBearingDeg),
                      })
                    }
                  />
                </FieldRow>
                <View flexDirection="row" flexWrap="wrap" gap={8}>
                  {tools(limb)}
                </View>
              </View>
            ) : null}
          </View>
        );
      })}
    </View>
  );
}

function Figures({
  limb,
  twelveBearingDeg,
}: {
  limb: Exclude<Found, { fault: unknown }>;
  twelveBearingDeg: number;
}) {
  const say = useSay();
  const units = useUnits();
  const more = [
    say('round.surveyJoint', { at: lengthWithin(say, limb.jointCm, units) }),
    say('round.surveySteep', { up: degWithin(say, limb.inclinationDeg) }),
    say('round.surveyTurn', { turn: degWithin(say, limb.bearingDeg) }),
    ...(limb.baseMm
      ? [say('round.surveyThick', { mm: Math.round(limb.baseMm.value), give: Math.ceil(limb.baseMm.give) })]
      : []),
    ...(limb.missCm === null ? [] : [say('round.surveyMiss', { cm: Math.round(limb.missCm) })]),
  ];
  return (
    <>
      <Label>
        {say('round.surveyLimb', {
          hour: clockHour(limb.bearingDeg.value, twelveBearingDeg),
          length: lengthWithin(say, limb.lengthCm, units),
        })}
      </Label>
      <Small>{more.join(' · ')}</Small>
    </>
  );
}
