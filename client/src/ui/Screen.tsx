// A screen: header on its tape rule, work that scrolls, and the main actions in reach of the thumb.

import { View } from '@tamagui/core';
import { type ReactNode, useEffect, useRef } from 'react';
import { elementRef } from './dom';
import { TapeRule } from './TapeRule';
import { useWide } from './theme';
import { Label, Section, Small, Title } from './type';

interface ScreenProps {
  title: string;
  subtitle?: string;
  /** The one figure or word that stands at the right of the header. */
  aside?: ReactNode;
  actions?: ReactNode;
  /** Instead of `actions`, an `ActionBar` of its own: what is still to be found out leaves no empty one. */
  bar?: ReactNode;
  /** Stays under the header while the work scrolls. */
  pinned?: ReactNode;
  /** Column width of the running content; `full` for drawings that use the whole of a wide screen. */
  width?: 'column' | 'full';
  /** On a wide screen this stands beside the work and is not the page's own subject. */
  beside?: boolean;
  children: ReactNode;
}

/** Running text is no wider. */
const COLUMN_PX = 760;

export function Screen({
  title,
  subtitle,
  aside,
  actions,
  bar,
  pinned,
  width = 'column',
  beside = false,
  children,
}: ScreenProps) {
  const isPane = useWide() && beside;
  const page = useRef<HTMLElement>(null);
  useEffect(() => {
    if (!isPane) document.title = `${title} · Mortisect`;
  }, [title, isPane]);
  useEffect(() => {
    if (!isPane) comesUp(page.current);
  }, [isPane]);
  return (
    <View
      ref={elementRef(page)}
      render={isPane ? 'section' : 'main'}
      aria-label={title}
      {...(isPane ? {} : { id: 'main', tabIndex: -1, outlineStyle: 'none' as const })}
      flex={1}
      minHeight={0}
      minWidth={0}
    >
      <View render="header" backgroundColor="$ground">
        <View
          flexDirection="row"
          alignItems="flex-end"
          gap={12}
          paddingHorizontal={16}
          paddingTop={12}
          paddingBottom={8}
        >
          <View flex={1} minWidth={0}>
            {isPane ? <Section>{title}</Section> : <Title>{title}</Title>}
            {subtitle ? <Small>{subtitle}</Small> : null}
          </View>
          {aside}
        </View>
        <TapeRule />
        {pinned ? (
          <View
            paddingHorizontal={16}
            paddingTop={8}
            paddingBottom={8}
            borderBottomWidth={1}
            borderStyle="solid"
            borderColor="$rule"
          >
            {pinned}
          </View>
        ) : null}
      </View>
      <View flex={1} minHeight={0} style={{ overflowY: 'auto', overflowX: 'hidden' }} tabIndex={-1}>
        <View
          paddingHorizontal={16}
          paddingTop={12}
          paddingBottom={24}
          gap={16}
          maxWidth={width === 'column' ? COLUMN_PX + 32 : undefined}
        >
          {children}
        </View>
      </View>
      {actions ? <ActionBar width={width}>{actions}</ActionBar> : bar}
    </View>
  );
}

/** The main actions, in reach of the thumb. @param width of the running content */
export function ActionBar({ width, children }: Pick<ScreenProps, 'width' | 'children'>) {
  return (
    <View borderTopWidth={1} borderColor="$rule" borderStyle="solid" backgroundColor="$ground">
      <View
        flexDirection="row"
        flexWrap="wrap"
        gap={12}
        padding={12}
        paddingHorizontal={16}
        maxWidth={width === 'column' ? COLUMN_PX + 32 : undefined}
      >
        {children}
      </View>
    </View>
  );
}

let shown = 0;

/** A page that takes the place of another takes the focus with it, where that would be lost: its name is read out. The first one does not. */
function comesUp(page: HTMLElement | null): void {
  shown++;
  const lost = document.activeElement === document.body || document.activeElement === null;
  if (shown > 1 && lost) page?.focus({ preventScroll: true });
}

/** Figure and caption at the right of a header. */
export function Aside({ figure, caption }: { figure: string; caption: string }) {
  return (
    <View alignItems="flex-end">
      <Label fontSize="$22" lineHeight="$22">
        {figure}
      </Label>
      <Small>{caption}</Small>
    </View>
  );
}
