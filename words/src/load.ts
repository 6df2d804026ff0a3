// Each catalogue is a file of its own, read when a page of its place is opened in its language.
import type { Place } from '../compiled/keys';
import type { Dictionary } from './locales';
import type { Catalogue } from './say';

type Read = () => Promise<{ default: Catalogue }>;

/** What pages say; those of files and of problems are the server’s. */
export type PagePlace = Exclude<Place, 'files' | 'problem'>;

const FILES: Record<Dictionary, Record<PagePlace, Read>> = {
  'en-GB': {
    book: () => import('../compiled/en-GB/book.json'),
    cut: () => import('../compiled/en-GB/cut.json'),
    fault: () => import('../compiled/en-GB/fault.json'),
    plan: () => import('../compiled/en-GB/plan.json'),
    round: () => import('../compiled/en-GB/round.json'),
    shared: () => import('../compiled/en-GB/shared.json'),
    tables: () => import('../compiled/en-GB/tables.json'),
    today: () => import('../compiled/en-GB/today.json'),
    trade: () => import('../compiled/en-GB/trade.json'),
  },
  'en-US': {
    book: () => import('../compiled/en-US/book.json'),
    cut: () => import('../compiled/en-US/cut.json'),
    fault: () => import('../compiled/en-US/fault.json'),
    plan: () => import('../compiled/en-US/plan.json'),
    round: () => import('../compiled/en-US/round.json'),
    shared: () => import('../compiled/en-US/shared.json'),
    tables: () => import('../compiled/en-US/tables.json'),
    today: () => import('../compiled/en-US/today.json'),
    trade: () => import('../compiled/en-US/trade.json'),
  },
  es: {
    book: () => import('../compiled/es/book.json'),
    cut: () => import('../compiled/es/cut.json'),
    fault: () => import('../compiled/es/fault.json'),
    plan: () => import('../compiled/es/plan.json'),
    round: () => import('../compiled/es/round.json'),
    shared: () => import('../compiled/es/shared.json'),
    tables: () => import('../compiled/es/tables.json'),
    today: () => import('../compiled/es/today.json'),
    trade: () => import('../compiled/es/trade.json'),
  },
};

export async function loadCatalogue(dictionary: Dictionary, place: PagePlace): Promise<Catalogue> {
  return (await FILES[dictionary][place]()).default;
}
