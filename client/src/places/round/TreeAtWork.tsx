// The tree in hand: drawings, the limb tape, findings; its shape; what is known of it; and the marking of a new finding over all.

import { type SiteToday, treeView } from '@mortisect/core/present';
import type { TreeDetail } from '@mortisect/core/records';
import type { Say } from '@mortisect/words';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { useClock } from '../../data/useClock';
import { useSay } from '../../data/useSay';
import { useBackLayer } from '../../ui/backStack';
import { Columns } from '../../ui/Columns';
import { Row, Rows } from '../../ui/Row';
import { Screen } from '../../ui/Screen';
import { Tabs } from '../../ui/Tabs';
import { useWide } from '../../ui/theme';
import { Small } from '../../ui/type';
import { DeletedNotice } from '../register/DeletedTrees';
import { useKeys } from '../shell/Keys';
import { switchUnits } from '../units';
import { WhySheet } from '../WhySheet';
import { speciesWords } from '../words';
import { cutOf } from './Answer';
import { FindingRows } from './FindingRows';
import { LimbAtWork } from './LimbAtWork';
import { AddLimb } from './marking/AddLimb';
import {
  asConsidered,
  holdsWords,
  isNamed,
  keepDraft,
  type Marking,
  movedTo,
  newMarking,
  newMarkingSomewhere,
  useDrafts,
} from './marking/draft';
import { MarkingActions } from './marking/MarkingActions';
import { WhereSheet } from './marking/WhereSheet';
import { NeighbourButtons, type Neighbours } from './neighbours';
import { ShapePart } from './shape/ShapePart';
import { TreeDrawings } from './TreeDrawings';
import { BackToRun, Begun, LastMarked, SetNotice, Undo, type Undoable } from './TreeNotices';
import { TreePart } from './TreePart';
import { WalkActions } from './WalkActions';

interface TreeAtWorkProps {
  detail: TreeDetail;
  today: SiteToday;
  firstLimbId: string | undefined;
  /** Somebody came here from the run, where more was found; it leads back. */
  fromRun: boolean;
  neighbours: Neighbours;
}

const partsIn = (say: Say) =>
  [
    { value: 'find', label: say('round.findings') },
    { value: 'shape', label: say('shared.shape') },
    { value: 'tree', label: say('shared.tree') },
  ] as const;
type Part = ReturnType<typeof partsIn>[number]['value'];

