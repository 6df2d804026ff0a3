// What stands round a tree and takes its light, and how much of its sky that hides.

import { MOST_SHADES, openSky, type Shade, shadeBounds, shadeKinds } from '@mortisect/core/faults';
import { clockHour, heightReading, turn, upperFirst } from '@mortisect/core/measure';
import { type SiteToday, shadesOf, type TreeView } from '@mortisect/core/present';
import { joined, told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useMemo, useState } from 'react';
import { useClock } from '../../data/useClock';
import { useSay } from '../../data/useSay';
import { useRecordAction } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Failed } from '../../ui/Failed';
import { LengthField } from '../../ui/LengthField';
import { SaveButton } from '../../ui/SaveButton';
import { Select } from '../../ui/Select';
import { Body, Section, Small } from '../../ui/type';
import { hoursIn } from './marking/WhereSheet';

interface ShadePartProps {
  view: TreeView;
  today: SiteToday;
}

export function ShadePart({ view, today }: ShadePartProps) {
  const say = useSay();
  const clock = useClock();
  const recording = useRecordAction();
  const [adding, setAdding] = useState(false);
  const { limbs, actions } = view;
  const shades = useMemo(() => shadesOf(actions), [actions]);
  const open = useMemo(() => openSky(limbs, shades), [limbs, shades]);
  const { units, site } = today;
  const size = (cm: number) => joined(say, heightReading(cm, units));
  const write = (next: Shade[], then?: () => void) =>
    recording.record({ kind: 'shadeSeen', at: clock(), treeId: view.tree.id, shades: next }, then);
  return (
    <View gap={8}>
      <Section>{say('round.shadeSection')}</Section>
      {shades.length === 0 ? (
        <Small>{say('round.noShade')}</Small>
      ) : (
        <Body>{say('round.shadeHides', { hidden: Math.round((1 - open) * 100) })}</Body>
      )}
      {shades.map((shade, i) => {
        const hour = clockHour(shade.bearingDeg, site.twelveBearingDeg);
        const toward = say('trade.clockHour', { hour });
        const what = upperFirst(told(say, shade.what));
        return (
          <View key={JSON.stringify([shade, i])} flexDirection="row" alignItems="center" gap={8}>
            <Body flex={1}>
              {say('round.shadeLine', {
                what,
                toward,
                distance: size(shade.distanceCm),
                height: size(shade.heightCm),
                width: size(shade.widthCm),
              })}
            </Body>
            <Button
              kind="quiet"
              aria-label={say('round.removeShade', { what: `${what}, ${toward}` })}
              onPress={() => write(shades.filter((_, at) => at !== i))}
            >
              {say('shared.remove')}
            </Button>
          </View>
        );
      })}
      <Failed title={say('shared.notRecordedYet')} error={recording.error} />
      {adding ? (
        <AddShade
          today={today}
          pending={recording.isPending}
          onClose={() => setAdding(false)}
          onAdd={(shade) => write([...shades, shade], () => setAdding(false))}
        />
      ) : shades.length < MOST_SHADES ? (
        <View flexDirection="row">
          <Button onPress={() => setAdding(true)}>{say('round.addShade')}</Button>
        </View>
      ) : null}
    </View>
  );
}

const MEASURES = [
  ['distanceCm', 'round.shadeDistance'],
  ['heightCm', 'round.shadeHeight'],
  ['widthCm', 'round.shadeWidth'],
] as const;

interface AddShadeProps {
  today: SiteToday;
  pending: boolean;
  onAdd(shade: Shade): void;
  onClose(): void;
}

function AddShade({ today, pending, onAdd, onClose }: AddShadeProps) {
  const say = useSay();
  const [what, setWhat] = useState<Shade['what'] | null>(null);
  const [hour, setHour] = useState('6');
  const [sizes, setSizes] = useState<Partial<Pick<Shade, (typeof MEASURES)[number][0]>>>({});
  const bearingDeg = turn(today.site.twelveBearingDeg + 30 * Number(hour));
  const { distanceCm, heightCm, widthCm } = sizes;
  const shade =
    what && distanceCm && heightCm && widthCm ? { what, bearingDeg, distanceCm, heightCm, widthCm } : null;
  return (
    <View gap={8}>
      <Choice<Shade['what']>
        label={say('round.shadeWhat')}
        layout="wrap"
        options={shadeKinds.map((value) => ({ value, label: upperFirst(told(say, value)) }))}
        value={what}
        onChange={setWhat}
      />
      <Select label={say('round.shadeToward')} value={hour} options={hoursIn(say)} onChange={setHour} />
      <View flexDirection="row" gap={12} flexWrap="wrap">
        {MEASURES.map(([measure, label]) => (
          <LengthField
            key={measure}
            grow
            label={say(label)}
            cm={sizes[measure] ?? null}
            leastCm={shadeBounds[measure][0]}
            mostCm={shadeBounds[measure][1]}
            onChange={(cm) => setSizes({ ...sizes, [measure]: cm })}
          />
        ))}
      </View>
      <View flexDirection="row" gap={8}>
        <Button onPress={onClose}>{say('shared.back')}</Button>
        <SaveButton
          kind="main"
          missing={shade === null ? say('round.shadeMissing') : null}
          saving={pending}
          onSave={() => shade && onAdd(shade)}
        >
          {say('shared.recordIt')}
        </SaveButton>
      </View>
    </View>
  );
}
