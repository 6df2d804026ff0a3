// A photo that places are tapped on: nearer by two fingers, the wheel or buttons; the last place is put right by a pad, under a loupe.

import { MOST_ZOOM, movedBy, type Spot, zoomedAt } from '@mortisect/core/sight';
import { View } from '@tamagui/core';
import { type KeyboardEvent, useId, useRef, useState } from 'react';
import Svg, { Circle, G, Line, Path, Text } from 'react-native-svg';
import { useSay } from '../data/useSay';
import { Button } from '../ui/Button';
import { elementRef, keysOf } from '../ui/dom';
import { useTextScale, useWidthOf } from '../ui/size';
import { usePalette, useWide } from '../ui/theme';
import { Small } from '../ui/type';
import { ARROWS } from './arrows';
import { Knob } from './Knob';
import { HALO } from './Labels';
import { useHold } from './useHold';

export interface PhotoMark {
  id: string;
  at: Spot;
  /** Short: a number of a limb, or nothing. */
  text: string;
  /** In words, for whoever moves it by keys. */
  says: string;
}

interface TappedPhotoProps {
  /** What it shows, in words. */
  label: string;
  url: string;
  widthPx: number;
  heightPx: number;
  marks: readonly PhotoMark[];
  /** Wood between its marks. */
  wood: readonly { id: string; from: Spot; to: Spot; isChosen: boolean }[];
  /** Where the tip that is asked for must lie. */
  line: readonly [Spot, Spot] | null;
  /** The mark that can be moved. */
  inHandId: string | null;
  onTap(at: Spot): void;
  onMove(markId: string, at: Spot): void;
}

const MOST_HIGH = 520;
const NEARER = 1.5;
const LOUPE = 96;
const LOUPE_ZOOM = 3;
/** A thumb on the pad moves the mark by so much of its own way. */
const PAD_SHARE = 0.4;
const PAD = 48;
/** An arrow key moves a mark so far, the nearer the less; with the shift key as far as so many. */
const KEY_PX = 8;
const FAR_STEPS = 10;

