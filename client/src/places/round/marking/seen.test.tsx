// What was seen of a finding: signs that are seen, absent or not looked for; scratches; girdling; questions.
import { siteToday, treeView } from '@mortisect/core/present';
import type { Limb } from '@mortisect/core/tree';
import { configure, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { useState } from 'react';
import { useOutbox } from '../../../data/outbox';
import { usePreferences } from '../../../data/preferences';
import { detail, finding, limbs, NOW, readOrchard, Stage, site, today } from '../../../testing/orchard';
import { type Marking, newMarking, ofKind } from './draft';
import { likelyOn } from './likely';
import { KindChoice, MoreFields } from './MarkingForm';
import { SeenMore } from './SeenMore';

// Whether something is hidden is not what is asked here, and finding out is most of the time
configure({ defaultHidden: true });

const limb = limbs[1] as Limb;
let now: Marking;

function Bench({ species = 'apple', known = false }: { species?: string; known?: boolean }) {
  const tree = detail(known ? [finding('f', 'S', 'SUSPECT')] : [], { species });
  const start = ofKind(newMarking(limb, 'metric', NOW), 'diseased', limbs);
  const [marking, setMarking] = useState<Marking>({ ...start, ...(known && { id: 'f', baseRevision: 1 }) });
  now = marking;
  const view = treeView(tree, today);
  const form = { marking, onChange: setMarking };
  return (
    <>
      <KindChoice likely={LIKELY} {...form} limbs={limbs} />
      <SeenMore view={view} today={today} limb={limb} {...form} />
      <MoreFields {...form} limbs={limbs} />
    </>
  );
}
const show = (props: Parameters<typeof Bench>[0] = {}) =>
  render(<Bench {...props} />, {
    wrapper: ({ children }) => <Stage client={readOrchard([])}>{children}</Stage>,
  });

const answer = (sign: string, word: 'Seen' | 'Absent') =>
  fireEvent.click(
    within(screen.getAllByRole('group', { name: sign }).at(-1) as HTMLElement).getByRole('button', {
      name: word,
    }),
  );

beforeEach(() => useOutbox.setState({ items: [], loaded: false }));

const LIKELY = ['NEO', 'ROD', 'FB_CANK_A', 'OTHER', 'SIL', 'COR', 'BRK', 'SCB'];

test('a kind without a name offers what is likely on the tree, of its own kind and no more than four; named, it offers none', () => {
  show();
  fireEvent.click(screen.getByRole('button', { name: 'Other kind' }));
  fireEvent.click(screen.getByRole('radio', { name: 'Diseased' }));
  const offered = () => screen.queryByRole('group', { name: 'Likely here' });
  const names = () => [...(offered()?.querySelectorAll('button') ?? [])].map((button) => button.textContent);
  expect(names()).toEqual(['Neonectria canker', 'Fire blight canker, active', 'Silver leaf', 'Coral spot']);
  fireEvent.click(screen.getByRole('button', { name: 'Other kind' }));
  fireEvent.click(screen.getByRole('radio', { name: 'Damaged' }));
  expect(names()).toEqual(['Bark gnawed by rodents', 'Breakage']);
  fireEvent.click(screen.getByRole('button', { name: 'Breakage' }));
  expect(now).toMatchObject({ kind: 'damaged', disorder: 'BRK' });
  expect(offered()).toBeNull();
});

test('what is likely goes by the host and the season, without what does not occur here', () => {
  const at = (month: string, absentHere: string[] = []) =>
    siteToday({ ...site, absentHere }, null, `2026-${month}-15`);
  const first = (species: string, month: string) => likelyOn(species, at(month)).slice(0, 8);
  // Agrios 2005 and common practice: fire blight takes pome fruit, bacterial canker and Cytospora stone fruit
  expect(first('apple', '11')).toEqual(expect.arrayContaining(['NEO']));
  expect(likelyOn('pear', at('06'))).toContain('FB_SHOOT');
  expect(likelyOn('peach', at('06'))).not.toContain('FB_SHOOT');
  expect(likelyOn('peach', at('11')).indexOf('CYT')).toBeLessThan(6);
  expect(likelyOn('plum', at('11', ['BKT']))).not.toContain('BKT');
  expect(likelyOn('no such fruit', at('11'))).toEqual([]);
});

test('seen, absent and not looked for are three things; pressed again it is not looked for', () => {
  show();
  fireEvent.click(screen.getByRole('button', { name: 'Signs and causes' }));
  answer('Sunken dead bark patch', 'Seen');
  answer('Target-like concentric ridges', 'Absent');
  expect(now.signs).toEqual({ BK_SUNK: 'present', BK_RINGS: 'absent' });
  answer('Sunken dead bark patch', 'Seen');
  expect(now.signs).toEqual({ BK_RINGS: 'absent' });
  answer('Target-like concentric ridges', 'Seen');
  expect(now.signs).toEqual({ BK_RINGS: 'present' });
});

test('rings on an apple name Neonectria first, in words and never as certain; taken, it is the name of the finding', () => {
  show();
  fireEvent.click(screen.getByRole('button', { name: 'Signs and causes' }));
  answer('Target-like concentric ridges', 'Seen');
  answer('Sunken dead bark patch', 'Seen');
  const dialog = screen.getByRole('dialog', { name: 'Signs and causes' });
  expect(within(dialog).getByText('Most likely: a canker fungus')).toBeTruthy();
  expect(dialog.textContent).not.toMatch(/confirmed|%/i);
  expect(within(dialog).getByText('Check next')).toBeTruthy();
  fireEvent.click(within(dialog).getByRole('button', { name: 'Take Neonectria canker' }));
  expect(now.disorder).toBe('NEO');
});

test('signs of other seasons are not asked for', () => {
  show();
  fireEvent.click(screen.getByRole('button', { name: 'Signs and causes' }));
  fireEvent.click(screen.getByRole('radio', { name: 'Leaf' }));
  expect(screen.queryByRole('group', { name: 'Leaves suddenly limp' })).toBeNull();
  expect(screen.getByRole('group', { name: 'Dead brown/black leaves cling to shoot' })).toBeTruthy();
});

test('where causes are not computed the guide stands instead, and the signs are kept all the same', () => {
  show({ species: 'walnut' });
  fireEvent.click(screen.getByRole('button', { name: 'Signs and causes' }));
  expect(screen.getByText(/Causes are not computed for walnut/)).toBeTruthy();
  answer('Sunken dead bark patch', 'Seen');
  expect(now.signs).toEqual({ BK_SUNK: 'present' });
});

test('scratches pin the boundary by halves and move the finding to it', () => {
  show();
  fireEvent.click(screen.getByRole('button', { name: 'Scratch test' }));
  fireEvent.click(screen.getByRole('radio', { name: 'Green' }));
  fireEvent.click(screen.getByRole('radio', { name: 'Brown' }));
  expect(now.scratches).toEqual([
    { atCm: 90, reads: 'green' },
    { atCm: 135, reads: 'brown' },
  ]);
  expect(screen.getByText('Live wood ends between 90 cm and 135 cm')).toBeTruthy();
  expect(screen.getByText(/Scratch next at 112.5 cm/)).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Begin the finding at 90 cm' }));
  expect(now.fromCm).toBe(90);
  fireEvent.click(screen.getByRole('button', { name: 'Remove the scratch at 135 cm' }));
  expect(now.scratches).toHaveLength(1);
});

test('girdling is the sum of widths over the circumference of the limb here', () => {
  show();
  fireEvent.click(screen.getByRole('button', { name: 'Girdling' }));
  fireEvent.change(screen.getByLabelText('Round the limb here, cm'), { target: { value: '31.4' } });
  for (const width of ['6', '4']) {
    fireEvent.change(screen.getByLabelText('Width of a dead patch, cm'), { target: { value: width } });
    fireEvent.click(screen.getByRole('button', { name: 'Add' }));
  }
  expect(now).toMatchObject({ widthsCm: [6, 4], circumferenceCm: 31.4 });
  expect(screen.getByText('32 % of the circumference')).toBeTruthy();
});

test('others are asked about what is on record only, and never oneself', () => {
  usePreferences.setState({ person: 'Wall crew' });
  show();
  expect(screen.queryByRole('button', { name: 'Ask another' })).toBeNull();
});

test('a question goes to another person by name', async () => {
  usePreferences.setState({ person: 'Wall crew' });
  show({ known: true });
  fireEvent.click(screen.getByRole('button', { name: 'Ask another' }));
  expect(within(screen.getByLabelText('Who?')).queryByText('Wall crew')).toBeNull();
  fireEvent.change(screen.getByLabelText('Question'), { target: { value: 'Leave it?' } });
  fireEvent.click(screen.getByRole('button', { name: 'Ask Boat crew' }));
  const waiting = () => useOutbox.getState().items.map((item) => (item.input as { body: object }).body);
  await waitFor(() =>
    expect(waiting()).toMatchObject([
      { kind: 'asked', findingId: 'f', of: 'Boat crew', question: 'Leave it?' },
    ]),
  );
});

test('base and rootstock lie on the stem, a whole limb from end to end; kinds bring their own first name', () => {
  show();
  fireEvent.click(screen.getByRole('radio', { name: 'Tree base' }));
  expect(now).toMatchObject({ place: 'base', limbId: 'T', fromCm: 0, toCm: 15 });
  fireEvent.click(screen.getByRole('button', { name: 'Other kind' }));
  fireEvent.click(screen.getByRole('radio', { name: 'Old cut' }));
  expect(now).toMatchObject({ kind: 'old cut', disorder: 'STUB' });
  fireEvent.click(screen.getByRole('button', { name: 'Choose what it is' }));
  fireEvent.click(screen.getByRole('button', { name: /^Old cut, closing well/ }));
  expect(now.disorder).toBe('CLOSING');
});
