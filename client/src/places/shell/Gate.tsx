// Before the first screen: the passphrase where one is asked for, and once the name of who works on this device.

import { View } from '@tamagui/core';
import { type ReactNode, useEffect, useState } from 'react';
import { inWords, NoAnswer } from '../../data/api';
import { usePreferences } from '../../data/preferences';
import { useFirstSync, useHealth, useSession, useSite } from '../../data/queries';
import { askToKeep } from '../../data/storage';
import { useSay } from '../../data/useSay';
import { useNameDevice, useSignIn } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Notice } from '../../ui/Notice';
import { Screen } from '../../ui/Screen';
import { Body, Small } from '../../ui/type';
import { bytesWords } from '../words';

export function Gate({ children }: { children: ReactNode }) {
  const session = useSession();
  const health = useHealth();
  const person = usePreferences((preferences) => preferences.person);
  const [wasOpen, setWasOpen] = useState(false);
  const open = session.data?.signedIn === true && health.data !== undefined && person !== '';
  useEffect(() => {
    if (open) setWasOpen(true);
  }, [open]);
  // Once open, the house stays behind a sign-in that is asked for again: what was being entered is still there.
  return (
    <>
      {open || wasOpen ? (
        <View key="house" flex={1} minHeight={0} minWidth={0} display={open ? 'flex' : 'none'}>
          {children}
        </View>
      ) : null}
      {open ? null : <Asked session={session} health={health} />}
    </>
  );
}

function Asked({
  session,
  health,
}: {
  session: ReturnType<typeof useSession>;
  health: ReturnType<typeof useHealth>;
}) {
  const failed = session.error ?? health.error;
  if (failed)
    return <Unreachable error={failed} onRetry={() => Promise.all([session.refetch(), health.refetch()])} />;
  if (!session.data || !health.data) return <View flex={1} aria-busy />;
  return session.data.signedIn ? <NameDevice demo={health.data.demo} /> : <SignIn />;
}

function Unreachable({ error, onRetry }: { error: Error; onRetry(): void }) {
  const say = useSay();
  return (
    <Screen
      title={say('shared.mortisect')}
      actions={
        <Button kind="main" onPress={onRetry}>
          {say('shared.tryAgain')}
        </Button>
      }
    >
      <Notice
        kind="caution"
        title={
          error instanceof NoAnswer ? say('shared.theServerDoesNotAnswer2') : say('shared.somethingIsWrong')
        }
      >
        {error instanceof NoAnswer ? say('shared.startItAgainOrMoveToWhere') : inWords(say, error)}
      </Notice>
    </Screen>
  );
}

function SignIn() {
  const say = useSay();
  const [passphrase, setPassphrase] = useState('');
  const signIn = useSignIn();
  const submit = () => signIn.mutate(passphrase);
  return (
    <Screen
      title={say('shared.mortisect')}
      subtitle={say('shared.signIn')}
      actions={
        <Button kind="main" onPress={submit}>
          {say('shared.signIn')}
        </Button>
      }
    >
      <View maxWidth={420}>
        <Field
          label={say('shared.passphraseOfTheSite')}
          kind="password"
          value={passphrase}
          onChangeText={setPassphrase}
          onSubmit={submit}
          fault={signIn.error ? inWords(say, signIn.error) : undefined}
        />
      </View>
    </Screen>
  );
}

function NameDevice({ demo }: { demo: boolean }) {
  const say = useSay();
  const deviceId = usePreferences((preferences) => preferences.deviceId);
  const siteName = useSite().data?.site.name;
  const [name, setName] = useState('');
  const naming = useNameDevice();
  const takes = useFirstSync().data;
  const submit = () => {
    // Asked for with the press: browsers listen to those only
    void askToKeep();
    naming.mutate(
      { deviceId, name },
      { onSuccess: (device) => usePreferences.setState({ person: device.name }) },
    );
  };
  return (
    <Screen
      title={say('shared.mortisect')}
      subtitle={siteName}
      actions={
        <Button kind="main" onPress={submit} disabled={name.trim() === ''}>
          {say('shared.start')}
        </Button>
      }
    >
      <Body>{say('shared.whereToCutWhenAndWithA')}</Body>
      <View maxWidth={420}>
        <Field
          label={say('shared.whoWorksOnThisDevice')}
          hint={say('shared.askedOnceEveryRecordFromHereCarries')}
          value={name}
          onChangeText={setName}
          onSubmit={submit}
          fault={naming.error ? inWords(say, naming.error) : undefined}
        />
      </View>
      {takes ? (
        <Small>
          {say('shared.forWorkWithoutSignalThisDeviceKeeps', {
            bytes: bytesWords(say, takes.appBytes),
            bytes2: bytesWords(say, takes.orchardBytes),
          })}
        </Small>
      ) : null}
      {demo ? (
        <Notice kind="said" title={say('shared.demoOrchard')}>
          {say('shared.theTreesCrewsAndFindingsHereAre')}
        </Notice>
      ) : null}
    </Screen>
  );
}
