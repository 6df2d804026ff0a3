// What is measured on the tape: the ruler, the bands of findings, the chalk line, the kerf.

import type { Cut } from '@mortisect/core/cuts';
import { CM_PER_INCH, type Units } from '@mortisect/core/measure';
import { diameterMmAt } from '@mortisect/core/tree';
import type { Say } from '@mortisect/words';
import { limbIn, tapeText } from '@mortisect/words/trade';
import { G, Line, Path, Rect, Text } from 'react-native-svg';
import { useSay } from '../../data/useSay';
import { usePalette } from '../../ui/theme';
import { Kerf, type MarkKind, useMarkInk } from '../marks';
import { placeOnTape, rulerMarks, type TapeStretch, type Window } from '../tapePath';
import type { TapeScale } from './scale';

interface Common {
  stretches: TapeStretch[];
  window: Window;
  scale: TapeScale;
  fontSize: number;
}

const LABELS_APART_PX = 38;
const TICKS_BETWEEN = 5;

interface RulerProps extends Common {
  units: Units;
  names: Map<string, string>;
  /** Where the kerf stands on the line, so that names keep clear of it. */
  kerfU: number | null;
}

export function Ruler({ stretches, window, scale, fontSize, units, names, kerfU }: RulerProps) {
  const say = useSay();
  const { ink, soft } = usePalette();
  const y = scale.rows.ruler;
  return (
    <G>
      {stretches.map((stretch, i) => {
        const fromU = Math.max(stretch.fromU, window.fromU);
        const toU = Math.min(stretch.toU, window.toU);
        if (fromU >= toU) return null;
        // The last label before a joint would stand on the next limb's nought
        const clear = i === 0 ? Number.POSITIVE_INFINITY : scale.x(stretch.toU) - fontSize * 1.6;
        const marks = rulerMarks(
          fromU + stretch.offsetCm,
          toU + stretch.offsetCm,
          scale.pxPerCm,
          LABELS_APART_PX,
          units,
        );
        const atEnd = kerfU !== null && kerfU < (fromU + toU) / 2;
        const step = (marks[1] ?? 0) - (marks[0] ?? 0);
        return (
          <G key={stretch.limb.id}>
            <Line
              x1={scale.x(fromU)}
              x2={scale.x(toU)}
              y1={y}
              y2={y}
              stroke={i === 0 ? ink : soft}
              strokeWidth={1}
            />
            {marks.map((s) => {
              const x = scale.x(s - stretch.offsetCm);
              return (
                <G key={s}>
                  <Path
                    d={ticks(x, y, (step * scale.pxPerCm) / TICKS_BETWEEN, scale.x(toU))}
                    stroke={soft}
                    strokeWidth={1}
                  />
                  <Line x1={x} x2={x} y1={y} y2={y + 9} stroke={ink} strokeWidth={1.2} />
                  {x > clear ? null : (
                    <Text
                      x={x}
                      y={y + 9 + fontSize}
                      fontSize={fontSize}
                      fill={i === 0 ? ink : soft}
                      textAnchor="middle"
                      fontFamily="Barlow Condensed"
                      fontWeight="600"
                    >
                      {Math.round(units === 'us' ? s / CM_PER_INCH : s)}
                    </Text>
                  )}
                </G>
              );
            })}
            {i > 0 ? (
              <Text
                x={atEnd ? scale.x(toU) - 6 : scale.x(fromU) + 4}
                textAnchor={atEnd ? 'end' : 'start'}
                y={scale.rows.wood + fontSize / 3}
                fontSize={fontSize}
                fill={soft}
                fontFamily="Barlow Condensed"
                fontWeight="600"
              >
                {nameIn(
                  (toU - fromU) * scale.pxPerCm - 20,
                  limbIn(say, names.get(stretch.limb.id) ?? ''),
                  fontSize,
                )}
              </Text>
            ) : null}
          </G>
        );
      })}
    </G>
  );
}

function ticks(x: number, y: number, apart: number, end: number): string {
  if (apart < 3) return '';
  return Array.from({ length: TICKS_BETWEEN - 1 }, (_, n) => x + apart * (n + 1))
    .filter((at) => at < end)
    .map((at) => `M${at} ${y}V${y + 5}`)
    .join('');
}

const LETTER_SHARE = 0.43;

/** The parent's name on its wood: in full, by its hour alone, or not at all, as there is room. */
function nameIn(widthPx: number, name: string, fontSize: number): string {
  const fits = (text: string) => text.length * fontSize * LETTER_SHARE + 8 <= widthPx;
  return [name, name.split(',')[0] ?? name].find(fits) ?? '';
}

export interface TapeBand {
  id: string;
  limbId: string;
  fromCm: number;
  toCm: number;
  kind: MarkKind;
  /** false: nobody has said where on the limb; drawn along all of it, open and dashed. */
  measured?: boolean;
}

