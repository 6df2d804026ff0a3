// The tree from where one stands: turned by a drag or by keys, nearer by buttons; a tap on wood picks the limb.

import { clockHour, heightReading, type Units } from '@mortisect/core/measure';
import { type Camera, limbsTouched, standAt, type TreeSeen, treeSeen } from '@mortisect/core/sight';
import type { Limb } from '@mortisect/core/tree';
import { joined } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { type KeyboardEvent, useId, useMemo, useRef, useState } from 'react';
import Svg, { G, Line } from 'react-native-svg';
import { useSay } from '../data/useSay';
import { Button } from '../ui/Button';
import { elementRef, keysOf } from '../ui/dom';
import { useTextScale, useWidthOf } from '../ui/size';
import { usePalette } from '../ui/theme';
import { Small } from '../ui/type';
import { Labels } from './Labels';
import { Kerf, MarkPatterns, useMarkInk } from './marks';
import { PaintedWood } from './PaintedWood';
import type { TapeBand } from './tape/Measure';
import { useDragAlong } from './tape/useDragAlong';
import { WhichLimb } from './WhichLimb';

interface StandViewProps {
  limbs: Limb[];
  names: ReadonlyMap<string, string>;
  twelveBearingDeg: number;
  chosenId: string | null;
  bands: readonly TapeBand[];
  kerfs: readonly { limbId: string; atCm: number }[];
  units: Units;
  onChoose(limbId: string): void;
  /** Shoots that are to be expected, about so many at each place. */
  expected?: readonly { limbId: string; atCm: number; shoots: number }[];
  /** What it is called, where a page has two of them. */
  label?: string;
  /** Where one stands at first: compass bearing from the stem. At 6 o’clock where nothing is said. */
  fromDeg?: number | undefined;
  /** On the ladder at first. */
  ladder?: boolean;
}

const HEIGHT = 300;
/** Eyes of somebody on the ground, and on the ladder. Common practice, no source. */
const EYE_CM = { ground: 160, ladder: 330 } as const;
const DEG_A_PX = 0.6;
const KEY_DEG = 15;
const NEARER = 1.3;
const MOST_ZOOM = 4;
const TAP_PX = 6;
const TOUCH_PX = 12;
const ASKED = 5;
/** Of shoots that are to be expected so many are drawn, each so long. */
const MOST_SHOOTS = 6;
const SHOOT_PX = 22;

export function StandView(props: StandViewProps) {
  const say = useSay();
  const { limbs, names, twelveBearingDeg, chosenId, bands, kerfs, units, onChoose } = props;
  const box = useRef<HTMLElement>(null);
  const width = useWidthOf(box) || 320;
  const [camera, setCamera] = useState<Camera>(() =>
    standAt(limbs, props.fromDeg ?? twelveBearingDeg + 180, EYE_CM[props.ladder ? 'ladder' : 'ground']),
  );
  const [asked, setAsked] = useState<Limb[]>([]);
  const seen = useMemo(() => treeSeen(limbs, camera, { width, height: HEIGHT }), [limbs, camera, width]);
  const set = (more: Partial<Camera>) => setCamera((before) => ({ ...before, ...more }));
  const turn = (deg: number) =>
    setCamera((before) => ({ ...before, bearingDeg: (before.bearingDeg + deg + 360) % 360 }));
  const nearer = (by: number) =>
    setCamera((before) => ({ ...before, zoom: Math.min(MOST_ZOOM, Math.max(1, before.zoom * by)) }));
  const touched = (x: number, y: number) => {
    const straight = limbsTouched(seen, { x, y }, 0);
    const near = straight.length > 0 ? straight : limbsTouched(seen, { x, y }, TOUCH_PX);
    const meant = near.slice(0, ASKED).flatMap((id) => limbs.find((limb) => limb.id === id) ?? []);
    if (meant.length > 1) setAsked(meant);
    else if (meant[0]) onChoose(meant[0].id);
  };
  const moved = useRef(0);
  useDragAlong(box, {
    onStart: () => {
      moved.current = 0;
      return camera.bearingDeg;
    },
    onMove: (from: number, byPx: number) => {
      moved.current = Math.max(moved.current, Math.abs(byPx));
      set({ bearingDeg: (from + byPx * DEG_A_PX + 720) % 360 });
    },
  });
  const onKeyDown = (event: KeyboardEvent) => {
    const act = {
      ArrowLeft: () => turn(-KEY_DEG),
      ArrowRight: () => turn(KEY_DEG),
      ArrowUp: () => set({ eyeCm: EYE_CM.ladder }),
      ArrowDown: () => set({ eyeCm: EYE_CM.ground }),
      '+': () => nearer(NEARER),
      '-': () => nearer(1 / NEARER),
    }[event.key];
    if (!act) return;
    event.preventDefault();
    act();
  };
  const hour = clockHour(camera.bearingDeg, twelveBearingDeg);
  const isUp = camera.eyeCm > EYE_CM.ground;
  const says = say(isUp ? 'shared.youStandOnTheLadderAt' : 'shared.youStandAt', {
    hour,
    away: joined(say, heightReading(camera.distanceCm, units)),
  });
  const named = (words: string) => (props.label ? `${words}: ${props.label}` : words);
  const [atMost, atLeast] = [camera.zoom >= MOST_ZOOM, camera.zoom <= 1];
  // They stay as they are while the tree turns
  // biome-ignore lint/correctness/useExhaustiveDependencies: what they call works on the camera of then
  const controls = useMemo(
    () => (
      <View flexDirection="row" flexWrap="wrap" gap={8}>
        <Button onPress={() => turn(-30)} aria-label={named(say('shared.goRoundToTheLeft'))}>
          {'↶'}
        </Button>
        <Button onPress={() => turn(30)} aria-label={named(say('shared.goRoundToTheRight'))}>
          {'↷'}
        </Button>
        <Button onPress={() => nearer(NEARER)} disabled={atMost} aria-label={named(say('shared.nearer'))}>
          {'+'}
        </Button>
        <Button
          onPress={() => nearer(1 / NEARER)}
          disabled={atLeast}
          aria-label={named(say('shared.fartherOff'))}
        >
          {'−'}
        </Button>
        <Button
          onPress={() => set({ eyeCm: isUp ? EYE_CM.ground : EYE_CM.ladder })}
          aria-label={named(say(isUp ? 'shared.fromTheGround' : 'shared.fromTheLadder'))}
        >
          {say(isUp ? 'shared.fromTheGround' : 'shared.fromTheLadder')}
        </Button>
      </View>
    ),
    [atMost, atLeast, isUp, say],
  );
  return (
    <View gap={6}>
      <View
        ref={elementRef(box)}
        role="slider"
        tabIndex={0}
        aria-label={props.label ?? say('shared.theTreeFromWhereYouStand')}
        aria-valuemin={1}
        aria-valuemax={12}
        aria-valuenow={hour}
        aria-valuetext={says}
        onKeyDown={keysOf(onKeyDown)}
        onPress={
          ((event: { clientX: number; clientY: number }) => {
            const at = box.current?.getBoundingClientRect();
            if (at && moved.current < TAP_PX) touched(event.clientX - at.left, event.clientY - at.top);
          }) as never
        }
        width="100%"
        height={HEIGHT}
        position="relative"
        overflow="hidden"
        backgroundColor="$paper"
        borderWidth={1}
        borderStyle="solid"
        borderColor="$rule"
        cursor="grab"
        style={{ touchAction: 'pan-y' }}
      >
        <PaintedWood seen={seen} width={width} height={HEIGHT} chosenId={chosenId} />
        <Marks
          expected={props.expected ?? []}
          seen={seen}
          width={width}
          limbs={limbs}
          names={names}
          chosenId={chosenId}
          bands={bands}
          kerfs={kerfs}
        />
      </View>
      <Small>{says}</Small>
      {controls}
      <WhichLimb asked={asked} names={names} units={units} onClose={() => setAsked([])} onChoose={onChoose} />
    </View>
  );
}

