// The tree from where one stands: turned by a drag or by keys, nearer by buttons; a tap on wood picks the limb.

import { clockHour, heightReading, type Units } from '@mortisect/core/measure';
import {
  type Camera,
  limbsTouched,
  MOST_ZOOM,
  movedBy,
  type Spot,
  standAt,
  type TreeSeen,
  treeSeen,
  zoomedAt,
} from '@mortisect/core/sight';
import type { Limb } from '@mortisect/core/tree';
import { joined } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { createElement, type KeyboardEvent, useId, useMemo, useRef, useState } from 'react';
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
import { useHold } from './useHold';
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
/** Eyes of somebody who kneels, who stands on the ground, from where on one is on the ladder, and at its top. Common practice, no source. */
const EYE_CM = { least: 80, ground: 160, onLadder: 210, ladder: 330, most: 400 } as const;
const EYE_STEP_CM = 10;
const DEG_A_PX = 0.6;
const KEY_DEG = 15;
const NEARER = 1.3;
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
  const size = { width, height: HEIGHT };
  /** Whoever comes nearer by a button comes nearer to the limb that is chosen. */
  const chosenAt = (): Spot => {
    const chosen = limbs.find(({ id }) => id === chosenId);
    const at = chosen && seen.placeOf(chosen.id, chosen.lengthCm / 2);
    return at ?? { x: width / 2, y: HEIGHT / 2 };
  };
  const nearer = (by: number, at = chosenAt()) => setCamera((before) => zoomedAt(before, by, at, size));
  const touched = (at: Spot) => {
    const straight = limbsTouched(seen, at, 0);
    const near = straight.length > 0 ? straight : limbsTouched(seen, at, TOUCH_PX);
    const meant = near.slice(0, ASKED).flatMap((id) => limbs.find((limb) => limb.id === id) ?? []);
    if (meant.length > 1) setAsked(meant);
    else if (meant[0]) onChoose(meant[0].id);
  };
  // One finger goes round the tree, two come nearer and move the picture
  useHold(box, {
    onTouch: touched,
    onDrag: (byPx) => turn(byPx * DEG_A_PX),
    onPinch: (by, at, moved) => setCamera((before) => movedBy(zoomedAt(before, by, at, size), moved, size)),
    // The page scrolls past a view that nobody works in, and on where there is nothing nearer or farther
    takesWheel: (isNearer) =>
      document.activeElement === box.current && (isNearer ? camera.zoom < MOST_ZOOM : camera.zoom > 1),
  });
  const onKeyDown = (event: KeyboardEvent) => {
    const act = {
      ArrowLeft: () => turn(-KEY_DEG),
      ArrowRight: () => turn(KEY_DEG),
      ArrowUp: () => set({ eyeCm: Math.min(EYE_CM.most, camera.eyeCm + EYE_STEP_CM) }),
      ArrowDown: () => set({ eyeCm: Math.max(EYE_CM.least, camera.eyeCm - EYE_STEP_CM) }),
      '+': () => nearer(NEARER),
      '-': () => nearer(1 / NEARER),
    }[event.key];
    if (!act) return;
    event.preventDefault();
    act();
  };
  const hour = clockHour(camera.bearingDeg, twelveBearingDeg);
  const isUp = camera.eyeCm >= EYE_CM.onLadder;
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
        <EyeHeight
          label={named(say('shared.heightOfYourEyes'))}
          says={joined(say, heightReading(camera.eyeCm, units))}
          eyeCm={camera.eyeCm}
          onEye={(eyeCm) => set({ eyeCm })}
        />
      </View>
    ),
    [atMost, atLeast, camera.eyeCm, units, say],
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

interface EyeHeightProps {
  label: string;
  /** The height in words. */
  says: string;
  eyeCm: number;
  onEye(eyeCm: number): void;
}

/** From kneeling to the top of the ladder. */
function EyeHeight({ label, says, eyeCm, onEye }: EyeHeightProps) {
  const { chalk } = usePalette();
  return (
    <View flexDirection="row" alignItems="center" gap={8} flexGrow={1} minWidth={150}>
      {createElement('input', {
        type: 'range',
        min: EYE_CM.least,
        max: EYE_CM.most,
        step: EYE_STEP_CM,
        value: eyeCm,
        'aria-label': label,
        'aria-valuetext': says,
        onChange: (event: { target: { value: string } }) => onEye(Number(event.target.value)),
        style: { flex: 1, minWidth: 90, height: 48, accentColor: chalk },
      })}
      <Small>{says}</Small>
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
