// The crown before and after: from above, by the gap test and by the light inside.

import { limbsAfter, regrowthOf, type StepView, type Visit } from '@mortisect/core/plan';
import type { SiteToday, TreeView } from '@mortisect/core/present';
import { View } from '@tamagui/core';
import { useMemo, useState } from 'react';
import { useOpenness } from '../../data/useOpenness';
import { useSay } from '../../data/useSay';
import { CrownClock } from '../../drawings/CrownClock';
import { StandView } from '../../drawings/StandView';
import { Choice } from '../../ui/Choice';
import { Figure, Label, Section, Small } from '../../ui/type';
import { bandsOf } from '../bands';

interface BeforeAfterProps {
  view: TreeView;
  today: SiteToday;
  visits: Visit[];
  onChoose(limbId: string): void;
}

export function BeforeAfter({ view, today, visits, onChoose }: BeforeAfterProps) {
  const say = useSay();
  const steps = visits.flatMap((visit) => visit.steps);
  const last = Math.max(0, ...steps.map(({ step }) => step.season));
  const after = useMemo(() => limbsAfter(view.limbs, steps, last), [view.limbs, steps, last]);
  const now = useOpenness(view.detail, view.limbs).data;
  const then = useOpenness(view.detail, after).data;
  if (steps.every((step) => step.priced.kerf === null)) return null;
  const gone = new Set(view.limbs.map((limb) => limb.id));
  for (const limb of after) gone.delete(limb.id);
  const clock = (limbs: typeof after) => (
    <CrownClock
      limbs={limbs}
      names={view.names}
      twelveBearingDeg={today.site.twelveBearingDeg}
      chosenId={null}
      bands={bandsOf(
        view.considered.filter((finding) =>
          limbs.some((limb) => limb.id === finding.limbId && limb.lengthCm > finding.fromCm),
        ),
      )}
      kerfs={limbs === after ? [] : steps.flatMap((step) => (step.priced.kerf ? [step.priced.kerf] : []))}
      units={today.units}
      onChoose={onChoose}
    />
  );
  return (
    <View gap={8}>
      <Section>{say('plan.beforeAndAfter')}</Section>
      <View flexDirection="row" gap={12}>
        <View flex={1} minWidth={0}>
          <Label>{say('plan.now')}</Label>
          {clock(view.limbs)}
        </View>
        <View flex={1} minWidth={0}>
          <Label>{last > 1 ? say('plan.afterSeasons', { last }) : say('plan.afterTheCuts')}</Label>
          {clock(after)}
        </View>
      </View>
      <SeasonsSeen {...{ view, today, steps, onChoose }} />
      <Measure words={say('plan.ofHatsThrownComeThrough')} before={now?.gap.share} after={then?.gap.share} />
      <Measure
        words={say('shared.ofTheLightReachesTheInnerThird')}
        before={now?.light.share}
        after={then?.light.share}
      />
      <Small>{say('plan.throughTheMappedLimbs2000Throws')}</Small>
    </View>
  );
}

/** The tree from where one stands, now and after each season; shoots that are to be expected are thin and dashed. */
function SeasonsSeen({
  view,
  today,
  steps,
  onChoose,
}: Pick<BeforeAfterProps, 'view' | 'today' | 'onChoose'> & { steps: StepView[] }) {
  const say = useSay();
  const [shown, setShown] = useState(0);
  const seasons = [...new Set(steps.map(({ step }) => step.season))].sort((a, b) => a - b);
  const season = seasons.includes(shown) ? shown : 0;
  const limbs = useMemo(
    () => (season === 0 ? view.limbs : limbsAfter(view.limbs, steps, season)),
    [view.limbs, steps, season],
  );
  const made = steps.filter(({ step }) => step.season <= season);
  const ahead = steps.filter(({ step }) => step.season > season);
  const taken = made.reduce((sum, { step }) => sum + step.crown + step.exempt, 0);
  const expected = made.flatMap(({ priced, step }) => {
    const growth = regrowthOf(priced, step.pass, taken / 1000);
    const { kerf } = priced;
    if (!growth || !kerf) return [];
    const cut = view.limbs.find(({ id }) => id === kerf.limbId);
    // What came off whole answers on the wood that it stood on
    const at =
      kerf.atCm > 0
        ? { limbId: kerf.limbId, atCm: kerf.atCm }
        : { limbId: cut?.parentId ?? kerf.limbId, atCm: cut?.jointCm ?? 0 };
    return [{ ...at, shoots: (growth.shoots[0] + growth.shoots[1]) / 2 }];
  });
  return (
    <View gap={6}>
      <Choice<string>
        label={say('plan.shownAfterSeason')}
        options={[0, ...seasons].map((value) => ({
          value: String(value),
          label: value === 0 ? say('plan.now') : say('plan.season', { season: value }),
        }))}
        value={String(season)}
        onChange={(value) => setShown(Number(value))}
      />
      <StandView
        label={say('plan.shownAfterSeason')}
        limbs={limbs}
        names={view.names}
        twelveBearingDeg={today.site.twelveBearingDeg}
        chosenId={null}
        bands={[]}
        kerfs={ahead.flatMap(({ priced }) => (priced.kerf ? [priced.kerf] : []))}
        expected={expected}
        units={today.units}
        onChoose={onChoose}
      />
      {expected.length > 0 ? <Small>{say('plan.dashedShootsAreExpected')}</Small> : null}
    </View>
  );
}

function Measure({
  words,
  before,
  after,
}: {
  words: string;
  before: number | undefined;
  after: number | undefined;
}) {
  const say = useSay();
  if (before === undefined || after === undefined) return null;
  return (
    <View flexDirection="row" alignItems="baseline" gap={8} flexWrap="wrap">
      <Figure>{`${Math.round(before * 100)}`}</Figure>
      <Small>{say('plan.to')}</Small>
      <Figure color="$chalk">{`${Math.round(after * 100)} %`}</Figure>
      <Small flexShrink={1}>{words}</Small>
    </View>
  );
}
