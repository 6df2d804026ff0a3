// A cell of the register while it is typed into.
import { type KeyboardEvent, useLayoutEffect, useRef } from 'react';

interface CellInputProps {
  label: string;
  text: string;
  /** As it was: what is typed first takes its place. */
  isWhole: boolean;
  isWrong: boolean;
  onType(text: string): void;
  onKeyDown(event: KeyboardEvent): void;
}

/** A plain element, as the cell is; the cell that is opened has the keys. */
export function CellInput({ label, text, isWhole, isWrong, onType, onKeyDown }: CellInputProps) {
  const input = useRef<HTMLInputElement>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: once, when the cell is opened
  useLayoutEffect(() => {
    input.current?.focus();
    if (isWhole) input.current?.select();
  }, []);
  return (
    <input
      ref={input}
      aria-label={label}
      aria-invalid={isWrong}
      value={text}
      onChange={(event) => onType(event.target.value)}
      onKeyDown={onKeyDown}
      autoComplete="off"
      maxLength={200}
    />
  );
}
