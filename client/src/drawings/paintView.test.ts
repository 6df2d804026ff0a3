// The view stroke by stroke: what is painted over what, in which colour, how thick, and where.
import { standAt, treeSeen } from '@mortisect/core/sight';
import { limb, limbs as mapped } from '../testing/orchard';
import { palettes } from '../ui/tamagui.config';
import { markPatterns } from './marks';
import { type OnWood, paintView, viewInks } from './paintView';

const limbs = [
  ...mapped,
  { ...limb('S1', 'S', 60, 40), kind: 'lateral' as const, lengthCm: 60, baseMm: 9, tipMm: 3 },
];
const drawn = { width: 320, height: 300, fontSize: 14 };
const seen = treeSeen(limbs, standAt(limbs, 180), drawn);
const names = new Map(limbs.map(({ id }) => [id, `${id} · words`]));
const palette = palettes.daylight;
const placed = (limbId: string, atCm: number) => {
  const at = seen.placeOf(limbId, atCm);
  if (!at) throw new Error('It lies behind the eye.');
  return at;
};

interface Stroke {
  what: 'stroke' | 'fill' | 'words';
  colour: string;
  wide: number;
  cap: string;
  dash: number[];
  path: number[][];
  text?: string;
}

/** All that is painted. */
function painted(more: Partial<OnWood> = {}): Stroke[] {
  const done: Stroke[] = [];
  const pen = {
    ...{
      strokeStyle: '',
      fillStyle: '',
      lineWidth: 1,
      lineCap: 'butt',
      lineJoin: 'miter',
      dash: [] as number[],
    },
    path: [] as number[][],
    tell(what: Stroke['what'], colour: string, path: number[][], text?: string) {
      const told: Stroke = { what, colour, wide: this.lineWidth, cap: this.lineCap, dash: this.dash, path };
      done.push(text === undefined ? told : { ...told, text });
    },
    beginPath() {
      this.path = [];
    },
    moveTo(...at: number[]) {
      this.path.push(at);
    },
    lineTo(...at: number[]) {
      this.path.push(at);
    },
    arc(...at: number[]) {
      this.path.push(at);
    },
    closePath() {},
    setLineDash(dash: number[]) {
      this.dash = dash;
    },
    stroke() {
      this.tell('stroke', this.strokeStyle, this.path);
    },
    fill() {
      this.tell('fill', this.fillStyle, this.path);
    },
    strokeText() {},
    fillText(text: string, x: number, y: number) {
      this.tell('words', this.fillStyle, [[x, y]], text);
    },
  };
  const on = { limbs, names, chosenId: null, bands: [], kerfs: [], expected: [], ...more };
  const isQuiet = on.chosenId !== null;
  paintView(pen as never, seen, on, viewInks(palette, isQuiet), drawn);
  return done;
}

test('wood from far to near, thick wood filled and edged, twigs as lines at most a quarter of a pixel off; then the ground', () => {
  const all = painted();
  const wood = all.filter(({ what, colour }) => what !== 'words' && colour.startsWith('rgb'));
  const thick = seen.wood.filter(({ radii }) => radii[0] >= 1.1);
  const twigs = seen.wood.filter(({ radii }) => radii[0] < 1.1);
  expect([thick.length > 5, twigs.length > 0]).toEqual([true, true]);
  expect(wood).toHaveLength(2 * thick.length + twigs.length);
  expect(wood[0]?.path[0]).not.toEqual(wood.at(-1)?.path[0]);
  for (const { base, tip, radii } of twigs) {
    const line = wood.find(({ path }) => path[0]?.[0] === base.x && path[1]?.[0] === tip.x);
    expect(Math.abs((line?.wide ?? 9) - Math.max(0.8, radii[0] + radii[1]))).toBeLessThanOrEqual(0.125);
  }
  // Each fill is followed by its edge
  const fills = wood.flatMap(({ what }, i) => (what === 'fill' ? [i] : []));
  expect(fills.map((i) => [wood[i + 1]?.what, wood[i + 1]?.wide])).toEqual(thick.map(() => ['stroke', 0.8]));
  const ground = all[wood.length];
  expect(ground).toMatchObject({ colour: palette.ink, wide: 1 });
  expect(ground?.path.map(([x]) => x)).toEqual([seen.foot.x - 40, seen.foot.x + 40]);
});

