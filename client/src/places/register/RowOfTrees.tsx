// A row at once: so many trees alike, each with a number of its own.

import { grownFirst } from '@mortisect/core/register';
import { told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useRouter } from 'expo-router';
import { useRef, useState } from 'react';
import { useTrees } from '../../data/queries';
import { useSay } from '../../data/useSay';
import { useGrown, useUnits } from '../../data/useToday';
import { useWriteRow } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Failed } from '../../ui/Failed';
import { Field } from '../../ui/Field';
import { useLeaveGuard } from '../../ui/leaveGuard';
import { Notice } from '../../ui/Notice';
import { goToFirstFault } from '../../ui/SaveButton';
import { Screen } from '../../ui/Screen';
import { Select } from '../../ui/Select';
import { Body, Small } from '../../ui/type';
import { useBack } from '../../ui/useBack';
import { FIELD_WORDS } from './fieldWords';
import { fileOfTrees, type RowForm, treesOfRow } from './rowOfTrees';

export function RowOfTrees() {
  const say = useSay();
  const router = useRouter();
  const units = useUnits();
  const known = useTrees().data?.trees ?? [];
  const writing = useWriteRow();
  const size = units === 'us' ? '10 ft' : '3 m';
  const grown = useGrown();
  const [form, setForm] = useState<RowForm>({
    ...{
      count: '12',
      species: grown[0] ?? 'apple',
      cultivar: '',
      plantedYear: '',
      heightCm: size,
      spreadCm: size,
    },
    spacingCm: units === 'us' ? '13 ft' : '4 m',
    plot: say('round.firstPlot'),
    row: say('round.firstRow'),
  });
  const [touched, setTouched] = useState(false);
  const [faults, setFaults] = useState<Partial<Record<keyof RowForm, string>>>({});
  const leaving = useLeaveGuard(touched, say('round.theRow'));
  const back = useBack('/round/register');
  const page = useRef<HTMLDivElement>(null);
  const set = (more: Partial<RowForm>) => {
    setForm({ ...form, ...more });
    setTouched(true);
  };
  const field = (key: Exclude<keyof RowForm, 'species'>, label: string, hint?: string) => (
    <View flexGrow={1} flexBasis={150} minWidth={0}>
      <Field
        label={label}
        value={form[key]}
        fault={faults[key]}
        hint={hint}
        onChangeText={(value) => set({ [key]: value })}
      />
    </View>
  );
  const refused = writing.data && writing.data.written === 0;
  const save = () => {
    const read = treesOfRow(say, form, units, new Set(known.map(({ code }) => code)));
    if ('faults' in read) {
      setFaults(read.faults);
      return goToFirstFault(page.current);
    }
    setFaults({});
    const { file, mapping } = fileOfTrees(read.trees);
    writing.mutate(
      {
        plot: form.plot.trim(),
        row: form.row.trim(),
        spacingCm: read.spacingCm,
        given: { file, query: { format: 'csv', take: 'good', mapping: JSON.stringify(mapping) } },
      },
      {
        onSuccess: ({ written }) => {
          if (written > 0) leaving.leave(() => router.replace('/round'));
        },
      },
    );
  };
  return (
    <Screen
      title={say('round.aRowOfTrees')}
      subtitle={say('round.treesAlikeEachWithItsNumber')}
      actions={
        <>
          <Button onPress={() => leaving.ask(back)}>{say('shared.cancel')}</Button>
          <Button grow kind="main" onPress={save} disabled={writing.isPending}>
            {writing.isPending ? say('shared.saving') : say('round.writeThemDown')}
          </Button>
        </>
      }
    >
      <Failed title={say('shared.notSavedYet')} error={writing.error} />
      {refused ? (
        <Notice kind="caution" title={say('shared.notSavedYet')}>
          {say('round.noneOfTheRowWasTaken')}
        </Notice>
      ) : null}
      <View ref={page as never} gap={12} maxWidth={760}>
        <View flexDirection="row" flexWrap="wrap" gap={12}>
          {field('count', say('round.howManyTrees'))}
          {field('plot', say(FIELD_WORDS.plot))}
          {field('row', say(FIELD_WORDS.row))}
        </View>
        <View flexDirection="row" flexWrap="wrap" gap={12}>
          <View flexGrow={1} flexBasis={150} minWidth={0}>
            <Select
              label={say(FIELD_WORDS.species)}
              value={form.species}
              options={grownFirst(grown).map(({ code, name }) => ({ value: code, label: told(say, name) }))}
              onChange={(species) => set({ species })}
            />
          </View>
          {field('cultivar', say(FIELD_WORDS.cultivar), say('round.emptyUnknown'))}
          {field('plantedYear', say(FIELD_WORDS.plantedYear), say('round.emptyUnknown'))}
        </View>
        <View flexDirection="row" flexWrap="wrap" gap={12}>
          {field('heightCm', say(FIELD_WORDS.heightCm))}
          {field('spreadCm', say(FIELD_WORDS.spreadCm))}
          {field('spacingCm', say('round.spacing'))}
        </View>
        <Body>{say('round.rowGoesBy', { first: `${form.row.trim()} 01`, plot: form.plot.trim() })}</Body>
        <Small>{say('round.eachCanBeChangedLater')}</Small>
      </View>
      {leaving.question}
    </Screen>
  );
}
