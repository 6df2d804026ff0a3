// The language of this device: a page waits for its words, and a change of language loses nothing.
import { makeSay } from '@mortisect/words';
import { act, render, screen } from '@testing-library/react';
import { createElement, Suspense } from 'react';
import { browserLocale, loadWords, useCatalogues } from './catalogues';
import { dayWords, longDay } from './moment';
import { usePreferences } from './preferences';
import { useSay, useWords } from './useSay';

const sayNow = () => useWords.getState().say;
beforeEach(() => useWords.setState({ say: makeSay('en-GB', []), loaded: new Set() }));
afterAll(() => loadWords('en-GB', []));

test('what is missing is loaded; another language replaces all that was loaded', async () => {
  await loadWords('en-GB', ['shared', 'round']);
  expect([...useWords.getState().loaded]).toEqual(['shared', 'round']);
  expect(sayNow()('round.open')).toBe('Open');
  expect(longDay('2026-11-24T10:00:00Z', 'UTC')).toBe('Tuesday 24 November');
  const before = useWords.getState();
  await loadWords('en-GB', ['round']);
  expect(useWords.getState()).toBe(before);
  // Words of another place are no reason to draw this one anew
  await loadWords('en-GB', ['plan']);
  expect(sayNow()).toBe(before.say);
  expect(sayNow()('plan.whatElse')).toBe('What else');

  await loadWords('es-ES', ['today']);
  expect([...useWords.getState().loaded].sort()).toEqual(['plan', 'round', 'shared', 'today']);
  expect([sayNow()('round.open'), sayNow().locale]).toEqual(['Abrir', 'es-ES']);
  expect(longDay('2026-11-24T10:00:00Z', 'UTC')).toBe('martes 24 de noviembre');
  await loadWords('en-US', []);
  expect(dayWords('2026-11-24')).toBe('Nov 24, 2026');
  expect(sayNow()('round.neighbours')).toBe('Neighbors');
});

test('of two choices the last one stays, whichever was loaded first', async () => {
  await Promise.all([loadWords('es-ES', ['shared']), loadWords('en-GB', ['shared'])]);
  expect(sayNow().locale).toBe('en-GB');
});

test('a page waits for its words, keeps them while another language is loaded, and never goes away', async () => {
  const seen: string[] = [];
  function Page() {
    const say = useSay();
    const ready = useCatalogues(['shared']);
    if (ready) seen.push(say('shared.today'));
    return createElement('p', null, ready ? say('shared.today') : 'waits');
  }
  usePreferences.setState({ locale: 'en-GB' });
  render(createElement(Page));
  expect(screen.getByText('waits')).toBeTruthy();
  await screen.findByText('Today');
  act(() => usePreferences.setState({ locale: 'es-419' }));
  await screen.findByText('Hoy');
  expect(new Set(seen)).toEqual(new Set(['Today', 'Hoy']));
  expect(document.documentElement.lang).toBe('es-419');
});

test('the browser is asked first, and what is not spoken is said in the log', () => {
  const told = jest.spyOn(console, 'info').mockImplementation(() => {});
  const languages = jest.spyOn(navigator, 'languages', 'get').mockReturnValue(['fr-CH', 'es-PE']);
  expect(browserLocale()).toBe('es-419');
  expect(told).toHaveBeenCalledWith(expect.stringContaining('“fr-CH”'));
  languages.mockRestore();
  told.mockRestore();
});

test('a page that is drawn before its address is told waits for its words, and is no fault', async () => {
  await loadWords('en-GB', ['shared']);
  function Page() {
    return createElement('p', null, useSay()('round.noRoundIsOpen'));
  }
  render(createElement(Suspense, { fallback: createElement('p', null, 'waits') }, createElement(Page)));
  expect(screen.getByText('waits')).toBeTruthy();
  await screen.findByText('No round is open');
  expect(() => sayNow()('round.nonsense' as 'round.open')).toThrow('“round.nonsense”');
});
