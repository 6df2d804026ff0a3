// How a limb comes off: its weight, the strokes in order, the pieces, how the face lies, and where it falls.

import type { Cut } from '@mortisect/core/cuts';
import { massReading } from '@mortisect/core/measure';
import type { SiteToday, TreeView } from '@mortisect/core/present';
import type { Handling } from '@mortisect/core/residual';
import { faceWords, joined, limbIn, tapeText } from '@mortisect/words/trade';
import { useSay } from '../data/useSay';
import { Body, Small } from '../ui/type';
import { fallWords } from './words';

interface HandlingLinesProps {
  view: TreeView;
  today: SiteToday;
  handling: Handling;
  cut: Pick<Cut, 'kind'>;
  /** The wood met is diseased within reach of the blade. */
  infected: boolean;
}

export function HandlingLines({ view, today, handling, cut, infected }: HandlingLinesProps) {
  const say = useSay();
  const { units } = today;
  const face = faceWords(say, { cut, dead: handling.dead, infected }, today.site.schools);
  const { alike, strokes, pieces, fall, massKg, massRangeKg } = handling;
  return (
    <>
      {alike > 1 ? <Body>{say('shared.aboutAlike', { alike })}</Body> : null}
      <Body>
        {say('shared.toIn', {
          mass: joined(say, massReading(massKg, units)),
          mass2: joined(say, massReading(massRangeKg[0], units)),
          mass3: joined(say, massReading(massRangeKg[1], units)),
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
                tape: tapeText(say, piece.fromCm, units),
                tape2: tapeText(say, piece.toCm, units),
                mass: joined(say, massReading(piece.kg, units)),
              })}
            </Small>
          ))
        : null}
      {strokes.undercutCm !== null && strokes.topCutCm !== null ? (
        <Body>
          {say('shared.undercutAThirdThroughOutFromThe', {
            tape: tapeText(say, strokes.undercutCm - strokes.finalCm, units),
            tape2: tapeText(say, strokes.topCutCm - strokes.finalCm, units),
            more:
              strokes.finalCm === 0
                ? say('shared.theCollar')
                : say('shared.fromTheCollar', { tape: tapeText(say, strokes.finalCm, units) }),
          })}
        </Body>
      ) : null}
      {face ? <Body>{face}</Body> : null}
      <Body>{fallWords(say, fall, today)}</Body>
    </>
  );
}
