// A labelled line to type in, with its unit and what is wrong with it.
import { View } from '@tamagui/core';
import { createElement, useId } from 'react';
import { TextInput } from 'react-native';
import { useLinesOfRow } from './FieldRow';
import { usePalette } from './theme';
import { Label, Small } from './type';

interface FieldProps {
  label: string;
  value: string;
  onChangeText(text: string): void;
  onBlur?(): void;
  onSubmit?(): void;
  hint?: string | undefined;
  fault?: string | undefined;
  kind?: 'text' | 'decimal' | 'password';
  multiline?: boolean;
  /** Values that are offered while typing. */
  list?: readonly string[];
  /** Shares the width of a row. */
  grow?: boolean;
}

export function Field({
  label,
  value,
  onChangeText,
  onBlur,
  onSubmit,
  hint,
  fault,
  kind = 'text',
  multiline = false,
  list,
  grow = false,
}: FieldProps) {
  const { ink, soft, paper, ochreText } = usePalette();
  const id = useId();
  const lines = useLinesOfRow();
  return (
    <View gap={4} minWidth={0} {...(grow && { flex: 1 })} {...lines}>
      <Label render="label" {...({ htmlFor: id } as object)}>
        {label}
      </Label>
      <TextInput
        id={id}
        value={value}
        onChangeText={onChangeText}
        onBlur={onBlur}
        onSubmitEditing={onSubmit}
        secureTextEntry={kind === 'password'}
        inputMode={kind === 'decimal' ? 'decimal' : 'text'}
        multiline={multiline}
        autoComplete={kind === 'password' ? 'current-password' : 'off'}
        aria-invalid={fault !== undefined}
        {...(list && list.length > 0 && ({ list: `${id}-list` } as object))}
        aria-describedby={fault || hint ? `${id}-said` : undefined}
        style={{
          minHeight: multiline ? 76 : 48,
          paddingHorizontal: 12,
          paddingVertical: 8,
          borderWidth: fault ? 2.4 : 1.5,
          borderColor: fault ? ochreText : soft,
          borderRadius: 3,
          backgroundColor: paper,
          color: ink,
          fontFamily: 'inherit',
          fontSize: '1.0625rem' as never,
          width: '100%',
        }}
      />
      {list && list.length > 0
        ? createElement(
            'datalist',
            { id: `${id}-list` },
            list.map((value) => createElement('option', { key: value, value })),
          )
        : null}
      {fault || hint ? (
        <Small id={`${id}-said`} color={fault ? '$ochreText' : '$soft'} role={fault ? 'alert' : undefined}>
          {fault ?? hint}
        </Small>
      ) : null}
    </View>
  );
}
