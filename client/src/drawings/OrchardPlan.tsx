// The orchard from above: every tree where it stands, with its state by mark and tone. Drag moves it, pinch or wheel comes nearer, a tap opens.
import { type OrchardPlan as Plan, treeToward } from '@mortisect/core/register';
import { View } from '@tamagui/core';
import { type KeyboardEvent, useEffect, useId, useMemo, useRef, useState } from 'react';
import { useWindowDimensions } from 'react-native';
import { useSay } from '../data/useSay';
import { Button } from '../ui/Button';
import { elementRef, keysOf } from '../ui/dom';
import { useWidthOf } from '../ui/size';
import { Label, Small } from '../ui/type';
import { inView, type Look, nearerAt } from './look';
import { PaintedOrchard, TreeSwatch } from './PaintedOrchard';
import type { TreeMark, TreeOnPlan } from './treeMarks';
import { type Place, useHold } from './useHold';

interface OrchardPlanProps {
  plan: Plan;
  /** By id; a tree that is not there is not drawn. */
  trees: ReadonlyMap<string, TreeOnPlan>;
  label: string;
  marks: readonly { mark: TreeMark; says: string }[];
  /** What a tap does, in words; said until a tree is lit. */
  hint?: string;
  height?: number;
  /** The tree that is lit until another one is chosen. */
  atFirst?: string;
  /** Opens a tree; where it is not given, a tap says which one it is. */
  onOpen?(treeId: string): void;
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
export function OrchardPlan(props: OrchardPlanProps) {
  const { plan, trees, label, marks, hint, atFirst, onArea } = props;
  const onOpen = props.onOpen ?? ((treeId) => goTo(treeId));
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
  const [atId, setAtId] = useState<string | null>(atFirst ?? null);
  const [area, setArea] = useState<[Place, Place] | null>(null);
  const [marksArea, setMarksArea] = useState(false);
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
  useHold(box, {
    onTouch: (at) => touched(at),
    onDrag: (byPx, downPx) =>
      setMoved(
        (before) =>
          before && inView({ ...before, x: before.x + byPx, y: before.y + downPx }, plan, { width, height }),
      ),
    onPinch: nearer,
    ...(onArea && {
      marksArea,
      onArea: (from: Place, to: Place, isLast: boolean) => {
        setArea(isLast ? null : [from, to]);
        if (isLast) setMarksArea(false);
        if (isLast) onArea(all.filter((tree) => isBetween(placeOf(tree), from, to)).map((tree) => tree.id));
      },
    }),
    takesWheel: (isNearer) => (isNearer ? look.scale < whole.scale * MOST_NEARER : !isWhole),
  });
  const placeOf = (tree: { x: number; y: number }) => ({
    x: look.x + tree.x * look.scale,
    y: look.y + tree.y * look.scale,
  });
  const touched = ({ x, y }: Place) => {
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
        width="100%"
        height={height}
        position="relative"
        overflow="hidden"
        backgroundColor="$paper"
        borderWidth={1}
        borderStyle="solid"
        borderColor="$rule"
        cursor={isWhole ? 'pointer' : 'grab'}
        style={{ touchAction: isWhole && !marksArea ? 'pan-y' : 'none' }}
      >
        <PaintedOrchard plan={plan} trees={trees} look={look} atId={atId} width={width} height={height} />
        {area ? <Area from={area[0]} to={area[1]} /> : null}
      </View>
      <View flexDirection="row" flexWrap="wrap" alignItems="center" gap={12}>
        <Button onPress={() => nearer(NEARER)} aria-label={say('shared.nearer')}>
          {'+'}
        </Button>
        <Button onPress={() => nearer(1 / NEARER)} disabled={isWhole} aria-label={say('shared.fartherOff')}>
          {'−'}
        </Button>
        {onArea ? (
          <Button aria-pressed={marksArea} onPress={() => setMarksArea(!marksArea)}>
            {say(marksArea ? 'shared.dragOverTrees' : 'shared.markAnArea')}
          </Button>
        ) : null}
        {marks.map(({ mark, says }) => (
          <View key={says} flexDirection="row" alignItems="center" gap={6}>
            <TreeSwatch mark={mark} />
            <Small>{says}</Small>
          </View>
        ))}
      </View>
      <Label id={id} role="status">
        {at ? `${at.code} · ${at.says}` : (hint ?? '')}
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
