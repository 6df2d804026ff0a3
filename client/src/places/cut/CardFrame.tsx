// What every card of a run shares: which cut of how many, on which limb, the blade and its state at a glance, and the map of the plot.

import type { BladeState } from '@mortisect/core/blades';
import type { Blade, SiteToday, TreeView } from '@mortisect/core/present';
import type { Run, RunItem } from '@mortisect/core/run';
import { limbIn } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import type { ReactNode } from 'react';
import type { useScreenAwake } from '../../data/awake';
import { useSay } from '../../data/useSay';
import { Columns } from '../../ui/Columns';
import { Aside, Screen } from '../../ui/Screen';
import { Label, Small } from '../../ui/type';
import { TreeBeside } from '../TreeBeside';
import { useOpenLimb } from '../useOpenLimb';
import { BladeSheet } from './BladeSheet';
import { bladeWords, stateWords } from './bladeWords';
import { LeftOutRows } from './LeftOutRows';
import { RunMap } from './RunMap';
import { RunTotals } from './RunTotals';
import { UndoLast } from './UndoLast';

export interface FrameGiven {
  run: Run;
  item: RunItem;
  /** The tree at hand. */
  view: TreeView;
  today: SiteToday;
  blade: Blade | null;
  awake: ReturnType<typeof useScreenAwake>;
  /** The blades to choose from are shown. It stands above the cards: one that is drawn anew, as when a plan arrives, leaves them open. */
  choosing: boolean;
  onChoosing(choosing: boolean): void;
}

interface CardFrameProps extends FrameGiven {
  actions: ReactNode;
  children: ReactNode;
}

export function CardFrame(frame: CardFrameProps) {
  const { run, item, view, today, blade, awake, actions, children } = frame;
  const say = useSay();
  const { tree } = view;
  const openLimb = useOpenLimb(tree.id);
  const madeCount = run.madeCuts.length;
  const state = blade ? run.logs.get(blade.id)?.state : undefined;
  return (
    <Screen
      title={say('cut.cutOf', { madeCount: madeCount + 1, madeCount2: madeCount + run.left.length })}
      subtitle={`${tree.code} · ${limbIn(say, item.limbName)}`}
      aside={<Aside {...bladeWords(say, state)} />}
      width="full"
      actions={actions}
    >
      <BladeStrip {...frame} state={state} />
      <Columns
        beside={
          <View gap={16}>
            <RunMap run={run} />
            <TreeBeside
              view={view}
              today={today}
              chosenId={item.limbId}
              kerfs={[item]}
              onChoose={openLimb}
              side={item.side}
              ladder={item.ladder}
            />
          </View>
        }
      >
        {children}
        <UndoLast run={run} />
        <RunTotals run={run} today={today} awake={awake} />
        <LeftOutRows run={run} />
      </Columns>
    </Screen>
  );
}

/** The blade for this cut; a tap names another one and shows what each has done. */
function BladeStrip({
  run,
  item,
  today,
  blade,
  state,
  choosing,
  onChoosing,
}: FrameGiven & { state: BladeState | undefined }) {
  const say = useSay();
  const clean = state?.is === 'clean';
  return (
    <View
      marginHorizontal={-16}
      marginTop={-12}
      backgroundColor={clean ? '$wood' : '$paper'}
      borderBottomWidth={3}
      borderStyle="solid"
      borderColor={clean ? '$leaf' : '$ochre'}
    >
      <View
        render="button"
        aria-label={say('cut.bladeAnotherOne', {
          blade: blade?.name ?? say('shared.none'),
          state: stateWords(say, state),
        })}
        onPress={() => onChoosing(true)}
        minHeight={52}
        paddingHorizontal={16}
        paddingVertical={8}
        flexDirection="row"
        flexWrap="wrap"
        alignItems="baseline"
        columnGap={12}
        borderWidth={0}
        backgroundColor="transparent"
        cursor="pointer"
        style={{ textAlign: 'left' }}
      >
        <Label
          fontSize="$22"
          lineHeight="$22"
        >{`${clean ? '✓' : '✗'} ${blade?.name ?? say('cut.noBladeFits')}`}</Label>
        <Small>{stateWords(say, state)}</Small>
        <Label color="$chalk">{say('cut.otherBlade')}</Label>
      </View>
      <BladeSheet run={run} item={item} today={today} open={choosing} onClose={() => onChoosing(false)} />
    </View>
  );
}