export function TappedPhoto(props: TappedPhotoProps) {
  const { label, url, widthPx, heightPx, marks, wood, line, inHandId, onTap, onMove } = props;
  const say = useSay();
  const { chalk, ink } = usePalette();
  const wide = useWide();
  const describedBy = useId();
  const outer = useRef<HTMLElement>(null);
  const box = useRef<HTMLElement>(null);
  const room = useWidthOf(outer) || 320;
  const fontSize = 15 * useTextScale();
  const [view, setView] = useState<{ zoom: number; shift?: Spot }>({ zoom: 1 });
  const fit = Math.min(room / widthPx, MOST_HIGH / heightPx);
  const [width, height] = [widthPx * fit, heightPx * fit];
  const size = { width, height };
  const { x: shiftX, y: shiftY } = view.shift ?? { x: 0, y: 0 };
  const toScreen = ({ x, y }: Spot): Spot => ({
    x: (x * fit - width / 2) * view.zoom + width / 2 + shiftX,
    y: (y * fit - height / 2) * view.zoom + height / 2 + shiftY,
  });
  const toPhoto = ({ x, y }: Spot): Spot => ({
    x: within(((x - shiftX - width / 2) / view.zoom + width / 2) / fit, widthPx),
    y: within(((y - shiftY - height / 2) / view.zoom + height / 2) / fit, heightPx),
  });
  const held = marks.find(({ id }) => id === inHandId) ?? null;
  const middle = held ? toScreen(held.at) : { x: width / 2, y: height / 2 };
  const nearer = (by: number, at: Spot) => setView((before) => zoomedAt(before, by, at, size));
  useHold(box, {
    onTouch: (at) => onTap(toPhoto(at)),
    onDrag: (x, y) => view.zoom > 1 && setView((before) => movedBy(before, { x, y }, size)),
    onPinch: (by, at, moved) => setView((before) => movedBy(zoomedAt(before, by, at, size), moved, size)),
    takesWheel: (isNearer) => (isNearer ? view.zoom < MOST_ZOOM : view.zoom > 1),
  });
  const move = (mark: PhotoMark, right: number, up: number) =>
    onMove(mark.id, {
      x: within(mark.at.x + (right * KEY_PX) / view.zoom, widthPx),
      y: within(mark.at.y - (up * KEY_PX) / view.zoom, heightPx),
    });
  // Without a finger: Enter puts the next mark in the middle, arrows carry it to its place
  const onKeyDown = (event: KeyboardEvent) => {
    const step = ARROWS[event.key];
    const far = event.shiftKey ? FAR_STEPS : 1;
    const act =
      event.key === 'Enter'
        ? () => onTap(toPhoto({ x: width / 2, y: height / 2 }))
        : event.key === '+'
          ? () => nearer(NEARER, middle)
          : event.key === '-'
            ? () => nearer(1 / NEARER, middle)
            : step && held
              ? () => move(held, step[0] * far, step[1] * far)
              : null;
    if (!act) return;
    event.preventDefault();
    act();
  };
  return (
    <View ref={elementRef(outer)} gap={8}>
      <View
        ref={elementRef(box)}
        role="group"
        tabIndex={0}
        aria-label={label}
        aria-describedby={wide ? describedBy : undefined}
        onKeyDown={keysOf(onKeyDown)}
        width={width}
        height={height}
        position="relative"
        overflow="hidden"
        backgroundColor="$paper"
        cursor="crosshair"
        style={{ touchAction: view.zoom > 1 ? 'none' : 'pan-y' }}
      >
        <img
          src={url}
          alt=""
          draggable={false}
          style={{
            position: 'absolute',
            left: (-width / 2) * view.zoom + width / 2 + shiftX,
            top: (-height / 2) * view.zoom + height / 2 + shiftY,
            width: width * view.zoom,
            height: height * view.zoom,
            pointerEvents: 'none',
          }}
        />
        <Svg
          width={width}
          height={height}
          style={{ position: 'absolute', left: 0, top: 0, pointerEvents: 'none' }}
          aria-hidden
        >
          {wood.map(({ id, from, to, isChosen }) => (
            <Under key={id} from={toScreen(from)} to={toScreen(to)} color={isChosen ? chalk : ink} />
          ))}
          {line ? <Under from={toScreen(line[0])} to={toScreen(line[1])} color={chalk} dashed /> : null}
          {marks.map((mark) => (
            <Mark
              key={mark.id}
              at={toScreen(mark.at)}
              text={mark.text}
              fontSize={fontSize}
              isHeld={mark.id === inHandId}
            />
          ))}
        </Svg>
        {held ? (
          <Loupe
            url={url}
            at={held.at}
            zoom={fit * view.zoom * LOUPE_ZOOM}
            left={middle.x < width / 2}
            {...{ widthPx, heightPx }}
          />
        ) : null}
      </View>
      {wide ? <Small id={describedBy}>{say('shared.tapByKeys')}</Small> : null}
      <View flexDirection="row" gap={8}>
        <Button
          onPress={() => nearer(NEARER, middle)}
          disabled={view.zoom >= MOST_ZOOM}
          aria-label={say('shared.nearer')}
        >
          {'+'}
        </Button>
        <Button
          onPress={() => nearer(1 / NEARER, middle)}
          disabled={view.zoom <= 1}
          aria-label={say('shared.fartherOff')}
        >
          {'−'}
        </Button>
        {held ? (
          <Pad
            mark={held}
            most={widthPx}
            perPx={PAD_SHARE / (fit * view.zoom)}
            onStep={(right, up) => move(held, right, up)}
            onMove={(at) => onMove(held.id, { x: within(at.x, widthPx), y: within(at.y, heightPx) })}
          />
        ) : null}
      </View>
    </View>
  );
}

const within = (value: number, most: number) => Math.max(0, Math.min(most, value));

