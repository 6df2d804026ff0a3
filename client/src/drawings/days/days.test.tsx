// Lanes and curves as they are reached without eyes or thumbs: by keys, in words, as tables.
import type { Lane } from '@mortisect/contracts';
import { fireEvent, render, screen, within } from '@testing-library/react';
import { useState } from 'react';
import { Stage } from '../../testing/orchard';
import { Chart } from '../Chart';
import { HoursOfDay } from './HoursOfDay';
import { Lanes } from './Lanes';

const days = ['2026-11-24', '2026-11-25', '2026-11-26'].map((day, i) => ({ day, rainMm: i === 0 ? 4 : 0 }));

function lane(id: Lane['id'], verdicts: ('go' | 'possible' | 'wait')[]): Lane {
  const cells = verdicts.map((verdict, i) => ({
    day: days[Math.floor(i / 2)]?.day as string,
    half: i % 2 === 0 ? ('morning' as const) : ('afternoon' as const),
    verdict,
    why: null,
  }));
  return { id, species: [], cells, windows: [], groups: [] };
}

const lanes = [
  lane('pome', ['wait', 'wait', 'possible', 'go', 'go', 'go']),
  lane('dead', ['go', 'go', 'go', 'go', 'go', 'go']),
];

function Board() {
  const [[l, d], choose] = useState([0, 0]);
  return (
    <Lanes
      lanes={lanes}
      days={days}
      units="metric"
      lane={l as number}
      day={d as number}
      onChoose={(a, b) => choose([a, b])}
    />
  );
}

test('the board is walked by arrow keys, held at its edges, and says what each place means', () => {
  render(<Board />, { wrapper: Stage });
  const board = screen.getByRole('slider', { name: /^Cutting weather/ });
  const says = () => board.getAttribute('aria-valuetext');
  expect(says()).toBe('Apple, pear, 2026-11-24: wait');
  fireEvent.keyDown(board, { key: 'ArrowUp' });
  fireEvent.keyDown(board, { key: 'ArrowRight' });
  expect(says()).toBe('Apple, pear, 2026-11-25: morning possible, afternoon good');
  fireEvent.keyDown(board, { key: 'ArrowDown' });
  for (let i = 0; i < 5; i++) fireEvent.keyDown(board, { key: 'ArrowRight' });
  expect(says()).toBe('Dead wood, 2026-11-26: good');
});

test('the same board is a table: a row a day, with its rain and every lane', () => {
  render(<Board />, { wrapper: Stage });
  const table = screen.getByRole('table', { name: 'Cutting weather by kind of wood and day' });
  expect(within(table).getAllByRole('row')).toHaveLength(4);
  const first = within(table).getByRole('row', { name: /^2026-11-24/ });
  expect(
    within(first)
      .getAllByRole('cell')
      .map((cell) => cell.textContent),
  ).toEqual(['4 mm', 'wait', 'good']);
});

function Curve() {
  const [at, setAt] = useState(0);
  const values = [0, 5, 10, null, 20];
  return (
    <Chart
      label="A curve"
      count={5}
      left={{ name: '°C', domain: [0, 20], ticks: [0, 10, 20], text: String }}
      lines={[{ name: 'Temperature', values, colour: '#123456' }]}
      foot={[{ at: 0, text: 'Mon' }]}
      at={at}
      onAt={setAt}
      valueText={`${values[at] ?? 'not known'} °C`}
      table={{
        head: ['Day', 'Value'],
        rows: values.map((value, i) => [`day ${i}`, String(value ?? 'not known')]),
      }}
    />
  );
}

test('a curve is read by keys from end to end, gaps included, and never beyond', () => {
  render(<Curve />, { wrapper: Stage });
  const curve = screen.getByRole('slider', { name: 'A curve' });
  const says = () => curve.getAttribute('aria-valuetext');
  fireEvent.keyDown(curve, { key: 'End' });
  expect(says()).toBe('20 °C');
  fireEvent.keyDown(curve, { key: 'ArrowRight' });
  expect(says()).toBe('20 °C');
  fireEvent.keyDown(curve, { key: 'ArrowLeft' });
  expect(says()).toBe('not known °C');
  fireEvent.keyDown(curve, { key: 'Home' });
  expect(curve.getAttribute('aria-valuenow')).toBe('0');
  expect(screen.getByRole('table', { name: 'A curve' })).toBeTruthy();
});

test('an hour that nobody measured is told as not known; units follow the device', () => {
  const hour = (text: string, temperatureC: number | null, rainMm: number | null) => ({
    text,
    temperatureC,
    rainMm,
    windMs: 4,
    verdict: rainMm === null ? ('wait' as const) : ('go' as const),
    dark: false,
    says: 'good',
  });
  render(
    <HoursOfDay
      label="A day"
      hours={[hour('08', 10, 2.54), hour('09', null, null)]}
      units="us"
      startAt={0}
    />,
    { wrapper: Stage },
  );
  const day = screen.getByRole('slider', { name: 'A day' });
  expect(day.getAttribute('aria-valuetext')).toBe('08: 50.0 °F, rain 0.10 in, wind 9 mph. good');
  fireEvent.keyDown(day, { key: 'ArrowRight' });
  expect(day.getAttribute('aria-valuetext')).toBe('09: wind 9 mph. good');
});
