// How a limb comes off: its weight, the strokes in order, the pieces, and where it falls.

import { joined, massReading, tapeText } from '@mortisect/core/measure';
import type { SiteToday, TreeView } from '@mortisect/core/present';
import type { Handling } from '@mortisect/core/residual';
import { limbIn } from '@mortisect/words/trade';
import { useSay } from '../data/useSay';
import { Body, Small } from '../ui/type';
import { fallWords } from './words';

interface HandlingLinesProps {
  view: TreeView;
  today: SiteToday;
  handling: Handling;
}

export function HandlingLines({ view, today, handling }: HandlingLinesProps) {
  const say = useSay();
  const { units } = today;
  const { strokes, pieces, fall, massKg, massRangeKg } = handling;
  return (
    <>
      <Body>
        {say('shared.toIn', {
          mass: joined(massReading(massKg, units)),
          mass2: joined(massReading(massRangeKg[0], units)),
          mass3: joined(massReading(massRangeKg[1], units)),
          more: handling.massFromBaseAlone
            ? say('shared.fromTheBaseAloneNothingIsMapped')
            : say('shared.fromTheTaperOfEveryMappedLimb'),
          more2:
            pieces.length === 1 ? say('shared.onePiece') : say('shared.pieces', { pieces: pieces.length }),
        })}
      </Body>
      {pieces.length > 1
        ? pieces.map((piece) => (
            <Small key={`${piece.limbId}${piece.fromCm}`}>
              {say('shared.to', {
                get: limbIn(say, view.names.get(piece.limbId) ?? piece.limbId),
                tape: tapeText(piece.fromCm, units),
                tape2: tapeText(piece.toCm, units),
                mass: joined(massReading(piece.kg, units)),
              })}
            </Small>
          ))
        : null}
      {strokes.undercutCm !== null && strokes.topCutCm !== null ? (
        <Body>
          {say('shared.undercutAThirdThroughOutFromThe', {
            tape: tapeText(strokes.undercutCm - strokes.finalCm, units),
            tape2: tapeText(strokes.topCutCm - strokes.finalCm, units),
            more:
              strokes.finalCm === 0
                ? say('shared.theCollar')
                : say('shared.fromTheCollar', { tape: tapeText(strokes.finalCm, units) }),
          })}
        </Body>
      ) : null}
      <Body>{fallWords(say, fall, today)}</Body>
    </>
  );
}
