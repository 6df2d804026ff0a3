// What is known of the tree: is it worth the saw, what it is, where it stands, and its jobs without a saw.

import { heightReading, upperFirst } from '@mortisect/core/measure';
import { type SiteToday, type TreeView, vigourOf } from '@mortisect/core/present';
import type { TreeDetail, TreeSummary } from '@mortisect/core/records';
import { speciesName } from '@mortisect/core/register';
import { type Triage, triageTable } from '@mortisect/core/triage';
import type { PlainKey, Say } from '@mortisect/words';
import { joined, tapeText, told, triageWords } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { triageOf } from '../../data/triageOf';
import { useSay } from '../../data/useSay';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { Sheet } from '../../ui/Sheet';
import { Body, Label, Section, Small } from '../../ui/type';
import { PaceNote } from '../PaceNote';
import { CropPart } from './CropPart';
import { Jobs } from './Jobs';
import { ShadePart } from './ShadePart';
import { SkipTree } from './SkipTree';

interface TreePartProps {
  view: TreeView;
  detail: TreeDetail;
  today: SiteToday;
}

export function TreePart({ view, detail, today }: TreePartProps) {
  const say = useSay();
  const router = useRouter();
  return (
    <View gap={20}>
      <Verdict triage={triageOf(view, detail, today)} />
      <PaceNote paces={today.paces} />
      <Facts view={view} today={today} />
      <CropPart treeId={view.tree.id} actions={detail.actions} today={today} />
      <ShadePart view={view} today={today} />
      <Jobs treeId={view.tree.id} jobs={detail.jobs} today={today} />
      <View flexDirection="row" flexWrap="wrap" gap={8}>
        <Button onPress={() => router.navigate(`/round/${view.tree.id}/edit`)}>
          {say('round.editTheTree')}
        </Button>
        <Button onPress={() => router.navigate(`/round/${view.tree.id}/map`)}>{say('round.limbMap')}</Button>
        <SkipTree tree={view.tree} />
      </View>
    </View>
  );
}

const VERDICT: Record<Triage['verdict'], PlainKey> = {
  'hand over': 'round.handToALicensedArborist',
  replace: 'round.replaceIt',
  'trial year': 'round.giveItATrialYear',
  renovate: 'round.renovateIt',
  keep: 'round.keepIt',
};
const TREND: Record<Triage['trend'], PlainKey> = {
  better: 'round.betterThanASeasonAgo',
  worse: 'round.worseThanASeasonAgo',
  steady: 'round.aboutAsASeasonAgo',
  unknown: 'round.noEarlierRoundToCompareWith',
};

function Verdict({ triage }: { triage: Triage & { share: number } }) {
  const say = useSay();
  const [why, setWhy] = useState(false);
  const hours =
    triage.minutesASeason >= 90
      ? say('round.hours', { minutesASeason: Math.round(triage.minutesASeason / 30) / 2 })
      : say('round.minutes', { minutesASeason: triage.minutesASeason });
  const over = triage.seasons > 1 ? say('round.overSeasons', { seasons: triage.seasons }) : '';
  return (
    <View gap={8}>
      <Section>{say('round.worthTheSaw')}</Section>
      <Notice
        kind={triage.verdict === 'hand over' ? 'danger' : triage.verdict === 'keep' ? 'said' : 'caution'}
        title={`${say(VERDICT[triage.verdict])}${over}`}
        action={
          <View flexDirection="row">
            <Button kind="quiet" paddingHorizontal={0} onPress={() => setWhy(true)}>
              {say('shared.why')}
            </Button>
          </View>
        }
      >{`${triageWords(say, triage.because)}${triage.verdict === 'hand over' ? '' : say('round.aboutASeason', { hours })} ${say(TREND[triage.trend])}`}</Notice>
      <Sheet title={say('round.worthTheSaw')} open={why} onClose={() => setWhy(false)}>
        <Body>
          {say('round.theFirstRowThatHoldsDecidesOf', {
            rule: triage.rule,
            share: Math.round(triage.share * 100),
          })}
        </Body>
        {triageTable.map((row) => (
          <View key={row.rule} flexDirection="row" gap={12}>
            <Label flex={1} color={row.rule === triage.rule ? '$chalk' : '$soft'}>
              {row.rule}
            </Label>
            <Small>{say(VERDICT[row.verdict])}</Small>
          </View>
        ))}
        <Small>{say('round.hoursAndLimitsAreCommonPracticeNo')}</Small>
      </Sheet>
    </View>
  );
}

