// What had the focus is gone, as after “Save”: it goes to the sheet or the page that is there now, never to nowhere.

/** Where reading goes on: the sheet on top, else the page. */
function nearest(): HTMLElement | null {
  const sheets = document.querySelectorAll<HTMLElement>('[role=dialog] [tabindex], [role=dialog] button');
  return sheets[0] ?? document.querySelector<HTMLElement>('main');
}

/**
 * Watches for an element that had the focus and was taken off the page, or can no longer be used.
 *
 * @returns stops watching
 */
export function keepFocus(): () => void {
  if (typeof document === 'undefined') return () => undefined;
  let last: Element | null = null;
  const remember = ({ target }: FocusEvent) => {
    last = target instanceof Element ? target : null;
  };
  const look = () => {
    const lost = document.activeElement === document.body || document.activeElement === null;
    if (!lost || !last || (last.isConnected && !last.matches(':disabled'))) return;
    last = null;
    nearest()?.focus({ preventScroll: true });
  };
  const watching = new MutationObserver(look);
  document.addEventListener('focusin', remember);
  watching.observe(document.body, {
    subtree: true,
    childList: true,
    attributes: true,
    attributeFilter: ['disabled'],
  });
  return () => {
    document.removeEventListener('focusin', remember);
    watching.disconnect();
  };
}
