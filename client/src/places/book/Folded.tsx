// What is seldom looked at opens on a press.
import { View } from '@tamagui/core';
import { type ReactNode, useState } from 'react';
import { Button } from '../../ui/Button';

interface FoldedProps {
  title: string;
  /** Said in place of the title where that alone does not say what is shown. */
  label?: string;
  children: ReactNode;
}

export function Folded({ title, label, children }: FoldedProps) {
  const [open, setOpen] = useState(false);
  if (open) return children;
  return (
    <View flexDirection="row">
      <Button onPress={() => setOpen(true)} aria-label={label ?? title}>
        {title}
      </Button>
    </View>
  );
}
