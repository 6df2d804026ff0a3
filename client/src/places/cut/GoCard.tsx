// To the tree, and to the place under it from which the cut is made.

import { beforeStart } from '@mortisect/core/aftercare';
import { judgedAt } from '@mortisect/core/present';
import { cutAtHand } from '@mortisect/core/run';
import { told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useSecondsLeft } from '../../data/awake';
import { useClock } from '../../data/useClock';
import { useSay } from '../../data/useSay';
import { useRecordAction } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Failed } from '../../ui/Failed';
import { Notice } from '../../ui/Notice';
import { useWide } from '../../ui/theme';
import { Body, Figure, Section } from '../../ui/type';
import { TreeSeenFrom } from '../TreeBeside';
import { useOpenLimb } from '../useOpenLimb';
import { fallWords } from '../words';
import { CardFrame, type FrameGiven } from './CardFrame';

export function GoCard(frame: FrameGiven) {
  const say = useSay();
  const { run, item, view, today, blade } = frame;
  const clock = useClock();
  const recording = useRecordAction();
  const { tree } = view;
  const state = blade ? run.logs.get(blade.id)?.state : undefined;
  const left = useSecondsLeft(state?.is === 'wet' ? state.until : null, clock);
  const { ladder, side } = item;
  const wide = useWide();
  const openLimb = useOpenLimb(tree.id);
  const there = () =>
    recording.record({ kind: 'stationTaken', at: clock(), treeId: tree.id, station: item.station });
  const mark = run.marks.get(`${tree.id} ${item.limbId}`);
  return (
    <CardFrame
      {...frame}
      actions={
        <Button grow kind="main" minHeight={68} onPress={there} disabled={recording.isPending}>
          {ladder ? say('cut.theLadderStands') : say('cut.iStandThere')}
        </Button>
      }
    >
      <Failed title={say('shared.notRecordedYet')} error={recording.error} />
      <View gap={4}>
        <Figure fontSize="$44" lineHeight="$44">
          {tree.code}
        </Figure>
        <Body>{say('cut.place', { plot: tree.plot, row: tree.row, place: tree.place })}</Body>
      </View>
      <Section>
        {ladder ? say('cut.setTheLadderOnTheSide', { side }) : say('cut.standOnTheGroundSide', { side })}
      </Section>
      {ladder ? (
        <Body>
          {say('cut.feetNoHigherThan2M6', {
            find: told(say, beforeStart.find(({ id }) => id === 'ladder')?.text) ?? '',
          })}
        </Body>
      ) : null}
      {wide ? null : (
        <TreeSeenFrom
          view={view}
          today={today}
          chosenId={item.limbId}
          kerfs={[item]}
          onChoose={openLimb}
          side={side}
          ladder={ladder}
        />
      )}
      {mark ? <Body>{say('cut.theLimbIsMarkedWith', { mark: told(say, mark) })}</Body> : null}
      {left === null ? null : (
        <Body role="timer">
          {left > 0
            ? say('cut.theBladeStaysWetForSMore', { ceil: Math.ceil(left) })
            : say('cut.theContactTimeOfTheBladeIs')}
        </Body>
      )}
      <Notice kind="caution" title={say('cut.beforeYouLookUpAgain')}>
        {fallWords(say, judgedAt(view, cutAtHand(item), today).handling.fall, today)}
      </Notice>
    </CardFrame>
  );
}
