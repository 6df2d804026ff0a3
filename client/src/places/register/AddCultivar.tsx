// A cultivar that the tables do not have is the caretaker’s to add; it is kept with the site.

import { upperFirst } from '@mortisect/core/measure';
import {
  bearingHabits,
  CULTIVAR_CONFIDENCE,
  CULTIVAR_SOURCE,
  type Cultivar,
  speciesName,
  susceptibilities,
} from '@mortisect/core/register';
import { told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { useSite } from '../../data/queries';
import { useSay } from '../../data/useSay';
import { useSaveSite } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Failed } from '../../ui/Failed';
import { NumberField } from '../../ui/NumberField';
import { Select } from '../../ui/Select';
import { Sheet } from '../../ui/Sheet';
import { Small } from '../../ui/type';

interface AddCultivarProps {
  species: string;
  name: string;
  known: Cultivar[];
}

const options = (values: readonly string[]) => values.map((value) => ({ value, label: upperFirst(value) }));

export function AddCultivar({ species, name, known }: AddCultivarProps) {
  const say = useSay();
  const record = useSite().data;
  const saving = useSaveSite();
  const [open, setOpen] = useState(false);
  const [habit, setHabit] = useState<Cultivar['habit']>('unknown');
  const [susceptibility, setSusceptibility] = useState<Cultivar['susceptibility']>('unknown');
  const [bloomOffsetDays, setOffset] = useState(0);
  const wanted = name.trim();
  const listed = known.find((cultivar) => cultivar.name.toLowerCase() === wanted.toLowerCase());
  if (wanted === '') return null;
  if (listed) {
    return (
      <Small>
        {say('round.bearsOnTakesDiseaseConfidence', {
          listed: listed.name,
          habit: told(say, listed.habit),
          susceptibility: told(say, listed.susceptibility),
          cultivarSource: CULTIVAR_SOURCE,
          cultivarConfidence: told(say, CULTIVAR_CONFIDENCE),
        })}
      </Small>
    );
  }
  const add = () => {
    if (!record) return;
    const cultivar: Cultivar = { species, name: wanted, habit, susceptibility, note: '', bloomOffsetDays };
    saving.mutate(
      {
        baseRevision: record.revision,
        site: { ...record.site, cultivars: [...record.site.cultivars, cultivar] },
      },
      { onSuccess: () => setOpen(false) },
    );
  };
  return (
    <View flexDirection="row">
      <Button onPress={() => setOpen(true)}>{say('round.addToTheCultivars', { wanted })}</Button>
      <Sheet
        title={`${wanted}, ${told(say, speciesName(species)).toLowerCase()}`}
        open={open}
        onClose={() => setOpen(false)}
        closeLabel={say('shared.back')}
        actions={
          <Button grow kind="main" onPress={add} disabled={saving.isPending}>
            {say('shared.add')}
          </Button>
        }
      >
        <Failed title={say('round.notAddedYet')} error={saving.error} />
        <Select
          label={say('round.bearsOn')}
          value={habit}
          options={options(bearingHabits)}
          onChange={(value) => setHabit(value as Cultivar['habit'])}
        />
        <Select
          label={say('round.takesBlightOrCanker')}
          value={susceptibility}
          options={options(susceptibilities)}
          onChange={(value) => setSusceptibility(value as Cultivar['susceptibility'])}
        />
        <NumberField
          label={say('round.bloomsLaterThanUsualBy')}
          unit="days"
          value={bloomOffsetDays}
          least={-40}
          most={40}
          hint={say('round.negativeEarlierThanUsual')}
          onChange={(days) => setOffset(Math.round(days))}
        />
      </Sheet>
    </View>
  );
}
