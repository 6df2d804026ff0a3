// The orchard from above: every tree where it stands, with its state by mark and tone. Drag moves it, pinch or wheel comes nearer, a tap opens.
import { type OrchardPlan as Plan, treeToward } from '@mortisect/core/register';
import { View } from '@tamagui/core';
import {
  createElement,
  type KeyboardEvent,
  useEffect,
  useId,
  useLayoutEffect,
  useMemo,
  useRef,
  useState,
} from 'react';
import { useWindowDimensions } from 'react-native';
import { useSay } from '../data/useSay';
import { Button } from '../ui/Button';
import { elementRef, keysOf } from '../ui/dom';
import { useTextScale, useWidthOf } from '../ui/size';
import type { Palette } from '../ui/tamagui.config';
import { usePalette } from '../ui/theme';
import { Label, Small } from '../ui/type';
import { inView, type Look, nearerAt } from './look';
import { paintTree, type TreeMark } from './treeMarks';
import { type Place, useHold } from './useHold';

export interface TreeOnPlan {
  code: string;
  mark: TreeMark;
  /** The same in words, with what there is to say of it. */
  says: string;
  /** Stands in the ring instead of the mark: its place in a run. */
  number?: number;
}

interface OrchardPlanProps {
  plan: Plan;
  /** By id; a tree that is not there is not drawn. */
  trees: ReadonlyMap<string, TreeOnPlan>;
  label: string;
  marks: readonly { mark: TreeMark; says: string }[];
  /** What a tap does, in words. */
  hint: string;
  height?: number;
  onOpen(treeId: string): void;
  /** Trees within an area that was marked out with the shift key held. */
  onArea?: ((treeIds: string[]) => void) | undefined;
}

/** What stands above and below it on a screen, px. */
const BESIDE_PX = 250;
const LEAST_PX = 320;
const FLAT_PX = 160;
const NEARER = 1.5;
/** The whole orchard, and so many times nearer. */
const MOST_NEARER = 24;
const TOUCH_PX = 22;
const SIDE_PX = 18;
/** A tree is drawn as its crown is wide, within what an eye tells apart. */
const CROWN_M = 1.5;
const RADIUS_PX = [2.2, 13] as const;
/** From so many px between trees on, each shows its number. */
const NUMBERED_PX = 30;

