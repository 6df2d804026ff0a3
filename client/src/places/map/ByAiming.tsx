// A limb map by aiming the phone: compass and tilt, with the distance and the height of the eyes, tell where joints and tips are.

import type { TreeDetail } from '@mortisect/core/records';
import {
  type Aim,
  type Aiming,
  type AimStep,
  AWAY_CM,
  EYE_CM,
  limbAimedAt,
  nextAim,
  saidOfLimb,
  withAim,
  withoutTapped,
} from '@mortisect/core/survey';
import { limbNames } from '@mortisect/core/tree';
import { limbIn } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useMemo, useState } from 'react';
import { inWords } from '../../data/api';
import { readTree } from '../../data/queries';
import { useAim } from '../../data/useAim';
import { useSay } from '../../data/useSay';
import { useUnits } from '../../data/useToday';
import { newId } from '../../data/writes';
import { SimulatedSight } from '../../drawings/SimulatedSight';
import { Button } from '../../ui/Button';
import { FieldRow } from '../../ui/FieldRow';
import { Halves } from '../../ui/Halves';
import { LengthField } from '../../ui/LengthField';
import { Notice } from '../../ui/Notice';
import { Tabs } from '../../ui/Tabs';
import { Body, Label, Section, Small } from '../../ui/type';
import { hourBearing } from './hours';
import { MeasuredRows } from './MeasuredRows';
import { AWAY_STARTS_CM } from './mapDraft';
import { Sensor } from './Sensor';
import { SimulatedTrees } from './SimulatedTrees';
import { useAiming } from './useAiming';

/** Where whoever tries the simulated sensor stands: at these hours. */
const SIMULATED_HOURS = [6, 9] as const;

interface ByAimingProps {
  detail: TreeDetail;
  twelveBearingDeg: number;
}

