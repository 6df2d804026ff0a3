// What is done before one goes home?

interface CloseItem {
  id: string;
  text: string;
  why: string;
}

/** In this order. Common practice, no source. */
export const closeDown: readonly CloseItem[] = [
  {
    id: 'cleaned',
    text: 'Blades cleaned and rinsed',
    why: 'Sap and grit hold what makes ill; bleach eats steel.',
  },
  { id: 'dried', text: 'Blades dried and oiled', why: 'Rust makes a rough cut.' },
  { id: 'gloves', text: 'Gloves washed or changed', why: 'Gloves carry disease too.' },
  { id: 'ladder', text: 'Ladder feet and rungs wiped', why: 'Soil and ooze go from tree to tree on them.' },
  { id: 'cart', text: 'Cart swept', why: 'It goes to sound trees next time.' },
  {
    id: 'solutions',
    text: 'Mixes poured away as their labels say, bottles closed',
    why: 'Never one into the other, never into a ditch; out of reach of children.',
  },
];

/** What is asked before the first cut. @source the general cautions of the trade; label and local code rule */
export const beforeStart: readonly CloseItem[] = [
  {
    id: 'people',
    text: 'Nobody under the trees; children and animals away',
    why: 'A limb of 10 kg from 3 m hits with 294 J.',
  },
  {
    id: 'above',
    text: 'Looked up: no hanging limbs, no power line within 3 m (10 ft)',
    why: 'Near a line: stop, and call the utility.',
  },
  {
    id: 'ladder',
    text: 'Ladder on firm ground, third leg uphill',
    why: 'Three points of contact; never on the top two steps.',
  },
  {
    id: 'weather',
    text: 'No ice, no lightning, wind under 10 m/s (22 mph)',
    why: 'Wood swings and breaks where it should not.',
  },
  {
    id: 'aid',
    text: 'First aid at hand, phone has signal, somebody knows where I am',
    why: 'Never alone with a power saw.',
  },
];
