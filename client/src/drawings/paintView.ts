// The tree as it is seen: ink on paper, with its marks, kerfs and labels, painted as one bitmap.
import { outlineOf, type SeenWood, type Spot, type TreeSeen } from '@mortisect/core/sight';
import type { Limb } from '@mortisect/core/tree';
import type { Palette } from '../ui/tamagui.config';
import { HALO_PX, labelsPlaced } from './Labels';
import { KERF_PX, kerfStrokes, type MarkKind, type MarkPattern, markPatterns } from './marks';
import type { TapeBand } from './tape/Measure';

/** What lies on the wood. */
export interface OnWood {
  limbs: Limb[];
  names: ReadonlyMap<string, string>;
  chosenId: string | null;
  bands: readonly TapeBand[];
  kerfs: readonly { limbId: string; atCm: number }[];
  /** Shoots that are to be expected, about so many at each place. */
  expected: readonly { limbId: string; atCm: number; shoots: number }[];
}

export interface ViewInks {
  palette: Palette;
  /** From far to near, with a line round it or as a line. */
  fills: readonly string[];
  lines: readonly string[];
  patterns: Record<MarkKind, CanvasPattern | string>;
}

const SHADES = 8;
/** Half as thick as a line. */
const TWIG_PX = 1.1;
const TWIG_STEP_PX = 0.25;
/** The edges of wood, and the least that a twig is thick. */
const EDGE_PX = 0.8;
/** Of shoots that are to be expected so many are drawn, each so long. */
const MOST_SHOOTS = 6;
const SHOOT_PX = 22;
/** The least a band is wide, and the least a kerf reaches up and down. */
const BAND_PX = 3;
const KERF_HALF_PX = 9;

/** The farther off, the paler; all wood is paler where one limb of it is chosen. */
export function viewInks(palette: Palette, isQuiet: boolean): ViewInks {
  const strength = isQuiet ? 0.45 : 0.8;
  const kinds = Object.entries(markPatterns(palette)) as [MarkKind, MarkPattern][];
  return {
    palette,
    fills: shades(palette.paper, palette.dead, 0.35 * strength, strength),
    lines: shades(palette.paper, palette.ink, 0.45 * strength, strength),
    patterns: Object.fromEntries(
      kinds.map(([kind, pattern]) => [kind, tiled(pattern, palette.paper)]),
    ) as ViewInks['patterns'],
  };
}

/** @param context wiped, in px of the drawing */
export function paintView(
  context: CanvasRenderingContext2D,
  seen: TreeSeen,
  on: OnWood,
  inks: ViewInks,
  drawn: { width: number; height: number; fontSize: number },
): void {
  paintWood(context, seen, on.chosenId, inks);
  for (const band of on.bands) paintBand(context, seen, on.limbs, band, inks);
  paintShoots(context, seen, on.expected, inks.palette.leaf);
  paintLabels(context, seen, on, inks.palette, drawn);
  context.strokeStyle = inks.palette.kerf;
  context.lineWidth = KERF_PX;
  context.lineCap = 'square';
  for (const { limbId, atCm } of on.kerfs) {
    const at = seen.placeOf(limbId, atCm);
    if (!at) continue;
    const half = Math.max(KERF_HALF_PX, at.radius + 5);
    for (const { from, to } of kerfStrokes({ x: at.x, y: at.y, half })) line(context, from, to);
  }
  context.lineCap = 'butt';
}

function paintWood(
  context: CanvasRenderingContext2D,
  seen: TreeSeen,
  chosenId: string | null,
  { palette: { ink, chalk }, fills, lines }: ViewInks,
): void {
  const far = seen.wood[0]?.depthCm ?? 1;
  const near = seen.wood.at(-1)?.depthCm ?? 0;
  const set = { stroke: '', width: 0 };
  // To say again what stands already costs as much as the line
  const pen = (stroke: string, width: number) => {
    if (stroke !== set.stroke) context.strokeStyle = stroke;
    if (width !== set.width) context.lineWidth = width;
    Object.assign(set, { stroke, width });
  };
  for (const piece of seen.wood) {
    const off = (piece.depthCm - near) / Math.max(1, far - near);
    const isChosen = piece.limbId === chosenId;
    const shade = Math.round(SHADES * (1 - off));
    const edge = isChosen ? chalk : (lines[shade] as string);
    // A twig is a line: two edges of it would be one
    if (piece.radii[0] < TWIG_PX) {
      const thick = Math.round((piece.radii[0] + piece.radii[1]) / TWIG_STEP_PX) * TWIG_STEP_PX;
      pen(edge, Math.max(EDGE_PX, thick));
      line(context, piece.base, piece.tip);
      continue;
    }
    pen(edge, EDGE_PX);
    context.beginPath();
    trace(context, piece, true);
    context.closePath();
    context.fillStyle = isChosen ? chalk : (fills[shade] as string);
    context.fill();
    // Its two edges, and its end where it has one: pieces of one limb show no seam
    context.beginPath();
    trace(context, piece, piece.isTip);
    context.stroke();
  }
  context.strokeStyle = ink;
  context.lineWidth = 1;
  line(context, { x: seen.foot.x - 40, y: seen.foot.y }, { x: seen.foot.x + 40, y: seen.foot.y });
}

