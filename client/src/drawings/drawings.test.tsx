// The drawings as they are reached without eyes or thumbs: names, figures as buttons, and a touch that is unsure asks.

import { standingCuts, treeView } from '@mortisect/core/present';
import { standAt, treeSeen } from '@mortisect/core/sight';
import { indexLimbs } from '@mortisect/core/tree';
import { english } from '@mortisect/words/all';
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { detail, finding, limb, limbs, Stage, today } from '../testing/orchard';
import { CrownClock } from './CrownClock';
import { cursorAfter } from './Cursor';
import { StandView } from './StandView';
import { LimbTape } from './tape/LimbTape';
import { chalkLine } from './tape/Measure';
import { tapeScale } from './tape/scale';
import { tapePath, tapeWindow } from './tapePath';

const view = treeView(detail([finding('1', 'S', 'FB_CANK_A')]), today);
const [cut] = standingCuts(view);

interface TapeGiven {
  onWhy?: () => void;
  withCut?: boolean;
  square?: boolean;
}

function Tape({ onWhy = () => {}, withCut = true, square = false }: TapeGiven) {
  return (
    <LimbTape
      limbs={limbs}
      limbId="S"
      names={view.names}
      bands={[]}
      draft={{ span: { fromCm: 100, toCm: 120 }, kind: 'diseased', onChange: () => {} }}
      cut={withCut ? cut : undefined}
      square={square}
      units="metric"
      twelveBearingDeg={0}
      says="3 o’clock as a tape."
      onWhy={onWhy}
      onSwitchUnits={() => {}}
    />
  );
}

test.each([
  [false, (lean: number) => lean > 0],
  [true, (lean: number) => lean === 0],
])('the kerf leans over the wood, unless the face lies square across: %s', (square, leans) => {
  const { container } = render(<Tape square={square} />, { wrapper: Stage });
  const kerf = /^M([\d.-]+) [\d.-]+L([\d.-]+) /.exec(
    container.querySelector('path[stroke-width="3.2"]')?.getAttribute('d') ?? '',
  ) as RegExpExecArray;
  expect(leans(Number(kerf[2]) - Number(kerf[1]))).toBe(true);
});

test('the tape has a name, its ends are sliders with their place and unit, its figures are buttons that say why', () => {
  const onWhy = jest.fn();
  render(<Tape onWhy={onWhy} />, { wrapper: Stage });
  expect(screen.getByRole('img', { name: '3 o’clock as a tape.' })).toBeTruthy();
  expect(screen.getByRole('slider', { name: 'Starts at' }).getAttribute('aria-valuetext')).toBe(
    '100 cm from the collar',
  );
  expect(screen.getByRole('slider', { name: 'Ends at' }).getAttribute('aria-valuenow')).toBe('120');
  for (const name of ['Clearance 30 cm. Why this margin?', 'Cut at the collar. Why here?'])
    fireEvent.click(screen.getByRole('button', { name }));
  expect(onWhy).toHaveBeenCalledTimes(2);
});

test('without a cut there is nothing to ask why about; a closer look can be taken and left', () => {
  render(<Tape withCut={false} />, { wrapper: Stage });
  expect(screen.queryByRole('button', { name: /Why/ })).toBeNull();
  fireEvent.click(screen.getByText('Closer'));
  fireEvent.click(screen.getByText('Whole limb'));
  expect(screen.queryByText('Whole limb')).toBeNull();
});

test('the chalk line runs from the edge to the target, as long as the clearance on the scale', () => {
  const index = indexLimbs(limbs);
  const stretches = tapePath(index, 'S', []);
  const window = tapeWindow(stretches, null, 0);
  const scale = tapeScale(358, window, 40, 1, { chalk: true, handles: false });
  const line = cut && chalkLine(english, { stretches, window, scale, fontSize: 15 }, cut, 'metric');
  expect(line?.label).toBe('30 cm');
  expect((line?.x1 ?? 0) - (line?.x2 ?? 0)).toBeCloseTo(30 * scale.pxPerCm);
  expect(scale.u(scale.x(42))).toBeCloseTo(42);
});

describe('the crown clock', () => {
  const clock = (tree = limbs) => {
    const onChoose = jest.fn();
    render(
      <CrownClock
        limbs={tree}
        names={new Map(tree.map(({ id }) => [id, `Limb ${id}`]))}
        twelveBearingDeg={0}
        chosenId={null}
        bands={[]}
        kerfs={[]}
        units="metric"
        onChoose={onChoose}
      />,
      { wrapper: Stage },
    );
    return { onChoose, face: screen.getByRole('img', { name: /^Crown clock/ }).parentElement as HTMLElement };
  };
  beforeEach(() => {
    jest
      .spyOn(Element.prototype, 'getBoundingClientRect')
      .mockReturnValue({ left: 0, top: 0, width: 300, height: 300 } as DOMRect);
  });
  afterEach(() => jest.restoreAllMocks());

  test('a touch on a limb chooses it, a touch beside all of them the nearest', () => {
    const { onChoose, face } = clock();
    fireEvent.click(face, { clientX: 210, clientY: 152 });
    expect(onChoose).toHaveBeenLastCalledWith('S');
    fireEvent.click(face, { clientX: 90, clientY: 148 });
    expect(onChoose).toHaveBeenLastCalledWith('R');
    fireEvent.click(face, { clientX: 158, clientY: 40 });
    expect(onChoose).toHaveBeenCalledTimes(3);
    expect(onChoose).toHaveBeenLastCalledWith('S');
  });

  test('where limbs lie over one another it asks which', () => {
    const { onChoose, face } = clock([...limbs, limb('Q', 'T', 150, 93)]);
    fireEvent.click(face, { clientX: 210, clientY: 153 });
    expect(onChoose).not.toHaveBeenCalled();
    fireEvent.click(within(screen.getByRole('dialog', { name: 'Which limb?' })).getByText('Limb Q'));
    expect(onChoose).toHaveBeenCalledWith('Q');
  });
});

