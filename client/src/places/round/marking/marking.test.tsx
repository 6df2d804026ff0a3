// Marking by keys and by figures: what thumbs do by dragging must work without them.

import type { Limb } from '@mortisect/core/tree';
import { fireEvent, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { Handle } from '../../../drawings/tape/Handle';
import { tapeScale } from '../../../drawings/tape/scale';
import { Stage } from '../../../testing/orchard';
import { edgeMatters, findingBody, type Marking, movedTo, newMarking } from './draft';
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
  const field = screen.getByLabelText('Edge nearest the trunk, cm');
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
  fireEvent.keyDown(screen.getByRole('radiogroup', { name: 'How sure is the edge?' }), { key: 'ArrowRight' });
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