export function ByAiming({ detail, twelveBearingDeg }: ByAimingProps) {
  const say = useSay();
  const units = useUnits();
  const { aiming, keep, found } = useAiming(detail.tree.id, twelveBearingDeg);
  const [shown, setShown] = useState<'0' | '1'>('0');
  const [asked, setAsked] = useState<AimStep | null>(null);
  const [chosenId, setChosenId] = useState<string | null>(null);
  const [simulated, setSimulated] = useState<Aim | null>(null);
  /** What the simulated sensor looks at. */
  const [limbs, setLimbs] = useState(detail.limbs);
  const [choosing, setChoosing] = useState(false);
  const [fault, setFault] = useState<string | null>(null);
  const { state, aim: sensed, start } = useAim();
  const which = Number(shown);
  const aim = simulated ?? sensed;
  const step = asked ?? nextAim(aiming, which);
  const names = useMemo(
    () => limbNames(detail.limbs, twelveBearingDeg, units),
    [detail.limbs, twelveBearingDeg, units],
  );
  const aimedAt = aim
    ? limbAimedAt(detail.limbs, aim, { ...aiming, places: aiming.places.slice(which) })
    : null;
  const standsAt = hourBearing(SIMULATED_HOURS[which] ?? 6, twelveBearingDeg);
  const take = () => {
    if (!step || !aim) return;
    const id = newId();
    keep(withAim(aiming, which, step, aim, id));
    if ('limbId' in step) setChosenId(step.limbId ?? id);
    setAsked(null);
  };
  const place = aiming.places[which];
  const simulate = async (treeId: string) => {
    try {
      setLimbs((await readTree(treeId)).limbs);
      setSimulated({ headingDeg: (standsAt + 180) % 360, tiltDeg: 0 });
      setFault(null);
    } catch (error) {
      setFault(inWords(say, error));
    }
  };
  const rows =
    aiming.towardTwelve && aiming.places[0]?.towardStem ? (
      <View gap={8} maxWidth={760}>
        <Section>{say('round.limbs')}</Section>
        <MeasuredRows
          byAim
          limbs={aiming.limbs}
          found={found}
          twelveBearingDeg={twelveBearingDeg}
          chosenId={chosenId}
          onChoose={(id) => setChosenId(id === chosenId ? null : id)}
          onSay={(id, said) => keep({ ...aiming, limbs: saidOfLimb(aiming.limbs, id, said) })}
          tools={({ id }) => (
            <>
              <Button onPress={() => setAsked({ what: which === 0 ? 'tip' : 'tipAgain', limbId: id })}>
                {say('round.aimTipAgain')}
              </Button>
              <Button
                kind="quiet"
                onPress={() => {
                  setChosenId(null);
                  keep({ ...aiming, limbs: withoutTapped(aiming.limbs, id) });
                }}
              >
                {say('shared.remove')}
              </Button>
            </>
          )}
        />
        <View flexDirection="row" flexWrap="wrap" gap={8}>
          <Button onPress={() => setAsked({ what: 'twelve' })}>{say('round.aimTwelveAgain')}</Button>
          <Button onPress={() => setAsked({ what: 'stem' })}>{say('round.aimStemAgain')}</Button>
        </View>
      </View>
    ) : null;
  const notes = (
    <>
      <Body>{say('round.aimHow')}</Body>
      <Notice kind="said">{say('round.aimIron')}</Notice>
    </>
  );
  const sizes = (
    <View maxWidth={760}>
      <FieldRow>
        <LengthField
          grow
          label={say('round.aimEyes')}
          cm={aiming.eyeCm}
          leastCm={EYE_CM.least}
          mostCm={EYE_CM.most}
          onChange={(eyeCm) => keep({ ...aiming, eyeCm })}
        />
        <LengthField
          key={which}
          grow
          label={say('round.surveyAway')}
          cm={place?.awayCm ?? AWAY_STARTS_CM}
          leastCm={AWAY_CM.least}
          mostCm={AWAY_CM.most}
          onChange={(awayCm) =>
            place && keep({ ...aiming, places: aiming.places.with(which, { ...place, awayCm }) })
          }
        />
      </FieldRow>
    </View>
  );
  const work = (
    <View gap={16} maxWidth={760}>
      {aiming.limbs.length > 0 ? (
        <Tabs
          label={say('round.aimPlaces')}
          value={shown}
          options={[
            { value: '0', label: say('round.aimFirst') },
            { value: '1', label: say('round.aimSecond') },
          ]}
          onChange={setShown}
        />
      ) : null}
      {aim ? (
        <View gap={12}>
          <Label role="status" fontSize="$22" lineHeight="$22" color="$chalk" minHeight={28}>
            {stepWords(say, step, aiming)}
          </Label>
          {simulated ? (
            <SimulatedSight
              label={say('round.aimSimulatedSight')}
              says={aimWords(say, simulated)}
              limbs={limbs}
              twelveBearingDeg={twelveBearingDeg}
              bearingDeg={standsAt}
              awayCm={place?.awayCm ?? AWAY_STARTS_CM}
              eyeCm={aiming.eyeCm}
              aim={simulated}
              onAim={setSimulated}
            />
          ) : null}
          <Small>
            {aimWords(say, aim)}
            {aimedAt ? ` ${say('round.aimedAt', { limb: limbIn(say, names.get(aimedAt) ?? aimedAt) })}` : ''}
          </Small>
          <Button kind="main" disabled={step === null} onPress={take}>
            {say('round.aimTake')}
          </Button>
          {simulated ? <Small>{say('round.aimSimulatedSays')}</Small> : null}
          {sizes}
        </View>
      ) : (
        <>
          {notes}
          {sizes}
          <Sensor state={state} onStart={start} onSimulate={() => setChoosing(true)} />
        </>
      )}
      {fault ? <Notice kind="caution">{fault}</Notice> : null}
      <SimulatedTrees
        title={say('round.sensorSimulatedOf')}
        tree={detail.tree}
        open={choosing}
        onClose={() => setChoosing(false)}
        onChosen={({ id }) => {
          setChoosing(false);
          void simulate(id);
        }}
      />
    </View>
  );
  return (
    <Halves
      first={work}
      second={
        <>
          {rows}
          {aim ? notes : null}
        </>
      }
    />
  );
}

type Say = ReturnType<typeof useSay>;

const aimWords = (say: Say, { headingDeg, tiltDeg }: Aim) =>
  say('round.aimReading', { heading: Math.round(headingDeg) % 360, tilt: Math.round(tiltDeg) });

/** What the phone is to be aimed at, in words. */
function stepWords(say: Say, step: AimStep | null, { limbs }: Aiming): string {
  if (!step) return say('round.surveyAllTapped');
  const at = 'limbId' in step ? limbs.findIndex(({ id }) => id === step.limbId) : -1;
  const n = at < 0 ? limbs.length + 1 : at + 1;
  return {
    twelve: () => say('round.aimTwelve'),
    stem: () => say('round.aimStem'),
    joint: () => say('round.aimJoint', { n }),
    tip: () => say('round.aimTip', { n }),
    tipAgain: () => say('round.aimTip', { n }),
  }[step.what]();
}
