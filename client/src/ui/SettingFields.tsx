// Settings, asked for as their schema says: its bounds, its words, its source. One line typed in draws its own field anew and no other.

import { upperFirst } from '@mortisect/core/measure';
import { asAsked, asKept, type SettingField, settingsIn } from '@mortisect/core/settings';
import { aboutSetting, refusalWords, told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { memo, useCallback, useLayoutEffect, useMemo, useRef } from 'react';
import type { z } from 'zod';
import { useSay } from '../data/useSay';
import { CheckRow } from './CheckRow';
import { Field } from './Field';
import { NumberField } from './NumberField';
import { Select } from './Select';

interface SettingFieldsProps<T> {
  schema: z.ZodObject;
  value: T;
  /** Where each of them starts, where that is said. */
  starting?: T;
  /** Keys that are not asked for now. */
  except?: readonly string[];
  onChange(value: T): void;
}

export function SettingFields<T extends object>({
  schema,
  value,
  starting,
  except,
  onChange,
}: SettingFieldsProps<T>) {
  const fields = useMemo(() => settingsIn(schema), [schema]);
  const now = useRef({ value, onChange });
  useLayoutEffect(() => {
    now.current = { value, onChange };
  });
  const set = useCallback(
    (key: string, given: unknown) => now.current.onChange({ ...now.current.value, [key]: given }),
    [],
  );
  const at = (of: object | undefined, key: string) => (of as Record<string, unknown> | undefined)?.[key];
  return (
    <View flexDirection="row" flexWrap="wrap" columnGap={12} rowGap={12}>
      {fields
        .filter(({ key }) => !except?.includes(key))
        .map((field) => (
          <OneSetting
            key={field.key}
            field={field}
            value={at(value, field.key)}
            start={at(starting, field.key)}
            set={set}
          />
        ))}
    </View>
  );
}

interface OneSettingProps {
  field: SettingField;
  value: unknown;
  start: unknown;
  set(key: string, value: unknown): void;
}

const OneSetting = memo(function OneSetting({ field, value, start, set }: OneSettingProps) {
  return (
    <View flexGrow={1} flexBasis={basisOf(field)} minWidth={0}>
      <Asked field={field} value={value} start={start} set={set} />
    </View>
  );
});

const SHORT = 24;
/** Two short figures fit side by side on a phone, two long ones on a wide screen; a choice takes the line. */
function basisOf({ kind, label, hint }: SettingField): number | '100%' {
  if (kind === 'choice' || kind === 'yes') return '100%';
  return label.length <= SHORT && (hint?.length ?? 0) <= SHORT ? 150 : 300;
}

function Asked({ field, value, start, set }: OneSettingProps) {
  const say = useSay();
  const { key, kind, least, most, offered, choices } = field;
  const unit = told(say, field.unit ?? '');
  const label = told(say, field.label);
  const about = aboutSetting(say, field, start) || undefined;
  const fault = kind === 'text' ? field.fault(value) : null;
  if (kind === 'yes')
    return (
      <CheckRow
        label={label}
        {...(about && { detail: about })}
        on={value === true}
        onChange={(on) => set(key, on)}
      />
    );
  if (kind === 'choice')
    return (
      <Select
        label={label}
        value={String(value)}
        options={
          offered
            ? offered.map((choice) => ({ value: String(choice), label: `${choice} ${unit}` }))
            : Object.entries(choices ?? {}).map(([choice, words]) => ({
                value: choice,
                label: upperFirst(words),
              }))
        }
        hint={about}
        onChange={(chosen) => set(key, offered ? Number(chosen) : chosen)}
      />
    );
  if (kind === 'text')
    return (
      <Field
        label={label}
        value={String(value)}
        hint={about}
        fault={fault ? refusalWords(say, fault) : undefined}
        onChangeText={(text) => set(key, text)}
      />
    );
  return (
    <NumberField
      label={label}
      unit={unit}
      value={asAsked(field, Number(value))}
      least={least}
      most={most}
      whole={kind === 'whole'}
      hint={about}
      onChange={(given) => set(key, asKept(field, given))}
    />
  );
}
