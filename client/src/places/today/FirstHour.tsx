// An orchard that has no tree yet: what the product must know of it, and the three ways to begin.

import { siteUnits } from '@mortisect/core/measure';
import { Site, type SiteRecord } from '@mortisect/core/records';
import type { PlainKey } from '@mortisect/words';
import { issueWords } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { useSite } from '../../data/queries';
import { useSay } from '../../data/useSay';
import { useSaveSite } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Failed } from '../../ui/Failed';
import { Field } from '../../ui/Field';
import { Halves } from '../../ui/Halves';
import { Row, Rows } from '../../ui/Row';
import { SaveButton } from '../../ui/SaveButton';
import { Body, Label, Section, Small } from '../../ui/type';
import { LanguageChoice } from '../LanguageChoice';
import { SpeciesGrown } from '../SpeciesGrown';

export function FirstHour() {
  const say = useSay();
  const { data } = useSite();
  const trees = (
    <>
      <Section>{say('today.thenTheTrees')}</Section>
      <Rows>
        <Row
          title={say('today.oneTreeNow')}
          detail={say('today.itsKindAndSizeThenItsLimbs')}
          href="/round/register/new"
        />
        <Row
          title={say('today.aWholeRow')}
          detail={say('today.soManyTreesAlike')}
          href="/round/register/row"
        />
        <Row
          title={say('today.fromAFile')}
          detail={say('today.aTableOrAnArchive')}
          href="/round/register/import"
        />
      </Rows>
      <Small>{say('today.lookAtTheDemo')}</Small>
    </>
  );
  return <Halves first={data ? <WhereItStands record={data} /> : null} second={trees} />;
}

const UNITS: Record<Site['units'], PlainKey> = {
  metric: 'today.unitsMetric',
  us: 'today.unitsUs',
  language: 'today.unitsLanguage',
};

/** Where a site stands that nobody has said anything of. */
const isUnsaid = ({ latitude, longitude }: Site) => latitude === 0 && longitude === 0;

type Typed = Record<'name' | 'latitude' | 'longitude', string>;

function WhereItStands({ record: { site, revision } }: { record: SiteRecord }) {
  const say = useSay();
  const saving = useSaveSite();
  const [typed, setTyped] = useState<Typed>({
    name: site.name,
    latitude: isUnsaid(site) ? '' : String(site.latitude),
    longitude: isUnsaid(site) ? '' : String(site.longitude),
  });
  const [units, setUnits] = useState(site.units);
  const [grows, setGrows] = useState(site.grows);
  const [placeFault, setPlaceFault] = useState<string | null>(null);
  const number = (text: string) => (text.trim() === '' ? Number.NaN : Number(text.replace(',', '.')));
  const read = Site.safeParse({
    ...site,
    name: typed.name,
    latitude: number(typed.latitude),
    longitude: number(typed.longitude),
    units,
    grows,
    timeZone: zoneHere() ?? site.timeZone,
  });
  const faultOf = (key: keyof Typed) => {
    // What nobody typed yet is missing, not wrong
    if (key !== 'name' && typed[key].trim() === '') return undefined;
    const issue = read.error?.issues.find(({ path }) => path[0] === key);
    return issue && issueWords(say, issue);
  };
  const field = (key: keyof Typed, label: string, hint?: string) => (
    <View flexGrow={1} flexBasis={150} minWidth={0}>
      <Field
        label={label}
        value={typed[key]}
        fault={faultOf(key)}
        hint={hint}
        kind={key === 'name' ? 'text' : 'decimal'}
        onChangeText={(value) => setTyped({ ...typed, [key]: value })}
      />
    </View>
  );
  const here = () => {
    setPlaceFault(null);
    if (!navigator.geolocation) return setPlaceFault(say('today.thisDeviceDoesNotKnowItsPlace'));
    navigator.geolocation.getCurrentPosition(
      ({ coords }) =>
        setTyped((before) => ({
          ...before,
          latitude: coords.latitude.toFixed(3),
          longitude: coords.longitude.toFixed(3),
        })),
      () => setPlaceFault(say('today.thisDeviceDoesNotKnowItsPlace')),
      { timeout: 10_000 },
    );
  };
  return (
    <View gap={12}>
      <Section>{say('today.firstTheOrchard')}</Section>
      <Body>{say('today.itsPlaceSaysWhenDaysAreDry')}</Body>
      <View flexDirection="row">{field('name', say('today.whatItIsCalled'))}</View>
      <View flexDirection="row" flexWrap="wrap" gap={12}>
        {field('latitude', say('today.latitudeDegrees'), say('shared.southIsNegative'))}
        {field('longitude', say('today.longitudeDegrees'), say('shared.westIsNegative'))}
      </View>
      <View flexDirection="row">
        <Button onPress={here}>{say('today.useThisDevicesPlace')}</Button>
      </View>
      {placeFault ? <Small color="$ochreText">{placeFault}</Small> : null}
      <Label>{say('today.unitsOfTheOrchard')}</Label>
      <Choice<string>
        label={say('today.unitsOfTheOrchard')}
        options={siteUnits.map((value) => ({ value, label: say(UNITS[value]) }))}
        value={units}
        onChange={(value) => setUnits(value as Site['units'])}
      />
      <LanguageChoice />
      <SpeciesGrown value={grows} onChange={setGrows} />
      <View flexDirection="row">
        <SaveButton
          saving={saving.isPending}
          missing={typed.latitude.trim() && typed.longitude.trim() ? null : say('today.itsPlace')}
          onSave={() => read.success && saving.mutate({ baseRevision: revision, site: read.data })}
        >
          {say(saving.isSuccess ? 'today.orchardSaved' : 'today.saveTheOrchard')}
        </SaveButton>
      </View>
      <Failed title={say('shared.notSavedYet')} error={saving.error} />
    </View>
  );
}

function zoneHere(): string | null {
  try {
    return new Intl.DateTimeFormat().resolvedOptions().timeZone || null;
  } catch {
    return null;
  }
}
