// What is looked at point by point, before the first cut and after the last, each with its reason.
import type { closeDown } from '@mortisect/core/aftercare';
import { told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useSay } from '../../data/useSay';
import { CheckRow } from '../../ui/CheckRow';
import { toggled } from '../toggled';

interface PointsProps {
  points: typeof closeDown;
  ticked: ReadonlySet<string>;
  onTicked(ids: ReadonlySet<string>): void;
}

export function Points({ points, ticked, onTicked }: PointsProps) {
  const say = useSay();
  return (
    <View>
      {points.map(({ id, text, why }) => (
        <CheckRow
          key={id}
          label={told(say, text)}
          detail={told(say, why)}
          on={ticked.has(id)}
          onChange={(on) => onTicked(toggled(ticked, id, on))}
        />
      ))}
    </View>
  );
}
