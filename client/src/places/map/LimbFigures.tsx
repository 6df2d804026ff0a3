// A limb in figures: what cannot be dragged, and the years read off its growth marks.
import { tapeText, upperFirst } from '@mortisect/core/measure';
import { growth, type Limb, LONGEST_CM, limbKinds, type Measured, THICKEST_MM } from '@mortisect/core/tree';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { useUnits } from '../../data/useToday';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { LengthField } from '../../ui/LengthField';
import { Select } from '../../ui/Select';
import { Label, Small } from '../../ui/type';

interface LimbFiguresProps {
  limb: Limb;
  name: string;
  onChange(part: Measured, about: string): void;
}

const KINDS = limbKinds
  .filter((kind) => kind !== 'trunk')
  .map((value) => ({ value, label: upperFirst(value) }));

export function LimbFigures({ limb, name, onChange }: LimbFiguresProps) {
  return (
    <View gap={12}>
      <View flexDirection="row" gap={12}>
        <LengthField
          grow
          label="Length"
          cm={limb.lengthCm}
          leastCm={1}
          mostCm={LONGEST_CM}
          onChange={(lengthCm) => onChange({ lengthCm }, 'length')}
        />
        {limb.parentId === null ? null : (
          <LengthField
            grow
            label="Height on the parent limb"
            cm={limb.jointCm}
            leastCm={0}
            mostCm={LONGEST_CM}
            onChange={(jointCm) => onChange({ jointCm }, 'joint')}
          />
        )}
        <LengthField
          grow
          label="Thick at base"
          cm={limb.baseMm / 10}
          leastCm={0.2}
          mostCm={THICKEST_MM / 10}
          onChange={(cm) => onChange({ baseMm: Math.round(cm * 10) }, 'base')}
        />
      </View>
      <View flexDirection="row" gap={12}>
        <NumberField
          label="Angle up, °"
          value={limb.inclinationDeg}
          least={-89}
          most={90}
          onChange={(inclinationDeg) => onChange({ inclinationDeg }, 'inclination')}
        />
        <NumberField
          label="Direction, ° from north"
          value={limb.bearingDeg}
          least={0}
          most={359}
          onChange={(bearingDeg) => onChange({ bearingDeg }, 'bearing')}
        />
        <NumberField
          label="Age, years"
          value={limb.ageYears}
          least={0}
          most={300}
          onChange={(ageYears) => onChange({ ageYears }, 'age')}
        />
      </View>
      {limb.parentId === null ? (
        <LengthField
          label="Graft union above ground"
          cm={limb.graftUnionCm ?? null}
          leastCm={0}
          mostCm={limb.lengthCm}
          hint="Empty: none, or not known. Wood below it is rootstock."
          onChange={(graftUnionCm) => onChange({ graftUnionCm }, 'union')}
        />
      ) : (
        <View flexDirection="row" gap={12}>
          <View flex={1}>
            <Select
              label="Kind"
              value={limb.kind}
              options={KINDS}
              onChange={(kind) => onChange({ kind: kind as Limb['kind'] }, 'kind')}
            />
          </View>
          <Field
            grow
            label="Name"
            value={limb.named?.own ?? ''}
            hint={limb.named?.own ? undefined : `Now: ${name}`}
            onChangeText={(text) => onChange({ named: named(limb, text) }, 'name')}
          />
        </View>
      )}
      <Field
        label="Cultivar, if grafted to another"
        value={limb.cultivar ?? ''}
        onChangeText={(cultivar) =>
          onChange({ cultivar: cultivar === '' ? undefined : cultivar.slice(0, 120) }, 'cultivar')
        }
      />
      <GrowthMarks limb={limb} onChange={onChange} />
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
  const [typed, setTyped] = useState<string | null>(null);
  const wrong = (text: string) => {
    const number = Number(text.replace(',', '.'));
    return text.trim() === '' || !Number.isFinite(number) || number < least || number > most;
  };
  const fault = typed !== null && wrong(typed) ? `From ${least} to ${most}.` : undefined;
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
      `marks ${next.length}`,
    );
  return (
    <View gap={8}>
      <View flexDirection="row" alignItems="flex-end" gap={12}>
        <LengthField
          key={marks.length}
          grow
          label="Growth mark at, from the base"
          cm={cm}
          leastCm={0.5}
          mostCm={limb.lengthCm}
          onChange={setCm}
          onClear={() => setCm(null)}
        />
        <Button disabled={cm === null} onPress={add}>
          Add mark
        </Button>
      </View>
      {growthOfLimb ? (
        <Small>{`${growthOfLimb.yearsCm.length} years; ${tapeText(growthOfLimb.meanCm, units)} a year lately: ${growthOfLimb.vigour} growth.`}</Small>
      ) : (
        <Small>No mark: its age is guessed.</Small>
      )}
      {marks.map((mark) => (
        <View key={mark} flexDirection="row" alignItems="center" gap={12}>
          <Label flex={1}>{tapeText(mark, units)}</Label>
          <Button
            kind="quiet"
            aria-label={`Remove the mark at ${tapeText(mark, units)}`}
            onPress={() => set(marks.filter((kept) => kept !== mark))}
          >
            Remove
          </Button>
        </View>
      ))}
    </View>
  );
}
