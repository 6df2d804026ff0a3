// The figures of the tape as buttons: a tap says why, a long press switches units.

import type { Cut } from '@mortisect/core/cuts';
import { tapeReading, type Units } from '@mortisect/core/measure';
import { readingIn } from '@mortisect/words/trade';
import { Pressable } from 'react-native';
import { useSay } from '../../data/useSay';
import { Figure, Label } from '../../ui/type';
import { placeOnTape, type TapeStretch, type Window } from '../tapePath';
import type { ChalkLine } from './Measure';
import type { TapeScale } from './scale';

interface FigureTaps {
  onWhy: (() => void) | undefined;
  onSwitchUnits(): void;
}

interface KerfFigureProps extends FigureTaps {
  /** The limb that carries the cut, where it is not the tape's own. */
  on: string | null;
  stretches: TapeStretch[];
  window: Window;
  scale: TapeScale;
  cut: Cut;
  units: Units;
}

/** Room for “19 cm of 35.5 cm”; the label is centred in it. */
const CHALK_FIGURE_PX = 160;

interface ChalkFigureProps extends FigureTaps {
  line: ChalkLine;
  scale: TapeScale;
}

/** The figure over the chalk line: a tap says why, a long press switches units. */
export function ChalkFigure({ line, scale, onWhy, onSwitchUnits }: ChalkFigureProps) {
  const say = useSay();
  const middle = Math.min(
    scale.width - CHALK_FIGURE_PX / 2,
    Math.max(CHALK_FIGURE_PX / 2, (line.x1 + line.x2) / 2),
  );
  return (
    <Pressable
      role="button"
      aria-label={say('shared.clearanceWhyThisMargin', { label: line.label })}
      onPress={onWhy}
      onLongPress={onSwitchUnits}
      style={{
        position: 'absolute',
        left: middle - CHALK_FIGURE_PX / 2,
        width: CHALK_FIGURE_PX,
        top: scale.rows.chalk - 59,
        minHeight: 48,
        justifyContent: 'flex-end',
        alignItems: 'center',
      }}
    >
      <Figure color="$chalk" whiteSpace="nowrap">
        {line.label}
      </Figure>
    </Pressable>
  );
}

/** The figure under the kerf: a tap says why, a long press switches units. */
export function KerfFigure({
  on,
  stretches,
  window,
  scale,
  cut,
  units,
  onWhy,
  onSwitchUnits,
}: KerfFigureProps) {
  const say = useSay();
  const u = placeOnTape(stretches, cut.limbId, cut.atCm) ?? 0;
  const x = Math.min(
    scale.width - 150,
    Math.max(0, scale.x(Math.min(window.toU, Math.max(window.fromU, u))) - 28),
  );
  const { value, unit } = readingIn(say, tapeReading(cut.upToCm ?? cut.atCm, units, 'down'));
  const fromWhere =
    cut.upToCm !== undefined
      ? say('shared.orBelow')
      : on
        ? say('shared.up', { on })
        : say('shared.fromTheCollar2');
  const atCollar = cut.upToCm === undefined && cut.atCm === 0;
  return (
    <Pressable
      role="button"
      aria-label={say('shared.cutWhyHere', {
        more: atCollar
          ? say('shared.atTheCollar')
          : say('shared.fromTheCollar3', {
              more: cut.upToCm === undefined ? '' : say('shared.atOrBelow'),
              value,
              unit,
            }),
      })}
      onPress={onWhy}
      onLongPress={onSwitchUnits}
      style={{
        position: 'absolute',
        left: x,
        top: scale.rows.figure - 6,
        minHeight: 48,
        flexDirection: 'row',
        alignItems: 'center',
        gap: 6,
      }}
    >
      <Figure color="$kerfText" fontSize="$32" lineHeight="$32">
        {atCollar ? say('shared.collar') : value}
      </Figure>
      <Label color="$soft">
        {atCollar ? (on ? say('shared.of2', { on }) : say('shared.n0OnTheTape')) : `${unit} ${fromWhere}`}
      </Label>
    </Pressable>
  );
}
