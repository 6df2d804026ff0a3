// The tree from where one stands: turned by a drag or by keys, nearer by buttons; a tap on wood picks the limb.

import { clockHour, heightReading, type Units } from '@mortisect/core/measure';
import {
  type Camera,
  limbsTouched,
  MOST_ZOOM,
  movedBy,
  type Spot,
  standAt,
  treeSeen,
  zoomedAt,
} from '@mortisect/core/sight';
import type { Limb } from '@mortisect/core/tree';
import { joined } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import {
  createElement,
  type KeyboardEvent,
  type ReactNode,
  type RefObject,
  useLayoutEffect,
  useMemo,
  useRef,
  useState,
} from 'react';
import { useSay } from '../data/useSay';
import { Button } from '../ui/Button';
import { elementRef, keysOf } from '../ui/dom';
import { useTextScale, useWidthOf } from '../ui/size';
import { usePalette } from '../ui/theme';
import { Small } from '../ui/type';
import { sized, useLetters } from './canvas';
import { type OnWood, paintView, viewInks } from './paintView';
import type { TapeBand } from './tape/Measure';
import { useHold } from './useHold';
import { type Stand, useOfStand, useStand } from './useStand';
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

/** No marks, no shoots: always the same, so that nothing is painted again for it. */
const NONE: OnWood['expected'] = [];

export function StandView(props: StandViewProps) {
  const say = useSay();
  const { limbs, names, twelveBearingDeg, chosenId, bands, kerfs, units, onChoose } = props;
  const box = useRef<HTMLElement>(null);
  const width = useWidthOf(box) || 320;
  const stand = useStand(() =>
    standAt(limbs, props.fromDeg ?? twelveBearingDeg + 180, EYE_CM[props.ladder ? 'ladder' : 'ground']),
  );
  const [asked, setAsked] = useState<Limb[]>([]);
  const size = { width, height: HEIGHT };
  const seen = () => treeSeen(limbs, stand.camera(), size);
  const turn = (deg: number) =>
    stand.move((from) => ({ ...from, bearingDeg: (from.bearingDeg + deg + 360) % 360 }));
  const setEyes = (eyeCm: number) =>
    stand.move((from) => ({ ...from, eyeCm: Math.min(EYE_CM.most, Math.max(EYE_CM.least, eyeCm)) }));
  /** Whoever comes nearer by a button comes nearer to the limb that is chosen. */
  const chosenAt = (): Spot => {
    const chosen = limbs.find(({ id }) => id === chosenId);
    const at = chosen && seen().placeOf(chosen.id, chosen.lengthCm / 2);
    return at ?? { x: width / 2, y: HEIGHT / 2 };
  };
  const nearer = (by: number) => {
    const at = chosenAt();
    stand.move((from) => zoomedAt(from, by, at, size));
  };
  const touched = (at: Spot) => {
    const now = seen();
    const straight = limbsTouched(now, at, 0);
    const near = straight.length > 0 ? straight : limbsTouched(now, at, TOUCH_PX);
    const meant = near.slice(0, ASKED).flatMap((id) => limbs.find((limb) => limb.id === id) ?? []);
    if (meant.length > 1) setAsked(meant);
    else if (meant[0]) onChoose(meant[0].id);
  };
  // One finger goes round the tree, two come nearer and move the picture
  useHold(box, {
    onTouch: touched,
    onDrag: (byPx) => turn(byPx * DEG_A_PX),
    onPinch: (by, at, moved) => stand.move((from) => movedBy(zoomedAt(from, by, at, size), moved, size)),
    // The page scrolls past a view that nobody works in, and on where there is nothing nearer or farther
    takesWheel: (isNearer) => {
      const { zoom } = stand.camera();
      return document.activeElement === box.current && (isNearer ? zoom < MOST_ZOOM : zoom > 1);
    },
  });
  const onKeyDown = (event: KeyboardEvent) => {
    const act = {
      ArrowLeft: () => turn(-KEY_DEG),
      ArrowRight: () => turn(KEY_DEG),
      ArrowUp: () => setEyes(stand.camera().eyeCm + EYE_STEP_CM),
      ArrowDown: () => setEyes(stand.camera().eyeCm - EYE_STEP_CM),
      '+': () => nearer(NEARER),
      '-': () => nearer(1 / NEARER),
    }[event.key];
    if (!act) return;
    event.preventDefault();
    act();
  };
  const named = (words: string) => (props.label ? `${words}: ${props.label}` : words);
  const standing = { stand, twelveBearingDeg, units };
  return (
    <View gap={6}>
      <Box
        {...standing}
        box={box}
        label={props.label ?? say('shared.theTreeFromWhereYouStand')}
        onKeyDown={onKeyDown}
      >
        <PaintedView
          stand={stand}
          width={width}
          on={{ limbs, names, chosenId, bands, kerfs, expected: props.expected ?? NONE }}
        />
      </Box>
      <WhereOneStands {...standing} />
      <View flexDirection="row" flexWrap="wrap" gap={8}>
        <Button onPress={() => turn(-30)} aria-label={named(say('shared.goRoundToTheLeft'))}>
          {'↶'}
        </Button>
        <Button onPress={() => turn(30)} aria-label={named(say('shared.goRoundToTheRight'))}>
          {'↷'}
        </Button>
        <Nearer
          stand={stand}
          isAtEnd={({ zoom }) => zoom >= MOST_ZOOM}
          label={named(say('shared.nearer'))}
          onPress={() => nearer(NEARER)}
        >
          {'+'}
        </Nearer>
        <Nearer
          stand={stand}
          isAtEnd={({ zoom }) => zoom <= 1}
          label={named(say('shared.fartherOff'))}
          onPress={() => nearer(1 / NEARER)}
        >
          {'−'}
        </Nearer>
        <EyeHeight
          stand={stand}
          label={named(say('shared.heightOfYourEyes'))}
          units={units}
          onEye={setEyes}
        />
      </View>
      <WhichLimb asked={asked} names={names} units={units} onClose={() => setAsked([])} onChoose={onChoose} />
    </View>
  );
}

