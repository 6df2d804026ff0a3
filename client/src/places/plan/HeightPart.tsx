// How the plan brings a tree down that is too tall: season by season, and what still stands above the height, each with why.

import { heightReading } from '@mortisect/core/measure';
import type { Solved } from '@mortisect/core/plan';
import { type SiteToday, type TreeView, telling } from '@mortisect/core/present';
import { joined, stillTallWords } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useSay } from '../../data/useSay';
import { Body, Section, Small } from '../../ui/type';

export function HeightPart({ view, today, solved }: { view: TreeView; today: SiteToday; solved: Solved }) {
  const say = useSay();
  const { height } = solved.plan;
  if (!height) return null;
  const words = (cm: number) => joined(say, heightReading(cm, today.units));
  return (
    <View gap={8}>
      <Section>{say('plan.height')}</Section>
      <Body>{say('plan.heightGoes', { now: words(height.nowCm), target: words(height.targetCm) })}</Body>
      <View>
        {height.afterCm.map((after, y) => (
          // Seasons have no name but their place
          // biome-ignore lint/suspicious/noArrayIndexKey: see above
          <Small key={y} color="$ink">
            {say('plan.heightAfter', { season: y + 1, after: words(after) })}
          </Small>
        ))}
      </View>
      {height.limbs.map((limb) => {
        const still = stillTallWords(say, limb, telling(view, today));
        return still ? <Small key={limb.limbId}>{still}</Small> : null;
      })}
    </View>
  );
}