export function TreeAtWork({ detail, today, firstLimbId, fromRun, neighbours }: TreeAtWorkProps) {
  const say = useSay();
  const wide = useWide();
  const clock = useClock();
  const treeId = detail.tree.id;
  const draft = useDrafts((drafts) => drafts.byTree[treeId] ?? null);
  const [aside, setAside] = useState(false);
  const marking = aside ? null : draft;
  const setMarking = (next: Marking | null) => {
    setAside(false);
    keepDraft(treeId, next);
  };
  useBackLayer(marking !== null, () => setAside(true));
  const [part, setPart] = useState<Part>('find');
  const [justSet, setJustSet] = useState(false);
  const [undoable, setUndoable] = useState<Undoable | null>(null);
  const [asking, setAsking] = useState<'where' | 'limb' | null>(null);
  const [whyId, setWhyId] = useState<string | null>(null);
  const view = treeView(
    detail,
    today,
    marking && isNamed(marking) ? [asConsidered(marking, detail.actions)] : [],
  );
  const [picked, setPicked] = useState(firstLimbId ?? marking?.limbId ?? view.findings[0]?.limbId ?? '');
  const limbId = marking?.limbId ?? picked;
  const limb =
    view.limbs.find((limb) => limb.id === limbId) ??
    view.limbs.find((limb) => limb.kind === 'scaffold') ??
    view.limbs[0];

  const begin = () => {
    setJustSet(false);
    setUndoable(null);
    setPart('find');
    // What was begun goes on: a second beginning would drop it
    if (draft) setAside(false);
    else if (view.limbs.length === 1) setAsking('where');
    else if (limb) setMarking(newMarking(limb, today.units, clock()));
  };
  const shownId = marking?.id ?? view.findings.find((finding) => finding.limbId === limb?.id)?.id ?? null;
  const pick = (id: string) => {
    // A finding that is on record stays on its limb while it is changed.
    if (marking && marking.baseRevision !== null && !marking.somewhere) return;
    setPicked(id);
    const onto = view.limbs.find((limb) => limb.id === id);
    if (marking && onto) setMarking(movedTo(marking, onto, today.units));
  };
  useKeys({
    f: () => !marking && !detail.tree.deleted && begin(),
    w: () => setWhyId(shownId),
    u: () => switchUnits(today),
    '[': neighbours.toPrevious,
    ']': neighbours.toNext,
  });

  if (!limb) return null;
  const drawings = <TreeDrawings view={view} today={today} limbId={limb.id} onChoose={pick} />;
  const find = (
    <>
      {justSet && !marking ? <SetNotice treeId={treeId} /> : null}
      {wide || (marking && !marking.somewhere) ? null : drawings}
      <LimbAtWork
        view={view}
        today={today}
        limb={limb}
        shownId={shownId}
        marking={marking}
        onMark={setMarking}
        onWhy={setWhyId}
        onAddLimb={() => setAsking('limb')}
      />
      {marking ? null : (
        <FindingRows
          view={view}
          today={today}
          onOpen={(finding, editing) => {
            setPicked(finding.limbId);
            setMarking(editing);
          }}
        />
      )}
      {marking ? null : (
        <Rows>
          <Row
            title={say('round.whatWasDoneHere')}
            detail={say('round.cutsFindingsAndVisitsOnRecord')}
            href={`/book?tree=${treeId}`}
          />
        </Rows>
      )}
    </>
  );
  const { tree } = view;
  return (
    <Screen
      title={tree.code}
      subtitle={`${speciesWords(say, tree)}${tree.plantedYear === null ? '' : say('round.planted2', { plantedYear: tree.plantedYear })}`}
      width="full"
      aside={
        <View flexDirection="row" alignItems="center" gap={8}>
          {neighbours.place > 0 ? (
            <Small>
              {neighbours.place}/{neighbours.of}
            </Small>
          ) : null}
          {marking ? null : <NeighbourButtons {...neighbours} />}
        </View>
      }
      actions={
        marking ? (
          <MarkingActions
            view={view}
            marking={marking}
            onDone={(how) => {
              setPicked(marking.limbId);
              setMarking(null);
              setJustSet(how === 'set');
              setUndoable(how !== 'set' && holdsWords(marking) ? { how, marking } : null);
            }}
          />
        ) : detail.tree.deleted ? undefined : (
          <WalkActions view={view} onFinding={begin} />
        )
      }
    >
      <LastMarked />
      <DeletedNotice tree={detail.tree} />
      {fromRun && !marking ? <BackToRun /> : null}
      {draft && aside ? (
        <Begun
          draft={draft}
          view={view}
          onGoOn={begin}
          onDrop={() => {
            setMarking(null);
            if (holdsWords(draft)) setUndoable({ how: 'let go', marking: draft });
          }}
        />
      ) : null}
      {undoable && !marking ? (
        <Undo
          undoable={undoable}
          view={view}
          today={today}
          onMark={setMarking}
          onDone={() => setUndoable(null)}
        />
      ) : null}
      <Columns beside={drawings}>
        {marking ? null : (
          <Tabs label={say('round.partsOfTheTree')} options={partsIn(say)} value={part} onChange={setPart} />
        )}
        {part === 'find' || marking ? find : null}
        {part === 'shape' && !marking ? <ShapePart view={view} today={today} onLimb={pick} /> : null}
        {part === 'tree' && !marking ? <TreePart view={view} detail={detail} today={today} /> : null}
      </Columns>
      <WhereSheet
        treeId={treeId}
        open={asking === 'where'}
        onClose={() => setAsking(null)}
        onStem={() => limb && setMarking(newMarking(limb, today.units, clock()))}
        onCrown={(somewhere) =>
          limb && setMarking(newMarkingSomewhere(limb, today.units, clock(), somewhere))
        }
      />
      {marking ? (
        <AddLimb
          detail={detail}
          view={view}
          today={today}
          onLimb={limb}
          open={asking === 'limb'}
          onClose={() => setAsking(null)}
          onAdded={(added) => setMarking(movedTo(marking, added, today.units))}
        />
      ) : null}
      <WhySheet
        view={view}
        today={today}
        cut={whyId === null ? null : (cutOf(view, whyId)?.own ?? null)}
        onClose={() => setWhyId(null)}
      />
    </Screen>
  );
}
