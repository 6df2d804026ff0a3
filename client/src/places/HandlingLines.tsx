// How a limb comes off: its weight, the strokes in order, the pieces, and where it falls.

import { joined, massReading, tapeText } from '@mortisect/core/measure';
import type { SiteToday, TreeView } from '@mortisect/core/present';
import type { Handling } from '@mortisect/core/residual';
import { Body, Small } from '../ui/type';
import { fallWords } from './words';

interface HandlingLinesProps {
  view: TreeView;
  today: SiteToday;
  handling: Handling;
}

export function HandlingLines({ view, today, handling }: HandlingLinesProps) {
  const { units } = today;
  const { strokes, pieces, fall, massKg, massRangeKg } = handling;
  return (
    <>
      <Body>
        {`${joined(massReading(massKg, units))} (${joined(massReading(massRangeKg[0], units))} to ${joined(massReading(massRangeKg[1], units))})${handling.massFromBaseAlone ? ', from the base alone: nothing is mapped on it' : ', from the taper of every mapped limb'}; in ${pieces.length === 1 ? 'one piece' : `${pieces.length} pieces`}.`}
      </Body>
      {pieces.length > 1
        ? pieces.map((piece) => (
            <Small key={`${piece.limbId}${piece.fromCm}`}>
              {`${view.names.get(piece.limbId) ?? piece.limbId}, ${tapeText(piece.fromCm, units)} to ${tapeText(piece.toCm, units)}: ${joined(massReading(piece.kg, units))}`}
            </Small>
          ))
        : null}
      {strokes.undercutCm !== null && strokes.topCutCm !== null ? (
        <Body>
          {`Undercut a third through, ${tapeText(strokes.undercutCm - strokes.finalCm, units)} out from the last cut; top cut ${tapeText(strokes.topCutCm - strokes.finalCm, units)} out; last cut at ${strokes.finalCm === 0 ? 'the collar' : `${tapeText(strokes.finalCm, units)} from the collar`}.`}
        </Body>
      ) : null}
      <Body>{fallWords(fall, today)}</Body>
    </>
  );
}
