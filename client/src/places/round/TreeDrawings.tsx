// The tree from above and from the side, and the equal list of its limbs.

import { thicknessReading } from '@mortisect/core/measure';
import { type SiteToday, standingCuts, type TreeView } from '@mortisect/core/present';
import { joined, limbIn, tapeText } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useSay } from '../../data/useSay';
import { Button } from '../../ui/Button';
import { Sheet } from '../../ui/Sheet';
import { useWide } from '../../ui/theme';
import { Label, Section, Small } from '../../ui/type';
import { TreeBeside, TreeClock, TreeSeenFrom } from '../TreeBeside';
import { LimbList } from './LimbList';

interface TreeDrawingsProps {
  view: TreeView;
  today: SiteToday;
  limbId: string;
  onChoose(limbId: string): void;
}

export function TreeDrawings(props: TreeDrawingsProps) {
  return useWide() ? <Beside {...props} /> : <Above {...props} />;
}

/** In rem: with large text the facts go below the clock instead of breaking letter by letter. */
const AS_WIDE_AS_ITS_WORDS = { style: { flexBasis: '8.6rem', flexGrow: 1 } } as const;

/** Phone: the clock, and beside it the chosen limb. */
function Above(props: TreeDrawingsProps) {
  const say = useSay();
  const [listed, setListed] = useState(false);
  const [seen, setSeen] = useState(false);
  return (
    <View flexDirection="row" flexWrap="wrap" gap={12} alignItems="center">
      <View flexBasis={196} flexGrow={1} flexShrink={0} maxWidth={260}>
        <TreeClock {...props} chosenId={props.limbId} kerfs={standingCuts(props.view)} />
      </View>
      <View {...AS_WIDE_AS_ITS_WORDS} gap={4}>
        <LimbFacts {...props} />
        <FirstMap view={props.view} />
        <Button
          kind="quiet"
          justifyContent="flex-start"
          paddingHorizontal={0}
          onPress={() => setListed(true)}
        >
          {say('round.allLimbs')}
        </Button>
        <Button kind="quiet" justifyContent="flex-start" paddingHorizontal={0} onPress={() => setSeen(true)}>
          {say('round.asYouSeeIt')}
        </Button>
      </View>
      <Sheet title={say('round.asYouSeeIt')} open={seen} onClose={() => setSeen(false)}>
        <TreeSeenFrom {...props} chosenId={props.limbId} kerfs={standingCuts(props.view)} />
      </Sheet>
      <Sheet title={say('round.limbs')} open={listed} onClose={() => setListed(false)}>
        <LimbList
          {...props}
          onChoose={(id) => {
            props.onChoose(id);
            setListed(false);
          }}
        />
      </Sheet>
    </View>
  );
}

/** Of a tree whose stem alone is known: its one next step. */
function FirstMap({ view }: Pick<TreeDrawingsProps, 'view'>) {
  const say = useSay();
  const router = useRouter();
  if (view.limbs.length > 1) return null;
  return (
    <View flexDirection="row">
      <Button onPress={() => router.navigate(`/round/${view.tree.id}/map`)}>
        {say('round.drawItsLimbs')}
      </Button>
    </View>
  );
}

/** Wide: clock, reach ladder and list stand beside the tape. */
function Beside(props: TreeDrawingsProps) {
  const say = useSay();
  return (
    <View gap={16}>
      <TreeBeside {...props} chosenId={props.limbId} kerfs={standingCuts(props.view)} />
      <FirstMap view={props.view} />
      <View gap={8}>
        <Section>{say('round.limbs')}</Section>
        <LimbList {...props} />
      </View>
    </View>
  );
}

function LimbFacts({ view, today, limbId }: TreeDrawingsProps) {
  const say = useSay();
  const limb = view.limbs.find((limb) => limb.id === limbId);
  if (!limb) return null;
  const facts: [string, string][] = [
    [say('round.lengthOfLimb'), tapeText(say, limb.lengthCm, today.units)],
    [say('round.atBase'), joined(say, thicknessReading(limb.baseMm, today.units))],
    [
      limb.parentId === null ? say('round.startsAt') : say('round.joinsAt2'),
      limb.parentId === null ? say('round.theGround') : tapeText(say, limb.jointCm, today.units),
    ],
  ];
  return (
    <View gap={4}>
      <Label fontSize="$22" lineHeight="$22" color="$chalk">
        {limbIn(say, view.names.get(limbId) ?? limbId)}
      </Label>
      {facts.map(([what, figure]) => (
        <View key={what} flexDirection="row" justifyContent="space-between" gap={8}>
          <Small>{what}</Small>
          <Label>{figure}</Label>
        </View>
      ))}
    </View>
  );
}