function Marks({
  seen,
  width,
  limbs,
  names,
  chosenId,
  bands,
  kerfs,
  expected,
}: Pick<StandViewProps, 'limbs' | 'names' | 'chosenId' | 'bands' | 'kerfs'> & {
  seen: TreeSeen;
  width: number;
  expected: NonNullable<StandViewProps['expected']>;
}) {
  const prefix = `v${useId().replace(/\W/g, '')}`;
  const inks = useMarkInk();
  const { leaf } = usePalette();
  const textScale = useTextScale();
  const marked = new Set([...bands, ...kerfs].map(({ limbId }) => limbId));
  const byId = new Map(limbs.map((limb) => [limb.id, limb]));
  return (
    <Svg
      width={width}
      height={HEIGHT}
      style={{ position: 'absolute', left: 0, top: 0, pointerEvents: 'none' }}
      aria-hidden
    >
      <MarkPatterns prefix={prefix} />
      {bands.map(({ id, limbId, fromCm, toCm, kind, measured }) => {
        const limb = byId.get(limbId);
        const isPlaced = measured !== false;
        const from = seen.placeOf(limbId, isPlaced ? fromCm : 0);
        const to = seen.placeOf(limbId, isPlaced ? toCm : (limb?.lengthCm ?? 0));
        if (!from || !to) return null;
        const thick = Math.max(3, from.radius + to.radius);
        const line = { x1: from.x, y1: from.y, x2: to.x, y2: to.y };
        return (
          <G key={id}>
            <Line {...line} stroke={inks[kind]} strokeWidth={thick} />
            <Line {...line} stroke={`url(#${prefix}${kind})`} strokeWidth={Math.max(1, thick - 1.6)} />
          </G>
        );
      })}
      {expected.flatMap(({ limbId, atCm, shoots }) => {
        const at = seen.placeOf(limbId, atCm);
        const drawn = Math.min(MOST_SHOOTS, Math.round(shoots));
        return at
          ? Array.from({ length: drawn }, (_, i) => (
              <Line
                // biome-ignore lint/suspicious/noArrayIndexKey: shoots that are not there yet have no name but their place
                key={`${limbId} ${atCm} ${i}`}
                x1={at.x}
                y1={at.y}
                x2={at.x + (i - (drawn - 1) / 2) * 5}
                y2={at.y - SHOOT_PX}
                stroke={leaf}
                strokeWidth={1.6}
                strokeDasharray="4 2"
              />
            ))
          : [];
      })}
      <Labels
        limbs={limbs.flatMap((limb) => {
          const tip = seen.placeOf(limb.id, limb.lengthCm);
          const isNamed = limb.kind === 'scaffold' || marked.has(limb.id) || limb.id === chosenId;
          return tip && isNamed ? [{ limb, x: tip.x, y: tip.y }] : [];
        })}
        names={names}
        chosenId={chosenId}
        marked={marked}
        within={{ x: 0, y: 0, width, height: HEIGHT }}
        fontSize={14 * textScale}
      />
      {kerfs.map((kerf) => {
        const at = seen.placeOf(kerf.limbId, kerf.atCm);
        return at ? (
          <Kerf key={`${kerf.limbId}-${kerf.atCm}`} x={at.x} y={at.y} half={Math.max(9, at.radius + 5)} />
        ) : null;
      })}
    </Svg>
  );
}
