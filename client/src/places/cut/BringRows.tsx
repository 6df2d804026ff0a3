// What to bring for the cuts that are chosen, checked before anybody leaves.

import { agentOf } from '@mortisect/core/blades';
import { thicknessReading, upperFirst } from '@mortisect/core/measure';
import { mixes } from '@mortisect/core/present';
import { bringFor, type RunItem } from '@mortisect/core/run';
import { joined, told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { clockTime } from '../../data/moment';
import { useClock } from '../../data/useClock';
import { useSay } from '../../data/useSay';
import { Notice } from '../../ui/Notice';
import { Row, Rows } from '../../ui/Row';
import { Body, Section } from '../../ui/type';
import { PaceNote } from '../PaceNote';
import { litresWords, missingWords } from './runWords';
import type { RunHere } from './useRun';

export function BringRows({ here, left }: { here: RunHere; left: RunItem[] }) {
  const say = useSay();
  const { today, actions } = here;
  const { tools, ladder, missing, supplies, cleanings, minutes } = bringFor({ left }, today);
  const clock = useClock();
  const agent = agentOf(today.site.agentId);
  const mix = mixes(actions, clock()).find((mix) => mix.action.agentId === agent.id);
  const have = today.site.gear;
  return (
    <View gap={8}>
      <Section>{say('cut.bring')}</Section>
      {missing.map((item) => (
        <Notice key={item.itemId} kind="danger" title={item.treeCode}>
          {missingWords(say, item, today.units)}
        </Notice>
      ))}
      {ladder && !have.includes('ladder') ? null : (
        <Body>
          {upperFirst(
            [...(ladder ? ['ladder'] : []), ...have.filter((name) => name !== 'ladder')]
              .map((name) => told(say, name))
              .join(', '),
          )}
        </Body>
      )}
      <Rows>
        {tools.map(({ tool, cuts, thickestMm }) => (
          <Row
            key={tool.id}
            href="/cut/kit"
            title={
              tool.count && tool.count > 1 ? `${tool.count} × ${told(say, tool.name)}` : told(say, tool.name)
            }
            detail={say('cut.cutsUpToOf', {
              cuts,
              thickness: joined(say, thicknessReading(thickestMm, today.units)),
              thickness2: joined(say, thicknessReading(tool.takesMm, today.units)),
            })}
          />
        ))}
        <Row
          href="/cut/mix"
          title={told(say, agent.name)}
          detail={say('cut.cleaningsInAboutMinLCloths', {
            cleanings,
            more: Math.max(1, Math.round(minutes)),
            litres: litresWords(say, supplies.litres),
            cloths: supplies.cloths,
            more2:
              supplies.waitMinutes >= 1
                ? say('cut.minOfWaitingNoneWithBladesOf', {
                    waitMinutes: Math.round(supplies.waitMinutes),
                    bladesForNoWait: supplies.bladesForNoWait,
                  })
                : '',
          })}
          aside={
            mix
              ? mix.spent
                ? say('cut.spent')
                : say('cut.useBy', { clockTime: clockTime(mix.useBy, today.site.timeZone) })
              : say('cut.notMixedYet')
          }
        />
      </Rows>
      <PaceNote paces={today.paces} />
    </View>
  );
}
