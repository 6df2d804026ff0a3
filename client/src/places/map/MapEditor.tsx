// Limbs dragged into place: bearing and length on the clock, joint and inclination on the ladder, the rest in figures.

import { thicknessReading } from '@mortisect/core/measure';
import type { SiteToday } from '@mortisect/core/present';
import type { Finding, TreeSummary } from '@mortisect/core/records';
import {
  indexLimbs,
  type Limb,
  limbNames,
  limbWithAll,
  type Measured,
  measured,
  reachedLength,
  split,
  withBundle,
  withLimb,
  without,
} from '@mortisect/core/tree';
import { joined, limbIn, tapeText } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useMemo, useState } from 'react';
import { useSay } from '../../data/useSay';
import { CrownClock } from '../../drawings/CrownClock';
import { Button } from '../../ui/Button';
import { PressRow } from '../../ui/PressRow';
import { useWide } from '../../ui/theme';
import { Label, Section, Small } from '../../ui/type';
import { bandsOf } from '../bands';
import { CopyMap } from './CopyMap';
import { LimbFigures } from './LimbFigures';
import { SideLadder } from './SideLadder';
import type { MapHistory } from './useMapHistory';

interface MapEditorProps {
  tree: TreeSummary;
  today: SiteToday;
  history: MapHistory;
  findings: Finding[];
  onStartAnew(): void;
  /** More limbs, measured from afar. */
  onWay(way: 'pictures' | 'aiming'): void;
}

