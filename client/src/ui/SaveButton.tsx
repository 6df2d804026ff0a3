// Saves nothing while a field on the page holds what cannot be used: it says which one and goes there.
import { View } from '@tamagui/core';
import { type ComponentProps, useState } from 'react';
import { Button } from './Button';
import { Small } from './type';

interface SaveButtonProps extends Omit<ComponentProps<typeof Button>, 'onPress'> {
  onSave(): void;
  /** What is not said yet and must be; null where nothing is missing. */
  missing?: string | null;
}

export function SaveButton({ onSave, missing = null, children, ...rest }: SaveButtonProps) {
  const [said, setSaid] = useState<string | null>(null);
  const save = () => {
    if (missing !== null) return setSaid(`Not saved: ${missing}`);
    const [first, ...more] = invalidFields();
    if (!first) {
      setSaid(null);
      return onSave();
    }
    first.scrollIntoView({ block: 'center' });
    first.focus({ preventScroll: true });
    setSaid(
      `Not saved: “${labelOf(first)}” cannot be used as it is${more.length > 0 ? `, and ${more.length} more` : ''}.`,
    );
  };
  return (
    <View flex={1} minWidth={0} gap={4}>
      {said ? (
        <Small role="alert" color="$ochreText">
          {said}
        </Small>
      ) : null}
      <Button {...rest} onPress={save}>
        {children}
      </Button>
    </View>
  );
}

/** Fields of the sheet that is open, else of the page, that say something is wrong with what stands in them. */
function invalidFields(): HTMLElement[] {
  const scope =
    [...document.querySelectorAll('[role=dialog]')].at(-1) ?? document.querySelector('main') ?? document;
  return [...scope.querySelectorAll<HTMLElement>('[aria-invalid=true]')];
}

function labelOf(field: HTMLElement): string {
  const [label] = (field as HTMLInputElement).labels ?? [];
  return label?.textContent ?? field.getAttribute('aria-label') ?? 'a field';
}
