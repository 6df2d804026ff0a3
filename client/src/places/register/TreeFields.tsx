// Everything that can be written down of a tree, the few that must be first.

import { hazards } from '@mortisect/core/handling';
import { upperFirst } from '@mortisect/core/measure';
import { drainages, fixtures, statuses, type TreeSummary, vigours } from '@mortisect/core/records';
import {
  bearingHabits,
  type Cultivar,
  cultivarsOf,
  grownFirst,
  speciesOf,
  treeForms,
} from '@mortisect/core/register';
import { purposes } from '@mortisect/core/triage';
import { told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useSay } from '../../data/useSay';
import { useGrown, useUnits } from '../../data/useToday';
import { CheckRow } from '../../ui/CheckRow';
import { Field } from '../../ui/Field';
import { Select } from '../../ui/Select';
import { Section, Small } from '../../ui/type';
import { AddCultivar } from './AddCultivar';
import { FIELD_WORDS } from './fieldWords';
import { NeighbourFields } from './NeighbourFields';
import {
  type LengthKey,
  type NumberKey,
  nextPlace,
  type TextKey,
  type TreeForm,
  withKnown,
} from './treeForm';

interface TreeFieldsProps {
  form: TreeForm;
  faults: Record<string, string>;
  trees: readonly TreeSummary[];
  cultivars: readonly Cultivar[];
  onChange(form: TreeForm): void;
}

const options = (values: readonly string[]) => values.map((value) => ({ value, label: upperFirst(value) }));

