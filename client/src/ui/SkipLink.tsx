// For keyboards: past the places to the page itself. Seen only while it has the focus.

import { createElement } from 'react';
import { useSay } from '../data/useSay';

export function SkipLink() {
  const say = useSay();
  const skip = (event: { preventDefault(): void }) => {
    event.preventDefault();
    document.getElementById('main')?.focus();
  };
  return createElement(
    'a',
    { href: '#main', className: 'skip-link', onClick: skip },
    say('shared.toThePage'),
  );
}
