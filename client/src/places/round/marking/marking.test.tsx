// Marking by keys and by figures: what thumbs do by dragging must work without them.

import { treeView } from '@mortisect/core/present';
import type { ActionBody } from '@mortisect/core/records';
import type { Limb } from '@mortisect/core/tree';
import { english } from '@mortisect/words/all';
import { fireEvent, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { Handle } from '../../../drawings/tape/Handle';
import { tapeScale } from '../../../drawings/tape/scale';
import { detail, did, finding, limbs, NOW, Stage, today } from '../../../testing/orchard';
import { Field } from '../../../ui/Field';
import { SaveButton } from '../../../ui/SaveButton';
import {
  asConsidered,
  edgeMatters,
  findingBody,
  type Marking,
  markingOf,
  movedTo,
  type Named,
  newMarking,
  ofKind,
} from './draft';
import { findables, foundMostIn } from './findables';
import { EdgeChoice, SpanFields } from './MarkingForm';

const limb: Limb = {
  id: 'L',
  parentId: 'S',
  jointCm: 0,
  lengthCm: 90,
  baseMm: 24,
  tipMm: 5,
  ageYears: 3,
  kind: 'lateral',
  bearingDeg: 0,
  inclinationDeg: 0,
};
const start: Marking = {
  ...newMarking(limb, 'metric', '2026-11-24T09:00:00Z'),
  disorder: 'FB_CANK_A',
  fromCm: 40,
  toCm: 50,
};
let now: Marking;

function Bench({ units }: { units: 'metric' | 'us' }) {
  const [marking, setMarking] = useState(start);
  now = marking;
  const scale = tapeScale(358, { fromU: 0, toU: 90 }, 24, 1, { chalk: true, handles: true });
  return (
    <Stage>
      <Handle
        label="Edge"
        cm={marking.fromCm}
        leastCm={0}
        mostCm={marking.toCm}
        units={units}
        scale={scale}
        side={-1}
        onChange={(fromCm) => setMarking({ ...marking, fromCm })}
      />
      <SpanFields marking={marking} onChange={setMarking} limb={limb} />
      <EdgeChoice marking={marking} onChange={setMarking} />
    </Stage>
  );
}

test.each([
  ['metric', 'ArrowRight', false, 40.5],
  ['metric', 'ArrowLeft', true, 35],
  ['metric', 'Home', false, 0],
  ['metric', 'End', false, 50],
  ['us', 'ArrowRight', true, 45.085],
] as const)('%s: %s (shift %s) brings the edge to %f cm', (units, key, shiftKey, cm) => {
  render(<Bench units={units} />);
  fireEvent.keyDown(screen.getByRole('slider', { name: 'Edge' }), { key, shiftKey });
  expect(now.fromCm).toBeCloseTo(cm, 2);
});

test('an edge beyond the far end is refused in words, and what stood before is kept', async () => {
  render(<Bench units="metric" />);
  const field = screen.getByLabelText('Starts at, cm');
  await userEvent.clear(field);
  await userEvent.type(field, '77');
  expect(screen.getByText('Between 0 and 50 cm.')).toBeTruthy();
  expect(now.fromCm).toBe(7);
  await userEvent.clear(field);
  await userEvent.type(field, '44,5');
  expect(now.fromCm).toBe(44.5);
});

test('arrow keys move through a choice', () => {
  render(<Bench units="metric" />);
  fireEvent.keyDown(screen.getByRole('radiogroup', { name: 'Can you see where it ends?' }), {
    key: 'ArrowRight',
  });
  expect(now.edge).toBe('definite');
});

test('a new finding that is moved to a shorter limb keeps all that was said, and lies on the wood', () => {
  const said: Marking = { ...start, growthRapid: true, note: 'Ooze at the spur.', edge: 'definite' };
  const moved = movedTo(said, { ...limb, id: 'K', lengthCm: 12 }, 'metric');
  expect(moved).toMatchObject({
    id: said.id,
    limbId: 'K',
    disorder: 'FB_CANK_A',
    growthRapid: true,
    note: 'Ooze at the spur.',
    edge: 'definite',
  });
  expect(moved.fromCm).toBeLessThanOrEqual(moved.toCm);
  expect(moved.toCm).toBeLessThanOrEqual(12);
});

test('how sure the edge is goes with disease alone', () => {
  expect(['FB_CANK_A', 'CYT', 'DEAD', 'BRK', null].map(edgeMatters)).toEqual([
    true,
    true,
    false,
    false,
    false,
  ]);
  expect(findingBody({ ...start, disorder: 'DEAD' }, 't', 'limb').edge).toBe('definite');
});

test.each([
  ['dead', 'DEAD'],
  ['diseased', 'SUSPECT'],
  ['damaged', 'DMG'],
  ['misplaced', 'MISPLACED'],
] as const)('%s means just that when nothing more is said', (kind, disorder) => {
  expect(ofKind(start, kind, limbs)).toMatchObject({ kind, disorder, fault: null });
});

test.each([
  [null, 30],
  [60, 60],
])('a margin set by hand, %p cm, holds while its finding is edited: %i cm', (byHand, clearanceCm) => {
  const id = '0193f000-0000-7000-8000-000000000011';
  const canker = finding(id, 'S', 'FB_CANK_A');
  const set: ActionBody = { kind: 'clearanceSet', at: NOW, treeId: 'a', findingId: id, clearanceCm: byHand };
  const tree = { ...detail([canker]), actions: [did(set)] };
  const kept = treeView(tree, today);
  const edited = markingOf(canker, limbs[1] as Limb) as Named;
  const marking = treeView(tree, today, [asConsidered(edited, tree.actions)]);
  const margins = [kept, marking].map(({ cuts }) => cuts.cuts[0]?.because[0]?.clearanceCm);
  expect(margins).toEqual([clearanceCm, clearanceCm]);
  expect(marking.cuts).toEqual(kept.cuts);
});

test('a question that is open holds the cut while its finding is edited', () => {
  const id = '0193f000-0000-7000-8000-000000000011';
  const canker = finding(id, 'S', 'FB_CANK_A');
  const asked: ActionBody = {
    kind: 'asked',
    at: NOW,
    treeId: 'a',
    findingId: id,
    of: 'Boat crew',
    question: 'Leave it?',
  };
  const tree = { ...detail([canker]), actions: [did(asked)] };
  const edited = markingOf(canker, limbs[1] as Limb) as Named;
  expect(treeView(tree, today, [asConsidered(edited, tree.actions)]).cuts.cuts).toEqual([]);
  expect(treeView(tree, today, [asConsidered(edited, [])]).cuts.cuts).toHaveLength(1);
});

test('a place that nobody touched is not measured: the cut says measure first, until it is dragged or typed', async () => {
  const fresh = ofKind(
    newMarking(limbs[1] as Limb, 'metric', '2026-11-24T09:00:00Z'),
    'dead',
    limbs,
  ) as Named;
  const told = (marking: Named) => treeView(detail([]), today, [asConsidered(marking, [])]).cuts;
  expect(fresh.measured).toBe(false);
  expect(findingBody(fresh, 't', 'limb').measured).toBe(false);
  expect(told(fresh)).toMatchObject({ cuts: [], uncut: [{ why: 'measure' }] });
  expect(told({ ...fresh, measured: true }).cuts).toHaveLength(1);
  // A whole limb needs no figures
  expect(told({ ...fresh, place: 'limb', fromCm: 0, toCm: 180 }).cuts).toHaveLength(1);
  render(<Bench units="metric" />);
  expect(now.measured).toBe(false);
  const field = screen.getByLabelText('Ends at, cm');
  await userEvent.clear(field);
  await userEvent.type(field, '60');
  expect(now).toMatchObject({ measured: true, toCm: 60 });
});

test('what is on record from before counts as measured', () => {
  expect(finding('1', 'S', 'FB_CANK_A').measured).toBe(true);
});

test.each([
  [
    'upright sprout',
    { kind: 'misplaced', disorder: 'MISPLACED', place: 'limb', fault: { kind: 'upright sprout' } },
  ],
  ['sucker', { kind: 'misplaced', fault: { kind: 'sucker', limbIds: ['S'] } }],
  ['mummies', { kind: 'diseased', disorder: 'BRN', place: 'fruit', fault: null }],
  ['crossing', { fault: { kind: 'crossing' } }],
  ['rubbing', { fault: { kind: 'rubbing' } }],
  // Common practice, no source: voles and rabbits gnaw the foot of the stem
  [
    'ROD',
    { kind: 'damaged', disorder: 'ROD', place: 'base', limbId: 'T', fromCm: 0, toCm: 15, measured: false },
  ],
  ['BRK', { kind: 'damaged', disorder: 'BRK', limbId: 'S', measured: false }],
])('%s is one tap', (key, expected) => {
  const found = foundMostIn(english).find((findable) => findable.key === key);
  const marking = found?.apply({ ...start, limbId: 'S' }, limbs);
  expect(marking).toMatchObject(expected);
  expect(marking && found?.isChosen(marking)).toBe(true);
});

test('what sits on the stem goes there when it is named, unless its place was measured', () => {
  const named = (sought: string, marking: Marking) =>
    findables(english, null, sought)[0]?.apply({ ...marking, limbId: 'S' }, limbs);
  const rot = 'Phytophthora collar or root rot';
  expect(named(rot, start)).toMatchObject({ disorder: 'PHY', place: 'base', limbId: 'T', toCm: 15 });
  expect(named('Fire blight of the rootstock', start)).toMatchObject({ place: 'rootstock', limbId: 'T' });
  expect(named(rot, { ...start, measured: true })).toMatchObject({ limbId: 'S', fromCm: 40, toCm: 50 });
});

test('names are found by what people call them, whatever kind was chosen', () => {
  const first = (sought: string) => findables(english, 'damaged', sought)[0]?.name;
  expect(first('water shoot')).toBe('Water sprout');
  expect(first('water')).toBe('Water sprout');
  expect(first('mummy')).toBe('Mummies');
  expect(first('RUBS')).toBe('Rubbing limb');
  expect(first('fire blight canker, active')).toBe('Fire blight canker, active');
  expect(findables(english, null, 'no such thing at all')).toEqual([]);
  // Nothing sought: the names of the kind, its own first; all of them where no kind is chosen
  expect(findables(english, 'dead', '')[0]?.kinds[0]).toBe('dead');
  expect(findables(english, 'misplaced', '').every((findable) => findable.kinds.includes('misplaced'))).toBe(
    true,
  );
  expect(findables(english, null, '').length).toBeGreaterThan(findables(english, 'dead', '').length);
});

test('nothing is saved while a field cannot be used: it is named, and the cursor goes there', () => {
  const saved = jest.fn();
  const form = (fault: string | undefined) => (
    <Stage>
      <main>
        <Field label="Height" value="abc" onChangeText={() => undefined} fault={fault} />
        <SaveButton onSave={saved}>Save</SaveButton>
      </main>
    </Stage>
  );
  const { rerender } = render(form('Between 1 and 9.'));
  HTMLElement.prototype.scrollIntoView = jest.fn();
  fireEvent.click(screen.getByRole('button', { name: 'Save' }));
  expect(saved).not.toHaveBeenCalled();
  expect(screen.getByText('Not saved: “Height” cannot be used as it is.')).toBeTruthy();
  expect(document.activeElement).toBe(screen.getByLabelText('Height'));
  rerender(
    <Stage>
      <SaveButton onSave={saved} missing="say first what it is.">
        Save
      </SaveButton>
    </Stage>,
  );
  fireEvent.click(screen.getByRole('button', { name: 'Save' }));
  expect(saved).not.toHaveBeenCalled();
  expect(screen.getByText('Not saved: say first what it is.')).toBeTruthy();
  rerender(form(undefined));
  fireEvent.click(screen.getByRole('button', { name: 'Save' }));
  expect(saved).toHaveBeenCalledTimes(1);
  expect(screen.queryByText(/^Not saved/)).toBeNull();
});
