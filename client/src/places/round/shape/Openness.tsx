// The gap test and the light inside, computed from the limb map; a real throw can be set against it.

import { HAT_RADIUS_CM, LIGHT_ENOUGH_FROM, OPEN_FROM } from '@mortisect/core/faults';

import type { TreeView } from '@mortisect/core/present';
import type { Say } from '@mortisect/words';
import { limbIn, tapeText } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { useClock } from '../../../data/useClock';
import { useOpenness } from '../../../data/useOpenness';
import { useSay } from '../../../data/useSay';
import { useUnits } from '../../../data/useToday';
import { useRecordAction } from '../../../data/writes';
import { Button } from '../../../ui/Button';
import { Field } from '../../../ui/Field';
import { Sheet } from '../../../ui/Sheet';
import { Body, Figure, Label, Section, Small } from '../../../ui/type';

const percent = (share: number) => Math.round(share * 100);

export function Openness({ view }: { view: TreeView }) {
  const say = useSay();
  const units = useUnits();
  const { data, error } = useOpenness(view.detail, view.limbs);
  const [throwing, setThrowing] = useState(false);
  const thrown = view.actions.findLast(
    ({ action, undone }) => action.kind === 'hatThrown' && !undone,
  )?.action;
  if (view.limbs.every((limb) => limb.kind === 'trunk')) return null;
  return (
    <View gap={8}>
      <Section>{say('round.openEnough')}</Section>
      {error ? <Body>{say('round.theCrownCouldNotBeComputedOn')}</Body> : null}
      {data ? (
        <>
          <View flexDirection="row" gap={24} flexWrap="wrap">
            <Measure
              figure={percent(data.gap.share)}
              unit={say('round.of100')}
              words={say('round.hatsComeThrough', {
                percent: percent(data.gap.interval[0]),
                percent2: percent(data.gap.interval[1]),
              })}
            />
            <Measure
              figure={percent(data.light.share)}
              unit="%"
              words={say('shared.ofTheLightReachesTheInnerThird')}
            />
          </View>
          <Body>{verdict(say, data.gap.share, data.light.share)}</Body>
          {data.gap.catchers.length > 0 ? (
            <Small>
              {say('round.inTheWayMost', {
                catchers: data.gap.catchers
                  .slice(0, 3)
                  .map(
                    ({ limbId, caught }) =>
                      `${limbIn(say, view.names.get(limbId) ?? limbId)} (${percent(caught)} %)`,
                  )
                  .join(', '),
              })}
            </Small>
          ) : null}
          <Small>
            {say('round.throwsOfADiscOfRadiusFrom', {
              throws: data.gap.throws,
              tape: tapeText(say, HAT_RADIUS_CM, units),
            })}
          </Small>
        </>
      ) : error ? null : (
        <Small role="status">{say('round.throwingHats')}</Small>
      )}
      <View flexDirection="row" alignItems="center" gap={12} flexWrap="wrap">
        {thrown?.kind === 'hatThrown' ? (
          <Label>
            {say('round.thrownForRealOfCameThrough', { passed: thrown.passed, throws: thrown.throws })}
          </Label>
        ) : null}
        <Button onPress={() => setThrowing(true)}>{say('round.iTestedItWithAHat')}</Button>
      </View>
      <ThrowSheet
        key={String(throwing)}
        treeId={view.tree.id}
        open={throwing}
        onClose={() => setThrowing(false)}
      />
    </View>
  );
}

function verdict(say: Say, share: number, light: number): string {
  const open = share >= OPEN_FROM;
  const bright = light >= LIGHT_ENOUGH_FROM;
  if (open && bright) return say('round.openEnoughByCommonPractice');
  if (!open && !bright) return say('round.tooDenseHatsAreCaughtAndThe');
  return open ? say('round.hatsComeThroughButTheInsideIs') : say('round.hatsAreCaughtThoughLightComesIn');
}

function Measure({ figure, unit, words }: { figure: number; unit: string; words: string }) {
  return (
    <View flexDirection="row" alignItems="baseline" gap={8} maxWidth={320}>
      <Figure fontSize="$44" lineHeight="$44" color="$chalk">
        {figure}
      </Figure>
      <Small flex={1}>{`${unit} ${words}`}</Small>
    </View>
  );
}

function ThrowSheet({ treeId, open, onClose }: { treeId: string; open: boolean; onClose(): void }) {
  const say = useSay();
  const clock = useClock();
  const { record } = useRecordAction();
  const [throws, setThrows] = useState('10');
  const [passed, setPassed] = useState('');
  const [of, through] = [Number(throws), Number(passed)];
  const good =
    Number.isInteger(of) &&
    of >= 1 &&
    of <= 500 &&
    passed !== '' &&
    Number.isInteger(through) &&
    through >= 0 &&
    through <= of;
  return (
    <Sheet
      title={say('round.iTestedItWithAHat')}
      open={open}
      onClose={onClose}
      closeLabel={say('shared.back')}
      actions={
        <Button
          grow
          kind="main"
          disabled={!good}
          onPress={() =>
            record({ kind: 'hatThrown', at: clock(), treeId, throws: of, passed: through }, onClose)
          }
        >
          {say('round.enter')}
        </Button>
      }
    >
      <Body>{say('round.throwAHatOrABallThrough')}</Body>
      <View flexDirection="row" gap={12}>
        <Field grow label={say('round.throws')} kind="decimal" value={throws} onChangeText={setThrows} />
        <Field
          grow
          label={say('shared.cameThrough')}
          kind="decimal"
          value={passed}
          onChangeText={setPassed}
          fault={passed !== '' && !good ? say('round.aWholeNumberFrom0To', { throws }) : undefined}
        />
      </View>
    </Sheet>
  );
}
