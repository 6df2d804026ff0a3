// Saves nothing while a field on the page holds what cannot be used: it says which one and goes there.
import type { Say } from '@mortisect/words';
import { View } from '@tamagui/core';
import { type ComponentProps, useState } from 'react';
import { useSay } from '../data/useSay';
import { Button } from './Button';
import { Small } from './type';

interface SaveButtonProps extends Omit<ComponentProps<typeof Button>, 'onPress'> {
  onSave(): void;
  /** What is not said yet and must be; null where nothing is missing. */
  missing?: string | null;
  /** Pressed, and not safe yet: the button says so and takes no second press. */
  saving?: boolean;
}

export function SaveButton({
  onSave,
  missing = null,
  saving = false,
  disabled,
  children,
  ...rest
}: SaveButtonProps) {
  const say = useSay();
  const [said, setSaid] = useState<string | null>(null);
  const save = () => {
    if (missing !== null) return setSaid(say('shared.notSaved', { missing }));
    const [first, ...more] = invalidFields(openPart());
    if (!first) {
      setSaid(null);
      return onSave();
    }
    goTo(first);
    setSaid(
      say('shared.notSavedCannotBeUsedAsIt', {
        label: labelOf(say, first),
        more: more.length > 0 ? say('shared.andMore', { more: more.length }) : '',
      }),
    );
  };
  return (
    <View flex={1} minWidth={0} gap={4}>
      {said ? (
        <Small role="alert" color="$ochreText">
          {said}
        </Small>
      ) : null}
      <Button {...rest} disabled={disabled || saving} aria-busy={saving} onPress={save}>
        {saving ? say('shared.saving') : children}
      </Button>
    </View>
  );
}

/** The sheet that is open, else the page. */
function openPart(): ParentNode {
  return [...document.querySelectorAll('[role=dialog]')].at(-1) ?? document.querySelector('main') ?? document;
}

/** Fields that say something is wrong with what stands in them. */
function invalidFields(scope: ParentNode): HTMLElement[] {
  return [...scope.querySelectorAll<HTMLElement>('[aria-invalid=true]')];
}

const LOOKS = 20;
const LOOK_AGAIN_MS = 20;

/** Brings the first field that cannot be used under the eye and under the fingers, once the fields say what is wrong with them. */
export function goToFirstFault(scope: ParentNode | null, looks = LOOKS): void {
  const [first] = invalidFields(scope ?? openPart());
  if (first) goTo(first);
  else if (looks > 0) setTimeout(() => goToFirstFault(scope, looks - 1), LOOK_AGAIN_MS);
}

function goTo(field: HTMLElement): void {
  field.scrollIntoView({ block: 'center' });
  field.focus({ preventScroll: true });
}

function labelOf(say: Say, field: HTMLElement): string {
  const [label] = (field as HTMLInputElement).labels ?? [];
  return label?.textContent ?? field.getAttribute('aria-label') ?? say('shared.aField');
}