test.each([
  // Of seven places in one row
  ['ArrowRight', 1, 3, 4],
  ['ArrowUp', 1, 3, 4],
  ['ArrowLeft', 1, 3, 2],
  ['ArrowDown', 1, 3, 2],
  ['ArrowRight', 4, 3, 6],
  ['ArrowUp', 4, 3, 6],
  ['ArrowRight', 1, 6, 6],
  ['ArrowLeft', 4, 3, 0],
  ['ArrowDown', 1, 0, 0],
  ['Home', 1, 3, 0],
  ['End', 1, 3, 6],
  ['a', 1, 3, undefined],
])('a cursor over seven places: %s by %i from %i is %s', (key, steps, at, to) => {
  expect(cursorAfter(key, steps, { at, count: 7 })).toBe(to);
  expect(cursorAfter(key, steps, { at: 0, count: 0 })).toBeUndefined();
});

test.each([
  // Two rows of three
  ['ArrowRight', 1, 2],
  ['ArrowRight', 2, 2],
  ['ArrowLeft', 3, 3],
  ['ArrowLeft', 5, 4],
  ['ArrowDown', 1, 4],
  ['ArrowDown', 4, 4],
  ['ArrowUp', 4, 1],
  ['ArrowUp', 1, 1],
  ['Home', 4, 3],
  ['End', 1, 2],
])('a cursor over two rows of three: %s from %i is %i', (key, at, to) => {
  expect(cursorAfter(key, 1, { at, count: 6, across: 3 })).toBe(to);
});

describe('the tree from where one stands', () => {
  function come(more: Partial<Parameters<typeof StandView>[0]> = {}) {
    const onChoose = jest.fn();
    render(
      <StandView
        limbs={limbs}
        names={view.names}
        twelveBearingDeg={0}
        chosenId="S"
        bands={[]}
        kerfs={[{ limbId: 'S', atCm: 0 }]}
        units="metric"
        onChoose={onChoose}
        {...more}
      />,
      { wrapper: Stage },
    );
    const stand = screen.getByRole('slider', { name: 'The tree from where you stand' });
    return { onChoose, stand, says: () => stand.getAttribute('aria-valuetext') };
  }

  test('it begins at 6 o’clock, or on the side that the plan says, on the ladder where it says so', () => {
    expect(come().says()).toMatch(/^You stand at 6 o’clock, \d\.\d m from the stem\.$/);
    cleanup();
    expect(come({ fromDeg: 90, ladder: true }).says()).toMatch(/^You stand on the ladder at 3 o’clock/);
  });

  test('keys and buttons lead round it, up, down, nearer and back', () => {
    const { stand, says } = come();
    const press = (key: string, times = 1) => {
      for (let i = 0; i < times; i++) fireEvent.keyDown(stand, { key });
    };
    press('ArrowRight', 2);
    expect(says()).toMatch(/at 7 o’clock/);
    press('ArrowLeft', 4);
    expect(says()).toMatch(/at 5 o’clock/);
    // From 1.6 m ten centimetres a key: at 2.1 m one stands on the ladder
    press('ArrowUp', 4);
    expect(says()).not.toMatch(/ladder/);
    press('ArrowUp');
    expect(says()).toMatch(/on the ladder/);
    const eyes = screen.getByRole('slider', { name: 'Height of your eyes' }) as HTMLInputElement;
    expect([eyes.value, eyes.getAttribute('aria-valuetext')]).toEqual(['210', '2.1 m']);
    press('ArrowUp', 30);
    expect(eyes.value).toBe('400');
    press('ArrowDown', 50);
    expect(eyes.value).toBe('80');
    fireEvent.change(eyes, { target: { value: '160' } });
    expect(says()).not.toMatch(/ladder/);
    fireEvent.click(screen.getByRole('button', { name: 'Go round to the right' }));
    expect(says()).toMatch(/at 6 o’clock/);
    const farther = screen.getByRole('button', { name: 'Farther off' }) as HTMLButtonElement;
    expect(farther.disabled).toBe(true);
    press('+');
    expect(farther.disabled).toBe(false);
    // 1.3 times as near seven times is more than six times: no nearer than that
    press('+', 6);
    expect((screen.getByRole('button', { name: 'Nearer' }) as HTMLButtonElement).disabled).toBe(true);
    press('x');
    expect(says()).toMatch(/at 6 o’clock/);
  });

  test('a tap on wood picks the limb, or asks which; beside the tree it picks nothing', () => {
    const { onChoose, stand } = come({ fromDeg: 180 });
    const seen = treeSeen(limbs, standAt(limbs, 180), { width: 320, height: 300 });
    const tap = (at: { x: number; y: number }) => fireEvent.click(stand, { clientX: at.x, clientY: at.y });
    tap({ x: 1, y: 1 });
    expect(onChoose).not.toHaveBeenCalled();
    const tip = seen.placeOf('S', 195);
    tap(tip ?? { x: 0, y: 0 });
    expect(onChoose).toHaveBeenCalledWith('S');
    tap(seen.placeOf('S', 0) ?? { x: 0, y: 0 });
    const asked = screen.getByRole('dialog', { name: 'Which limb?' });
    expect(within(asked).getAllByRole('button').length).toBeGreaterThan(2);
  });
});
