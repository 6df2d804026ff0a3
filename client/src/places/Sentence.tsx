// A cut in words, with its measures in chalk blue and the cut itself in vermilion.
import type { Phrase } from '@mortisect/words/trade';
import { createElement } from 'react';
import { Body } from '../ui/type';
import { WithTerms } from './Terms';

const COLOR = { chalk: '$chalk', kerf: '$kerfText' } as const;

export function Sentence({ phrases }: { phrases: Phrase[] }) {
  const words = phrases.map(({ text, is }) =>
    is ? createElement(Measure, { is }, text) : createElement(WithTerms, null, text),
  );
  return createElement(Body, { fontSize: '$18', lineHeight: '$18' }, ...words);
}

function Measure({ is, children }: { is: NonNullable<Phrase['is']>; children?: string }) {
  return (
    <Body render="strong" fontSize="$18" lineHeight="$18" fontWeight="600" color={COLOR[is]}>
      {children}
    </Body>
  );
}
