// The gap test and the light inside, computed from the limb map; a real throw can be set against it.

import { HAT_RADIUS_CM, LIGHT_ENOUGH_FROM, OPEN_FROM } from '@mortisect/core/faults';
import { tapeText } from '@mortisect/core/measure';
import type { TreeView } from '@mortisect/core/present';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { useClock } from '../../../data/useClock';
import { useOpenness } from '../../../data/useOpenness';
import { useUnits } from '../../../data/useToday';
import { useRecordAction } from '../../../data/writes';
import { Button } from '../../../ui/Button';
import { Field } from '../../../ui/Field';
import { Sheet } from '../../../ui/Sheet';
import { Body, Figure, Label, Section, Small } from '../../../ui/type';

const percent = (share: number) => Math.round(share * 100);

export function Openness({ view }: { view: TreeView }) {
  const units = useUnits();
  const { data, error } = useOpenness(view.tree.id, view.limbs, view.detail.limbs);
  const [throwing, setThrowing] = useState(false);
  const thrown = view.actions.findLast(
    ({ action, undone }) => action.kind === 'hatThrown' && !undone,
  )?.action;
  if (view.limbs.every((limb) => limb.kind === 'trunk')) return null;
  return (
    <View gap={8}>
      <Section>Open enough?</Section>
      {error ? <Body>The crown could not be computed on this device.</Body> : null}
      {data ? (
        <>
          <View flexDirection="row" gap={24} flexWrap="wrap">
            <Measure
              figure={percent(data.gap.share)}
              unit="of 100"
              words={`hats come through (${percent(data.gap.interval[0])}–${percent(data.gap.interval[1])})`}
            />
            <Measure
              figure={percent(data.light.share)}
              unit="%"
              words="of the light reaches the inner third"
            />
          </View>
          <Body>{verdict(data.gap.share, data.light.share)}</Body>
          {data.gap.catchers.length > 0 ? (
            <Small>
              {`In the way most: ${data.gap.catchers
                .slice(0, 3)
                .map(({ limbId, caught }) => `${view.names.get(limbId) ?? limbId} (${percent(caught)} %)`)
                .join(', ')}.`}
            </Small>
          ) : null}
          <Small>
            {`${data.gap.throws} throws of a disc of ${tapeText(HAT_RADIUS_CM, units)} radius from all sides through the mapped limbs, with a 95 % interval; leaves are laid on the limbs by the pipe model. A map without side branches looks more open than the tree is.`}
          </Small>
        </>
      ) : error ? null : (
        <Small role="status">Throwing hats …</Small>
      )}
      <View flexDirection="row" alignItems="center" gap={12} flexWrap="wrap">
        {thrown?.kind === 'hatThrown' ? (
          <Label>{`Thrown for real: ${thrown.passed} of ${thrown.throws} came through`}</Label>
        ) : null}
        <Button onPress={() => setThrowing(true)}>I tested it with a hat</Button>
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

function verdict(share: number, light: number): string {
  const open = share >= OPEN_FROM;
  const bright = light >= LIGHT_ENOUGH_FROM;
  if (open && bright) return 'Open enough, by common practice.';
  if (!open && !bright) return 'Too dense: hats are caught and the inside is dark.';
  return open
    ? 'Hats come through, but the inside is dark when in leaf.'
    : 'Hats are caught, though light comes in.';
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
      title="I tested it with a hat"
      open={open}
      onClose={onClose}
      closeLabel="Back"
      actions={
        <Button
          grow
          kind="main"
          disabled={!good}
          onPress={() =>
            record({ kind: 'hatThrown', at: clock(), treeId, throws: of, passed: through }, onClose)
          }
        >
          Enter
        </Button>
      }
    >
      <Body>Throw a hat or a ball through the crown from different sides and count.</Body>
      <View flexDirection="row" gap={12}>
        <Field grow label="Throws" kind="decimal" value={throws} onChangeText={setThrows} />
        <Field
          grow
          label="Came through"
          kind="decimal"
          value={passed}
          onChangeText={setPassed}
          fault={passed !== '' && !good ? `A whole number from 0 to ${throws}.` : undefined}
        />
      </View>
    </Sheet>
  );
}
