// The orchard from above by keys and taps; what its marks say, stroke by stroke.
import { orchardPlan } from '@mortisect/core/register';
import { fireEvent, render, screen } from '@testing-library/react';
import { Stage } from '../testing/orchard';
import { palettes } from '../ui/tamagui.config';
import { OrchardPlan } from './OrchardPlan';
import { paintTree, type TreeMark } from './treeMarks';

const plan = orchardPlan({
  plots: [{ id: 'p', name: 'Wall' }],
  rows: [
    { id: 'r', plotId: 'p', name: 'North', spacingCm: 400 },
    { id: 's', plotId: 'p', name: 'South', spacingCm: 400 },
  ],
  trees: ['r', 's'].flatMap((rowId) =>
    [1, 2, 3].map((place) => ({
      ...{ id: `${rowId}${place}`, plotId: 'p', rowId, place, latitude: null, longitude: null },
    })),
  ),
});
const mark: TreeMark = { ring: 'thin', has: 'nothing', warns: false };

function come(gone: string[] = []) {
  const onOpen = jest.fn();
  const trees = new Map(
    plan.plots
      .flatMap((plot) => plot.trees)
      .filter(({ id }) => !gone.includes(id))
      .map(({ id }) => [id, { code: `Wall ${id}`, mark, says: `says ${id}` }]),
  );
  render(
    <OrchardPlan
      plan={plan}
      trees={trees}
      label="The orchard"
      hint="Tap one"
      marks={[{ mark, says: 'to see' }]}
      onOpen={onOpen}
    />,
    { wrapper: Stage },
  );
  const drawn = screen.getByRole('group', { name: 'The orchard' });
  const press = (...keys: string[]) => {
    for (const key of keys) fireEvent.keyDown(drawn, { key });
  };
  return { onOpen, drawn, press, says: () => screen.getByRole('status').textContent };
}

test('arrows go from tree to tree and say what is there; Enter opens it', () => {
  const { onOpen, press, says } = come();
  press('Enter');
  expect(onOpen).not.toHaveBeenCalled();
  press('ArrowRight');
  expect(says()).toBe('Wall r1 · says r1');
  press('ArrowRight', 'ArrowDown', 'ArrowDown');
  expect(says()).toBe('Wall s2 · says s2');
  press('ArrowUp', 'ArrowLeft', 'ArrowLeft');
  expect(says()).toBe('Wall r1 · says r1');
  press('Enter');
  expect(onOpen).toHaveBeenCalledWith('r1');
});

test('a tree that is not there is passed over', () => {
  const { press, says } = come(['r2']);
  press('ArrowRight', 'ArrowRight');
  expect(says()).toBe('Wall r3 · says r3');
});

test('nearer and back to the whole, and no farther', () => {
  const { press } = come();
  const farther = screen.getByRole('button', { name: 'Farther off' }) as HTMLButtonElement;
  expect(farther.disabled).toBe(true);
  press('+');
  expect(farther.disabled).toBe(false);
  press('-');
  expect(farther.disabled).toBe(true);
});

/** Strokes and fills of a mark, each with its colour. */
function painted(change: Partial<TreeMark>) {
  const done: string[] = [];
  const context = {
    ...{ strokeStyle: '', fillStyle: '', lineWidth: 0, dash: [] as number[] },
    ...{ beginPath() {}, arc() {}, moveTo() {}, lineTo() {}, closePath() {} },
    setLineDash(dash: number[]) {
      this.dash = dash;
    },
    stroke() {
      done.push(
        `stroke ${nameOf(this.strokeStyle)} ${this.lineWidth.toFixed(1)}${this.dash.length ? ' dashed' : ''}`,
      );
    },
    fill() {
      done.push(`fill ${nameOf(this.fillStyle)}`);
    },
    fillRect() {
      done.push(`square ${nameOf(this.fillStyle)}`);
    },
  };
  paintTree(context as never, { x: 0, y: 0 }, 10, { ...mark, ...change }, palettes.daylight);
  return done;
}
const nameOf = (colour: string) =>
  Object.entries(palettes.daylight).find(([, value]) => value === colour)?.[0] ?? colour;

test.each<[Partial<TreeMark>, string[]]>([
  [{}, ['fill paper', 'stroke soft 1.2']],
  [{ ring: 'whole' }, ['fill paper', 'stroke leaf 2.8']],
  [{ ring: 'broken' }, ['fill paper', 'stroke ochre 2.8 dashed']],
  [{ ring: 'dotted' }, ['fill paper', 'stroke plum 2.8 dashed']],
  [{ has: 'finding' }, ['fill paper', 'stroke soft 1.2', 'square plum']],
  [{ warns: true }, ['fill paper', 'stroke soft 1.2', 'fill kerf']],
  [{ has: 'cut' }, ['fill paper', 'stroke soft 1.2', 'stroke kerf 2.0', 'stroke kerf 2.0']],
  [
    { has: 'must', warns: true },
    ['fill paper', 'stroke soft 1.2', 'fill kerf', 'stroke kerf 3.6', 'stroke kerf 3.6'],
  ],
  [{ has: 'later' }, ['fill paper', 'stroke soft 1.2', 'stroke soft 1.4', 'stroke soft 1.4']],
])('%j', (change, strokes) => {
  expect(painted(change)).toEqual(strokes);
});
