// Terms in a text: dotted where they come first, opened by tap and key; and the list of them in two languages.
import { configure, fireEvent, render, screen } from '@testing-library/react';
import { press } from '../testing/here';
import { readOrchard, Stage } from '../testing/orchard';
import { Body } from '../ui/type';
import { TermList } from './book/TermList';
import { WithTerms } from './Terms';

jest.mock('expo-router', () => require('../testing/here').router);
configure({ defaultHidden: true });
const client = readOrchard([]);
const stage = ({ children }: { children: React.ReactNode }) => <Stage client={client}>{children}</Stage>;

test('a term says what it means, in English and Spanish; the text stays whole', async () => {
  const { container } = render(
    <Body>
      <WithTerms>Cut at the collar, never past a collar.</WithTerms>
    </Body>,
    { wrapper: stage },
  );
  expect(container.textContent).toBe('Cut at the collar, never past a collar.');
  const term = await screen.findByRole('button', { name: 'collar: what does it mean?' });
  expect(container.textContent).toBe('Cut at the collar, never past a collar.');
  expect(screen.queryByRole('dialog')).toBeNull();
  fireEvent.click(term);
  const sheet = await screen.findByRole('dialog');
  expect(sheet.textContent).toContain('branch collarThe swollen ring where a branch joins its parent');
  expect(sheet.textContent).toContain('collar de la rama: El anillo hinchado');
  press('Close');
  expect(screen.queryByRole('dialog')).toBeNull();
  fireEvent.keyDown(term, { key: 'a' });
  expect(screen.queryByRole('dialog')).toBeNull();
  for (const key of ['Enter', ' ']) {
    fireEvent.keyDown(term, { key });
    await screen.findByRole('dialog');
    press('Close');
  }
});

test('the list is sorted in the language that is chosen, with the other beside it', async () => {
  const { container } = render(<TermList />, { wrapper: stage });
  await screen.findByRole('radio', { name: 'Español' });
  const first = () => container.textContent?.replace('EnglishEspañol', '') ?? '';
  expect(first()).toMatch(/^bark ridgearruga de la corteza/);
  fireEvent.click(screen.getByRole('radio', { name: 'Español' }));
  expect(first()).toMatch(/^abanicofan/);
  expect(screen.getByText('abanico').getAttribute('lang')).toBe('es');
});
