// One step to a first map: form and size are known from the tree, the number of main limbs is counted.

import { upperFirst } from '@mortisect/core/measure';
import type { TreeSummary } from '@mortisect/core/records';
import { isTrainedFlat, type TreeForm, treeForms } from '@mortisect/core/register';
import { type Limb, starterMap } from '@mortisect/core/tree';
import type { Say } from '@mortisect/words';
import { View } from '@tamagui/core';
import { useMemo, useState } from 'react';
import { useSay } from '../../data/useSay';
import { useToday } from '../../data/useToday';
import { CrownClock } from '../../drawings/CrownClock';
import { Button } from '../../ui/Button';
import { FieldRow } from '../../ui/FieldRow';
import { LengthField } from '../../ui/LengthField';
import { Select } from '../../ui/Select';
import { Body, Figure, Small } from '../../ui/type';
import { CopyMap } from './CopyMap';
import { starterTreeOf } from './starterTree';

interface StarterProps {
  tree: TreeSummary;
  onBack(): void;
  onDraw(limbs: Limb[]): void;
}

const FORMS = treeForms.map((value) => ({ value, label: upperFirst(value) }));
const FIRST_GUESS = 4;
const MOST = 24;

export function Starter({ tree, onBack, onDraw }: StarterProps) {
  const say = useSay();
  const today = useToday();
  const [form, setForm] = useState<TreeForm>(tree.form);
  const [count, setCount] = useState(FIRST_GUESS);
  const known = starterTreeOf(tree, Number(today?.day.slice(0, 4) ?? 0));
  const { ageYears } = known;
  const [heightCm, setHeight] = useState(known.heightCm);
  const [spreadCm, setSpread] = useState(known.spreadCm);
  const [girthCm, setGirth] = useState(known.girthCm);
  const [plane, setPlane] = useState('90');
  const limbs = useMemo(
    () =>
      starterMap({
        form,
        species: tree.species,
        heightCm,
        spreadCm,
        scaffolds: count,
        girthCm,
        ageYears,
        planeBearingDeg: Number(plane),
      }),
    [form, tree.species, ageYears, heightCm, spreadCm, count, girthCm, plane],
  );
  if (!today) return null;
  return (
    <View gap={16} maxWidth={760}>
      <View flexDirection="row" flexWrap="wrap" gap={16} alignItems="center">
        <View width={200}>
          <CrownClock
            limbs={limbs}
            names={new Map()}
            twelveBearingDeg={today.site.twelveBearingDeg}
            chosenId={null}
            bands={[]}
            kerfs={[]}
            units={today.units}
            onChoose={() => undefined}
          />
        </View>
        <View gap={8} flex={1} minWidth={180}>
          <Small>{form === 'multi-stem' ? say('round.stems') : say('round.mainLimbs')}</Small>
          <View flexDirection="row" alignItems="center" gap={12}>
            <Button
              aria-label={say('round.oneLess')}
              disabled={count <= 1}
              onPress={() => setCount(count - 1)}
            >
              −
            </Button>
            <Figure fontSize="$44" lineHeight="$44" aria-live="polite">
              {count}
            </Figure>
            <Button
              aria-label={say('round.oneMore')}
              disabled={count >= MOST}
              onPress={() => setCount(count + 1)}
            >
              +
            </Button>
          </View>
        </View>
      </View>
      <View flexDirection="row" gap={12}>
        <Button onPress={onBack}>{say('shared.back')}</Button>
        <Button grow kind="main" onPress={() => onDraw(limbs)}>
          {say('round.drawIt')}
        </Button>
      </View>
      <Body>{say('round.whereTheFormUsuallyHasItsLimbs')}</Body>
      <View flexDirection="row">
        <CopyMap tree={tree} onCopy={onDraw} />
      </View>
      <Select
        label={say('round.form')}
        value={form}
        options={FORMS}
        onChange={(value) => setForm(value as TreeForm)}
      />
      <FieldRow>
        <LengthField
          grow
          label={say('round.height')}
          cm={heightCm}
          leastCm={20}
          mostCm={3000}
          onChange={setHeight}
        />
        <LengthField
          grow
          label={say('round.spread')}
          cm={spreadCm}
          leastCm={10}
          mostCm={3000}
          onChange={setSpread}
        />
        <LengthField
          grow
          label={say('round.girth')}
          cm={girthCm}
          leastCm={2}
          mostCm={800}
          onChange={setGirth}
        />
      </FieldRow>
      {isTrainedFlat(form) ? (
        <Select
          label={say('round.runsAlong')}
          value={plane}
          options={planesIn(say)}
          onChange={setPlane}
          hint={say('round.theWallOrTheWires')}
        />
      ) : null}
    </View>
  );
}

const planesIn = (say: Say) =>
  [
    ['0', 'North–south'],
    ['45', say('round.northEastSouthWest')],
    ['90', 'East–west'],
    ['135', say('round.southEastNorthWest')],
  ].map(([value, label]) => ({ value: value as string, label: label as string }));
