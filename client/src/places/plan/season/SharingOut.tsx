// The season is being shared out: whoever does not want to wait stops it, and what stood before stays.
import { View } from '@tamagui/core';
import { useEffect, useState } from 'react';
import { stopSeason, useSeasonPlan, useSeasonStopped } from '../../../data/seasonPlan';
import { useSay } from '../../../data/useSay';
import { Button } from '../../../ui/Button';
import { Screen } from '../../../ui/Screen';
import { Body } from '../../../ui/type';

/** What is there sooner is not worth a button that comes and goes. */
const STOPPED_AFTER_MS = 2000;

function StopOrAgain() {
  const say = useSay();
  const { isFetching, refetch } = useSeasonPlan();
  const [isLong, setIsLong] = useState(false);
  useEffect(() => {
    if (!isFetching) return;
    const timer = setTimeout(() => setIsLong(true), STOPPED_AFTER_MS);
    return () => {
      clearTimeout(timer);
      setIsLong(false);
    };
  }, [isFetching]);
  if (!isFetching) return <Button onPress={() => refetch()}>{say('plan.shareOutAnew')}</Button>;
  return isLong ? <Button onPress={stopSeason}>{say('plan.stopSharingOut')}</Button> : null;
}

/** Before there is any season. */
export function NoSeasonYet() {
  const say = useSay();
  const { isFetching } = useSeasonPlan();
  return (
    <Screen title={say('plan.theSeason')} subtitle={say('plan.whoDoesWhatWhen')} width="full">
      <Body role="status">
        {say(isFetching ? 'plan.theSeasonIsSharedOut' : 'plan.stoppedWithoutASeason')}
      </Body>
      <View flexDirection="row">
        <StopOrAgain />
      </View>
    </Screen>
  );
}

/** Beside one that stands. */
export function SharingOut({ isFirst }: { isFirst: boolean }) {
  const say = useSay();
  const { isFetching } = useSeasonPlan();
  const isStopped = useSeasonStopped();
  if (!isFetching && !isStopped && !isFirst) return null;
  const anew = isFirst ? 'plan.aBetterSeasonIsMade' : 'plan.theSeasonIsSharedOutAnew';
  const stopped = isFirst ? 'plan.stoppedAtTheFirst' : 'plan.stoppedAsBefore';
  const stays = isStopped ? stopped : 'plan.noBetterSeasonYet';
  return (
    <View flexDirection="row" alignItems="center" gap={12} minHeight={52}>
      <View flexShrink={1} flexGrow={1} $wide={{ flexGrow: 0 }}>
        <Body role="status">{say(isFetching ? anew : stays)}</Body>
      </View>
      <StopOrAgain />
    </View>
  );
}
