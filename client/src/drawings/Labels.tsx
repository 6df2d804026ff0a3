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

interface LabelsProps {
  limbs: readonly LabelledLimb[];
  names: ReadonlyMap<string, string>;
  chosenId: string | null;
  /** Limbs with a mark or a kerf on them. */
  marked: ReadonlySet<string>;
  within: Box;
  taken?: readonly Box[];
  fontSize: number;
}

export function Labels({ limbs, names, chosenId, marked, within, taken = [], fontSize }: LabelsProps) {
  const { ink, paper } = usePalette();
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
  return (
    <G>
      {placeLabels(wishes, within, taken).map(({ id, text, x, y }) => {
        const words = {
          x,
          y: y + fontSize * 0.36,
          fontSize,
          textAnchor: 'middle' as const,
          fontFamily: 'Barlow Condensed',
          fontWeight: '600' as const,
        };
        return (
          <Text
            key={id}
            {...words}
            fill={ink}
            stroke={paper}
            strokeWidth={3.5}
            strokeLinejoin="round"
            {...HALO}
          >
            {text}
          </Text>
        );
      })}
    </G>
  );
}
