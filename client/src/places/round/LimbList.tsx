// All limbs in words: what the clock shows, for fingers, eyes and readers that want a list.

import { thicknessReading } from '@mortisect/core/measure';
import type { SiteToday, TreeView } from '@mortisect/core/present';
import { indexLimbs, type Limb } from '@mortisect/core/tree';
import { joined, limbIn, tapeText } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useSay } from '../../data/useSay';
import { PressRow } from '../../ui/PressRow';
import { Label, Small } from '../../ui/type';

interface LimbListProps {
  view: TreeView;
  today: SiteToday;
  limbId: string;
  onChoose(limbId: string): void;
}

export function LimbList({ view, today, limbId, onChoose }: LimbListProps) {
  const say = useSay();
  return (
    <View
      role="list"
      aria-label={say('round.limbs')}
      borderTopWidth={1}
      borderColor="$rule"
      borderStyle="solid"
    >
      {inTreeOrder(view.limbs).map(({ limb, depth }) => {
        const chosen = limb.id === limbId;
        const found = view.considered.filter((finding) => finding.limbId === limb.id).length;
        return (
          <View key={limb.id} role="listitem">
            <PressRow
              chosen={chosen}
              onPress={() => onChoose(limb.id)}
              gap={8}
              paddingVertical={4}
              paddingRight={8}
              paddingLeft={8 + depth * 14}
            >
              <View flex={1} minWidth={0}>
                <Label>{limbIn(say, view.names.get(limb.id) ?? limb.id)}</Label>
                {found > 0 ? (
                  <Small>{found === 1 ? say('round.n1Finding') : say('round.findings4', { found })}</Small>
                ) : null}
              </View>
              <Small textAlign="right">
                {joined(say, thicknessReading(limb.baseMm, today.units))}
                {' · '}
                {tapeText(say, limb.lengthCm, today.units)}
              </Small>
            </PressRow>
          </View>
        );
      })}
    </View>
  );
}

/** Each limb right before what hangs on it, from the stool up. */
function inTreeOrder(limbs: Limb[]): { limb: Limb; depth: number }[] {
  const { childrenOf } = indexLimbs(limbs);
  const listed: { limb: Limb; depth: number }[] = [];
  const add = (limb: Limb, depth: number) => {
    listed.push({ limb, depth });
    for (const child of (childrenOf.get(limb.id) ?? []).toSorted((a, b) => a.jointCm - b.jointCm))
      add(child, depth + 1);
  };
  for (const limb of limbs) if (limb.parentId === null) add(limb, 0);
  return listed;
}
