// The terms of the trade, each in a sentence, in the language that the reader chooses.
import { languageOf, type Say } from '@mortisect/words';
import type { Language } from '@mortisect/words/terms';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { useSay } from '../../data/useSay';
import { Choice } from '../../ui/Choice';
import { Body, Label, Small } from '../../ui/type';
import { useTerms } from '../Terms';

const languagesIn = (say: Say): { value: Language; label: string }[] => [
  { value: 'en', label: say('book.english') },
  { value: 'es', label: 'Español' },
];

export function TermList() {
  const say = useSay();
  const words = useTerms();
  const [language, setLanguage] = useState<Language>(languageOf(say.locale));
  if (!words) return <Small role="status">{say('book.readingTheTerms')}</Small>;
  const other = language === 'en' ? 'es' : 'en';
  return (
    <View gap={10}>
      <Choice
        label={say('book.languageOfTheTerms')}
        options={languagesIn(say)}
        value={language}
        onChange={setLanguage}
      />
      {words.termsByName(language).map((term) => (
        <View key={term}>
          <View flexDirection="row" flexWrap="wrap" alignItems="baseline" gap={8}>
            <Label lang={language}>{words.terms[language][term].name}</Label>
            <Small lang={other}>{words.terms[other][term].name}</Small>
          </View>
          <Body lang={language} fontSize="$16" lineHeight="$16">
            {words.terms[language][term].says}
          </Body>
        </View>
      ))}
    </View>
  );
}
