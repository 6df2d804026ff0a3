// A sheet over the screen for what was asked in one tap: why, which limb, which version.

import { View } from '@tamagui/core';
import type { ReactNode } from 'react';
import { Modal } from 'react-native';
import { useSay } from '../data/useSay';
import { Button } from './Button';
import { useBackLayer } from './backStack';
import { ActionBar } from './Screen';
import { Section } from './type';
import { useEscape } from './useEscape';

interface SheetProps {
  title: string;
  open: boolean;
  onClose(): void;
  closeLabel?: string;
  children: ReactNode;
  actions?: ReactNode;
}

export function Sheet({ title, open, onClose, closeLabel, children, actions }: SheetProps) {
  const say = useSay();
  const close = closeLabel ?? say('shared.close');
  useBackLayer(open, onClose);
  useEscape(open, onClose);
  return (
    <Modal visible={open} transparent animationType="none" onRequestClose={onClose} aria-label={title}>
      <View flex={1} justifyContent="flex-end" $wide={{ justifyContent: 'center' }}>
        <View
          position="absolute"
          top={0}
          right={0}
          bottom={0}
          left={0}
          backgroundColor="#0E1714"
          opacity={0.55}
          onPress={onClose}
          aria-hidden
        />
        <View
          position="relative"
          alignSelf="center"
          width="100%"
          maxWidth={640}
          maxHeight="88%"
          backgroundColor="$ground"
          borderTopWidth={2}
          borderColor="$ink"
          borderStyle="solid"
          $wide={{ borderWidth: 1.5, borderRadius: 3 }}
        >
          <View paddingHorizontal={16} paddingTop={16} paddingBottom={8}>
            <Section>{title}</Section>
          </View>
          <View
            flexShrink={1}
            minHeight={0}
            style={{ overflowY: 'auto' }}
            paddingHorizontal={16}
            paddingBottom={12}
            gap={12}
            tabIndex={0}
            role="region"
            aria-label={title}
          >
            {children}
          </View>
          <ActionBar>
            <Button grow onPress={onClose}>
              {close}
            </Button>
            {actions}
          </ActionBar>
        </View>
      </View>
    </Modal>
  );
}