export function OrchardPlan(props: OrchardPlanProps) {
  const { plan, trees, label, marks, hint, onOpen, onArea } = props;
  const say = useSay();
  const box = useRef<HTMLElement>(null);
  const width = useWidthOf(box) || 600;
  const screen = useWindowDimensions().height;
  const most = props.height ?? Math.max(LEAST_PX, screen - BESIDE_PX);
  // No higher than it takes to fill the width
  const fills = (plan.height / Math.max(1, plan.width)) * (width - 2 * SIDE_PX) + 2 * SIDE_PX;
  const height = Math.round(Math.min(most, Math.max(FLAT_PX, fills)));
  const whole = useMemo(() => wholeIn(plan, width, height), [plan, width, height]);
  const [moved, setMoved] = useState<Look | null>(null);
  const look = moved ?? whole;
  const [atId, setAtId] = useState<string | null>(null);
  const [area, setArea] = useState<[Place, Place] | null>(null);
  const id = useId();
  const all = useMemo(
    () => plan.plots.flatMap((plot) => plot.trees).filter((tree) => trees.has(tree.id)),
    [plan, trees],
  );
  // biome-ignore lint/correctness/useExhaustiveDependencies: another orchard, or another size of the page, is seen whole again
  useEffect(() => setMoved(null), [whole]);
  const nearer = (by: number, at = { x: width / 2, y: height / 2 }, aside = { x: 0, y: 0 }) =>
    setMoved((before) => {
      const from = before ?? whole;
      const scale = Math.min(whole.scale * MOST_NEARER, Math.max(whole.scale, from.scale * by));
      if (scale <= whole.scale) return null;
      const near = nearerAt(from, scale, at);
      return inView({ ...near, x: near.x + aside.x, y: near.y + aside.y }, plan, { width, height });
    });
  const isWhole = look.scale <= whole.scale;
  const hasOnlyTouched = useHold(box, {
    onDrag: (byPx, downPx) =>
      setMoved(
        (before) =>
          before && inView({ ...before, x: before.x + byPx, y: before.y + downPx }, plan, { width, height }),
      ),
    onPinch: nearer,
    ...(onArea && {
      onArea: (from: Place, to: Place, isLast: boolean) => {
        setArea(isLast ? null : [from, to]);
        if (isLast) onArea(all.filter((tree) => isBetween(placeOf(tree), from, to)).map((tree) => tree.id));
      },
    }),
    takesWheel: (isNearer) => (isNearer ? look.scale < whole.scale * MOST_NEARER : !isWhole),
  });
  const placeOf = (tree: { x: number; y: number }) => ({
    x: look.x + tree.x * look.scale,
    y: look.y + tree.y * look.scale,
  });
  const touched = (x: number, y: number) => {
    const near = all
      .map((tree) => ({ id: tree.id, far: Math.hypot(placeOf(tree).x - x, placeOf(tree).y - y) }))
      .reduce((a, b) => (b.far < a.far ? b : a), { id: '', far: TOUCH_PX });
    if (near.id) onOpen(near.id);
  };
  const goTo = (treeId: string) => {
    setAtId(treeId);
    const tree = all.find((each) => each.id === treeId);
    if (!tree) return;
    const { x, y } = placeOf(tree);
    if (x < SIDE_PX || y < SIDE_PX || x > width - SIDE_PX || y > height - SIDE_PX)
      setMoved({ ...look, x: look.x + width / 2 - x, y: look.y + height / 2 - y });
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const toward = KEYS[event.key];
    const act = toward
      ? () => goTo(treeToward(all, atId ?? '', toward))
      : event.key === '+'
        ? () => nearer(NEARER)
        : event.key === '-'
          ? () => nearer(1 / NEARER)
          : event.key === 'Enter' && atId
            ? () => onOpen(atId)
            : null;
    if (!act) return;
    event.preventDefault();
    act();
  };
  const at = atId === null ? undefined : trees.get(atId);
  return (
    <View gap={8}>
      <View
        ref={elementRef(box)}
        role="group"
        tabIndex={0}
        aria-label={label}
        aria-describedby={id}
        onKeyDown={keysOf(onKeyDown)}
        onPress={
          ((event: { clientX: number; clientY: number }) => {
            const place = box.current?.getBoundingClientRect();
            if (place && hasOnlyTouched()) touched(event.clientX - place.left, event.clientY - place.top);
          }) as never
        }
        width="100%"
        height={height}
        position="relative"
        overflow="hidden"
        backgroundColor="$paper"
        borderWidth={1}
        borderStyle="solid"
        borderColor="$rule"
        cursor={isWhole ? 'pointer' : 'grab'}
        style={{ touchAction: isWhole ? 'pan-y' : 'none' }}
      >
        <Painted plan={plan} trees={trees} look={look} atId={atId} width={width} height={height} />
        {area ? <Area from={area[0]} to={area[1]} /> : null}
      </View>
      <View flexDirection="row" flexWrap="wrap" alignItems="center" gap={12}>
        <Button onPress={() => nearer(NEARER)} aria-label={say('shared.nearer')}>
          {'+'}
        </Button>
        <Button onPress={() => nearer(1 / NEARER)} disabled={isWhole} aria-label={say('shared.fartherOff')}>
          {'−'}
        </Button>
        {marks.map(({ mark, says }) => (
          <View key={says} flexDirection="row" alignItems="center" gap={6}>
            <Swatch mark={mark} />
            <Small>{says}</Small>
          </View>
        ))}
      </View>
      <Label id={id} role="status">
        {at ? `${at.code} · ${at.says}` : hint}
      </Label>
    </View>
  );
}

const KEYS: Readonly<Record<string, 'left' | 'right' | 'up' | 'down'>> = {
  ArrowLeft: 'left',
  ArrowRight: 'right',
  ArrowUp: 'up',
  ArrowDown: 'down',
};

/** As large as the whole orchard fits, in the middle. */
function wholeIn(plan: Plan, width: number, height: number): Look {
  const room = { width: width - 2 * SIDE_PX, height: height - 2 * SIDE_PX };
  const scale = Math.min(room.width / Math.max(1, plan.width), room.height / Math.max(1, plan.height));
  return { scale, x: (width - plan.width * scale) / 2, y: (height - plan.height * scale) / 2 };
}

interface PaintedProps {
  plan: Plan;
  trees: ReadonlyMap<string, TreeOnPlan>;
  look: Look;
  atId: string | null;
  width: number;
  height: number;
}