/** A line that is seen on bark and on sky. */
function Under({
  from,
  to,
  color,
  dashed = false,
}: {
  from: Spot;
  to: Spot;
  color: string;
  dashed?: boolean;
}) {
  const { onInk } = usePalette();
  const ends = { x1: from.x, y1: from.y, x2: to.x, y2: to.y };
  return (
    <G>
      <Line {...ends} stroke={onInk} strokeWidth={5} strokeLinecap="round" opacity={0.75} />
      <Line {...ends} stroke={color} strokeWidth={2.4} {...(dashed && { strokeDasharray: '7 5' })} />
    </G>
  );
}

interface MarkProps {
  at: Spot;
  text: string;
  fontSize: number;
  isHeld: boolean;
}

function Mark({ at: { x, y }, text, fontSize, isHeld }: MarkProps) {
  const { onInk, chalk, ink } = usePalette();
  const color = isHeld ? chalk : ink;
  return (
    <G>
      <Circle cx={x} cy={y} r={7} fill="none" stroke={onInk} strokeWidth={4.5} />
      <Circle cx={x} cy={y} r={7} fill="none" stroke={color} strokeWidth={2} />
      <Circle cx={x} cy={y} r={1.4} fill={color} />
      {text === '' ? null : (
        <Text
          x={x + 11}
          y={y - 8}
          fontSize={fontSize}
          fontFamily="Barlow Condensed"
          fontWeight="600"
          fill={ink}
          stroke={onInk}
          strokeWidth={3.5}
          {...HALO}
        >
          {text}
        </Text>
      )}
    </G>
  );
}

interface PadProps {
  mark: PhotoMark;
  most: number;
  /** Pixels of the photo for one of the thumb. */
  perPx: number;
  onMove(at: Spot): void;
  /** A key: steps to the right and up. */
  onStep(right: number, up: number): void;
}

/** Under the photo, where a thumb on it hides nothing and takes no tap away: a drag or arrow keys put the last mark right. */
function Pad({ mark, most, perPx, onMove, onStep }: PadProps) {
  const say = useSay();
  return (
    <View flexDirection="row" alignItems="center" gap={8} flex={1} minWidth={0}>
      <View width={PAD} height={PAD} position="relative">
        <Knob
          label={`${say('shared.moveTheMark')}: ${mark.says}`}
          value={Math.round(mark.at.x)}
          most={most}
          says={`${Math.round(mark.at.x)}, ${Math.round(mark.at.y)}`}
          left={PAD / 2}
          top={PAD / 2}
          from={mark.at}
          onDrag={(from, byPx, downPx) => onMove({ x: from.x + byPx * perPx, y: from.y + downPx * perPx })}
          onKey={onStep}
        />
      </View>
      <Small flexShrink={1}>{say('shared.moveTheMark')}</Small>
    </View>
  );
}

interface LoupeProps {
  url: string;
  at: Spot;
  /** Pixels of the screen for one of the photo. */
  zoom: number;
  widthPx: number;
  heightPx: number;
  /** The mark lies in the left half: the loupe stands in the right one. */
  left: boolean;
}

function Loupe({ url, at, zoom, widthPx, heightPx, left }: LoupeProps) {
  const { ink, chalk, onInk } = usePalette();
  const middle = LOUPE / 2;
  return (
    <div
      aria-hidden
      style={{
        position: 'absolute',
        top: 8,
        ...(left ? { right: 8 } : { left: 8 }),
        width: LOUPE,
        height: LOUPE,
        borderRadius: LOUPE,
        border: `2.4px solid ${ink}`,
        overflow: 'hidden',
        backgroundColor: onInk,
        backgroundImage: `url("${url}")`,
        backgroundRepeat: 'no-repeat',
        backgroundSize: `${widthPx * zoom}px ${heightPx * zoom}px`,
        backgroundPosition: `${middle - at.x * zoom}px ${middle - at.y * zoom}px`,
        pointerEvents: 'none',
      }}
    >
      <Svg width={LOUPE} height={LOUPE}>
        <Path
          d={`M${middle} 20V${middle - 6}M${middle} ${middle + 6}V${LOUPE - 20}M20 ${middle}H${middle - 6}M${middle + 6} ${middle}H${LOUPE - 20}`}
          stroke={chalk}
          strokeWidth={2}
        />
      </Svg>
    </div>
  );
}
