// Stations that push hours, each by its own token; and the address by which others subscribe to the windows.

import { View } from '@tamagui/core';
import { useState } from 'react';
import { inLanguage } from '../../../data/api';
import { ago } from '../../../data/moment';
import { useCalendarPath, useStations } from '../../../data/queries';
import { useClock } from '../../../data/useClock';
import { useSay } from '../../../data/useSay';
import {
  newId,
  useDeleteStation,
  useEndCalendar,
  useMakeCalendar,
  usePutStation,
} from '../../../data/writes';
import { Button } from '../../../ui/Button';
import { Failed } from '../../../ui/Failed';
import { Field } from '../../../ui/Field';
import { Notice } from '../../../ui/Notice';
import { Body, Label, Section, Small } from '../../../ui/type';

export function Stations() {
  const say = useSay();
  const { data } = useStations();
  const clock = useClock();
  const put = usePutStation();
  const end = useDeleteStation();
  const [name, setName] = useState('');
  const added = put.data;
  return (
    <View gap={10}>
      <Section>{say('book.stationsThatPush')}</Section>
      <Failed title={say('book.notDone')} error={put.error ?? end.error} />
      {data?.stations.length === 0 ? <Body>{say('book.noStationYetEachStationGetsIts')}</Body> : null}
      {data?.stations.map((station) => (
        <View
          key={station.id}
          gap={4}
          paddingBottom={8}
          borderBottomWidth={1}
          borderStyle="solid"
          borderColor="$rule"
        >
          <Label>{station.name}</Label>
          <Small>
            {station.heardAt
              ? say('book.lastHeard', { ago: ago(station.heardAt, clock()) })
              : say('book.notHeardYet')}
          </Small>
          <View flexDirection="row" gap={12} flexWrap="wrap">
            <Button
              aria-label={say('book.newTokenFor', { station: station.name })}
              onPress={() => put.mutate({ stationId: station.id, name: station.name })}
            >
              {say('book.newToken')}
            </Button>
            <Button
              aria-label={say('book.revokeTheTokenOf', { station: station.name })}
              onPress={() => end.mutate(station.id)}
            >
              {say('book.revokeToken')}
            </Button>
          </View>
        </View>
      ))}
      {added ? (
        <Notice kind="said" title={say('book.tokenOfItIsShownThisOnce', { added: added.name })}>
          {say('book.sendHoursToApiWeatherPushWith', { token: added.token })}
        </Notice>
      ) : null}
      <Field label={say('book.nameOfANewStation')} value={name} onChangeText={setName} />
      <View flexDirection="row">
        <Button
          disabled={name.trim() === '' || put.isPending}
          onPress={() => put.mutate({ stationId: newId(), name }, { onSuccess: () => setName('') })}
        >
          {say('book.addStation')}
        </Button>
      </View>
      <Small>{say('book.theShapeOfTheHoursIsDescribed')}</Small>
    </View>
  );
}

export function SubscribeCalendar() {
  const say = useSay();
  const { data } = useCalendarPath();
  const make = useMakeCalendar();
  const end = useEndCalendar();
  const path = data?.path ?? null;
  const address = path === null ? null : `${window.location.origin}${inLanguage(say, path)}`;
  return (
    <View gap={10}>
      <Section>{say('book.calendarToSubscribeTo')}</Section>
      <Failed title={say('book.notDone')} error={make.error ?? end.error} />
      <Body>{say('book.windowsOfEachKindOfWoodDays')}</Body>
      {address ? (
        <>
          <Field label={say('book.address')} value={address} onChangeText={() => undefined} />
          <View flexDirection="row" gap={12} flexWrap="wrap">
            <Button onPress={() => void navigator.clipboard?.writeText(address)}>{say('book.copy')}</Button>
            <Button onPress={() => make.mutate()}>{say('book.newAddressEndThisOne')}</Button>
            <Button onPress={() => end.mutate()}>{say('book.endIt')}</Button>
          </View>
        </>
      ) : (
        <View flexDirection="row">
          <Button onPress={() => make.mutate()}>{say('book.makeAnAddress')}</Button>
        </View>
      )}
    </View>
  );
}