function Facts({ view, today }: Pick<TreePartProps, 'view' | 'today'>) {
  const { tree } = view;
  const say = useSay();
  const height = (cm: number) => joined(say, heightReading(cm, today.units));
  const facts: [string, string | null][] = [
    [say('round.status'), upperFirst(told(say, tree.status))],
    [
      say('shared.kind'),
      [told(say, speciesName(tree.species)), tree.cultivar ?? say('shared.varietyUnknown')].join(', '),
    ],
    [
      say('round.stock'),
      tree.rootstock &&
        `${tree.rootstock}${tree.graftUnionCm === null ? '' : say('round.unionAt', { tape: tapeText(say, tree.graftUnionCm, today.units) })}`,
    ],
    [
      say('round.form'),
      say('round.bearsOn2', {
        form: upperFirst(told(say, tree.form)),
        more: tree.habit === 'unknown' ? say('round.unknownWood') : told(say, tree.habit),
      }),
    ],
    [
      say('round.size'),
      say('round.highWide2', {
        height: height(tree.heightCm),
        more:
          tree.targetHeightCm === null ? '' : say('round.shouldBe', { height: height(tree.targetHeightCm) }),
        height2: height(tree.spreadCm),
        more2:
          tree.girthCm === null
            ? ''
            : say('round.round2', { tape: tapeText(say, tree.girthCm, today.units) }),
      }),
    ],
    [
      say('round.for'),
      `${tree.purposes.map((each) => told(say, each)).join(', ') || say('round.nothingSaid')}${tree.pickedBy ? say('round.pickedBy', { pickedBy: tree.pickedBy }) : ''}${tree.reachCm === null ? '' : say('round.whoReach', { height: height(tree.reachCm) })}`,
    ],
    [say('round.growth'), growthWords(say, view, today)],
    [say('round.dangers'), dangerWords(say, tree)],
    [say('round.neighbours'), tree.neighbours.map(({ code, how }) => `${code} ${how}`).join(', ') || null],
    [
      say('round.roundIt'),
      [
        ...tree.fixtures,
        ...(tree.frostPocket ? [say('round.frostPocket')] : []),
        ...(tree.drainage === 'unknown'
          ? []
          : [say('round.drainage2', { drainage: told(say, tree.drainage) })]),
      ].join(', ') || null,
    ],
    [
      say('round.stands'),
      say('round.place2', {
        plot: tree.plot,
        row: tree.row,
        place: tree.place,
        more: tree.latitude === null ? '' : ` (${tree.latitude}°, ${tree.longitude}°)`,
      }),
    ],
  ];
  return (
    <View gap={4}>
      <Section>{say('round.theTree')}</Section>
      {tree.note ? <Body>{tree.note}</Body> : null}
      {facts.map(([what, words]) =>
        words ? (
          <View key={what} flexDirection="row" gap={12}>
            <Small width={92}>{what}</Small>
            <Body flex={1}>{words}</Body>
          </View>
        ) : null,
      )}
    </View>
  );
}

/** As somebody said it, and as its shoots say it. */
function growthWords(say: Say, { tree, limbs }: TreeView, { units }: SiteToday): string | null {
  const { shoots } = vigourOf(tree, limbs);
  const said = tree.vigour === 'unknown' ? null : told(say, tree.vigour);
  if (!shoots) return said;
  const { vigour, medianCm, readings } = shoots;
  const measured = say('round.byItsShoots', {
    vigour: told(say, vigour),
    tape: tapeText(say, medianCm, units),
    readings,
  });
  return said === null ? measured : `${said}. ${measured}`;
}

function dangerWords(say: Say, { hazards, leanDeg, slopeDeg }: TreeSummary): string | null {
  const words = hazards.map((hazard) => {
    const deg = hazard === 'lean' ? leanDeg : hazard === 'slope' ? slopeDeg : null;
    return deg === null ? told(say, hazard) : `${told(say, hazard)} ${deg}°`;
  });
  if (slopeDeg !== null && !hazards.includes('slope')) words.push(`${told(say, 'slope')} ${slopeDeg}°`);
  return words.join(', ') || null;
}
