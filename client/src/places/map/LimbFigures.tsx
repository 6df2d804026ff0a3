// A limb in figures: what cannot be dragged, and the years read off its growth marks.

import { upperFirst } from '@mortisect/core/measure';
import {
  alike,
  growth,
  type Limb,
  LONGEST_CM,
  limbKinds,
  type Measured,
  MOST_ALIKE,
  onStretch,
  stretch,
  THICKEST_MM,
} from '@mortisect/core/tree';
import type { Say } from '@mortisect/words';
import { tapeText, told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { useSay } from '../../data/useSay';
import { useUnits } from '../../data/useToday';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { FieldRow } from '../../ui/FieldRow';
import { LengthField } from '../../ui/LengthField';
import { Select } from '../../ui/Select';
import { Label, Small } from '../../ui/type';

interface LimbFiguresProps {
  limb: Limb;
  name: string;
  /** Length of the limb that it stands on; null where it stands on the stool. */
  parentCm: number | null;
  onChange(part: Measured, about: string): void;
}

const kindsIn = (say: Say) =>
  limbKinds
    .filter((kind) => kind !== 'trunk')
    .map((value) => ({ value, label: upperFirst(told(say, value)) }));

export function LimbFigures({ limb, name, parentCm, onChange }: LimbFiguresProps) {
  const say = useSay();
  return (
    <View gap={12}>
      <FieldRow>
        <LengthField
          grow
          label={say('round.length')}
          cm={limb.lengthCm}
          leastCm={1}
          mostCm={LONGEST_CM}
          onChange={(lengthCm) => onChange({ lengthCm }, 'length')}
        />
        {limb.parentId === null ? null : (
          <LengthField
            grow
            label={say('round.heightOnTheParentLimb')}
            cm={limb.jointCm}
            leastCm={0}
            mostCm={parentCm ?? LONGEST_CM}
            onChange={(jointCm) => onChange({ jointCm }, 'joint')}
          />
        )}
        <LengthField
          grow
          label={say('round.thickAtBase')}
          cm={limb.baseMm / 10}
          leastCm={0.2}
          mostCm={THICKEST_MM / 10}
          onChange={(cm) => onChange({ baseMm: Math.round(cm * 10) }, 'base')}
        />
      </FieldRow>
      <FieldRow>
        <NumberField
          label={say('round.angleUp')}
          value={limb.inclinationDeg}
          least={-89}
          most={90}
          onChange={(inclinationDeg) => onChange({ inclinationDeg }, 'inclination')}
        />
        <NumberField
          label={say('round.directionFromNorth')}
          value={limb.bearingDeg}
          least={0}
          most={359}
          onChange={(bearingDeg) => onChange({ bearingDeg }, 'bearing')}
        />
        <NumberField
          label={say('round.ageYears')}
          value={limb.ageYears}
          least={0}
          most={300}
          onChange={(ageYears) => onChange({ ageYears }, 'age')}
        />
      </FieldRow>
      {limb.parentId === null ? (
        <LengthField
          label={say('round.graftUnionAboveGround')}
          cm={limb.graftUnionCm ?? null}
          leastCm={0}
          mostCm={limb.lengthCm}
          hint={say('round.emptyNoneOrNotKnownWoodBelow')}
          onChange={(graftUnionCm) => onChange({ graftUnionCm }, 'union')}
        />
      ) : (
        <FieldRow>
          <Select
            label={say('shared.kind')}
            value={limb.kind}
            options={kindsIn(say)}
            onChange={(kind) => onChange({ kind: kind as Limb['kind'] }, 'kind')}
          />
          <Field
            grow
            label={say('shared.name')}
            value={limb.named?.own ?? ''}
            hint={limb.named?.own ? undefined : say('round.now', { name })}
            onChangeText={(text) => onChange({ named: named(limb, text) }, 'name')}
          />
        </FieldRow>
      )}
      {parentCm === null || limb.kind === 'scaffold' ? null : (
        <BundleFigures limb={limb} parentCm={parentCm} onChange={onChange} />
      )}
      <Field
        label={say('round.cultivarIfGraftedToAnother')}
        value={limb.cultivar ?? ''}
        onChangeText={(cultivar) =>
          onChange({ cultivar: cultivar === '' ? undefined : cultivar.slice(0, 120) }, 'cultivar')
        }
      />
      <GrowthMarks limb={limb} onChange={onChange} />
    </View>
  );
}

/** One limb, or many alike that nobody maps one by one. */
function BundleFigures({
  limb,
  parentCm,
  onChange,
}: Pick<LimbFiguresProps, 'limb' | 'onChange'> & { parentCm: number }) {
  const say = useSay();
  const overCm = limb.bundle?.overCm ?? 0;
  const [fromCm, toCm] = stretch(limb);
  const set = (about: number, from: number, to: number) => {
    const { jointCm, overCm: over } = onStretch(Math.min(from, to), Math.max(from, to));
    onChange(
      about < 2 ? { bundle: undefined } : { jointCm, bundle: { about, overCm: over } },
      say('round.howManyAlike'),
    );
  };
  return (
    <View gap={8}>
      <FieldRow>
        <NumberField
          label={say('round.howManyAlike')}
          value={alike(limb)}
          least={1}
          most={MOST_ALIKE}
          onChange={(about) => set(Math.round(about), fromCm, toCm)}
        />
        {limb.bundle ? (
          <>
            <LengthField
              key={`from ${overCm}`}
              grow
              label={say('round.alikeFrom')}
              cm={fromCm}
              leastCm={0}
              mostCm={parentCm}
              onChange={(cm) => set(alike(limb), cm, toCm)}
            />
            <LengthField
              key={`to ${overCm}`}
              grow
              label={say('round.alikeTo')}
              cm={toCm}
              leastCm={0}
              mostCm={parentCm}
              onChange={(cm) => set(alike(limb), fromCm, cm)}
            />
          </>
        ) : null}
      </FieldRow>
      <Small>{say('round.manyAlikeSays')}</Small>
    </View>
  );
}

function named(limb: Limb, text: string): Limb['named'] {
  const { own: _before, ...kept } = limb.named ?? { hour: Math.round(limb.bearingDeg / 30) % 12 || 12 };
  return text.trim() === '' ? kept : { ...kept, own: text.slice(0, 60) };
}

function NumberField({
  label,
  value,
  least,
  most,
  onChange,
}: {
  label: string;
  value: number;
  least: number;
  most: number;
  onChange(value: number): void;
}) {
  const say = useSay();
  const [typed, setTyped] = useState<string | null>(null);
  const wrong = (text: string) => {
    const number = Number(text.replace(',', '.'));
    return text.trim() === '' || !Number.isFinite(number) || number < least || number > most;
  };
  const fault = typed !== null && wrong(typed) ? say('round.fromTo', { least, most }) : undefined;
  return (
    <Field
      grow
      label={label}
      kind="decimal"
      value={typed ?? String(Math.round(value))}
      fault={fault}
      onChangeText={(text) => {
        setTyped(text);
        if (!wrong(text)) onChange(Number(text.replace(',', '.')));
      }}
      onBlur={() => fault === undefined && setTyped(null)}
    />
  );
}

/** Rings of scars where one year’s growth ended and the next began. */
function GrowthMarks({ limb, onChange }: Pick<LimbFiguresProps, 'limb' | 'onChange'>) {
  const say = useSay();
  const units = useUnits();
  const [cm, setCm] = useState<number | null>(null);
  const marks = limb.yearMarksCm ?? [];
  const growthOfLimb = growth(limb);
  const add = () => {
    if (cm === null) return;
    set([...new Set([...marks, cm])].sort((a, b) => a - b));
    setCm(null);
  };
  const set = (next: number[]) =>
    onChange(
      { yearMarksCm: next, ...(next.length > 0 && { ageYears: next.length + 1 }) },
      say('round.marks', { next: next.length }),
    );
  return (
    <View gap={8}>
      <View flexDirection="row" alignItems="flex-end" gap={12}>
        <LengthField
          key={marks.length}
          grow
          label={say('round.growthMarkAtFromTheBase')}
          cm={cm}
          leastCm={0.5}
          mostCm={limb.lengthCm}
          onChange={setCm}
          onClear={() => setCm(null)}
        />
        <Button disabled={cm === null} onPress={add}>
          {say('round.addMark')}
        </Button>
      </View>
      {growthOfLimb ? (
        <Small>
          {say('round.yearsAYearLatelyGrowth', {
            yearsCm: growthOfLimb.yearsCm.length,
            tape: tapeText(say, growthOfLimb.meanCm, units),
            vigour: told(say, growthOfLimb.vigour),
          })}
        </Small>
      ) : (
        <Small>{say('round.noMarkItsAgeIsGuessed')}</Small>
      )}
      {marks.map((mark) => (
        <View key={mark} flexDirection="row" alignItems="center" gap={12}>
          <Label flex={1}>{tapeText(say, mark, units)}</Label>
          <Button
            kind="quiet"
            aria-label={say('round.removeTheMarkAt', { tape: tapeText(say, mark, units) })}
            onPress={() => set(marks.filter((kept) => kept !== mark))}
          >
            {say('shared.remove')}
          </Button>
        </View>
      ))}
    </View>
  );
}
