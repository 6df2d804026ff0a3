// Wood in the wrong place, found on the limb map; and how open the crown is.

import { type Fault, faultKey, geometryFaults, standingFaults } from '@mortisect/core/faults';
import type { SiteToday, TreeView } from '@mortisect/core/present';
import type { FindingBody } from '@mortisect/core/records';
import { mapGaps } from '@mortisect/core/tree';
import { limbIn } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { useClock } from '../../../data/useClock';
import { useSay } from '../../../data/useSay';
import { newId, useRecordAction, useSaveFinding } from '../../../data/writes';
import { Mark } from '../../../drawings/marks';
import { Button } from '../../../ui/Button';
import { Notice } from '../../../ui/Notice';
import { Body, Label, Section, Small } from '../../../ui/type';
import { findingOfFault } from '../marking/draft';
import { faultDetail, faultTitle } from './faultWords';
import { NoteSeveral } from './NoteSeveral';
import { Openness } from './Openness';

interface ShapePartProps {
  view: TreeView;
  today: SiteToday;
  onLimb(limbId: string): void;
}

export function ShapePart({ view, today, onLimb }: ShapePartProps) {
  const say = useSay();
  const router = useRouter();
  const { open, quiet } = useFaults(view, today);
  const [all, setAll] = useState(false);
  const note = useNote(view);
  const gaps = mapGaps(view.limbs);
  return (
    <View gap={16}>
      <MapWords
        gaps={gaps}
        limbs={view.limbs.length}
        onDraw={() => router.navigate(`/round/${view.tree.id}/map`)}
      />
      <Openness view={view} />
      <View gap={8}>
        <Section>
          {open.length === 0
            ? say('round.noWoodOutOfPlace')
            : say('round.faultsOfShape', { open: open.length })}
        </Section>
        <Small>{say('round.measuredOnTheLimbMapLimitsAre')}</Small>
        <NoteSeveral faults={open} view={view} onNote={(faults) => faults.forEach(note.note)} />
        {open.slice(0, all ? open.length : FIRST).map((fault) => (
          <FaultRow
            key={faultKey(fault)}
            fault={fault}
            view={view}
            onNote={() => note.note(fault)}
            isNoting={note.isPending}
            onLimb={onLimb}
          />
        ))}
        {open.length > FIRST && !all ? (
          <Button onPress={() => setAll(true)}>{say('round.showAll', { open: open.length })}</Button>
        ) : null}
        {quiet > 0 ? <Small>{say('round.faultsWavedOffEarlierAndNotWorse', { quiet })}</Small> : null}
      </View>
    </View>
  );
}

const FIRST = 8;

function useFaults(view: TreeView, { site }: SiteToday): { open: Fault[]; quiet: number } {
  const { limbs, tree, actions, history } = view;
  return useMemo(() => {
    const { species, form, habit, reachCm } = tree;
    const all = geometryFaults({ limbs, species, form, habit, reachCm }, site.limits);
    const waved = new Map(
      actions.flatMap(({ action, undone }) =>
        action.kind === 'wavedOff' && !undone ? [[action.faultKey, action.severity] as const] : [],
      ),
    );
    const accepted = new Set(
      history.flatMap((finding) => (finding.state === 'open' && finding.fault ? [finding.fault.key] : [])),
    );
    return standingFaults(all, accepted, waved);
  }, [limbs, tree, actions, history, site.limits]);
}

/** Makes a finding of a fault. */
function useNote(view: TreeView): { note(fault: Fault): void; isPending: boolean } {
  const say = useSay();
  const clock = useClock();
  const saving = useSaveFinding();
  return {
    isPending: saving.isPending,
    note: (fault) => {
      const limbId = fault.limbIds[0] ?? '';
      const limb = view.limbs.find((limb) => limb.id === limbId);
      if (!limb) return;
      const name = limbIn(say, view.names.get(limbId) ?? limbId);
      const finding: FindingBody = findingOfFault(fault, limb, view.tree.id, name, clock());
      saving.mutate({ id: newId(), baseRevision: null, finding });
    },
  };
}

interface FaultRowProps {
  fault: Fault;
  view: TreeView;
  onNote(): void;
  isNoting: boolean;
  onLimb(limbId: string): void;
}

function FaultRow({ fault, view, onNote, isNoting, onLimb }: FaultRowProps) {
  const say = useSay();
  const clock = useClock();
  const { record } = useRecordAction();
  const limbId = fault.limbIds[0] ?? '';
  const title = faultTitle(say, fault);
  const waveOff = () =>
    record({
      kind: 'wavedOff',
      at: clock(),
      treeId: view.tree.id,
      faultKey: faultKey(fault),
      severity: fault.severity,
    });
  return (
    <View gap={4} paddingVertical={8} borderBottomWidth={1} borderStyle="solid" borderColor="$rule">
      <View flexDirection="row" gap={12} alignItems="center">
        <Mark kind="misplaced" />
        <View flex={1} minWidth={0}>
          <Label fontSize="$19" lineHeight="$19">
            {title}
          </Label>
          <Small>{faultDetail(say, fault, view.names)}</Small>
        </View>
      </View>
      <View flexDirection="row" gap={8}>
        <Button onPress={onNote} aria-label={say('round.note', { title })} disabled={isNoting}>
          {say('round.noteIt')}
        </Button>
        <Button kind="quiet" onPress={waveOff} aria-label={say('round.ignore', { title })}>
          {say('round.ignore2')}
        </Button>
        <Button kind="quiet" onPress={() => onLimb(limbId)} aria-label={say('round.show', { title })}>
          {say('shared.show')}
        </Button>
      </View>
    </View>
  );
}

function MapWords({
  gaps,
  limbs,
  onDraw,
}: {
  gaps: ReturnType<typeof mapGaps>;
  limbs: number;
  onDraw(): void;
}) {
  const say = useSay();
  const bare = gaps.bareLimbIds.length;
  const guessed =
    gaps.undated === limbs
      ? say('round.theirAgesAreGuesses')
      : say('round.agesOfThemGuessed', { undated: gaps.undated });
  if (limbs === 1) {
    return (
      <Notice
        kind="caution"
        title={say('round.onlyTheStemIsMapped')}
        action={<Button onPress={onDraw}>{say('round.drawTheLimbMap')}</Button>}
      >
        {say('round.nothingCanBeSaidOfItsShape')}
      </Notice>
    );
  }
  return (
    <View flexDirection="row" alignItems="center" gap={12} flexWrap="wrap">
      <Body flex={1} minWidth={180}>
        {say('round.limbsMapped', {
          limbs,
          more: bare > 0 ? say('round.mainLimbsWithoutSideBranches', { bare }) : '',
          more2: gaps.undated > 0 ? guessed : '',
        })}
      </Body>
      <Button onPress={onDraw}>{say('round.limbMap')}</Button>
    </View>
  );
}