test('the farther off, the paler; all else is paler beside a limb that is chosen', () => {
  const [calm, quiet] = [null, 'S'].map((chosenId) => painted({ chosenId }));
  const darkness = (of: Stroke[] | undefined) =>
    (of ?? []).flatMap(({ what, colour }) =>
      what === 'fill' && colour.startsWith('rgb') ? [765 - sum(colour)] : [],
    );
  const far = darkness(calm);
  expect(far).toEqual(far.toSorted((a, b) => a - b));
  expect(new Set(far).size).toBeGreaterThan(2);
  // 0.35 to 1 of 0.8, and of 0.45
  expect(Math.max(...darkness(quiet)) / Math.max(...far)).toBeCloseTo(0.45 / 0.8, 0);
  const ofS = seen.wood.filter(({ limbId }) => limbId === 'S').length;
  expect(quiet?.filter(({ what, colour }) => what === 'fill' && colour === palette.chalk)).toHaveLength(ofS);
});
const sum = (colour: string) => (colour.match(/\d+/g) ?? []).reduce((all, part) => all + Number(part), 0);

test('a band lies on its stretch as thick as the wood, on all of it where nobody measured', () => {
  const band = { id: 'f', limbId: 'S', fromCm: 60, toCm: 120, kind: 'diseased' as const };
  const ink = markPatterns(palette).diseased.ink;
  const [edge, fill] = painted({ bands: [band] }).filter(({ colour }) => colour === ink);
  const [from, to] = [placed('S', 60), placed('S', 120)];
  const thick = Math.max(3, from.radius + to.radius);
  expect(edge?.path).toEqual([
    [from.x, from.y],
    [to.x, to.y],
  ]);
  expect([edge?.wide, fill?.wide]).toEqual([thick, Math.max(1, thick - 1.6)]);
  const [whole] = painted({ bands: [{ ...band, measured: false }] }).filter(({ colour }) => colour === ink);
  const [base, tip] = [placed('S', 0), placed('S', 9999)];
  expect(whole?.path).toEqual([
    [base.x, base.y],
    [tip.x, tip.y],
  ]);
});

test('a kerf is two square-ended strokes over all else, reaching past the wood', () => {
  const kerfs = painted({ kerfs: [{ limbId: 'S', atCm: 10 }] }).slice(-2);
  const at = placed('S', 10);
  const half = Math.max(9, at.radius + 5);
  expect(kerfs.map(({ colour, wide, cap }) => [colour, wide, cap])).toEqual(
    [1, 2].map(() => [palette.kerf, 3.2, 'square']),
  );
  for (const { path } of kerfs) expect(path.map(([, y]) => y)).toEqual([at.y + half, at.y - half]);
  const middles = kerfs.map(({ path }) => ((path[0]?.[0] ?? 0) + (path[1]?.[0] ?? 0)) / 2);
  expect((middles[0] ?? 0) + (middles[1] ?? 0)).toBeCloseTo(2 * at.x, 6);
});

test('of shoots that are to be expected six are drawn at most, upward, dashed, side by side', () => {
  const shoots = (count: number) =>
    painted({ expected: [{ limbId: 'S', atCm: 100, shoots: count }] }).filter(
      ({ colour }) => colour === palette.leaf,
    );
  expect([0.4, 2.6, 6, 40].map((count) => shoots(count).length)).toEqual([0, 3, 6, 6]);
  const at = placed('S', 100);
  expect(shoots(3).map(({ path, dash }) => [path[1], dash])).toEqual(
    [-5, 0, 5].map((aside) => [
      [at.x + aside, at.y - 22],
      [4, 2],
    ]),
  );
});

test('main limbs have their labels, others where they are marked or chosen', () => {
  const words = (more: Partial<OnWood> = {}) =>
    painted(more)
      .flatMap(({ text }) => text ?? [])
      .sort();
  const scaffolds = limbs.filter(({ kind }) => kind === 'scaffold').map(({ id }) => id);
  expect(words()).toEqual(scaffolds.toSorted());
  for (const more of [{ chosenId: 'S1' }, { kerfs: [{ limbId: 'S1', atCm: 5 }] }])
    expect(words(more)).toEqual([...scaffolds, 'S1'].sort());
});