export function MapEditor({ tree, today, history, findings, onStartAnew, onWay }: MapEditorProps) {
  const say = useSay();
  const wide = useWide();
  const { limbs, change } = history;
  const [chosenId, setChosenId] = useState(
    () => limbs.find((limb) => limb.kind === 'scaffold')?.id ?? limbs[0]?.id ?? '',
  );
  const chosen = limbs.find((limb) => limb.id === chosenId) ?? limbs[0];
  const twelve = today.site.twelveBearingDeg;
  const names = useMemo(() => limbNames(limbs, twelve, today.units), [limbs, twelve, today.units]);
  if (!chosen) return null;
  const set = (part: Measured, about: string) =>
    change(measured(limbs, chosen.id, part), `${about} ${chosen.id}`);
  const held = findingsOn(limbs, chosen, findings);
  const add = () => {
    const at = Math.round(chosen.lengthCm * (chosen.kind === 'trunk' ? 0.5 : 0.6));
    const next = withLimb(limbs, chosen.id, at);
    change(next.limbs);
    setChosenId(next.id);
  };
  const addMany = () => {
    const next = withBundle(limbs, chosen.id);
    change(next.limbs);
    setChosenId(next.id);
  };
  const part = () => {
    const next = split(limbs, chosen.id, chosen.lengthCm / 2);
    change(next.limbs);
    setChosenId(next.id);
  };
  const clock = (
    <View width="100%" maxWidth={wide ? 420 : 300} alignSelf="center">
      <CrownClock
        limbs={limbs}
        names={names}
        twelveBearingDeg={twelve}
        chosenId={chosen.id}
        bands={bandsOf(findings)}
        kerfs={[]}
        units={today.units}
        onChoose={setChosenId}
        onTip={(_id, bearingDeg, reachCm) => {
          set({ bearingDeg, lengthCm: reachedLength(reachCm, chosen.inclinationDeg) }, 'tip');
        }}
      />
    </View>
  );
  const ladder = (
    <SideLadder
      limbs={limbs}
      chosen={chosen}
      name={names.get(chosen.id) ?? chosen.id}
      units={today.units}
      onJoint={(jointCm) => set({ jointCm: Math.round(jointCm) }, 'joint')}
      onInclination={(inclinationDeg) => set({ inclinationDeg }, 'inclination')}
    />
  );
  const tools = (
    <View gap={8}>
      <View flexDirection="row" alignItems="baseline" gap={12}>
        <Label flex={1} fontSize="$24" lineHeight="$24" color="$chalk">
          {limbIn(say, names.get(chosen.id) ?? chosen.id)}
        </Label>
        <Label>{`${tapeText(say, chosen.lengthCm, today.units)} · ${joined(say, thicknessReading(chosen.baseMm, today.units))}`}</Label>
      </View>
      <View flexDirection="row" flexWrap="wrap" gap={8}>
        {chosen.bundle ? null : (
          <>
            <Button onPress={add}>{say('round.addALimbOnIt')}</Button>
            <Button onPress={addMany}>{say('round.addManyAlike')}</Button>
          </>
        )}
        <Button
          onPress={part}
          disabled={chosen.lengthCm < 10 || held.length > 0 || chosen.bundle !== undefined}
        >
          {say('round.split')}
        </Button>
        <Button
          disabled={held.length > 0 || chosen.parentId === null}
          onPress={() => {
            change(without(limbs, chosen.id));
            setChosenId(chosen.parentId ?? '');
          }}
        >
          {say('round.delete')}
        </Button>
        <Button disabled={!history.undo} onPress={() => history.undo?.()}>
          {say('round.undo')}
        </Button>
        <Button disabled={!history.redo} onPress={() => history.redo?.()}>
          {say('round.redo')}
        </Button>
      </View>
      {held.length > 0 ? (
        <Small>
          {say('round.anOpenFindingLiesOnItIt', { limbName: limbIn(say, held[0]?.limbName ?? '') })}
        </Small>
      ) : null}
    </View>
  );
  const figures = (
    <LimbFigures
      key={chosen.id}
      limb={chosen}
      name={limbIn(say, names.get(chosen.id) ?? '')}
      parentCm={limbs.find(({ id }) => id === chosen.parentId)?.lengthCm ?? null}
      onChange={set}
    />
  );
  const list = (
    <View gap={8}>
      <Section>{say('round.limbs')}</Section>
      <View role="list" aria-label={say('round.limbs')}>
        {limbs.map((limb) => (
          <View key={limb.id} role="listitem">
            <PressRow chosen={limb.id === chosen.id} onPress={() => setChosenId(limb.id)} padding={8}>
              <Label flex={1}>{limbIn(say, names.get(limb.id) ?? limb.id)}</Label>
              <Small>{tapeText(say, limb.lengthCm, today.units)}</Small>
            </PressRow>
          </View>
        ))}
      </View>
      <View flexDirection="row" flexWrap="wrap" gap={8}>
        <Button onPress={() => onWay('pictures')}>{say('round.moreFromPictures')}</Button>
        <Button onPress={() => onWay('aiming')}>{say('round.moreByAiming')}</Button>
        <CopyMap replaces tree={tree} disabled={findings.length > 0} onCopy={(copy) => change(copy)} />
        <Button onPress={onStartAnew} disabled={findings.length > 0}>
          {say('round.startAnew')}
        </Button>
      </View>
      {findings.length > 0 ? <Small>{say('round.aMapWithOpenFindingsOnIt')}</Small> : null}
    </View>
  );
  if (!wide) {
    return (
      <>
        {tools}
        {clock}
        {ladder}
        {figures}
        {list}
      </>
    );
  }
  return (
    <View flexDirection="row" gap={32}>
      <View flex={1} minWidth={0} maxWidth={460} gap={16}>
        {clock}
        {ladder}
      </View>
      <View flex={1} minWidth={0} maxWidth={460} gap={16}>
        {tools}
        {figures}
      </View>
      <View width={300}>{list}</View>
    </View>
  );
}

/** Open findings on this limb or on what hangs on it. */
function findingsOn(limbs: Limb[], limb: Limb, findings: Finding[]): Finding[] {
  const all = new Set(limbWithAll(indexLimbs(limbs), limb).map((part) => part.id));
  return findings.filter((finding) => all.has(finding.limbId));
}
