// The five places, in the order of the work.
export const places = [
  { id: 'today', path: '/today', name: 'Today', letter: 't' },
  { id: 'round', path: '/round', name: 'Round', letter: 'r' },
  { id: 'plan', path: '/plan', name: 'Plan', letter: 'p' },
  { id: 'cut', path: '/cut', name: 'Cut', letter: 'c' },
  { id: 'book', path: '/book', name: 'Book', letter: 'b' },
] as const;

export type PlaceId = (typeof places)[number]['id'];
export type PlacePath = (typeof places)[number]['path'];

/** The place that a page belongs to; Today for a page that belongs to none. */
export function placeOf(path: string): (typeof places)[number] {
  return places.find((place) => path === place.path || path.startsWith(`${place.path}/`)) ?? places[0];
}
