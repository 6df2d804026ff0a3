// Terms of the trade in a text: a tap on a dotted word says what it means. They are loaded after the page, which reads the same without them.

import { languageOf } from '@mortisect/words';
import type { Language, Term, TermWords } from '@mortisect/words/terms';
import { styled } from '@tamagui/core';
import { useEffect, useState } from 'react';
import { create } from 'zustand';
import { useSay } from '../data/useSay';
import { Sheet } from '../ui/Sheet';
import { Body, Small } from '../ui/type';

type Terms = typeof import('@mortisect/words/terms');

const useLoaded = create<{ terms: Terms | null }>(() => ({ terms: null }));

/** Null until they are loaded. What cannot be loaded is tried again by the next page. */
export function useTerms(): Terms | null {
  const { terms } = useLoaded();
  useEffect(() => {
    if (terms) return;
    import('@mortisect/words/terms').then(
      (module) => useLoaded.setState({ terms: module }),
      () => undefined,
    );
  }, [terms]);
  return terms;
}

/** In the line, as words are: a button of its own would be a box that tears the line apart. */
const Dotted = styled(Body, {
  name: 'Dotted',
  render: 'span',
  role: 'button',
  tabIndex: 0,
  cursor: 'pointer',
  style: {
    // The thumb has 48 px, over the lines above and below
    padding: '13px 0',
    font: 'inherit',
    color: 'inherit',
    textDecoration: 'underline dotted',
    textUnderlineOffset: '3px',
  },
});

/** To stand inside a text of any style. */
export function WithTerms({ children: text }: { children: string }) {
  const say = useSay();
  const words = useTerms();
  const [asked, setAsked] = useState<Term | null>(null);
  const language = languageOf(say.locale);
  const other = language === 'en' ? 'es' : 'en';
  if (!words) return text;
  return (
    <>
      {words.termsIn(text, language).map(({ text: part, term }) =>
        term === null ? (
          part
        ) : (
          <Dotted
            key={term}
            aria-label={say('shared.whatDoesItMean', { part })}
            onPress={() => setAsked(term)}
            onKeyDown={(event) => {
              if (event.key !== 'Enter' && event.key !== ' ') return;
              event.preventDefault();
              setAsked(term);
            }}
          >
            {part}
          </Dotted>
        ),
      )}
      {asked ? (
        <TermSheet
          ours={words.terms[language][asked]}
          other={words.terms[other][asked]}
          lang={other}
          onClose={() => setAsked(null)}
        />
      ) : null}
    </>
  );
}

/** In the reader’s language, and below it in the other: crews speak both. */
function TermSheet({
  ours,
  other,
  lang,
  onClose,
}: {
  ours: TermWords;
  other: TermWords;
  lang: Language;
  onClose(): void;
}) {
  return (
    <Sheet title={ours.name} open onClose={onClose}>
      <Body>{ours.says}</Body>
      <Small lang={lang}>{`${other.name}: ${other.says}`}</Small>
    </Sheet>
  );
}
