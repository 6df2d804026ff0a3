// What the season has for each crew today: one tap leads into Cut with those trees.
import type { ListedTree } from '@mortisect/core/run';
import { memo } from 'react';
import { useSeasonToday } from '../../data/seasonPlan';
import { useSay } from '../../data/useSay';
import { Row } from '../../ui/Row';

const SHOWN = 6;
const TITLE = { morning: 'today.crewInTheMorning', afternoon: 'today.crewInTheAfternoon' } as const;

export const SeasonRows = memo(function SeasonRows({ trees }: { trees: readonly ListedTree[] }) {
  const say = useSay();
  const halfDays = useSeasonToday().data?.halfDays ?? [];
  const waiting = new Map(
    trees.flatMap(({ tree, due }) => (due && due.steps > 0 ? [[tree.id, tree.code] as const] : [])),
  );
  return halfDays.map(({ half, crewId, crew, treeIds }) => {
    const left = treeIds.flatMap((id) => waiting.get(id) ?? []);
    // Of what is done nothing is due any more
    const done = treeIds.length - left.length;
    return (
      <Row
        key={`${half} ${crewId}`}
        {...(left.length > 0 && { href: `/cut?crew=${encodeURIComponent(crewId)}&half=${half}` as const })}
        title={say(TITLE[half], { crew, trees: treeIds.length })}
        detail={
          left.length === 0
            ? say('today.allOfThemDone')
            : say('today.treesDoneAndLeft', {
                done,
                codes: left.slice(0, SHOWN).join(', '),
                more: Math.max(0, left.length - SHOWN),
              })
        }
      />
    );
  });
});
