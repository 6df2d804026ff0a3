// Labels of limbs on a drawing: the ones that matter first, none over another.

import { type Box, placeLabels } from '@mortisect/core/sight';
import type { Limb } from '@mortisect/core/tree';
import { labelIn } from '@mortisect/core/tree';
import { G, Text } from 'react-native-svg';
import { usePalette } from '../ui/theme';

/** Width of a letter of Barlow Condensed 600 beside its height, on the safe side. */
const LETTER = 0.52;

/** The halo lies under the letters. */
export const HALO = { style: { paintOrder: 'stroke' } } as object;

export interface LabelledLimb {
  limb: Pick<Limb, 'id' | 'kind' | 'baseMm' | 'bundle'>;
  /** Its tip on the drawing. */
  x: number;
  y: number;
}

export interface LabelsWanted {
  limbs: readonly LabelledLimb[];
  names: ReadonlyMap<string, string>;
  chosenId: string | null;
  /** Limbs with a mark or a kerf on them. */
  marked: ReadonlySet<string>;
  within: Box;
  taken?: readonly Box[];
  fontSize: number;
}

/** How thick the halo is, px. */
export const HALO_PX = 3.5;

/** The labels that find room, each with the middle of its words and the line that they stand on. */
export function labelsPlaced({
  limbs,
  names,
  chosenId,
  marked,
  within,
  taken = [],
  fontSize,
}: LabelsWanted): { id: string; text: string; x: number; y: number }[] {
  const wishes = limbs.flatMap(({ limb, x, y }) => {
    const label = labelIn(names.get(limb.id) ?? '');
    if (label === null) return [];
    const text = limb.bundle ? `${label} ~${limb.bundle.about}` : label;
    const rank =
      (limb.id === chosenId ? 1e6 : 0) +
      (marked.has(limb.id) ? 1e5 : 0) +
      (limb.kind === 'scaffold' ? 1e4 : 0) +
      (limb.bundle ? 1e3 : 0) +
      limb.baseMm;
    return [{ id: limb.id, text, x, y, rank, width: text.length * fontSize * LETTER, height: fontSize }];
  });
  return placeLabels(wishes, within, taken).map((label) => ({ ...label, y: label.y + fontSize * 0.36 }));
}

export function Labels(wanted: LabelsWanted) {
  const { ink, paper } = usePalette();
  return (
    <G>
      {labelsPlaced(wanted).map(({ id, text, x, y }) => (
        <Text
          key={id}
          x={x}
          y={y}
          fontSize={wanted.fontSize}
          textAnchor="middle"
          fontFamily="Barlow Condensed"
          fontWeight="600"
          fill={ink}
          stroke={paper}
          strokeWidth={HALO_PX}
          strokeLinejoin="round"
          {...HALO}
        >
          {text}
        </Text>
      ))}
    </G>
  );
}
