// What the catalogues hold and how hard they are to read, place by place.
import { asRead, easeOf, gradeOf, joined } from '../words/src/reading.ts';
import { terms } from '../words/src/terms.ts';
import { catalogue } from './words.mjs';

const languages = { en: catalogue('en'), es: catalogue('es') };
const read = (messages) => joined(Object.values(messages).map(asRead));

const counts = Object.entries(languages).map(
  ([language, places]) => `${language} ${Object.values(places).flatMap(Object.keys).length}`,
);
console.log(`\nMessages: ${counts.join(', ')}; terms: ${Object.keys(terms.en).length} in both`);
const grades = Object.keys(languages.en).map(
  (place) =>
    `${place} ${gradeOf(read(languages.en[place])).toFixed(1)} / ${easeOf(read(languages.es[place])).toFixed(0)}`,
);
console.log(
  `Reading, grade in English (aim: at most 6) / ease in Spanish (aim: at least 70): ${grades.join(', ')}`,
);
