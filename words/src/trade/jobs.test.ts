// Jobs as they are told.
import { english, sayIn } from '../all';
import { jobName, jobNotes } from './jobs';

const spanish = sayIn('es-ES');

test('a usual job is told by its kind in the reader’s language, one’s own as it was written', () => {
  expect(jobName(english, { job: 'guard' })).toBe('Put on rodent guard');
  expect(jobName(spanish, { job: 'drain' })).toBe('Sacar el agua de las raíces');
  expect(jobName(spanish, { job: 'own', title: 'Mend the gate' })).toBe('Mend the gate');
  expect(jobName(english, { job: 'own' })).toBe('Something else');
});

test('minutes and a note stand where somebody wrote them', () => {
  expect(jobNotes(english, { minutes: 40, note: 'Bring wire' })).toEqual(['40 min', 'Bring wire']);
  expect(jobNotes(english, { note: '' })).toEqual([]);
});
