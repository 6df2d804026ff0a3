// The walk on the screen: the queue, one tap for a sound tree, and what is left.
import { treeView } from '@mortisect/core/present';
import type { Action } from '@mortisect/core/records';
import { configure, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { useOutbox } from '../../data/outbox';
import { detail, did, finding, NOW, readOrchard, Stage, today } from '../../testing/orchard';
import { RoundList } from './RoundList';
import { WalkActions } from './WalkActions';
import { useWalk } from './walk';

// Whether something is hidden is not what is asked here, and finding out is most of the time
configure({ defaultHidden: true });

const mockGo = jest.fn();
jest.mock('expo-router', () => ({
  useRouter: () => ({ navigate: mockGo, replace: mockGo, back: mockGo }),
  Link: ({ href, children }: { href: string; children: React.ReactNode }) => <a href={href}>{children}</a>,
}));

// Reads QR codes: ES modules only, and a canvas that is not here
jest.mock('../../data/qrCode', () => ({ tagInPhoto: () => Promise.resolve(null) }));

const trees = ['a', 'b', 'c'].map((id, i) =>
  detail([], { id, code: `Tree ${id.toUpperCase()}`, place: i + 1 }),
);
let made = 0;
const act = (minute: number, action: object): Action => ({
  ...did({ at: `2026-11-24T09:0${minute}:00Z`, ...action } as Action['action']),
  id: `0193f000-0000-7000-8000-00000000010${++made}`,
});
const start = act(0, { kind: 'roundStarted', order: 'serpentine', plotIds: [] });
const seen = (minute: number, treeId: string, part: string) =>
  act(minute, { kind: 'treeSeen', treeId, verdict: 'sound', seen: part });

beforeEach(() => {
  mockGo.mockClear();
  useOutbox.setState({ items: [], loaded: false });
  useWalk.setState({ seen: 'all round', last: null });
});
const expectWaiting = (actions: object[]) =>
  waitFor(() => {
    const bodies = useOutbox.getState().items.map((item) => (item.input as { body: object }).body);
    expect(bodies).toMatchObject(actions);
  });

test('the queue says what was seen, what only in part, and where to go on', () => {
  const client = readOrchard(trees, [start, seen(1, 'a', 'all round'), seen(2, 'b', 'from the ground')]);
  render(<RoundList />, { wrapper: ({ children }) => <Stage client={client}>{children}</Stage> });
  expect(screen.getByText('1 of 3')).toBeTruthy();
  expect(screen.getByText('In walking order · 1 seen in part · 1 to see')).toBeTruthy();
  expect(screen.getByText('✓ sound')).toBeTruthy();
  expect(screen.getByText('from the ground only')).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Continue: Tree C' }));
  expect(mockGo).toHaveBeenCalledWith('/round/c');
});

test('a round is started with its plots and order; closing it says how many were not seen', async () => {
  const client = readOrchard(trees);
  render(<RoundList />, { wrapper: ({ children }) => <Stage client={client}>{children}</Stage> });
  fireEvent.click(screen.getByRole('button', { name: 'Start a round' }));
  fireEvent.click(screen.getByRole('radio', { name: 'By tag' }));
  fireEvent.click(screen.getByRole('checkbox', { name: 'Plot' }));
  expect((screen.getByRole('button', { name: 'Start' }) as HTMLButtonElement).disabled).toBe(true);
  fireEvent.click(screen.getByRole('checkbox', { name: 'Plot' }));
  fireEvent.click(screen.getByRole('button', { name: 'Start' }));
  await screen.findByRole('button', { name: 'Round options' });
  await expectWaiting([{ kind: 'roundStarted', order: 'tag', plotIds: [] }]);
  fireEvent.click(await screen.findByRole('button', { name: 'Round options' }));
  fireEvent.click(screen.getByRole('button', { name: 'Close the round with 3 not seen' }));
  await expectWaiting([{}, { kind: 'roundClosed' }]);
});

test('one tap marks a tree sound with what was seen, leads on, and can be taken back', async () => {
  const client = readOrchard(trees, [start]);
  const view = treeView(trees[0] as (typeof trees)[number], today);
  render(<WalkActions view={view} onFinding={() => {}} />, {
    wrapper: ({ children }) => <Stage client={client}>{children}</Stage>,
  });
  fireEvent.click(screen.getByRole('radio', { name: 'One side' }));
  fireEvent.click(screen.getByRole('button', { name: 'Mark sound' }));
  await expectWaiting([{ kind: 'treeSeen', treeId: 'a', verdict: 'sound', seen: 'one side' }]);
  await waitFor(() => expect(mockGo).toHaveBeenCalledWith('/round/b'));
  expect(useWalk.getState().last).toMatchObject({ code: 'Tree A', words: 'marked sound, one side' });
});

test('a tree with a finding of this round is done, not sound', async () => {
  const [first, ...others] = trees;
  const canker = {
    ...(first as (typeof trees)[number]),
    findings: [finding('f', 'S', 'NEO', { seenAt: NOW })],
  };
  const client = readOrchard([canker, ...others], [start]);
  render(<WalkActions view={treeView(canker, today)} onFinding={() => {}} />, {
    wrapper: ({ children }) => <Stage client={client}>{children}</Stage>,
  });
  fireEvent.click(screen.getByRole('button', { name: 'Done here' }));
  await expectWaiting([{ kind: 'treeSeen', verdict: 'found' }]);
});

test('a plot of many trees is opened in parts', () => {
  const many = Array.from({ length: 130 }, (_, i) =>
    detail([], { id: `t${i}`, code: `T${i + 1}`, place: i + 1 }),
  );
  const client = readOrchard(many, [start]);
  render(<RoundList />, { wrapper: ({ children }) => <Stage client={client}>{children}</Stage> });
  expect(screen.getAllByRole('link')).toHaveLength(60);
  fireEvent.click(screen.getByRole('button', { name: '70 more trees' }));
  expect(screen.getAllByRole('link')).toHaveLength(120);
  const plot = screen.getByRole('button', { name: 'Plot, 130 trees' });
  fireEvent.click(plot);
  expect(screen.queryAllByRole('link')).toHaveLength(0);
  expect(within(plot).getByText('Open')).toBeTruthy();
});
