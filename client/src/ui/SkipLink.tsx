// For keyboards: past the places to the page itself. Seen only while it has the focus.
import { createElement } from 'react';

export function SkipLink() {
  const skip = (event: { preventDefault(): void }) => {
    event.preventDefault();
    document.getElementById('main')?.focus();
  };
  return createElement('a', { href: '#main', className: 'skip-link', onClick: skip }, 'To the page');
}
