// What to bring for the cuts that are chosen, checked before anybody leaves.

import { agentOf } from '@mortisect/core/blades';
import { joined, thicknessReading, upperFirst } from '@mortisect/core/measure';
import { mixes } from '@mortisect/core/present';
import { bringFor, type RunItem } from '@mortisect/core/run';
import { View } from '@tamagui/core';
import { clockTime } from '../../data/moment';
import { useClock } from '../../data/useClock';
import { Notice } from '../../ui/Notice';
import { Row, Rows } from '../../ui/Row';
import { Body, Section } from '../../ui/type';
import { plural } from '../words';
import { missingWords } from './runWords';
import type { RunHere } from './useRun';

export function BringRows({ here, left }: { here: RunHere; left: RunItem[] }) {
  const { today, actions } = here;
  const { tools, ladder, missing, supplies, cleanings, minutes } = bringFor({ left }, today);
  const clock = useClock();
  const agent = agentOf(today.site.agentId);
  const mix = mixes(actions, clock()).find((mix) => mix.action.agentId === agent.id);
  const have = today.site.gear;
  return (
    <View gap={8}>
      <Section>Bring</Section>
      {missing.map((item) => (
        <Notice key={item.itemId} kind="danger" title={item.treeCode}>
          {missingWords(item, today.units)}
        </Notice>
      ))}
      {ladder && !have.includes('ladder') ? null : (
        <Body>
          {upperFirst(
            [...(ladder ? ['ladder'] : []), ...have.filter((name) => name !== 'ladder')].join(', '),
          )}
        </Body>
      )}
      <Rows>
        {tools.map(({ tool, cuts, thickestMm }) => (
          <Row
            key={tool.id}
            href="/cut/kit"
            title={tool.count && tool.count > 1 ? `${tool.count} × ${tool.name}` : tool.name}
            detail={`${plural(cuts, 'cut')}, up to ${joined(thicknessReading(thickestMm, today.units))} of ${joined(thicknessReading(tool.takesMm, today.units))}`}
          />
        ))}
        <Row
          href="/cut/mix"
          title={agent.name}
          detail={`${plural(cleanings, 'cleaning')} in about ${Math.max(1, Math.round(minutes))} min: ${supplies.litres.toFixed(2)} L, ${plural(supplies.cloths, 'cloth')}${supplies.waitMinutes >= 1 ? `; ${Math.round(supplies.waitMinutes)} min of waiting, none with ${plural(supplies.bladesForNoWait, 'blade')} of a kind` : ''}`}
          aside={
            mix
              ? mix.spent
                ? 'spent'
                : `use by ${clockTime(mix.useBy, today.site.timeZone)}`
              : 'not mixed yet'
          }
        />
      </Rows>
    </View>
  );
}
