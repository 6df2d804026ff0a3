// Stations that push hours, each by its own token; and the address by which others subscribe to the windows.
import { View } from '@tamagui/core';
import { useState } from 'react';
import { ago } from '../../../data/moment';
import { useCalendarPath, useStations } from '../../../data/queries';
import { useClock } from '../../../data/useClock';
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
  const { data } = useStations();
  const clock = useClock();
  const put = usePutStation();
  const end = useDeleteStation();
  const [name, setName] = useState('');
  const added = put.data;
  return (
    <View gap={10}>
      <Section>Stations that push</Section>
      <Failed title="Not done" error={put.error ?? end.error} />
      {data?.stations.length === 0 ? <Body>No station yet. Each station gets its own token.</Body> : null}
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
          <Small>{station.heardAt ? `Last heard ${ago(station.heardAt, clock())}` : 'Not heard yet'}</Small>
          <View flexDirection="row" gap={12} flexWrap="wrap">
            <Button
              aria-label={`New token for ${station.name}`}
              onPress={() => put.mutate({ stationId: station.id, name: station.name })}
            >
              New token
            </Button>
            <Button aria-label={`Revoke the token of ${station.name}`} onPress={() => end.mutate(station.id)}>
              Revoke token
            </Button>
          </View>
        </View>
      ))}
      {added ? (
        <Notice kind="said" title={`Token of ${added.name}: it is shown this once`}>
          {`${added.token} — send hours to /api/weather/push with the header Authorization: Bearer and this token.`}
        </Notice>
      ) : null}
      <Field label="Name of a new station" value={name} onChangeText={setName} />
      <View flexDirection="row">
        <Button
          disabled={name.trim() === '' || put.isPending}
          onPress={() => put.mutate({ stationId: newId(), name }, { onSuccess: () => setName('') })}
        >
          Add station
        </Button>
      </View>
      <Small>
        The shape of the hours is described under /api/docs. Pushed hours count once the site goes by weather
        on record.
      </Small>
    </View>
  );
}

export function SubscribeCalendar() {
  const { data } = useCalendarPath();
  const make = useMakeCalendar();
  const end = useEndCalendar();
  const path = data?.path ?? null;
  const address = path === null ? null : `${window.location.origin}${path}`;
  return (
    <View gap={10}>
      <Section>Calendar to subscribe to</Section>
      <Failed title="Not done" error={make.error ?? end.error} />
      <Body>
        Windows of each kind of wood, days to look after a frost, jobs due. Whoever has the address can read
        it.
      </Body>
      {address ? (
        <>
          <Field label="Address" value={address} onChangeText={() => undefined} />
          <View flexDirection="row" gap={12} flexWrap="wrap">
            <Button onPress={() => void navigator.clipboard?.writeText(address)}>Copy</Button>
            <Button onPress={() => make.mutate()}>New address, end this one</Button>
            <Button onPress={() => end.mutate()}>End it</Button>
          </View>
        </>
      ) : (
        <View flexDirection="row">
          <Button onPress={() => make.mutate()}>Make an address</Button>
        </View>
      )}
    </View>
  );
}
