// A row of a list. Where it is a choice or a way on, the whole row is the target.
import { View } from '@tamagui/core';
import { type Href, Link } from 'expo-router';
import type { ReactNode } from 'react';
import { Label, Small } from './type';

interface RowProps {
  title: ReactNode;
  detail?: ReactNode;
  aside?: ReactNode;
  /** A bar at the left edge: vermilion for danger to people, chalk for the row that is open. */
  bar?: 'danger' | 'open';
  href?: Href;
}

const BAR = { danger: '$kerf', open: '$chalk' } as const;

export function Row({ title, detail, aside, bar, href }: RowProps) {
  const content = (
    <View
      flexDirection="row"
      alignItems="center"
      gap={12}
      minHeight={60}
      paddingVertical={8}
      paddingHorizontal={16}
      borderBottomWidth={1}
      borderBottomColor="$rule"
      borderStyle="solid"
      borderLeftWidth={bar ? 5 : 0}
      borderLeftColor={bar ? BAR[bar] : 'transparent'}
      paddingLeft={bar ? 11 : 16}
      backgroundColor={bar === 'open' ? '$paper' : 'transparent'}
      {...(href && { hoverStyle: { backgroundColor: '$paper' } })}
    >
      <View flex={1} minWidth={0}>
        {typeof title === 'string' ? (
          <Label fontSize="$19" lineHeight="$19" color={bar === 'danger' ? '$kerfText' : '$ink'}>
            {title}
          </Label>
        ) : (
          title
        )}
        {typeof detail === 'string' ? <Small>{detail}</Small> : detail}
      </View>
      {typeof aside === 'string' ? <Label textAlign="right">{aside}</Label> : aside}
    </View>
  );
  if (!href) return content;
  return (
    <Link
      href={href}
      style={{ textDecorationLine: 'none', display: 'flex', flexDirection: 'column' }}
      aria-current={bar === 'open' ? 'page' : undefined}
    >
      {content}
    </Link>
  );
}

/** Rows of a screen run to its edges. */
export function Rows({ children }: { children: ReactNode }) {
  return (
    <View marginHorizontal={-16} borderTopWidth={1} borderTopColor="$rule" borderStyle="solid">
      {children}
    </View>
  );
}