export function TreeFields({ form, faults, trees, cultivars, onChange }: TreeFieldsProps) {
  const say = useSay();
  const units = useUnits();
  const grown = useGrown();
  const unit = units === 'us' ? 'in' : 'cm';
  const set = (part: Partial<TreeForm>) => onChange({ ...form, ...part });
  const words = (key: TextKey, more: { multiline?: boolean; list?: string[] } = {}) => (
    <Field
      label={say(FIELD_WORDS[key])}
      value={form[key]}
      fault={faults[key]}
      onChangeText={(value) => set({ [key]: value })}
      {...more}
    />
  );
  const figure = (key: LengthKey | NumberKey, inUnit?: string, hint?: string) => (
    <Field
      label={inUnit ? `${say(FIELD_WORDS[key])}, ${inUnit}` : say(FIELD_WORDS[key])}
      kind="decimal"
      value={form[key]}
      fault={faults[key]}
      hint={hint}
      onChangeText={(value) => set({ [key]: value })}
    />
  );
  const plots = [...new Set(trees.map((tree) => tree.plot))];
  const rows = [...new Set(trees.filter((tree) => tree.plot === form.plot).map((tree) => tree.row))];
  const names = cultivarsOf(form.species, cultivars);
  const ticks = <T extends string>(
    label: string,
    all: readonly T[],
    chosen: readonly T[],
    change: (next: T[]) => void,
  ) => (
    <View role="group" aria-label={label}>
      <Small>{label}</Small>
      {all.map((value) => (
        <CheckRow
          key={value}
          label={upperFirst(told(say, value))}
          on={chosen.includes(value)}
          onChange={(on) => change(on ? [...chosen, value] : chosen.filter((kept) => kept !== value))}
        />
      ))}
    </View>
  );
  return (
    <View gap={16} maxWidth={760}>
      <Section>{say('round.whichTree')}</Section>
      <Pair>
        {words('code')}
        {words('nickname')}
      </Pair>
      <Pair>
        {words('plot', { list: plots })}
        <Field
          label={say(FIELD_WORDS.row)}
          value={form.row}
          fault={faults.row}
          list={rows}
          onChangeText={(row) =>
            set({
              row,
              ...(rows.includes(row) &&
                form.place === '1' && { place: String(nextPlace(trees, form.plot, row)) }),
            })
          }
        />
        {figure('place')}
      </Pair>
      <Section>{say('shared.whatItIs')}</Section>
      <Pair>
        <Select
          label={say(FIELD_WORDS.species)}
          value={form.species}
          options={grownFirst(grown).map(({ code, name }) => ({ value: code, label: name }))}
          onChange={(species) =>
            onChange({
              ...form,
              species,
              cultivar: '',
              form: speciesOf(species)?.usualForm ?? form.form,
              habit: speciesOf(species)?.habit ?? 'unknown',
            })
          }
        />
        <Field
          label={say(FIELD_WORDS.cultivar)}
          value={form.cultivar}
          list={names.map((name) => name.name)}
          hint={say('round.emptyUnknown')}
          onChangeText={(cultivar) => onChange(withKnown({ ...form, cultivar }, cultivars))}
        />
      </Pair>
      <AddCultivar species={form.species} name={form.cultivar} known={names} />
      <Pair>
        <Select
          label={say(FIELD_WORDS.form)}
          value={form.form}
          options={options(treeForms)}
          onChange={(value) => set({ form: value as TreeForm['form'] })}
        />
        <Select
          label={say(FIELD_WORDS.habit)}
          value={form.habit}
          options={options(bearingHabits)}
          hint={form.habit === 'unknown' ? say('round.unknownYoungTipsStayThinningInsideOnly') : undefined}
          onChange={(value) => set({ habit: value as TreeForm['habit'] })}
        />
      </Pair>
      <Section>{say('round.howLarge')}</Section>
      <Pair>
        {figure('heightCm', unit)}
        {figure('spreadCm', unit)}
        {figure('girthCm', unit)}
      </Pair>
      <Pair>
        {figure('targetHeightCm', unit)}
        {figure('reachCm', unit)}
        {figure('plantedYear')}
      </Pair>
      <Pair>
        {words('rootstock')}
        {figure('graftUnionCm', unit)}
        <Select
          label={say(FIELD_WORDS.vigour)}
          value={form.vigour}
          options={options(vigours)}
          onChange={(value) => set({ vigour: value as TreeForm['vigour'] })}
        />
      </Pair>
      <Section>{say('round.whatFor')}</Section>
      {ticks(say(FIELD_WORDS.purposes), purposes, form.purposes, (next) => set({ purposes: next }))}
      <Pair>{words('pickedBy')}</Pair>
      <CheckRow label={say(FIELD_WORDS.tasted)} on={form.tasted} onChange={(tasted) => set({ tasted })} />
      <Section>{say('round.whatEndangersPeople')}</Section>
      {ticks(say(FIELD_WORDS.hazards), hazards, form.hazards, (next) => set({ hazards: next }))}
      <Pair>
        {figure('leanDeg', '°', say('round.leanHint'))}
        {figure('slopeDeg', '°', say('round.slopeHint'))}
      </Pair>
      <Section>{say('round.roundTheTree')}</Section>
      {ticks(say(FIELD_WORDS.fixtures), fixtures, form.fixtures, (next) => set({ fixtures: next }))}
      <NeighbourFields
        neighbours={form.neighbours}
        codes={trees.map((tree) => tree.code)}
        onChange={(neighbours) => set({ neighbours })}
      />
      <Pair>
        <Select
          label={say(FIELD_WORDS.drainage)}
          value={form.drainage}
          options={options(drainages)}
          onChange={(value) => set({ drainage: value as TreeForm['drainage'] })}
        />
        <Select
          label={say(FIELD_WORDS.status)}
          value={form.status}
          options={options(statuses)}
          onChange={(value) => set({ status: value as TreeForm['status'] })}
        />
      </Pair>
      <CheckRow
        label={say(FIELD_WORDS.frostPocket)}
        on={form.frostPocket}
        onChange={(frostPocket) => set({ frostPocket })}
      />
      <CheckRow
        label={say(FIELD_WORDS.susceptible)}
        on={form.susceptible}
        onChange={(susceptible) => set({ susceptible })}
      />
      <Pair>
        {figure('latitude', 'degrees', say('shared.southIsNegative'))}
        {figure('longitude', 'degrees', say('shared.westIsNegative'))}
      </Pair>
      {words('note', { multiline: true })}
    </View>
  );
}

function Pair({ children }: { children: React.ReactNode }) {
  return (
    <View flexDirection="row" flexWrap="wrap" gap={12}>
      {(Array.isArray(children) ? children : [children]).map((child, i) => (
        <View key={child?.props?.label ?? String(i)} flexGrow={1} flexBasis={200} minWidth={0}>
          {child}
        </View>
      ))}
    </View>
  );
}
