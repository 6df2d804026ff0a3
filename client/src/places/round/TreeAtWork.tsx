// The tree in hand: drawings, the limb tape, findings; and the marking of a new finding over them.
import type { TreeDetail } from '@mortisect/contracts';
import { View } from '@tamagui/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { type SiteToday, treeView } from '../../data/orchardView';
import { useClock } from '../../data/useClock';
import { Button } from '../../ui/Button';
import { Columns } from '../../ui/Columns';
import { Notice } from '../../ui/Notice';
import { Screen } from '../../ui/Screen';
import { useWide } from '../../ui/theme';
import { Small } from '../../ui/type';
import { useKeys } from '../shell/Keys';
import { switchUnits } from '../units';
import { WhySheet } from '../WhySheet';
import { cutOf } from './Answer';
import { isNamed, type Marking, movedTo, newMarking } from './draft';
import { FindingRows } from './FindingRows';
import { LimbAtWork } from './LimbAtWork';
import { MarkingActions } from './MarkingActions';
import { NeighbourButtons, type Neighbours } from './neighbours';
import { speciesWords } from './RoundList';
import { TreeDrawings } from './TreeDrawings';

interface TreeAtWorkProps {
  detail: TreeDetail;
  today: SiteToday;
  firstLimbId: string | undefined;
  neighbours: Neighbours;
}

export function TreeAtWork({ detail, today, firstLimbId, neighbours }: TreeAtWorkProps) {
  const wide = useWide();
  const clock = useClock();
  const [marking, setMarking] = useState<Marking | null>(null);
  const [justSet, setJustSet] = useState(false);
  const [whyId, setWhyId] = useState<string | null>(null);
  const view = treeView(detail, today, marking && isNamed(marking) ? [marking] : []);
  const [picked, setPicked] = useState(firstLimbId ?? view.findings[0]?.limbId ?? '');
  const limb =
    view.limbs.find((one) => one.id === picked) ??
    view.limbs.find((one) => one.kind === 'scaffold') ??
    view.limbs[0];

  const begin = () => {
    setJustSet(false);
    if (limb) setMarking(newMarking(limb, today.units, clock()));
  };
  const shownId = marking?.id ?? view.findings.find((finding) => finding.limbId === limb?.id)?.id ?? null;
  const pick = (limbId: string) => {
    // A finding that is on record stays on its limb while it is changed.
    if (marking && marking.baseRevision !== null) return;
    setPicked(limbId);
    const onto = view.limbs.find((one) => one.id === limbId);
    if (marking && onto) setMarking(movedTo(marking, onto, today.units));
  };
  useKeys({
    f: () => !marking && begin(),
    w: () => setWhyId(shownId),
    u: () => switchUnits(today),
    // Leaving the tree would drop what is being marked
    ...(marking ? {} : { '[': neighbours.toPrevious, ']': neighbours.toNext }),
  });

  if (!limb) return null;
  const drawings = <TreeDrawings view={view} today={today} limbId={limb.id} onChoose={pick} />;
  const limbAtWork = (
    <LimbAtWork
      view={view}
      today={today}
      limb={limb}
      shownId={shownId}
      marking={marking}
      onMark={setMarking}
      onWhy={setWhyId}
    />
  );
  const rows = marking ? null : (
    <FindingRows
      view={view}
      today={today}
      onOpen={(finding, editing) => {
        setPicked(finding.limbId);
        setMarking(editing);
      }}
    />
  );
  const { tree } = view;
  const said = justSet && !marking ? <SetNotice treeId={tree.id} /> : null;
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
          {wide && !marking ? <NeighbourButtons {...neighbours} /> : null}
        </View>
      }
      actions={
        marking ? (
          <MarkingActions
            view={view}
            marking={marking}
            onMark={setMarking}
            onDone={(set) => {
              setMarking(null);
              setJustSet(set);
            }}
          />
        ) : (
          <>
            {wide ? null : <NeighbourButtons {...neighbours} />}
            <Button grow kind="main" onPress={begin} maxWidth={wide ? 360 : undefined}>
              New finding
            </Button>
          </>
        )
      }
    >
      <Columns beside={drawings}>
        {said}
        {wide || marking ? null : drawings}
        {limbAtWork}
        {rows}
      </Columns>
      <WhySheet
        view={view}
        today={today}
        cut={whyId === null ? null : (cutOf(view, whyId)?.own ?? null)}
        onClose={() => setWhyId(null)}
      />
    </Screen>
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
      It is in the Book and stands in the plan.
    </Notice>
  );
}
