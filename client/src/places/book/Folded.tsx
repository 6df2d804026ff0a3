// What is seldom looked at opens on a press.
import { View } from '@tamagui/core';
import { type ReactNode, useState } from 'react';
import { Button } from '../../ui/Button';

export function Folded({ title, children }: { title: string; children: ReactNode }) {
  const [open, setOpen] = useState(false);
  if (open) return children;
  return (
    <View flexDirection="row">
      <Button onPress={() => setOpen(true)}>{title}</Button>
    </View>
  );
}
