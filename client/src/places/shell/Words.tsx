// Waits until a page can speak the language of this device.
import type { PagePlace } from '@mortisect/words';
import { View } from '@tamagui/core';
import { type ReactNode, Suspense, useEffect } from 'react';
import { EVERY_PLACE, loadWords, useCatalogues } from '../../data/catalogues';
import { useSay } from '../../data/useSay';

const AFTER_MS = 1500;

interface WordsProps {
  of: readonly PagePlace[];
  children: ReactNode;
}

/** What was loaded once is replaced by the same in another language: what stands inside is never taken away. */
export function Words({ of: places, children }: WordsProps) {
  return useCatalogues(places) ? children : <View flex={1} aria-busy />;
}

/**
 * The page of a place: it waits for its words by itself. Its navigator is never taken away, which would begin anew at the first page. The
 * words of the other places are loaded behind it, for whoever walks on without signal.
 */
export function PlaceWords({ children }: { children: ReactNode }) {
  const { locale } = useSay();
  useEffect(() => {
    const later = setTimeout(() => loadWords(locale, EVERY_PLACE).catch(() => {}), AFTER_MS);
    return () => clearTimeout(later);
  }, [locale]);
  return <Suspense fallback={<View flex={1} aria-busy />}>{children}</Suspense>;
}
