// Drawing a limb map without a thumb: every drag has its keys, every step its undo.

import type { Limb } from '@mortisect/core/tree';
import { configure, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { queryClient } from '../../data/queryClient';
import { detail, finding, limbs, readOrchard, Stage, today } from '../../testing/orchard';
import { CopyMap } from './CopyMap';
import { MapEditor } from './MapEditor';
import { Starter } from './Starter';
import { useMapHistory } from './useMapHistory';

// Whether something is hidden is not what is asked here, and finding out is most of the time
configure({ defaultHidden: true });

let drawn: Limb[];

function Editor({ findings = [] }: { findings?: ReturnType<typeof finding>[] }) {
  const history = useMapHistory(limbs);
  drawn = history.limbs;
  return (
    <MapEditor
      tree={detail([]).tree}
      today={today}
      history={history}
      findings={findings}
      onStartAnew={() => {}}
      onWay={() => {}}
    />
  );
}
const show = (element: React.ReactElement) =>
  render(element, {
    wrapper: ({ children }) => <Stage client={readOrchard([detail([])])}>{children}</Stage>,
  });
const limb = (id: string) => drawn.find((limb) => limb.id === id) as Limb;
const key = (slider: RegExp | string, name: string) =>
  fireEvent.keyDown(screen.getByRole('slider', { name: slider }), { key: name });

test('bearing and length by keys on the clock, joint and inclination on the ladder', () => {
  show(<Editor />);
  key(/^Tip of [A-Z]\w*: bearing/, 'ArrowRight');
  expect(limb('S').bearingDeg).toBe(95);
  const before = limb('S').lengthCm;
  key(/^Tip of [A-Z]\w*: bearing/, 'ArrowUp');
  expect(limb('S').lengthCm).toBeGreaterThan(before);
  key('Height on the parent limb', 'ArrowUp');
  expect(limb('S').jointCm).toBe(65);
  key('Tip: inclination', 'ArrowUp');
  expect(limb('S').inclinationDeg).toBe(32);
});

test('steps of one drag are undone together, others one by one; redo brings them back', () => {
  show(<Editor />);
  for (let i = 0; i < 4; i++) key('Tip: inclination', 'ArrowUp');
  key('Height on the parent limb', 'ArrowUp');
  fireEvent.click(screen.getByRole('button', { name: 'Undo' }));
  expect(limb('S')).toMatchObject({ jointCm: 60, inclinationDeg: 38 });
  fireEvent.click(screen.getByRole('button', { name: 'Undo' }));
  expect(limb('S').inclinationDeg).toBe(30);
  fireEvent.click(screen.getByRole('button', { name: 'Redo' }));
  expect(limb('S').inclinationDeg).toBe(38);
});

test('a limb is added on the chosen one, split, named and taken off again', () => {
  show(<Editor />);
  fireEvent.click(screen.getByRole('button', { name: 'Add a limb on it' }));
  expect(drawn).toHaveLength(limbs.length + 1);
  fireEvent.change(screen.getByLabelText('Name'), { target: { value: 'The swing' } });
  expect(drawn.at(-1)?.named?.own).toBe('The swing');
  fireEvent.click(screen.getByRole('button', { name: 'Split' }));
  expect(drawn).toHaveLength(limbs.length + 2);
  fireEvent.click(screen.getByRole('button', { name: 'Delete' }));
  fireEvent.click(screen.getByRole('button', { name: 'Delete' }));
  expect(drawn).toEqual(limbs);
});

test('growth marks date the limb; a figure out of bounds is said and not taken', () => {
  show(<Editor />);
  for (const at of ['60', '120']) {
    fireEvent.change(screen.getByLabelText('Growth mark at, from the base, cm'), { target: { value: at } });
    fireEvent.click(screen.getByRole('button', { name: 'Add mark' }));
  }
  expect(limb('S')).toMatchObject({ yearMarksCm: [60, 120], ageYears: 3 });
  expect(screen.getByText('3 years; 60 cm a year lately: moderate growth.')).toBeTruthy();
  const inclination = screen.getByLabelText('Angle up, °');
  fireEvent.change(inclination, { target: { value: '120' } });
  expect(screen.getByText('From -89 to 90.')).toBeTruthy();
  expect(limb('S').inclinationDeg).not.toBe(120);
});

test('many alike are one step: how many, and from where to where; past the end of their limb they are refused', () => {
  show(<Editor />);
  fireEvent.click(screen.getByRole('button', { name: 'Add many alike' }));
  const bundle = () => drawn.at(-1) as Limb;
  // Over the middle half of 180 cm
  expect(bundle()).toMatchObject({
    parentId: 'S',
    kind: 'sprout',
    jointCm: 90,
    bundle: { about: 10, overCm: 90 },
  });
  // Nothing is added on a bundle, and it is not split
  expect(screen.queryByRole('button', { name: 'Add a limb on it' })).toBeNull();
  expect((screen.getByRole('button', { name: 'Split' }) as HTMLButtonElement).disabled).toBe(true);
  const type = (label: RegExp | string, text: string) =>
    fireEvent.change(screen.getByLabelText(label), { target: { value: text } });
  type('How many alike', '15');
  expect(bundle().bundle?.about).toBe(15);
  for (const wrong of ['201', '0', 'many', '']) {
    type('How many alike', wrong);
    expect(bundle().bundle?.about).toBe(15);
  }
  type(/^To, on the parent limb/, '181');
  expect(bundle().bundle?.overCm).toBe(90);
  type(/^To, on the parent limb/, '180');
  expect(bundle()).toMatchObject({ jointCm: 112.5, bundle: { about: 15, overCm: 135 } });
  type('How many alike', '1');
  expect(bundle()).not.toHaveProperty('bundle');
});

test('a limb with an open finding stays on the map, and says why', () => {
  show(<Editor findings={[finding('f', 'S', 'NEO')]} />);
  for (const name of ['Split', 'Delete', 'Start anew'])
    expect((screen.getByRole('button', { name }) as HTMLButtonElement).disabled).toBe(true);
  expect(screen.getByText(/An open finding lies on it/)).toBeTruthy();
});

test('a first map has as many main limbs as were counted', () => {
  const onDraw = jest.fn();
  show(<Starter tree={detail([]).tree} onBack={() => {}} onDraw={onDraw} />);
  fireEvent.click(screen.getByRole('button', { name: 'One more' }));
  fireEvent.click(screen.getByRole('button', { name: 'One more' }));
  fireEvent.click(screen.getByRole('button', { name: 'Draw it' }));
  const [map] = onDraw.mock.calls[0] as [Limb[]];
  expect(map.filter((part) => part.kind === 'scaffold')).toHaveLength(6);
});

test('a tree like its neighbour takes the limbs of that one; who has none yet says so, and nothing is drawn', async () => {
  const treeOf = (id: string, place: number) => detail([], { id, code: `Wall ${id}`, place });
  const drawnThere = treeOf('b', 2);
  const bare = { ...drawnThere, limbs: drawnThere.limbs.slice(0, 1) };
  const [own, mapped] = [treeOf('a', 1), treeOf('c', 3)];
  for (const each of [bare, mapped]) queryClient.setQueryData(['tree', each.tree.id], each);
  const copied: Limb[][] = [];
  render(<CopyMap tree={own.tree} onCopy={(limbs) => copied.push(limbs)} />, {
    wrapper: ({ children }) => <Stage client={readOrchard([own, bare, mapped])}>{children}</Stage>,
  });
  fireEvent.click(screen.getByRole('button', { name: 'Copy from a neighbour' }));
  expect(screen.queryByRole('button', { name: /Wall a/ })).toBeNull();
  fireEvent.click(screen.getByText('Wall b'));
  await screen.findByText('Wall b has no limbs drawn yet.');
  expect(copied).toEqual([]);
  fireEvent.click(screen.getByText('Wall c'));
  await waitFor(() => expect(copied).toEqual([mapped.limbs]));
  await waitFor(() => expect(screen.queryByText('Copy the limbs of')).toBeNull());
});
