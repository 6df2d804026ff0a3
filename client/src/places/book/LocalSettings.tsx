// What this site knows of its own surroundings: blight hosts nearby, disorders that must be reported or do not occur, its own cultivars.

import { codesWhere, disorders, isFireBlight } from '@mortisect/core/disorders';
import type { Site } from '@mortisect/core/records';
import { speciesName } from '@mortisect/core/register';
import type { Say } from '@mortisect/words';
import { told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { Controller } from 'react-hook-form';
import { useSay } from '../../data/useSay';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Select } from '../../ui/Select';
import { Body, Label, Small } from '../../ui/type';
import type { SiteControl } from './siteForm';

export function LocalSettings({ control }: { control: SiteControl }) {
  return (
    <View gap={20}>
      <Controller
        control={control}
        name="blightHosts"
        render={({ field }) => <BlightHosts hosts={field.value ?? []} onChange={field.onChange} />}
      />
      <Controller
        control={control}
        name="notifiable"
        render={({ field }) => <Notifiable rules={field.value ?? []} onChange={field.onChange} />}
      />
      <Controller
        control={control}
        name="absentHere"
        render={({ field }) => <AbsentHere codes={field.value ?? []} onChange={field.onChange} />}
      />
      <Controller
        control={control}
        name="cultivars"
        render={({ field }) => <OwnCultivars cultivars={field.value ?? []} onChange={field.onChange} />}
      />
    </View>
  );
}

interface ListProps {
  title: string;
  about: string;
  items: { key: string; words: string }[];
  onRemove(at: number): void;
}

function Listed({ title, about, items, onRemove }: ListProps) {
  const say = useSay();
  return (
    <View gap={4}>
      <Label fontSize="$19" lineHeight="$19">
        {title}
      </Label>
      <Small>{about}</Small>
      {items.map(({ key, words }, at) => (
        <View key={key} flexDirection="row" alignItems="center" gap={12}>
          <Body flex={1}>{words}</Body>
          <Button kind="quiet" aria-label={say('book.remove', { words })} onPress={() => onRemove(at)}>
            {say('shared.remove')}
          </Button>
        </View>
      ))}
    </View>
  );
}

const without = <T,>(list: readonly T[], at: number): T[] => list.filter((_, i) => i !== at);

function BlightHosts({
  hosts,
  onChange,
}: {
  hosts: Site['blightHosts'];
  onChange(hosts: Site['blightHosts']): void;
}) {
  const say = useSay();
  const [name, setName] = useState('');
  const [where, setWhere] = useState('');
  const add = () => {
    onChange([...hosts, { name: name.trim(), where: where.trim() }]);
    setName('');
    setWhere('');
  };
  return (
    <View gap={8}>
      <Listed
        title={say('book.hostsOfFireBlightNearby')}
        about={say('book.hawthornCotoneasterFirethornRowanAnd')}
        items={hosts.map((host, i) => ({
          key: `${host.name}${i}`,
          words: `${host.name}${host.where ? `, ${host.where}` : ''}`,
        }))}
        onRemove={(at) => onChange(without(hosts, at))}
      />
      <View flexDirection="row" flexWrap="wrap" alignItems="flex-end" gap={8}>
        <View flexGrow={1} flexBasis={150}>
          <Field label={say('book.host')} value={name} onChangeText={setName} />
        </View>
        <View flexGrow={2} flexBasis={180}>
          <Field label={say('book.whereItStands')} value={where} onChangeText={setWhere} />
        </View>
        <Button disabled={name.trim() === ''} onPress={add}>
          {say('book.addHost')}
        </Button>
      </View>
    </View>
  );
}

const KNOWN = disorders.filter(({ kind, plain }) => kind === 'diseased' && plain === undefined);
const REGIONAL = KNOWN.find(({ onlyIn }) => onlyIn);
const OPTIONS = KNOWN.map(({ code, name }) => ({ value: code, label: name }));
/** All of fire blight in two words; the law does not tell its forms apart. */
function namesOf(say: Say, codes: readonly string[]): string {
  const rest = codes.filter((code) => !isFireBlight(code));
  return [
    ...(rest.length < codes.length ? [say('book.fireBlight')] : []),
    ...rest.map((each) => nameOf(say, each)),
  ].join(', ');
}

