// To the tree, and to the place under it from which the cut is made.
import { beforeStart } from '@mortisect/core/aftercare';
import { View } from '@tamagui/core';
import { useSecondsLeft } from '../../data/awake';
import { useClock } from '../../data/useClock';
import { useRecordAction } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Failed } from '../../ui/Failed';
import { Notice } from '../../ui/Notice';
import { Body, Figure, Section } from '../../ui/type';
import { fallWords } from '../words';
import { CardFrame, type FrameGiven } from './CardFrame';

export function GoCard(frame: FrameGiven) {
  const { run, item, today, blade } = frame;
  const clock = useClock();
  const recording = useRecordAction();
  const { tree } = item.view;
  const state = blade ? run.logs.get(blade.id)?.state : undefined;
  const left = useSecondsLeft(state?.is === 'wet' ? state.until : null, clock);
  const { ladder, side } = item;
  const there = () =>
    recording.record({ kind: 'stationTaken', at: clock(), treeId: tree.id, station: item.station });
  const mark = run.marks.get(`${tree.id} ${item.cut.limbId}`);
  return (
    <CardFrame
      {...frame}
      actions={
        <Button grow kind="main" minHeight={68} onPress={there} disabled={recording.isPending}>
          {ladder ? 'The ladder stands' : 'I stand there'}
        </Button>
      }
    >
      <Failed title="Not recorded yet" error={recording.error} />
      <View gap={4}>
        <Figure fontSize="$44" lineHeight="$44">
          {tree.code}
        </Figure>
        <Body>{`${tree.plot}, ${tree.row}, place ${tree.place}`}</Body>
      </View>
      <Section>{ladder ? `Set the ladder on the ${side} side` : `Stand on the ground, ${side} side`}</Section>
      {ladder ? (
        <Body>
          {beforeStart.find(({ id }) => id === 'ladder')?.text ?? ''}. Feet no higher than 2 m (6.5 ft).
        </Body>
      ) : null}
      {mark ? <Body>{`The limb is marked with ${mark}.`}</Body> : null}
      {left === null ? null : (
        <Body role="timer">
          {left > 0
            ? `The blade stays wet for ${Math.ceil(left)} s more.`
            : 'The contact time of the blade is over.'}
        </Body>
      )}
      <Notice kind="caution" title="Before you look up again">
        {fallWords(item.handling.fall, today)}
      </Notice>
    </CardFrame>
  );
}