interface Standing {
  stand: Stand;
  twelveBearingDeg: number;
  units: Units;
}

/** Where one stands in words: other words only where the hour, the ladder or the distance is another. */
function useWhereOneStands({ stand, twelveBearingDeg, units }: Standing): { hour: number; says: string } {
  const say = useSay();
  const hour = useOfStand(stand, ({ bearingDeg }) => clockHour(bearingDeg, twelveBearingDeg));
  const isUp = useOfStand(stand, ({ eyeCm }) => eyeCm >= EYE_CM.onLadder);
  const distanceCm = useOfStand(stand, (camera) => camera.distanceCm);
  const away = joined(say, heightReading(distanceCm, units));
  return { hour, says: say(isUp ? 'shared.youStandOnTheLadderAt' : 'shared.youStandAt', { hour, away }) };
}

function WhereOneStands(standing: Standing) {
  return <Small>{useWhereOneStands(standing).says}</Small>;
}

interface BoxProps extends Standing {
  box: RefObject<HTMLElement | null>;
  label: string;
  onKeyDown(event: KeyboardEvent): void;
  children: ReactNode;
}

function Box({ box, label, onKeyDown, children, ...standing }: BoxProps) {
  const { hour, says } = useWhereOneStands(standing);
  return (
    <View
      ref={elementRef(box)}
      role="slider"
      tabIndex={0}
      aria-label={label}
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
      {children}
    </View>
  );
}

/** The picture is painted again whenever one moves, beside React: a large tree turns without waiting. */
function PaintedView({ stand, width, on }: { stand: Stand; width: number; on: OnWood }) {
  const palette = usePalette();
  const fontSize = 14 * useTextScale();
  const letters = useLetters();
  const canvas = useRef<HTMLCanvasElement>(null);
  const isQuiet = on.chosenId !== null && on.limbs.some(({ id }) => id === on.chosenId);
  const inks = useMemo(() => viewInks(palette, isQuiet), [palette, isQuiet]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: other letters are painted again
  useLayoutEffect(() => {
    const paint = () => {
      const context = sized(canvas.current, width, HEIGHT);
      if (!context) return;
      const seen = treeSeen(on.limbs, stand.camera(), { width, height: HEIGHT });
      paintView(context, seen, on, inks, { width, height: HEIGHT, fontSize });
    };
    paint();
    return stand.subscribe(paint);
  }, [stand, width, on, inks, fontSize, letters]);
  return createElement('canvas', {
    ref: canvas,
    'aria-hidden': true,
    style: { width: '100%', height: HEIGHT, display: 'block' },
  });
}

interface NearerProps {
  stand: Stand;
  isAtEnd(camera: Camera): boolean;
  label: string;
  onPress(): void;
  children: string;
}

/** Nearer, or farther off, as long as there is anything. */
function Nearer({ stand, isAtEnd, label, onPress, children }: NearerProps) {
  return (
    <Button onPress={onPress} disabled={useOfStand(stand, isAtEnd)} aria-label={label}>
      {children}
    </Button>
  );
}

interface EyeHeightProps {
  stand: Stand;
  label: string;
  units: Units;
  onEye(eyeCm: number): void;
}

/** From kneeling to the top of the ladder. */
function EyeHeight({ stand, label, units, onEye }: EyeHeightProps) {
  const say = useSay();
  const { chalk } = usePalette();
  const eyeCm = useOfStand(stand, (camera) => camera.eyeCm);
  const says = joined(say, heightReading(eyeCm, units));
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
