// One of many: the platform's own chooser, labelled.
import { told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { createElement, useId } from 'react';
import { useSay } from '../data/useSay';
import { useLinesOfRow } from './FieldRow';
import { usePalette } from './theme';
import { Label, Small } from './type';

interface SelectProps {
  label: string;
  value: string;
  options: readonly { value: string; label: string }[];
  onChange(value: string): void;
  hint?: string | undefined;
}

export function Select({ label, value, options, onChange, hint }: SelectProps) {
  const say = useSay();
  const { ink, soft, paper } = usePalette();
  const id = useId();
  const lines = useLinesOfRow();
  return (
    <View gap={4} minWidth={0} {...lines}>
      <Label render="label" {...({ htmlFor: id } as object)}>
        {label}
      </Label>
      {createElement(
        'select',
        {
          id,
          value,
          'aria-describedby': hint ? `${id}-said` : undefined,
          onChange: (event: { target: { value: string } }) => onChange(event.target.value),
          style: {
            minHeight: 48,
            padding: '8px 12px',
            border: `1.5px solid ${soft}`,
            borderRadius: 3,
            background: paper,
            color: ink,
            font: 'inherit',
            fontSize: '1.0625rem',
            width: '100%',
          },
        },
        options.map((option) =>
          createElement('option', { key: option.value, value: option.value }, told(say, option.label)),
        ),
      )}
      {hint ? <Small id={`${id}-said`}>{hint}</Small> : null}
    </View>
  );
}
