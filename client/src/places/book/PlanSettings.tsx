// How this site plans: the limit of a season, which of a pair goes, what a piece may weigh, and the kit that is at hand.

import { limitSchools } from '@mortisect/core/crown';
import { KIT_SOURCE, type Tool, toolKinds } from '@mortisect/core/handling';
import { upperFirst } from '@mortisect/core/measure';
import {
  Costs,
  PlanSettings as Settings,
  startingPlanSettings,
  WEIGHTS_SOURCE,
  Weights,
  weights,
} from '@mortisect/core/plan';
import { View } from '@tamagui/core';
import { Controller } from 'react-hook-form';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { NumberField } from '../../ui/NumberField';
import { Select } from '../../ui/Select';
import { SettingFields } from '../../ui/SettingFields';
import { Label, Small } from '../../ui/type';
import { Folded } from './Folded';
import type { SiteControl } from './siteForm';

export function PlanSettings({ control }: { control: SiteControl }) {
  return (
    <Controller
      control={control}
      name="plan"
      render={({ field }) => <Fields plan={field.value as Settings} onChange={field.onChange} />}
    />
  );
}

interface FieldsProps {
  plan: Settings;
  onChange(plan: Settings): void;
}

function Fields({ plan, onChange }: FieldsProps) {
  const set = (change: Partial<Settings>) => onChange({ ...plan, ...change });
  const school = limitSchools.find((limitSchool) => limitSchool.id === plan.limit);
  return (
    <View gap={12}>
      <Select
        label="Most living crown in a season"
        value={plan.limit}
        options={limitSchools.map(({ id, name, limit }) => ({
          value: id,
          label: `${name}, ${limit / 10} %`,
        }))}
        hint={
          school ? `${school.use} Source: ${school.source} (confidence ${school.confidence}).` : undefined
        }
        onChange={(limit) => set({ limit: limit as Settings['limit'] })}
      />
      <SettingFields schema={Settings} value={plan} onChange={onChange} />
      <WeightFields plan={plan} onChange={onChange} />
      <Label>The kit</Label>
      {plan.kit.map((tool, i) => (
        <ToolFields
          key={tool.id}
          tool={tool}
          onChange={(next) => set({ kit: plan.kit.map((tool, j) => (j === i ? next : tool)) })}
          onRemove={() => set({ kit: plan.kit.filter((_, j) => j !== i) })}
        />
      ))}
      <View flexDirection="row">
        <Button onPress={() => set({ kit: [...plan.kit, newTool(plan.kit)] })}>Add a tool</Button>
      </View>
      <Small>{`Capacities and lengths where it starts: ${KIT_SOURCE.source}. A chainsaw is never planned: it is named by whoever is trained for it.`}</Small>
    </View>
  );
}

/** What the planner weighs against one another. */
function WeightFields({ plan, onChange }: FieldsProps) {
  const { crown, minute } = plan.costs;
  return (
    <Folded title={`What the plan weighs (${weights.length})`}>
      <View gap={12}>
        <Small>{`A worth stands against ${crown} for each thousandth of crown and ${minute} for each minute. ${WEIGHTS_SOURCE}.`}</Small>
        <SettingFields
          schema={Weights}
          value={plan.weights}
          starting={startingPlanSettings().weights}
          onChange={(next) => onChange({ ...plan, weights: next })}
        />
        <Label>What a cut costs</Label>
        <SettingFields
          schema={Costs}
          value={plan.costs}
          starting={startingPlanSettings().costs}
          onChange={(costs) => onChange({ ...plan, costs })}
        />
      </View>
    </Folded>
  );
}

function newTool(kit: readonly Tool[]): Tool {
  let n = kit.length + 1;
  while (kit.some((tool) => tool.id === `tool-${n}`)) n++;
  return { id: `tool-${n}`, name: 'New saw', kind: 'hand saw', takesMm: 80, lengthCm: 30 };
}

function ToolFields({
  tool,
  onChange,
  onRemove,
}: {
  tool: Tool;
  onChange(tool: Tool): void;
  onRemove(): void;
}) {
  return (
    <View
      role="group"
      aria-label={`Tool: ${tool.name}`}
      gap={8}
      paddingVertical={8}
      borderBottomWidth={1}
      borderStyle="solid"
      borderColor="$rule"
    >
      <View flexDirection="row" gap={12}>
        <Field
          grow
          label="Name"
          value={tool.name}
          onChangeText={(name) => onChange({ ...tool, name })}
          fault={tool.name.trim() === '' ? 'Give it a name.' : undefined}
        />
        <View flex={1} minWidth={0}>
          <Select
            label="Kind"
            value={tool.kind}
            options={toolKinds.map((kind) => ({ value: kind, label: upperFirst(kind) }))}
            onChange={(kind) => onChange({ ...tool, kind: kind as Tool['kind'] })}
          />
        </View>
      </View>
      <View flexDirection="row" gap={12} alignItems="flex-end">
        <NumberField
          grow
          label="Takes"
          unit="mm"
          value={tool.takesMm}
          least={1}
          most={600}
          onChange={(takesMm) => onChange({ ...tool, takesMm })}
        />
        <NumberField
          grow
          label="Reaches"
          unit="cm"
          value={tool.lengthCm}
          least={5}
          most={800}
          onChange={(lengthCm) => onChange({ ...tool, lengthCm })}
        />
        <NumberField
          grow
          label="How many"
          unit=""
          value={tool.count ?? 1}
          least={1}
          most={20}
          onChange={(count) => onChange({ ...tool, count: Math.round(count) })}
        />
        <Button kind="quiet" onPress={onRemove} aria-label={`Remove ${tool.name}`}>
          Remove
        </Button>
      </View>
    </View>
  );
}
