// How the crown hangs round its stem before and after the plan, and light that no cut brings back.
import type { Solved } from '@mortisect/core/plan';
import { type SiteToday, type TreeView, telling } from '@mortisect/core/present';
import { lightWords, sidesWords } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useSay } from '../../data/useSay';
import { Body, Section } from '../../ui/type';

export function SidesPart({ view, today, solved }: { view: TreeView; today: SiteToday; solved: Solved }) {
  const say = useSay();
  const { sides, light } = solved.plan;
  return (
    <>
      <Lines title={say('plan.sides')} lines={sides ? sidesWords(say, sides, telling(view, today)) : []} />
      <Lines title={say('plan.lightInside')} lines={light ? lightWords(say, light) : []} />
    </>
  );
}

function Lines({ title, lines }: { title: string; lines: readonly string[] }) {
  if (lines.length === 0) return null;
  return (
    <View gap={8}>
      <Section>{title}</Section>
      {lines.map((line) => (
        <Body key={line}>{line}</Body>
      ))}
    </View>
  );
}
