// Compass and tilt of this device: started by a tap, or why there is no reading and what can be done about it.
import { View } from '@tamagui/core';
import type { SensorState } from '../../data/useAim';
import { useSay } from '../../data/useSay';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';

/** Why there is no reading yet, and what can be done about it. */
export function Sensor({
  state,
  onStart,
  onSimulate,
}: {
  state: SensorState;
  onStart(): void;
  onSimulate(): void;
}) {
  const say = useSay();
  const says = {
    notSecure: say('round.sensorNotSecure'),
    none: say('round.sensorNone'),
    refused: say('round.sensorRefused'),
    ask: say('round.sensorAsk'),
    waiting: say('round.sensorWaiting'),
    live: null,
  }[state];
  return (
    <View gap={12}>
      {says ? (
        <Notice kind={state === 'ask' || state === 'waiting' ? 'said' : 'caution'}>{says}</Notice>
      ) : null}
      <View flexDirection="row" flexWrap="wrap" gap={8}>
        {state === 'ask' || state === 'refused' ? (
          <Button kind="main" onPress={onStart}>
            {say('round.sensorStart')}
          </Button>
        ) : null}
        {state === 'live' ? null : <Button onPress={onSimulate}>{say('round.sensorSimulated')}</Button>}
      </View>
    </View>
  );
}
