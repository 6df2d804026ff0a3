// From which measure on wood is misplaced: the site’s own limits, each with where it starts and how sure that is.
import { type Limits, type Threshold, thresholds } from '@mortisect/core/faults';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { Controller } from 'react-hook-form';
import { Button } from '../../ui/Button';
import { NumberField } from '../../ui/NumberField';
import type { SiteControl } from './siteForm';

export function LimitSettings({ control }: { control: SiteControl }) {
  const [open, setOpen] = useState(false);
  if (!open) {
    return (
      <View flexDirection="row">
        <Button onPress={() => setOpen(true)}>{`Limits of shape (${thresholds.length})`}</Button>
      </View>
    );
  }
  return (
    <Controller
      control={control}
      name="limits"
      render={({ field }) => (
        <View gap={12}>
          {thresholds.map((threshold) => (
            <LimitField
              key={threshold.key}
              threshold={threshold}
              value={(field.value as Limits)[threshold.key]}
              onChange={(value) => field.onChange({ ...field.value, [threshold.key]: value })}
            />
          ))}
        </View>
      )}
    />
  );
}

function LimitField({
  threshold,
  value,
  onChange,
}: {
  threshold: Threshold;
  value: number;
  onChange(value: number): void;
}) {
  const { label, unit, start, least, most, source, confidence } = threshold;
  return (
    <NumberField
      label={label}
      unit={unit}
      value={value}
      least={least}
      most={most}
      hint={`Starts at ${start} ${unit}. ${source}${confidence === 'practice' ? '' : ` (confidence ${confidence})`}.`}
      onChange={onChange}
    />
  );
}