export function Bands({
  stretches,
  window,
  scale,
  bands,
  prefix,
}: Common & { bands: TapeBand[]; prefix: string }) {
  const inks = useMarkInk();
  const y = scale.rows.wood;
  return (
    <G>
      {bands.map((band) => {
        const stretch = stretches.find((stretch) => stretch.limb.id === band.limbId);
        if (!stretch) return null;
        const placed = band.measured !== false;
        const [fromCm, toCm] = placed ? [band.fromCm, band.toCm] : [0, stretch.limb.lengthCm];
        const from = Math.max(window.fromU, stretch.fromU, fromCm - stretch.offsetCm);
        const to = Math.min(window.toU, stretch.toU, toCm - stretch.offsetCm);
        if (from > to) return null;
        const half = scale.half(diameterMmAt(stretch.limb, band.fromCm));
        const ink = inks[band.kind];
        return (
          <G key={band.id}>
            <Rect
              x={scale.x(from)}
              y={y - half}
              width={Math.max(4, (to - from) * scale.pxPerCm)}
              height={half * 2}
              fill={placed ? `url(#${prefix}${band.kind})` : 'none'}
              stroke={ink}
              strokeWidth={1.4}
              {...(placed ? {} : { strokeDasharray: '5 4' })}
            />
            {placed ? (
              <Line
                x1={scale.x(from)}
                x2={scale.x(from)}
                y1={y - half - 5}
                y2={y + half + 5}
                stroke={ink}
                strokeWidth={2.6}
              />
            ) : null}
          </G>
        );
      })}
    </G>
  );
}

export interface ChalkLine {
  /** px: from the edge, to where the measure ends or leaves the tape. */
  x1: number;
  x2: number;
  label: string;
}

/** The measure from the edge toward the trunk as it lies on this tape; null where none is asked for or none is in view. */
export function chalkLine(
  say: Say,
  { stretches, window, scale }: Common,
  cut: Cut,
  units: Units,
): ChalkLine | null {
  const reason = cut.because[0];
  const last = reason?.walk.at(-1);
  if (!reason || !last || reason.clearanceCm === 0) return null;
  // Where the lesion is on a side branch of this tape, the last stretch of the measure is what can be laid on it.
  const whole = placeOnTape(stretches, reason.edgeLimbId, reason.edgeCm);
  const from = whole ?? placeOnTape(stretches, last.limbId, last.fromCm);
  const to = placeOnTape(stretches, last.limbId, last.toCm);
  if (from === null || to === null) return null;
  const clamped = (u: number) => scale.x(Math.min(window.toU, Math.max(window.fromU, u)));
  const full = tapeText(say, reason.clearanceCm, units, 'up');
  const part =
    whole === null ? last.fromCm - last.toCm : reason.target.on === 'trunk' ? reason.reachedCm : null;
  const label = part === null ? full : say('shared.of3', { tape: tapeText(say, part, units, 'down'), full });
  return { x1: clamped(from), x2: clamped(to), label };
}

export function Chalk({ line: { x1, x2 }, scale }: { line: ChalkLine; scale: TapeScale }) {
  const { chalk } = usePalette();
  const y = scale.rows.chalk;
  return (
    <G>
      <Line x1={x1} x2={x1} y1={y - 7} y2={scale.rows.wood} stroke={chalk} strokeWidth={1.6} />
      <Line x1={x1} x2={x2} y1={y} y2={y} stroke={chalk} strokeWidth={3} strokeDasharray="8 5" />
      <Line x1={x2} x2={x2} y1={y - 9} y2={y + 9} stroke={chalk} strokeWidth={3} />
    </G>
  );
}

/** The wood that comes off is paled, the kerf stands across it; where the bud is still to be found, the range is hatched. */
export function KerfOnTape({
  stretches,
  window,
  scale,
  cut,
  square,
}: Common & { cut: Cut; square: boolean }) {
  const { kerf, ground } = usePalette();
  const at = placeOnTape(stretches, cut.limbId, cut.atCm);
  if (at === null || at < window.fromU - 1 || at > window.toU) return null;
  const stretch = stretches.find((stretch) => stretch.limb.id === cut.limbId) as TapeStretch;
  const x = scale.x(at);
  const y = scale.rows.wood;
  const half = scale.half(diameterMmAt(stretch.limb, cut.atCm)) + 15;
  const upTo = cut.upToCm === undefined ? null : scale.x(Math.min(window.toU, cut.upToCm - stretch.offsetCm));
  return (
    <G>
      <Rect
        x={upTo ?? x}
        y={y - 62}
        width={Math.max(0, scale.width - (upTo ?? x))}
        height={128}
        fill={ground}
        opacity={0.55}
      />
      {upTo === null ? null : (
        <G>
          <Path
            d={`M${x} ${y - half - 4}V${y - half - 10}H${upTo}V${y - half - 4}`}
            stroke={kerf}
            strokeWidth={2.4}
            fill="none"
          />
          <Kerf x={upTo} y={y} half={half - 6} thin square={square} />
        </G>
      )}
      <Kerf x={x} y={y} half={half} thin={upTo !== null} square={square} />
    </G>
  );
}