function paintBand(
  context: CanvasRenderingContext2D,
  seen: TreeSeen,
  limbs: readonly Limb[],
  { limbId, fromCm, toCm, kind, measured }: TapeBand,
  { palette, patterns }: ViewInks,
): void {
  const isPlaced = measured !== false;
  const whole = limbs.find(({ id }) => id === limbId)?.lengthCm ?? 0;
  const from = seen.placeOf(limbId, isPlaced ? fromCm : 0);
  const to = seen.placeOf(limbId, isPlaced ? toCm : whole);
  if (!from || !to) return;
  const thick = Math.max(BAND_PX, from.radius + to.radius);
  context.strokeStyle = markPatterns(palette)[kind].ink;
  context.lineWidth = thick;
  line(context, from, to);
  context.strokeStyle = patterns[kind];
  context.lineWidth = Math.max(1, thick - 1.6);
  line(context, from, to);
}

function paintShoots(
  context: CanvasRenderingContext2D,
  seen: TreeSeen,
  expected: OnWood['expected'],
  leaf: string,
): void {
  context.strokeStyle = leaf;
  context.lineWidth = 1.6;
  context.setLineDash([4, 2]);
  for (const { limbId, atCm, shoots } of expected) {
    const at = seen.placeOf(limbId, atCm);
    if (!at) continue;
    const count = Math.min(MOST_SHOOTS, Math.round(shoots));
    for (let i = 0; i < count; i++)
      line(context, at, { x: at.x + (i - (count - 1) / 2) * 5, y: at.y - SHOOT_PX });
  }
  context.setLineDash([]);
}

function paintLabels(
  context: CanvasRenderingContext2D,
  seen: TreeSeen,
  { limbs, names, chosenId, bands, kerfs }: OnWood,
  { ink, paper }: Palette,
  { width, height, fontSize }: { width: number; height: number; fontSize: number },
): void {
  const marked = new Set([...bands, ...kerfs].map(({ limbId }) => limbId));
  const labels = labelsPlaced({
    limbs: limbs.flatMap((limb) => {
      const isNamed = limb.kind === 'scaffold' || marked.has(limb.id) || limb.id === chosenId;
      const tip = isNamed && seen.placeOf(limb.id, limb.lengthCm);
      return tip ? [{ limb, x: tip.x, y: tip.y }] : [];
    }),
    ...{ names, chosenId, marked, fontSize },
    within: { x: 0, y: 0, width, height },
  });
  context.font = `600 ${fontSize}px 'Barlow Condensed'`;
  context.textAlign = 'center';
  context.textBaseline = 'alphabetic';
  context.lineJoin = 'round';
  context.strokeStyle = paper;
  context.lineWidth = HALO_PX;
  context.fillStyle = ink;
  for (const { text, x, y } of labels) {
    context.strokeText(text, x, y);
    context.fillText(text, x, y);
  }
  context.lineJoin = 'miter';
}

function line(context: CanvasRenderingContext2D, from: Spot, to: Spot): void {
  context.beginPath();
  context.moveTo(from.x, from.y);
  context.lineTo(to.x, to.y);
  context.stroke();
}

/** The tile of a mark, sharp on this screen; its ink alone where the browser cannot paint tiles. */
function tiled({ sizePx, ink, dots, strokes }: MarkPattern, paper: string): CanvasPattern | string {
  const sharp = window.devicePixelRatio || 1;
  const tile = document.createElement('canvas');
  const side = Math.round(sizePx * sharp);
  Object.assign(tile, { width: side, height: side });
  const context = tile.getContext('2d');
  if (!context) return ink;
  context.scale(side / sizePx, side / sizePx);
  context.fillStyle = paper;
  context.fillRect(0, 0, sizePx, sizePx);
  context.fillStyle = ink;
  for (const { x, y, radius } of dots) {
    context.beginPath();
    context.arc(x, y, radius, 0, 2 * Math.PI);
    context.fill();
  }
  if (strokes) {
    context.strokeStyle = ink;
    context.lineWidth = strokes.width;
    context.stroke(new Path2D(strokes.d));
  }
  const pattern = context.createPattern(tile, 'repeat');
  pattern?.setTransform(new DOMMatrix().scale(sizePx / side));
  return pattern ?? ink;
}

/** From far to near, each an opaque mixture: nearer wood hides what is behind it. */
function shades(paper: string, ink: string, least: number, most: number): string[] {
  const part = (colour: string, at: number) => Number.parseInt(colour.slice(at, at + 2), 16);
  return Array.from({ length: SHADES + 1 }, (_, i) => {
    const share = least + ((most - least) * i) / SHADES;
    const mixed = [1, 3, 5].map((at) =>
      Math.round(part(paper, at) + (part(ink, at) - part(paper, at)) * share),
    );
    return `rgb(${mixed.join(' ')})`;
  });
}

/** Along one edge of a piece to its tip and back along the other. @param round whether the end is drawn, so that bends show no gap */
function trace(context: CanvasRenderingContext2D, { base, tip, radii }: SeenWood, round: boolean): void {
  const [a, b, c, d] = outlineOf(base, tip, radii);
  context.moveTo(a.x, a.y);
  context.lineTo(b.x, b.y);
  if (round) {
    const from = Math.atan2(b.y - tip.y, b.x - tip.x);
    context.arc(tip.x, tip.y, Math.max(0.2, radii[1]), from, from - Math.PI, true);
    context.lineTo(c.x, c.y);
  } else context.moveTo(c.x, c.y);
  context.lineTo(d.x, d.y);
}
