// The language of this device, each in its own words: whoever does not read the language that is set finds theirs.
import { type Locale, locales } from '@mortisect/words';
import { useState } from 'react';
import { browserLocale } from '../data/catalogues';
import { usePreferences } from '../data/preferences';
import { useSay } from '../data/useSay';
import { Select } from '../ui/Select';

const LOCALES: Record<Locale, string> = {
  'en-GB': 'English (UK)',
  'en-US': 'English (US)',
  'es-ES': 'Español (1,5)',
  'es-419': 'Español (1.5)',
};

export function LanguageChoice() {
  const say = useSay();
  const [asked] = useState(browserLocale);
  const chosen = usePreferences(({ locale }) => locale);
  return (
    <Select
      label={say('shared.languageOfThisDevice')}
      value={chosen ?? ''}
      options={[
        { value: '', label: say('shared.asTheBrowser', { language: LOCALES[asked] }) },
        ...locales.map((locale) => ({ value: locale, label: LOCALES[locale] })),
      ]}
      onChange={(value) => usePreferences.setState({ locale: (value || null) as Locale | null })}
      hint={say('shared.languageChangesWordsDaysAndDecimals')}
    />
  );
}
