// In which language is a request answered?
import { localeFor, type Say } from '@mortisect/words';
import { sayIn } from '@mortisect/words/all';
import type { Request } from 'express';

/** Whoever asks in ever other languages does not fill the log. */
const MOST_TOLD = 100;
const told = new Set<string>();

/**
 * What the address asks for by `language`, else what the request accepts, the best first (RFC 9110, 12.5.4); English where none of it is
 * spoken here, which the log tells once for each language.
 */
export function sayFor(request: Request): Say {
  const { language } = request.query;
  const accepted = request.acceptsLanguages().filter((tag) => tag !== '*');
  const locale = localeFor([...(typeof language === 'string' ? [language] : []), ...accepted], (tag) => {
    const unknown = tag.slice(0, 35);
    if (told.has(unknown) || told.size >= MOST_TOLD) return;
    told.add(unknown);
    request.log?.info({ language: unknown }, 'a language that is not spoken here was asked for');
  });
  return sayIn(locale);
}
