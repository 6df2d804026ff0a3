// Escape closes the sheet that lies on top, from the moment it shows: the library’s own modal hears the key only once it has settled.
import { useLayoutEffect, useRef } from 'react';

/** What Escape closes, the uppermost last. */
const open: object[] = [];

export function useEscape(isOpen: boolean, onClose: () => void): void {
  const latest = useRef(onClose);
  latest.current = onClose;
  useLayoutEffect(() => {
    if (!isOpen || typeof window === 'undefined') return;
    const sheet = {};
    open.push(sheet);
    const hear = (event: KeyboardEvent) => {
      if (event.key !== 'Escape' || open.at(-1) !== sheet) return;
      event.stopImmediatePropagation();
      latest.current();
    };
    // Before the modal below it, which would close as well
    window.addEventListener('keyup', hear, true);
    return () => {
      open.splice(open.indexOf(sheet), 1);
      window.removeEventListener('keyup', hear, true);
    };
  }, [isOpen]);
}
