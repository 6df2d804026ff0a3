// The plan of one tree: every cut with its reason, and the decisions that no cut answers.

import { type Cut, cutSentence, leadingReason } from '@mortisect/core/cuts';
import { GENERAL_CAUTION } from '@mortisect/core/handling';
import { speciesName } from '@mortisect/core/register';
import { View } from '@tamagui/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { type SiteToday, standingCuts, type TreeView, telling, treeView } from '../../data/orchardView';
import { useTree } from '../../data/queries';
import { useToday } from '../../data/useToday';
import { Button } from '../../ui/Button';
import { Columns } from '../../ui/Columns';
import { Aside, Screen } from '../../ui/Screen';
import { useWide } from '../../ui/theme';
import { Body, Label, Section, Small } from '../../ui/type';
import { Waiting } from '../../ui/Waiting';
import { SchoolTable } from '../SchoolTable';
import { Sentence } from '../Sentence';
import { useKeys } from '../shell/Keys';
import { TreeBeside } from '../TreeBeside';
import { TreeTape } from '../TreeTape';
import { switchUnits } from '../units';
import { useOpenLimb } from '../useOpenLimb';
import { WhySheet } from '../WhySheet';
import { plural } from '../words';
import { CutRows } from './CutRows';
import { Decisions } from './Decisions';
import { Uncut } from './Uncut';

export function PlanTree({ treeId }: { treeId: string }) {
  const { data, error, refetch } = useTree(treeId);
  const today = useToday();
  if (!data || !today) return <Waiting title="Plan" error={error} onRetry={refetch} />;
  return <Planned view={treeView(data, today)} today={today} />;
}

function Planned({ view, today }: { view: TreeView; today: SiteToday }) {
  const wide = useWide();
  const router = useRouter();
  const openLimb = useOpenLimb(view.tree.id);
  const cuts = standingCuts(view);
  const [at, setAt] = useState(0);
  const [why, setWhy] = useState<Cut | null>(null);
  const chosen = cuts[Math.min(at, cuts.length - 1)] ?? null;
  useKeys({ w: () => chosen && setWhy(chosen), u: () => switchUnits(today) });
  const { tree } = view;
  const left = (
    <View gap={16}>
      {cuts.length === 0 ? null : (
        <CutRows
          view={view}
          today={today}
          cuts={cuts}
          chosen={chosen}
          onChoose={(cut) => setAt(cuts.indexOf(cut))}
        />
      )}
      {chosen ? <ChosenCut view={view} today={today} cut={chosen} onWhy={() => setWhy(chosen)} /> : null}
      <Swallowed view={view} />
      <Decisions view={view} today={today} />
      <Uncut view={view} />
      {view.findings.length === 0 ? (
        <Body>Nothing is open on this tree. What you mark in Round stands here.</Body>
      ) : null}
      <Small>{GENERAL_CAUTION}</Small>
    </View>
  );
  return (
    <Screen
      title={tree.code}
      subtitle={`Plan · ${speciesName(tree.species)}, ${tree.form}`}
      width="full"
      aside={<Aside figure={plural(cuts.length, 'cut')} caption="now" />}
      actions={
        <Button grow maxWidth={wide ? 300 : undefined} onPress={() => router.navigate(`/round/${tree.id}`)}>
          Look at the tree
        </Button>
      }
    >
      <Columns
        beside={
          <TreeBeside
            view={view}
            today={today}
            chosenId={chosen?.limbId ?? null}
            kerfs={cuts}
            onChoose={openLimb}
          />
        }
      >
        {left}
      </Columns>
      <WhySheet view={view} today={today} cut={why} onClose={() => setWhy(null)} />
    </Screen>
  );
}

function ChosenCut({
  view,
  today,
  cut,
  onWhy,
}: {
  view: TreeView;
  today: SiteToday;
  cut: Cut;
  onWhy(): void;
}) {
  // The limb of the lesion, so that the whole measure is seen, through the joint where it runs on
  const shownOn = leadingReason(cut).edgeLimbId;
  return (
    <View gap={8}>
      <TreeTape
        view={view}
        today={today}
        limbId={shownOn}
        cut={cut}
        heading={<Section>{view.names.get(shownOn) ?? shownOn}</Section>}
        onWhy={onWhy}
      />
      <Sentence phrases={cutSentence(cut, telling(view, today))} />
      <View flexDirection="row">
        <Button kind="quiet" paddingHorizontal={0} onPress={onWhy}>
          Why here
        </Button>
      </View>
      {cut.lesionIds.map((lesionId) => (
        <SchoolTable key={lesionId} view={view} today={today} lesionId={lesionId} />
      ))}
    </View>
  );
}

/** Cuts that need no saw of their own, and which cut takes their wood. */
function Swallowed({ view }: { view: TreeView }) {
  const swallowed = view.cuts.cuts.filter((cut) => cut.swallowedBy !== null);
  if (swallowed.length === 0) return null;
  return (
    <View gap={4}>
      <Label>Comes off with another cut</Label>
      {swallowed.map((cut) => {
        const taker = view.cuts.cuts[cut.swallowedBy ?? -1];
        return (
          <Body key={`${cut.limbId}-${cut.atCm}-${cut.kind}`}>
            {view.names.get(cut.limbId)}: taken by the cut on {view.names.get(taker?.limbId ?? '')}.
          </Body>
        );
      })}
    </View>
  );
}
