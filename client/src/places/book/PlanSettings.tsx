// How this site plans: the limit of a season, which of a pair goes, what a piece may weigh, and the kit that is at hand.

import { limitSchools } from '@mortisect/core/crown';
import { KIT_SOURCE, type Tool, toolKinds } from '@mortisect/core/handling';
import { upperFirst } from '@mortisect/core/measure';
import {
  Costs,
  RegrowthShares,
  PlanSettings as Settings,
  startingPlanSettings,
  WEIGHTS_SOURCE,
  Weights,
  weights,
} from '@mortisect/core/plan';
import type { Say } from '@mortisect/words';
import { paceWords, personalPaceWords, told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { Controller } from 'react-hook-form';
import { useSite } from '../../data/queries';
import { useSay } from '../../data/useSay';
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
  const say = useSay();
  const set = (change: Partial<Settings>) => onChange({ ...plan, ...change });
  const school = limitSchools.find((limitSchool) => limitSchool.id === plan.limit);
  return (
    <View gap={12}>
      <Select
        label={say('book.mostLivingCrownInASeason')}
        value={plan.limit}
        options={limitSchools.map(({ id, name, limit }) => ({
          value: id,
          label: `${told(say, name)}, ${limit / 10} %`,
        }))}
        hint={
          school
            ? say('book.sourceConfidence', {
                use: told(say, school.use),
                source: school.source,
                confidence: told(say, school.confidence),
              })
            : undefined
        }
        onChange={(limit) => set({ limit: limit as Settings['limit'] })}
      />
      <SettingFields schema={Settings} value={plan} onChange={onChange} />
      <WeightFields plan={plan} onChange={onChange} />
      <Label>{say('book.theKit')}</Label>
      {plan.kit.map((tool, i) => (
        <ToolFields
          key={tool.id}
          tool={tool}
          onChange={(next) => set({ kit: plan.kit.map((tool, j) => (j === i ? next : tool)) })}
          onRemove={() => set({ kit: plan.kit.filter((_, j) => j !== i) })}
        />
      ))}
      <View flexDirection="row">
        <Button onPress={() => set({ kit: [...plan.kit, newTool(say, plan.kit)] })}>
          {say('book.addATool')}
        </Button>
      </View>
      <PaceList />
      <Small>{say('book.capacitiesAndLengthsWhereItStartsA', { source: KIT_SOURCE.source })}</Small>
    </View>
  );
}

/** How long cuts really took: of everybody together, then of each person. */
function PaceList() {
  const say = useSay();
  const paces = useSite().data?.paces ?? [];
  const lines = [...paceWords(say, paces), ...personalPaceWords(say, paces)];
  return (
    <View gap={4}>
      <Label>{say('book.whatYouTake')}</Label>
      {lines.length === 0 ? <Small>{say('book.nobodyTimed')}</Small> : null}
      {lines.map((line) => (
        <Small key={line} color="$ink">
          {line}
        </Small>
      ))}
      {lines.length === 0 ? null : <Small>{say('book.pacesFrom')}</Small>}
    </View>
  );
}

/** What the planner weighs against one another. */
function WeightFields({ plan, onChange }: FieldsProps) {
  const say = useSay();
  const { crown, minute } = plan.costs;
  return (
    <Folded title={say('book.whatThePlanWeighs', { weights: weights.length })}>
      <View gap={12}>
        <Small>
          {say('book.aWorthStandsAgainstForEachThousandth', {
            crown,
            minute,
            weightsSource: told(say, WEIGHTS_SOURCE),
          })}
        </Small>
        <SettingFields
          schema={Weights}
          value={plan.weights}
          starting={startingPlanSettings().weights}
          onChange={(next) => onChange({ ...plan, weights: next })}
        />
        <Label>{say('book.whatACutCosts')}</Label>
        <SettingFields
          schema={Costs}
          value={plan.costs}
          starting={startingPlanSettings().costs}
          onChange={(costs) => onChange({ ...plan, costs })}
        />
        <Label>{say('book.whatGrowsBack')}</Label>
        <SettingFields
          schema={RegrowthShares}
          value={plan.regrowth}
          starting={startingPlanSettings().regrowth}
          onChange={(regrowth) => onChange({ ...plan, regrowth })}
        />
      </View>
    </Folded>
  );
}

function newTool(say: Say, kit: readonly Tool[]): Tool {
  let n = kit.length + 1;
  while (kit.some((tool) => tool.id === `tool-${n}`)) n++;
  return { id: `tool-${n}`, name: say('book.newSaw'), kind: 'hand saw', takesMm: 80, lengthCm: 30 };
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
  const say = useSay();
  return (
    <View
      role="group"
      aria-label={say('book.tool', { tool: tool.name })}
      gap={8}
      paddingVertical={8}
      borderBottomWidth={1}
      borderStyle="solid"
      borderColor="$rule"
    >
      <View flexDirection="row" gap={12}>
        <Field
          grow
          label={say('shared.name')}
          value={tool.name}
          onChangeText={(name) => onChange({ ...tool, name })}
          fault={tool.name.trim() === '' ? say('book.giveItAName') : undefined}
        />
        <View flex={1} minWidth={0}>
          <Select
            label={say('shared.kind')}
            value={tool.kind}
            options={toolKinds.map((kind) => ({ value: kind, label: upperFirst(told(say, kind)) }))}
            onChange={(kind) => onChange({ ...tool, kind: kind as Tool['kind'] })}
          />
        </View>
      </View>
      <View flexDirection="row" gap={12} alignItems="flex-end">
        <NumberField
          grow
          label={say('book.takes')}
          unit="mm"
          value={tool.takesMm}
          least={1}
          most={600}
          onChange={(takesMm) => onChange({ ...tool, takesMm })}
        />
        <NumberField
          grow
          label={say('book.reaches')}
          unit="cm"
          value={tool.lengthCm}
          least={5}
          most={800}
          onChange={(lengthCm) => onChange({ ...tool, lengthCm })}
        />
        <NumberField
          grow
          label={say('book.howMany')}
          unit=""
          value={tool.count ?? 1}
          least={1}
          most={20}
          onChange={(count) => onChange({ ...tool, count: Math.round(count) })}
        />
        <Button kind="quiet" onPress={onRemove} aria-label={say('book.remove2', { tool: tool.name })}>
          {say('shared.remove')}
        </Button>
      </View>
    </View>
  );
}