const nameOf = (say: Say, code: string) =>
  told(say, KNOWN.find((disorder) => disorder.code === code)?.name) ?? code;

function Notifiable({
  rules,
  onChange,
}: {
  rules: Site['notifiable'];
  onChange(rules: Site['notifiable']): void;
}) {
  const say = useSay();
  const [code, setCode] = useState(KNOWN.find(({ strike }) => strike)?.code ?? '');
  const [authority, setAuthority] = useState('');
  const add = () => {
    // One entry for all of fire blight: the law does not tell its forms apart
    const codes = isFireBlight(code) ? codesWhere((disorder) => isFireBlight(disorder.code)) : [code];
    onChange([...rules, { codes, authority: authority.trim(), note: '' }]);
    setAuthority('');
  };
  return (
    <View gap={8}>
      <Listed
        title={say('book.mustBeReportedHere')}
        about={say('book.localLawDecidesAskThePlantHealth')}
        items={rules.map((rule, i) => ({
          key: `${rule.authority}${i}`,
          words: `${namesOf(say, rule.codes)}: ${rule.authority}`,
        }))}
        onRemove={(at) => onChange(without(rules, at))}
      />
      <View flexDirection="row" flexWrap="wrap" alignItems="flex-end" gap={8}>
        <View flexGrow={1} flexBasis={180}>
          <Select label={say('book.disorderToReport')} value={code} options={OPTIONS} onChange={setCode} />
        </View>
        <View flexGrow={1} flexBasis={180}>
          <Field label={say('book.reportTo')} value={authority} onChangeText={setAuthority} />
        </View>
        <Button disabled={authority.trim() === ''} onPress={add}>
          {say('book.addRule')}
        </Button>
      </View>
    </View>
  );
}

function AbsentHere({ codes, onChange }: { codes: string[]; onChange(codes: string[]): void }) {
  const say = useSay();
  const [code, setCode] = useState((REGIONAL ?? KNOWN[0])?.code ?? '');
  return (
    <View gap={8}>
      <Listed
        title={say('book.doesNotOccurInThisCountry')}
        about={say('book.leftOutOfTheLikelyCauses', {
          more: REGIONAL
            ? say('book.belongsHereOutside', {
                name: told(say, REGIONAL.name),
                onlyIn: told(say, REGIONAL.onlyIn ?? ''),
              })
            : '',
        })}
        items={codes.map((code) => ({ key: code, words: nameOf(say, code) }))}
        onRemove={(at) => onChange(without(codes, at))}
      />
      <View flexDirection="row" flexWrap="wrap" alignItems="flex-end" gap={8}>
        <View flexGrow={1} flexBasis={180}>
          <Select
            label={say('book.disorderThatDoesNotOccur')}
            value={code}
            options={OPTIONS}
            onChange={setCode}
          />
        </View>
        <Button disabled={codes.includes(code)} onPress={() => onChange([...codes, code])}>
          {say('shared.add')}
        </Button>
      </View>
    </View>
  );
}

function OwnCultivars({
  cultivars,
  onChange,
}: {
  cultivars: Site['cultivars'];
  onChange(cultivars: Site['cultivars']): void;
}) {
  const say = useSay();
  const [open, setOpen] = useState(false);
  return (
    <View gap={8}>
      {open ? (
        <Listed
          title={say('book.cultivarsOfThisSite')}
          about={say('book.addedWhereATreeIsWrittenDown')}
          items={cultivars.map((cultivar, i) => ({
            key: `${cultivar.species}${cultivar.name}${i}`,
            words: say('book.bearsOnTakesDisease', {
              cultivar: cultivar.name,
              species: told(say, speciesName(cultivar.species)).toLowerCase(),
              habit: told(say, cultivar.habit),
              susceptibility: told(say, cultivar.susceptibility),
            }),
          }))}
          onRemove={(at) => onChange(without(cultivars, at))}
        />
      ) : (
        <View flexDirection="row">
          <Button onPress={() => setOpen(true)}>
            {say('book.cultivarsOfThisSite2', { cultivars: cultivars.length })}
          </Button>
        </View>
      )}
    </View>
  );
}
