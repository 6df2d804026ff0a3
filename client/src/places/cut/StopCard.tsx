// This blade would carry disease to sound wood: the cut is stopped, with the reason and the shortest way out.

import type { CleanWhy, WayOut } from '@mortisect/core/blades';
import { View } from '@tamagui/core';
import { takeInHand } from '../../data/inHand';
import { useSay } from '../../data/useSay';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { Body, Section } from '../../ui/type';
import { stateWords, WHY_WORDS } from './bladeWords';
import { CardFrame, type FrameGiven } from './CardFrame';
import { CutAlready } from './CutAlready';
import { WetButton } from './WetButton';

export function StopCard({ why, ways, ...frame }: FrameGiven & { why: CleanWhy; ways: WayOut[] }) {
  const say = useSay();
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
            {say('shared.take', { name: nameOf(other.bladeId) })}
          </Button>
        ) : (
          <WetButton blade={blade} />
        )
      }
    >
      <Notice kind="danger" title={say('cut.stopDoNotCutWithThisBlade')}>
        {say('cut.itWouldCarryThatTo', {
          blade: blade?.name ?? say('cut.it'),
          state: stateWords(say, state),
          whyWords: say(WHY_WORDS[why]),
          tree: item.tree.code,
        })}
      </Notice>
      <Section>{say('cut.theShortestWayOut')}</Section>
      {other ? (
        <Body>{say('cut.isCleanTakeItS', { name: nameOf(other.bladeId), seconds: other.seconds })}</Body>
      ) : null}
      {ownWay ? <Body>{say('cut.cleanThisOneS', { seconds: ownWay.seconds })}</Body> : null}
      <View flexDirection="row" flexWrap="wrap" gap={12}>
        {other ? <WetButton blade={blade} quiet /> : null}
        <CutAlready view={frame.view} item={item} blade={blade} today={frame.today} />
      </View>
      <Body>{say('cut.cutsThatYouMadeGoOnRecord')}</Body>
    </CardFrame>
  );
}
