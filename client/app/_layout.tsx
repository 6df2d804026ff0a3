// First: it says how schemas are made
import '../src/data/withoutEval';

import { TamaguiProvider, View } from '@tamagui/core';
import { QueryClientProvider } from '@tanstack/react-query';
import { Slot } from 'expo-router';
import { useEffect } from 'react';
import { followChanges } from '../src/data/changes';
import { SHARED } from '../src/data/early';
import { readFirst } from '../src/data/firstReads';
import { registerOffline } from '../src/data/offline';
import { openOutbox } from '../src/data/outbox';
import { askSession, queryClient } from '../src/data/queryClient';
import { readQuietly } from '../src/data/quietly';
import { takeOver } from '../src/data/takeOver';
import { Gate } from '../src/places/shell/Gate';
import { PlaceKeys } from '../src/places/shell/Keys';
import { NewVersion } from '../src/places/shell/NewVersion';
import { OutboxBar } from '../src/places/shell/OutboxBar';
import { type PagesOfPlaces, PlaceBar } from '../src/places/shell/PlaceBar';
import { PlaceError } from '../src/places/shell/PlaceError';
import { placeOf } from '../src/places/shell/places';
import { PlaceWords, Words } from '../src/places/shell/Words';
import { watchBack } from '../src/ui/backStack';
import { keepFocus } from '../src/ui/focusKeeper';
import { SkipLink } from '../src/ui/SkipLink';
import { config } from '../src/ui/tamagui.config';
import { ThemeFollower, useWide } from '../src/ui/theme';

/** Read while somebody’s finger is still on a place. */
const PAGES: PagesOfPlaces = {
  today: () => import('./today'),
  plan: () => Promise.all([import('./plan/index'), import('../src/places/plan/PlanList')]),
  cut: () => import('./cut/index'),
  book: () => import('./book/index'),
};

// Before the router listens
watchBack();
readFirst(placeOf(window.location.pathname).id);

export default function Layout() {
  useEffect(() => {
    void openOutbox(takeOver, askSession);
    followChanges();
    registerOffline();
    return keepFocus();
  }, []);
  return (
    <TamaguiProvider config={config} defaultTheme="light">
      <ThemeFollower>
        <QueryClientProvider client={queryClient}>
          <View flex={1} minWidth={0} minHeight={0} backgroundColor="$ground">
            <Words of={SHARED}>
              <Gate>
                <House />
              </Gate>
            </Words>
          </View>
        </QueryClientProvider>
      </ThemeFollower>
    </TamaguiProvider>
  );
}

function House() {
  const wide = useWide();
  useEffect(readQuietly, []);
  const bar = <PlaceBar key="bar" pages={PAGES} />;
  const page = (
    <View key="page" flex={1} minHeight={0} minWidth={0}>
      <NewVersion />
      <OutboxBar />
      <PlaceWords>
        <Slot unstable_screenErrorBoundary={PlaceError} />
      </PlaceWords>
    </View>
  );
  // Read in the order in which it is seen: the rail first on a wide screen, the bar last on a phone
  return (
    <View flex={1} minHeight={0} flexDirection={wide ? 'row' : 'column'}>
      <SkipLink />
      {wide ? [bar, page] : [page, bar]}
      <PlaceKeys />
    </View>
  );
}
