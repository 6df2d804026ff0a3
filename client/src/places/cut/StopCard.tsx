// This blade would carry disease to sound wood: the cut is stopped, with the reason and the shortest way out.
import type { CleanWhy, WayOut } from '@mortisect/core/blades';
import { View } from '@tamagui/core';
import { takeInHand } from '../../data/inHand';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { Body, Section } from '../../ui/type';
import { stateWords, WHY_WORDS } from './bladeWords';
import { CardFrame, type FrameGiven } from './CardFrame';
import { CutAlready } from './CutAlready';
import { WetButton } from './WetButton';

export function StopCard({ why, ways, ...frame }: FrameGiven & { why: CleanWhy; ways: WayOut[] }) {
  const { run, item, blade } = frame;
  const nameOf = (id: string) => run.blades.find((blade) => blade.id === id)?.name ?? id;
  const other = ways.find((way) => way.how === 'take' && way.bladeId !== blade?.id);
  const ownWay = ways.find((way) => way.bladeId === blade?.id);
  const state = blade ? run.logs.get(blade.id)?.state : undefined;
  return (
    <CardFrame
      {...frame}
      actions={
        other ? (
          <Button grow kind="main" minHeight={68} onPress={() => takeInHand(other.bladeId, item.id)}>
            {`Take ${nameOf(other.bladeId)}`}
          </Button>
        ) : (
          <WetButton blade={blade} />
        )
      }
    >
      <Notice kind="danger" title="Stop. Do not cut with this blade">
        {`${blade?.name ?? 'It'} ${stateWords(state)}. ${WHY_WORDS[why]} It would carry that to ${item.view.tree.code}.`}
      </Notice>
      <Section>The shortest way out</Section>
      {other ? <Body>{`${nameOf(other.bladeId)} is clean: take it, ${other.seconds} s.`}</Body> : null}
      {ownWay ? <Body>{`Clean this one: ${ownWay.seconds} s.`}</Body> : null}
      <View flexDirection="row" flexWrap="wrap" gap={12}>
        {other ? <WetButton blade={blade} quiet /> : null}
        <CutAlready item={item} blade={blade} today={frame.today} />
      </View>
      <Body>Cuts that you made go on record as you made them. They will be checked earlier.</Body>
    </CardFrame>
  );
}
