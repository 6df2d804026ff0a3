// Where somebody is signed in, and an end to what nobody uses any more.

import { View } from '@tamagui/core';
import { ago } from '../../data/moment';
import { useSessions } from '../../data/queries';
import { useClock } from '../../data/useClock';
import { useSay } from '../../data/useSay';
import { useEndSession, useSignOut } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Failed } from '../../ui/Failed';
import { Label, Small } from '../../ui/type';

export function SignedIn() {
  const say = useSay();
  const clock = useClock();
  const sessions = useSessions().data?.sessions ?? [];
  const signOut = useSignOut();
  const ending = useEndSession();
  const others = sessions.filter((session) => !session.here);
  return (
    <View gap={8}>
      <Button onPress={() => signOut.mutate()}>{say('book.signOutHere')}</Button>
      <Failed title={say('book.notSignedOut')} error={signOut.error} />
      {others.length > 0 ? <Label>{say('book.signedInElsewhere')}</Label> : null}
      {others.map(({ id, browser, usedAt }) => (
        <View key={id} flexDirection="row" gap={12} alignItems="center">
          <View flex={1} minWidth={0}>
            <Small>{say('book.used', { browser, ago: ago(usedAt, clock()) })}</Small>
          </View>
          <Button
            aria-label={say('book.endTheSessionOfUsed', { browser, ago: ago(usedAt, clock()) })}
            disabled={ending.isPending}
            onPress={() => ending.mutate(id)}
          >
            {say('book.endIt')}
          </Button>
        </View>
      ))}
      <Failed title={say('book.notEnded')} error={ending.error} />
    </View>
  );
}
