// Leaving a form with changes asks first, whichever way one leaves it: Cancel, Back, a link, a key, or closing the page.

import { type Href, useRouter } from 'expo-router';
import { type ReactNode, useEffect, useRef, useState } from 'react';
import { useSay } from '../data/useSay';
import { Button } from './Button';
import { afterLayers, useBackLayer } from './backStack';
import { Sheet } from './Sheet';
import { Body } from './type';

type Go = () => void;

/** The form that is open with changes; it decides whether and when a way out is taken. */
let guard: ((go: Go) => void) | null = null;

/** Takes a way out of the page: at once, or once the form that is open with changes has been asked about. */
export function leavePage(go: Go): void {
  if (guard) guard(go);
  else go();
}

interface LeaveGuard {
  /** Takes a way out, asked about where there are changes. */
  ask(go: Go): void;
  /** Takes a way out without asking: what was changed is saved. */
  leave(go: Go): void;
  /** The question; it stands somewhere on the page. */
  question: ReactNode;
}

/**
 * @param changed whether the form holds what is not saved
 * @param what what would be lost, as in “This tree”
 * @param more.onLost called when somebody leaves without saving
 * @param more.isKept this device keeps the changes: closing or reloading the page loses nothing and asks nothing
 */
export function useLeaveGuard(
  changed: boolean,
  what: string,
  { onLost, isKept = false }: { onLost?: () => void; isKept?: boolean } = {},
): LeaveGuard {
  const say = useSay();
  const router = useRouter();
  const [asked, setAsked] = useState<{ go: Go } | null>(null);
  const [left, setLeft] = useState(false);
  const guarding = changed && !left;
  const ask = (go: Go) => (guarding ? setAsked({ go }) : go());
  const leave = (go: Go) => {
    setAsked(null);
    setLeft(true);
    // The question and the form’s own layer come off the history first
    setTimeout(() => afterLayers(go));
  };
  const latest = useRef(ask);
  latest.current = ask;
  useBackLayer(guarding && asked === null, () => setAsked({ go: () => router.back() }));
  useEffect(() => {
    if (!guarding || typeof window === 'undefined') return;
    const latestGuard = (go: Go) => latest.current(go);
    guard = latestGuard;
    const onClick = (event: MouseEvent) => {
      const link =
        event.target instanceof Element ? event.target.closest<HTMLAnchorElement>('a[href]') : null;
      const inside = link?.getAttribute('href') ?? '';
      if (!inside.startsWith('/') || inside.startsWith('/api/') || event.ctrlKey || event.metaKey) return;
      event.preventDefault();
      event.stopPropagation();
      latestGuard(() => router.navigate(inside as Href));
    };
    const onUnload = (event: BeforeUnloadEvent) => !isKept && event.preventDefault();
    document.addEventListener('click', onClick, { capture: true });
    window.addEventListener('beforeunload', onUnload);
    return () => {
      if (guard === latestGuard) guard = null;
      document.removeEventListener('click', onClick, { capture: true });
      window.removeEventListener('beforeunload', onUnload);
    };
  }, [guarding, router, isKept]);
  return {
    ask,
    leave,
    question: (
      <Sheet
        title={say('shared.leaveWithoutSaving')}
        open={asked !== null}
        onClose={() => setAsked(null)}
        closeLabel={say('shared.stayHere')}
        actions={
          <Button
            grow
            onPress={() => {
              if (!asked) return;
              onLost?.();
              leave(asked.go);
            }}
          >
            {say('shared.leaveLoseTheChanges')}
          </Button>
        }
      >
        <Body>{say('shared.hasChangesThatAreNotSaved', { what })}</Body>
      </Sheet>
    ),
  };
}
