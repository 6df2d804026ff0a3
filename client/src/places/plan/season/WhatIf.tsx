// What a hand more would bring: one more day in a week, or a crew here two weeks earlier. The season is shared out for it when somebody asks.
import type { SeasonPlan } from '@mortisect/contracts';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { useSeasonWhatIf, type WhatIfAsked } from '../../../data/seasonPlan';
import { useSay } from '../../../data/useSay';
import { Button } from '../../../ui/Button';
import { Failed } from '../../../ui/Failed';
import { Select } from '../../../ui/Select';
import { Body, Label } from '../../../ui/type';
import { bringsGiven, type Shared, slotWords } from './season';

const EARLIER = '';

export function WhatIf({ crews, shared }: { crews: SeasonPlan['crews']; shared: Shared }) {
  const say = useSay();
  const [crewId, setCrewId] = useState(crews[0]?.id ?? '');
  const [slotId, setSlotId] = useState(shared.slots.find(({ half }) => half === null)?.id ?? EARLIER);
  const [asked, setAsked] = useState<WhatIfAsked | null>(null);
  const { data, error, isFetching } = useSeasonWhatIf(asked);
  const crew = crews.find(({ id }) => id === crewId) ?? crews[0];
  const today = shared.slots[0]?.from ?? '';
  // Who is here already cannot come earlier
  const isToCome = crew?.from != null && crew.from > today;
  const slot = shared.slots.find(({ id }) => id === slotId) ?? (isToCome ? undefined : shared.slots[0]);
  const beside = shared.plan.points;
  const wants = { crew: crew?.id ?? '', ...(slot && { slot: slot.id }), beside };
  const isSame = JSON.stringify(asked) === JSON.stringify(wants);
  return (
    <View gap={8} paddingVertical={8}>
      <Label>{say('plan.whatIf')}</Label>
      <Select
        label={say('plan.whoWouldCome')}
        value={crew?.id ?? ''}
        options={crews.map(({ id, name }) => ({ value: id, label: name }))}
        onChange={setCrewId}
      />
      <Select
        label={say('plan.oneMoreDay')}
        value={slot?.id ?? EARLIER}
        options={[
          ...(isToCome ? [{ value: EARLIER, label: say('plan.twoWeeksEarlier') }] : []),
          ...shared.slots.map((each) => ({ value: each.id, label: slotWords(say, each) })),
        ]}
        onChange={setSlotId}
      />
      <Button disabled={isFetching} onPress={() => setAsked(wants)}>
        {say('plan.reckonWhatItBrings')}
      </Button>
      {isSame && isFetching ? <Body role="status">{say('plan.theSeasonIsSharedOut')}</Body> : null}
      {isSame && !isFetching && data ? (
        <Body role="status">
          {data.points > 0 ? say('plan.itBrings', bringsGiven(data)) : say('plan.itBringsNothing')}
        </Body>
      ) : null}
      {isSame && error ? <Failed title={say('plan.itCouldNotBeReckoned')} error={error} /> : null}
    </View>
  );
}
