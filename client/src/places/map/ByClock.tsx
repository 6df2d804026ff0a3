// A frame by clock: each main limb is one tap for its hour and its reach, its thickness one more; thickets are counted.

import { clockHour } from '@mortisect/core/measure';
import type { TreeSummary } from '@mortisect/core/records';
import {
  type ClockLimb,
  framedMap,
  type Limb,
  LONGEST_CM,
  THICKEST_MM,
  thickAs,
  widestGap,
} from '@mortisect/core/tree';
import { tapeText } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { useSay } from '../../data/useSay';
import { useToday } from '../../data/useToday';
import { newId } from '../../data/writes';
import { FrameClock } from '../../drawings/FrameClock';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { FieldRow } from '../../ui/FieldRow';
import { Halves } from '../../ui/Halves';
import { LengthField } from '../../ui/LengthField';
import { PressRow } from '../../ui/PressRow';
import { Select } from '../../ui/Select';
import { useWide } from '../../ui/theme';
import { Body, Label, Section, Small } from '../../ui/type';
import { hourBearing, hoursIn, tappedBearing } from './hours';
import { type ClockDraft, keepMapDraft, useMapDrafts } from './mapDraft';
import { starterTreeOf } from './starterTree';

const NO_CLOCK: ClockDraft = { limbs: [], shootsEach: 0 };
const SHOOTS = [0, 5, 10, 20] as const;
const THICK = ['forearm', 'wrist', 'thumb', 'finger'] as const;
const THICK_WORDS = {
  forearm: 'round.thickForearm',
  wrist: 'round.thickWrist',
  thumb: 'round.thickThumb',
  finger: 'round.thickFinger',
} as const;
const MOST_LIMBS = 24;

/** The map that was tapped so far. @param year the year it is */
export function clockMap(tree: TreeSummary, { limbs, shootsEach }: ClockDraft, year: number): Limb[] {
  return framedMap(starterTreeOf(tree, year), limbs, shootsEach);
}

export function useClockDraft(treeId: string): { draft: ClockDraft; keep(draft: ClockDraft): void } {
  const draft = useMapDrafts(({ clocks }) => clocks[treeId]) ?? NO_CLOCK;
  return { draft, keep: (next) => keepMapDraft('clocks', treeId, next) };
}

export function ByClock({ tree }: { tree: TreeSummary }) {
  const say = useSay();
  const wide = useWide();
  const today = useToday();
  const { draft, keep: onKeep } = useClockDraft(tree.id);
  const [chosenId, setChosenId] = useState<string | null>(null);
  if (!today) return null;
  const { units } = today;
  const twelve = today.site.twelveBearingDeg;
  const { limbs, shootsEach } = draft;
  const rimCm = Math.max(60, tree.spreadCm / 2) * 1.15;
  const add = (bearingDeg: number, reachCm: number) => {
    if (limbs.length >= MOST_LIMBS) return;
    const baseMm = limbs.at(-1)?.baseMm ?? thickAs.wrist;
    const id = newId();
    onKeep({
      ...draft,
      limbs: [...limbs, { id, bearingDeg: tappedBearing(bearingDeg, twelve), reachCm, baseMm }],
    });
    setChosenId(id);
  };
  const set = (id: string, change: Partial<ClockLimb>) =>
    onKeep({ ...draft, limbs: limbs.map((limb) => (limb.id === id ? { ...limb, ...change } : limb)) });
  const clock = (
    <View width="100%" maxWidth={wide ? 480 : 340} alignSelf="center">
      <FrameClock
        label={say('round.clockTapped', { limbs: limbs.length })}
        {...{ limbs, twelveBearingDeg: twelve, rimCm, chosenId, units }}
        onAdd={add}
        onChoose={setChosenId}
      />
    </View>
  );
  const rows = (
    <View gap={12}>
      <Section>{say('round.mainLimbs')}</Section>
      {limbs.length === 0 ? <Small>{say('round.surveyNoLimbYet')}</Small> : null}
      <View role="list" aria-label={say('round.mainLimbs')}>
        {limbs.map((limb, i) => (
          <View key={limb.id} role="listitem">
            <PressRow
              chosen={limb.id === chosenId}
              onPress={() => setChosenId(limb.id === chosenId ? null : limb.id)}
              padding={8}
            >
              <Label width={28}>{String(i + 1)}</Label>
              <Label flex={1}>
                {say('round.clockLimb', {
                  hour: clockHour(limb.bearingDeg, twelve),
                  reach: tapeText(say, limb.reachCm, units),
                })}
              </Label>
              <Small>{tapeText(say, limb.baseMm / 10, units)}</Small>
            </PressRow>
            {limb.id === chosenId ? (
              <View gap={8} paddingHorizontal={8} paddingBottom={12}>
                <ThickChoice baseMm={limb.baseMm} onChange={(baseMm) => set(limb.id, { baseMm })} />
                <FieldRow>
                  <Select
                    label={say('round.surveyHour')}
                    value={String(clockHour(limb.bearingDeg, twelve))}
                    options={hoursIn(say)}
                    onChange={(hour) => set(limb.id, { bearingDeg: hourBearing(Number(hour), twelve) })}
                  />
                  <LengthField
                    grow
                    label={say('round.clockReach')}
                    cm={limb.reachCm}
                    leastCm={5}
                    mostCm={LONGEST_CM}
                    onChange={(reachCm) => set(limb.id, { reachCm })}
                  />
                  <LengthField
                    grow
                    label={say('round.thickAtBase')}
                    cm={limb.baseMm / 10}
                    leastCm={0.2}
                    mostCm={THICKEST_MM / 10}
                    onChange={(cm) => set(limb.id, { baseMm: Math.round(cm * 10) })}
                  />
                </FieldRow>
                <Button
                  kind="quiet"
                  alignSelf="flex-start"
                  onPress={() => {
                    onKeep({ ...draft, limbs: limbs.filter(({ id }) => id !== limb.id) });
                    setChosenId(null);
                  }}
                >
                  {say('shared.remove')}
                </Button>
              </View>
            ) : null}
          </View>
        ))}
      </View>
      <Button
        alignSelf="flex-start"
        disabled={limbs.length >= MOST_LIMBS}
        onPress={() => add(widestGap(limbs.map(({ bearingDeg }) => bearingDeg)), Math.round(rimCm / 2))}
      >
        {say('round.clockAdd')}
      </Button>
      {tree.form === 'multi-stem' ? null : (
        <>
          <Label>{say('round.clockShoots')}</Label>
          <Choice
            label={say('round.clockShoots')}
            value={String(shootsEach)}
            options={SHOOTS.map((about) => ({
              value: String(about),
              label: about === 0 ? say('round.clockNoShoots') : say('round.clockAbout', { about }),
            }))}
            onChange={(about) => onKeep({ ...draft, shootsEach: Number(about) })}
          />
        </>
      )}
    </View>
  );
  return (
    <View gap={16}>
      <Body>{say('round.clockHow')}</Body>
      <Halves first={clock} second={rows} />
    </View>
  );
}

function ThickChoice({ baseMm, onChange }: { baseMm: number; onChange(mm: number): void }) {
  const say = useSay();
  return (
    <Choice
      label={say('round.clockThick')}
      layout="wrap"
      value={THICK.find((as) => thickAs[as] === baseMm) ?? null}
      options={THICK.map((value) => ({ value, label: say(THICK_WORDS[value]) }))}
      onChange={(as) => onChange(thickAs[as])}
    />
  );
}
