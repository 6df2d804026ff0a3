// When a screen fails: what happened, that nothing entered is lost, and two ways out. The server's log is told.

import { usePathname, useRouter } from 'expo-router';
import { type ReactNode, useEffect, useRef } from 'react';
import { ErrorBoundary } from 'react-error-boundary';
import { reportFault } from '../../data/reportFault';
import { useSay } from '../../data/useSay';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { Screen } from '../../ui/Screen';
import { placeOf } from './places';

interface PlaceErrorProps {
  error: Error;
  retry(): unknown;
}

export function PlaceError({ error, retry }: PlaceErrorProps) {
  const say = useSay();
  const router = useRouter();
  const path = usePathname();
  const place = placeOf(path);
  const failedAt = useRef(path);
  useEffect(() => reportFault(error, path), [error, path]);
  // Another page is another try
  useEffect(() => {
    if (failedAt.current !== path) void retry();
  }, [path, retry]);
  const back = () => {
    // At the list itself there is nothing above it but Today
    router.replace(path === place.path ? '/today' : place.path);
    void retry();
  };
  return (
    <Screen
      title={say(place.name)}
      actions={
        <>
          <Button grow onPress={back}>
            {say('shared.back')}
          </Button>
          <Button grow kind="main" onPress={() => window.location.reload()}>
            {say('shared.reload')}
          </Button>
        </>
      }
    >
      <Notice kind="caution" title={say('shared.thisPageCouldNotBeShown')}>
        {say('shared.whatYouRecordedIsSafeAndWhat', {
          message: error.message || say('shared.noWordsCameWithIt'),
        })}
      </Notice>
    </Screen>
  );
}

/** Keeps a fault in one part of the screen from taking the rest with it. */
export function Bounded({ children }: { children: ReactNode }) {
  const path = usePathname();
  return (
    <ErrorBoundary
      resetKeys={[path]}
      fallbackRender={({ error, resetErrorBoundary }) => (
        <PlaceError error={error as Error} retry={resetErrorBoundary} />
      )}
    >
      {children}
    </ErrorBoundary>
  );
}
