// Every blade of the kit with its state and what it did today; the one in the hand is named here.

import { upperFirst } from '@mortisect/core/measure';
import type { SiteToday } from '@mortisect/core/present';
import type { Run, RunItem } from '@mortisect/core/run';
import { View } from '@tamagui/core';
import { takeInHand } from '../../data/inHand';
import { clockTime } from '../../data/moment';
import { useSay } from '../../data/useSay';
import { PressRow } from '../../ui/PressRow';
import { Sheet } from '../../ui/Sheet';
import { Body, Label, Section, Small } from '../../ui/type';
import { actionWords } from '../words';
import { stateWords } from './bladeWords';

interface BladeSheetProps {
  run: Run;
  item: RunItem;
  today: SiteToday;
  open: boolean;
  onClose(): void;
}

export function BladeSheet({ run, item, today, open, onClose }: BladeSheetProps) {
  const say = useSay();
  const choose = (id: string) => {
    takeInHand(id, item.id);
    onClose();
  };
  const log = run.blade ? (run.logs.get(run.blade.id)?.log ?? []) : [];
  return (
    <Sheet title={say('cut.whichBladeIsInYourHand')} open={open} onClose={onClose}>
      <View>
        {run.blades.map(({ id, name, tool }) => (
          <PressRow key={id} chosen={id === run.blade?.id} onPress={() => choose(id)} paddingHorizontal={11}>
            <View flex={1} minWidth={0} paddingVertical={6}>
              <Label fontSize="$19">{name}</Label>
              <Small>
                {say('cut.takesMm', {
                  state: upperFirst(stateWords(say, run.logs.get(id)?.state)),
                  takesMm: tool.takesMm,
                })}
              </Small>
            </View>
          </PressRow>
        ))}
      </View>
      <Section>{say('cut.today', { blade: run.blade?.name ?? '' })}</Section>
      {log.length === 0 ? <Body>{say('cut.nothingYet')}</Body> : null}
      {log.toReversed().map((entry) => (
        <Small
          key={`${entry.at}${entry.action.kind}`}
        >{`${clockTime(entry.at, today.site.timeZone)} ${upperFirst(actionWords(say, entry.action, today.site.plan.kit))}: ${stateWords(say, entry.state)}`}</Small>
      ))}
    </Sheet>
  );
}