/** One bitmap, so that thousands of trees move without waiting. */
function Painted({ plan, trees, look, atId, width, height }: PaintedProps) {
  const palette = usePalette();
  const textScale = useTextScale();
  const canvas = useRef<HTMLCanvasElement>(null);
  const stampOf = useStamps(palette);
  useLayoutEffect(() => {
    const context = sized(canvas.current, width, height);
    if (!context) return;
    const x = (metres: number) => look.x + metres * look.scale;
    const y = (metres: number) => look.y + metres * look.scale;
    const radius = Math.min(RADIUS_PX[1], Math.max(RADIUS_PX[0], CROWN_M * look.scale));
    context.textBaseline = 'alphabetic';
    for (const plot of plan.plots) {
      context.textAlign = 'left';
      context.font = `600 ${16 * textScale}px 'Barlow Condensed'`;
      context.fillStyle = palette.ink;
      context.fillText(plot.name, x(plot.x), y(plot.y) - 3);
      context.strokeStyle = palette.rule;
      context.lineWidth = 1.5;
      for (const { from, to } of plot.rows) {
        context.beginPath();
        context.moveTo(x(from.x), y(from.y));
        context.lineTo(x(to.x), y(to.y));
        context.stroke();
      }
      const [a, b] = plot.trees;
      const apart = a && b ? Math.hypot(b.x - a.x, b.y - a.y) * look.scale : 0;
      // The number stands below the ring, and over no tree of the next row
      const next = plot.rows.flatMap(({ from }) => (from.y > (a?.y ?? 0) ? [from.y - (a?.y ?? 0)] : []));
      const hasRoom = Math.min(...next) * look.scale >= 2 * radius + 14 * textScale;
      context.textAlign = 'center';
      context.font = `600 ${13 * textScale}px 'Barlow Condensed'`;
      for (const tree of plot.trees) {
        const at = { x: x(tree.x), y: y(tree.y) };
        const drawn = trees.get(tree.id);
        const isSeen = at.x > -radius && at.y > -radius && at.x < width + radius && at.y < height + radius;
        if (!drawn || !isSeen) continue;
        if (tree.id === atId) {
          context.fillStyle = palette.chalk;
          context.beginPath();
          context.arc(at.x, at.y, radius + 5, 0, 2 * Math.PI);
          context.fill();
        }
        const { number } = drawn;
        const mark: TreeMark = number === undefined ? drawn.mark : { ...drawn.mark, has: 'nothing' };
        const { stamp, half } = stampOf(mark, radius);
        context.drawImage(stamp, at.x - half, at.y - half, 2 * half, 2 * half);
        if (number !== undefined) {
          context.fillStyle = palette.ink;
          context.fillText(String(number), at.x, at.y + 5 * textScale);
        }
        if (apart < NUMBERED_PX || !hasRoom) continue;
        context.fillStyle = palette.soft;
        context.fillText(drawn.code.split(' ').at(-1) ?? '', at.x, at.y + radius + 13 * textScale);
      }
    }
  }, [plan, trees, look, atId, width, height, palette, textScale, stampOf]);
  return createElement('canvas', {
    ref: canvas,
    'aria-hidden': true,
    style: { width: '100%', height, display: 'block' },
  });
}

interface Stamp {
  stamp: HTMLCanvasElement;
  /** From its middle to its edge, px. */
  half: number;
}

/** Each mark is painted once for a size and then stamped: thousands of trees have a handful of marks. */
function useStamps(palette: Palette): (mark: TreeMark, radius: number) => Stamp {
  return useMemo(() => {
    const made = new Map<string, Stamp>();
    let size = 0;
    return (mark, radius) => {
      if (radius !== size) made.clear();
      size = radius;
      const key = `${mark.ring} ${mark.has} ${mark.warns}`;
      const known = made.get(key);
      if (known) return known;
      // Room for the ring's line and the triangle beside it
      const half = Math.ceil(radius * 1.5) + 1;
      const stamp = document.createElement('canvas');
      const context = sized(stamp, 2 * half, 2 * half);
      if (context) paintTree(context, { x: half, y: half }, radius, mark, palette);
      made.set(key, { stamp, half });
      return { stamp, half };
    };
  }, [palette]);
}

/** What is being marked out. */
function Area({ from, to }: { from: Place; to: Place }) {
  return (
    <View
      position="absolute"
      left={Math.min(from.x, to.x)}
      top={Math.min(from.y, to.y)}
      width={Math.abs(to.x - from.x)}
      height={Math.abs(to.y - from.y)}
      borderWidth={2}
      borderStyle="dashed"
      borderColor="$chalk"
      pointerEvents="none"
    />
  );
}

const isBetween = ({ x, y }: Place, a: Place, b: Place) =>
  x >= Math.min(a.x, b.x) && x <= Math.max(a.x, b.x) && y >= Math.min(a.y, b.y) && y <= Math.max(a.y, b.y);

function Swatch({ mark }: { mark: TreeMark }) {
  const palette = usePalette();
  const canvas = useRef<HTMLCanvasElement>(null);
  useLayoutEffect(() => {
    const context = sized(canvas.current, 24, 24);
    if (context) paintTree(context, { x: 12, y: 12 }, 8, mark, palette);
  }, [mark, palette]);
  return createElement('canvas', { ref: canvas, 'aria-hidden': true, style: { width: 24, height: 24 } });
}

/** A canvas as sharp as the screen, wiped; null where there is none yet. */
function sized(canvas: HTMLCanvasElement | null, width: number, height: number) {
  const context = canvas?.getContext('2d');
  if (!canvas || !context) return null;
  const sharp = window.devicePixelRatio || 1;
  const [wide, high] = [Math.round(width * sharp), Math.round(height * sharp)];
  // To give it a size again would cost more than all that is painted
  if (canvas.width !== wide || canvas.height !== high) Object.assign(canvas, { width: wide, height: high });
  context.setTransform(sharp, 0, 0, sharp, 0, 0);
  context.clearRect(0, 0, width, height);
  return context;
}
