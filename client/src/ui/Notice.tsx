// What happened, what was kept and what to do; or a caution that stands with the work.
import { View } from '@tamagui/core';
import type { ReactNode } from 'react';
import { Body, Strong } from './type';

interface NoticeProps {
  kind: 'danger' | 'caution' | 'said';
  title?: string;
  children: ReactNode;
  action?: ReactNode;
}

const LOOK = {
  danger: { bar: '$kerf', word: '$kerfText', ground: '$kerfGround' },
  caution: { bar: '$ochre', word: '$ochreText', ground: '$paper' },
  said: { bar: '$chalk', word: '$ink', ground: '$paper' },
} as const;

export function Notice({ kind, title, children, action }: NoticeProps) {
  const look = LOOK[kind];
  return (
    <View
      role={kind === 'danger' ? 'alert' : 'note'}
      borderLeftWidth={5}
      borderLeftColor={look.bar}
      borderStyle="solid"
      backgroundColor={look.ground}
      paddingVertical={8}
      paddingHorizontal={12}
      gap={4}
    >
      {title ? <Strong color={look.word}>{title}</Strong> : null}
      <Body fontSize="$16" lineHeight="$16">
        {children}
      </Body>
      {action}
    </View>
  );
}
