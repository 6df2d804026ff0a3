// A screen that reads a file: choose it, see what it would bring, take that or nothing.

import { type Href, useRouter } from 'expo-router';
import { type ReactNode, useRef } from 'react';
import { useSay } from '../data/useSay';
import { Button } from '../ui/Button';
import { Failed } from '../ui/Failed';
import { Screen } from '../ui/Screen';
import { Label, Small } from '../ui/type';
import { useBack } from '../ui/useBack';

interface Step {
  label: string;
  disabled?: boolean;
  onPress(): void;
}

interface FromFileProps {
  title: string;
  subtitle: string;
  /** What the file holds: “trees”. */
  of: string;
  /** Endings and media types of files that may be chosen. */
  accept: string;
  fileName: string | undefined;
  reading: { isPending: boolean; error: Error | null };
  /** What the file would bring can be taken. */
  take: (Step & { onNothing?: () => void }) | null;
  /** It was taken. */
  taken: boolean;
  /** The page that shows what was taken. */
  above: { label: string; path: Href };
  /** No file can be chosen yet. */
  waits?: boolean;
  onChoose(file: File): void;
  children: ReactNode;
}

export function FromFile({ title, subtitle, reading, take, taken, waits = false, ...given }: FromFileProps) {
  const say = useSay();
  const router = useRouter();
  const back = useBack(given.above.path);
  const input = useRef<HTMLInputElement>(null);
  const choose: Step = {
    label: say('shared.chooseAFile'),
    disabled: reading.isPending || waits,
    onPress: () => input.current?.click(),
  };
  const show: Step = { label: given.above.label, onPress: () => router.replace(given.above.path) };
  const main = taken ? show : (take ?? choose);
  return (
    <Screen
      title={title}
      subtitle={subtitle}
      actions={
        <>
          {taken ? null : (
            <Button onPress={take?.onNothing ?? back}>
              {take ? say('shared.takeNothing') : say('shared.back')}
            </Button>
          )}
          <Button grow kind="main" disabled={main.disabled ?? false} onPress={main.onPress}>
            {main.label}
          </Button>
        </>
      }
    >
      {waits ? null : (
        <input
          ref={input}
          type="file"
          accept={given.accept}
          aria-label={say(given.of === 'trees' ? 'shared.fileOfTrees' : 'shared.fileOfWeather')}
          style={{ display: 'none' }}
          onChange={(event) => {
            const chosen = event.target.files?.[0];
            if (chosen) given.onChoose(chosen);
            event.target.value = '';
          }}
        />
      )}
      <Failed title={say('shared.nothingWasReadNothingWasChanged')} error={reading.error} />
      {given.fileName === undefined ? null : <Label>{given.fileName}</Label>}
      {reading.isPending ? <Small role="status">{say('shared.readingTheFile')}</Small> : null}
      {given.children}
    </Screen>
  );
}
