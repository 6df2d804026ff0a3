// Every catalogue at once, for the server and for tests: nothing waits.
import enGbBook from '../compiled/en-GB/book.json';
import enGbCut from '../compiled/en-GB/cut.json';
import enGbFault from '../compiled/en-GB/fault.json';
import enGbFiles from '../compiled/en-GB/files.json';
import enGbPlan from '../compiled/en-GB/plan.json';
import enGbProblem from '../compiled/en-GB/problem.json';
import enGbRound from '../compiled/en-GB/round.json';
import enGbShared from '../compiled/en-GB/shared.json';
import enGbTables from '../compiled/en-GB/tables.json';
import enGbToday from '../compiled/en-GB/today.json';
import enGbTrade from '../compiled/en-GB/trade.json';
import enUsBook from '../compiled/en-US/book.json';
import enUsCut from '../compiled/en-US/cut.json';
import enUsFault from '../compiled/en-US/fault.json';
import enUsFiles from '../compiled/en-US/files.json';
import enUsPlan from '../compiled/en-US/plan.json';
import enUsProblem from '../compiled/en-US/problem.json';
import enUsRound from '../compiled/en-US/round.json';
import enUsShared from '../compiled/en-US/shared.json';
import enUsTables from '../compiled/en-US/tables.json';
import enUsToday from '../compiled/en-US/today.json';
import enUsTrade from '../compiled/en-US/trade.json';
import esBook from '../compiled/es/book.json';
import esCut from '../compiled/es/cut.json';
import esFault from '../compiled/es/fault.json';
import esFiles from '../compiled/es/files.json';
import esPlan from '../compiled/es/plan.json';
import esProblem from '../compiled/es/problem.json';
import esRound from '../compiled/es/round.json';
import esShared from '../compiled/es/shared.json';
import esTables from '../compiled/es/tables.json';
import esToday from '../compiled/es/today.json';
import esTrade from '../compiled/es/trade.json';
import { type Dictionary, dictionaryOf, type Locale } from './locales';
import { type Catalogue, makeSay, type Say } from './say';

const CATALOGUES: Record<Dictionary, Catalogue[]> = {
  'en-GB': [
    enGbBook,
    enGbCut,
    enGbFault,
    enGbFiles,
    enGbPlan,
    enGbProblem,
    enGbRound,
    enGbShared,
    enGbTables,
    enGbToday,
    enGbTrade,
  ],
  'en-US': [
    enUsBook,
    enUsCut,
    enUsFault,
    enUsFiles,
    enUsPlan,
    enUsProblem,
    enUsRound,
    enUsShared,
    enUsTables,
    enUsToday,
    enUsTrade,
  ],
  es: [esBook, esCut, esFault, esFiles, esPlan, esProblem, esRound, esShared, esTables, esToday, esTrade],
};
const said = new Map<Locale, Say>();

export function sayIn(locale: Locale): Say {
  let say = said.get(locale);
  if (!say) {
    say = makeSay(locale, CATALOGUES[dictionaryOf(locale)]);
    said.set(locale, say);
  }
  return say;
}

export const english = sayIn('en-GB');
