// Where somebody is signed in, and an end to what nobody uses any more.
import { View } from '@tamagui/core';
import { ago } from '../../data/moment';
import { useSessions } from '../../data/queries';
import { useClock } from '../../data/useClock';
import { useEndSession, useSignOut } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Failed } from '../../ui/Failed';
import { Label, Small } from '../../ui/type';

export function SignedIn() {
  const clock = useClock();
  const sessions = useSessions().data?.sessions ?? [];
  const signOut = useSignOut();
  const ending = useEndSession();
  const others = sessions.filter((session) => !session.here);
  return (
    <View gap={8}>
      <Button onPress={() => signOut.mutate()}>Sign out here</Button>
      <Failed title="Not signed out" error={signOut.error} />
      {others.length > 0 ? <Label>Signed in elsewhere</Label> : null}
      {others.map(({ id, browser, usedAt }) => (
        <View key={id} flexDirection="row" gap={12} alignItems="center">
          <View flex={1} minWidth={0}>
            <Small>{`${browser}, used ${ago(usedAt, clock())}`}</Small>
          </View>
          <Button
            aria-label={`End the session of ${browser}, used ${ago(usedAt, clock())}`}
            disabled={ending.isPending}
            onPress={() => ending.mutate(id)}
          >
            End it
          </Button>
        </View>
      ))}
      <Failed title="Not ended" error={ending.error} />
    </View>
  );
}
