// The tree in hand: drawings, the limb tape, findings; its shape; what is known of it; and the marking of a new finding over all.

import type { TreeDetail } from '@mortisect/contracts';
import { openQuestion } from '@mortisect/contracts';
import { disorderOf } from '@mortisect/core/disorders';
import { View } from '@tamagui/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { type SiteToday, type TreeView, treeView } from '../../data/orchardView';
import { useClock } from '../../data/useClock';
import { useSaveFinding } from '../../data/writes';
import { Button } from '../../ui/Button';
import { useBackLayer } from '../../ui/backStack';
import { Columns } from '../../ui/Columns';
import { Notice } from '../../ui/Notice';
import { Row, Rows } from '../../ui/Row';
import { Screen } from '../../ui/Screen';
import { Tabs } from '../../ui/Tabs';
import { useWide } from '../../ui/theme';
import { Small } from '../../ui/type';
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
  findingBody,
  holdsWords,
  isNamed,
  keepDraft,
  limbNameOf,
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
import { TreePart } from './TreePart';
import { WalkActions } from './WalkActions';
import { useMarkSeen, useWalk } from './walk';

interface TreeAtWorkProps {
  detail: TreeDetail;
  today: SiteToday;
  firstLimbId: string | undefined;
  /** Somebody came here from the run, where more was found; it leads back. */
  fromRun: boolean;
  neighbours: Neighbours;
}

const PARTS = [
  { value: 'find', label: 'Find' },
  { value: 'shape', label: 'Shape' },
  { value: 'tree', label: 'Tree' },
] as const;
type Part = (typeof PARTS)[number]['value'];

export function TreeAtWork({ detail, today, firstLimbId, fromRun, neighbours }: TreeAtWorkProps) {
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
    marking && isNamed(marking)
      ? [asConsidered(marking, openQuestion(detail.actions, marking.id) !== null)]
      : [],
  );
  const [picked, setPicked] = useState(firstLimbId ?? marking?.limbId ?? view.findings[0]?.limbId ?? '');
  const limbId = marking?.limbId ?? picked;
  const limb =
    view.limbs.find((one) => one.id === limbId) ??
    view.limbs.find((one) => one.kind === 'scaffold') ??
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
    const onto = view.limbs.find((one) => one.id === id);
    if (marking && onto) setMarking(movedTo(marking, onto, today.units));
  };
  useKeys({
    f: () => !marking && begin(),
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
            title="What was done here"
            detail="Cuts, findings and visits on record"
            href={`/book?tree=${treeId}` as never}
          />
        </Rows>
      )}
    </>
  );
  const { tree } = view;
  return (
    <Screen
      title={tree.code}
      subtitle={`${speciesWords(tree)}${tree.plantedYear === null ? '' : ` · planted ${tree.plantedYear}`}`}
      width="full"
      aside={
        <View flexDirection="row" alignItems="center" gap={8}>
          <Small>
            {neighbours.place}/{neighbours.of}
          </Small>
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
        ) : (
          <WalkActions view={view} onFinding={begin} />
        )
      }
    >
      <LastMarked />
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
        {marking ? null : <Tabs label="Parts of the tree" options={PARTS} value={part} onChange={setPart} />}
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

/** A finding that was begun and left by Back: it waits here until it is set or dropped. */
function Begun({
  draft,
  view,
  onGoOn,
  onDrop,
}: {
  draft: Marking;
  view: TreeView;
  onGoOn(): void;
  onDrop(): void;
}) {
  const what = draft.disorder === null ? 'A finding' : (disorderOf(draft.disorder)?.name ?? draft.disorder);
  return (
    <Notice
      kind="caution"
      title="Begun, not set"
      action={
        <View flexDirection="row" gap={8}>
          <Button onPress={onGoOn}>Go on marking</Button>
          <Button kind="quiet" onPress={onDrop}>
            Drop it
          </Button>
        </View>
      }
    >
      {`${what} on ${view.names.get(draft.limbId) ?? 'a limb'} is kept on this device.`}
    </Notice>
  );
}

interface Undoable {
  how: 'let go' | 'taken back';
  marking: Marking;
}

/** A finding that was just let go, or taken back, can be had again. */
function Undo({
  undoable: { how, marking },
  view,
  today,
  onMark,
  onDone,
}: {
  undoable: Undoable;
  view: TreeView;
  today: SiteToday;
  onMark(marking: Marking): void;
  onDone(): void;
}) {
  const saving = useSaveFinding();
  const putBack = () => {
    if (!isNamed(marking)) return;
    const { id } = marking;
    // Taking it back made a revision of its own
    const baseRevision = view.history.find((one) => one.id === id)?.revision ?? marking.baseRevision;
    const finding = findingBody(marking, view.tree.id, limbNameOf(marking, view.names, today.units));
    saving.mutate({ id, baseRevision, finding }, { onSuccess: onDone });
  };
  const again = () => {
    onMark(marking);
    onDone();
  };
  const letGo = how === 'let go';
  return (
    <Notice
      kind="said"
      title={letGo ? 'Let go' : 'Taken back'}
      action={
        <View flexDirection="row">
          <Button onPress={letGo ? again : putBack}>{letGo ? 'Take it up again' : 'Put it back'}</Button>
        </View>
      }
    >
      {letGo ? 'What was marked is not saved.' : 'The finding is off the tree; the log keeps it.'}
    </Notice>
  );
}

/** What was marked on the tree before this one, with its undo. */
function LastMarked() {
  const last = useWalk((walk) => walk.last);
  const { undo } = useMarkSeen();
  if (!last) return null;
  return (
    <View
      role="status"
      flexDirection="row"
      alignItems="center"
      gap={12}
      borderLeftWidth={5}
      borderColor="$leaf"
      borderStyle="solid"
      paddingLeft={12}
      backgroundColor="$paper"
    >
      <Small flex={1} color="$ink">{`${last.code} ${last.words}`}</Small>
      <Button kind="quiet" onPress={undo}>
        Undo
      </Button>
    </View>
  );
}

function BackToRun() {
  const router = useRouter();
  return (
    <Notice
      kind="said"
      title="The run waits"
      action={
        <View flexDirection="row">
          <Button onPress={() => router.navigate('/cut')}>Back to the run</Button>
        </View>
      }
    >
      Mark what else you found here. The run goes on at the card where you left it.
    </Notice>
  );
}

function SetNotice({ treeId }: { treeId: string }) {
  const router = useRouter();
  return (
    <Notice
      kind="said"
      title="Set"
      action={
        <View flexDirection="row">
          <Button kind="quiet" paddingHorizontal={0} onPress={() => router.navigate(`/plan/${treeId}`)}>
            See the plan of this tree
          </Button>
        </View>
      }
    >
      It is kept on this device and goes into the Book and the plan.
    </Notice>
  );
}
