// The five places, in the order of the work.
import type { Place, PlainKey } from '@mortisect/words';

export const places = [
  { id: 'today', path: '/today', name: 'shared.today', letter: 't' },
  { id: 'round', path: '/round', name: 'shared.round', letter: 'r' },
  { id: 'plan', path: '/plan', name: 'shared.plan', letter: 'p' },
  { id: 'cut', path: '/cut', name: 'shared.cut', letter: 'c' },
  { id: 'book', path: '/book', name: 'shared.book', letter: 'b' },
] as const satisfies { id: Place; path: string; name: PlainKey; letter: string }[];

export type PlaceId = (typeof places)[number]['id'];
export type PlacePath = (typeof places)[number]['path'];

/** The place that a page belongs to; Today for a page that belongs to none. */
export function placeOf(path: string): (typeof places)[number] {
  return places.find((place) => path === place.path || path.startsWith(`${place.path}/`)) ?? places[0];
}
