// After a big cut: a look from the ground, a photo from the same spot, a real throw beside the gap test.

import { LIFT_KG } from '@mortisect/core/handling';
import type { ActionOf, TreeDetail } from '@mortisect/core/records';
import type { AfterCut } from '@mortisect/core/run';
import { limbIn } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { useTree } from '../../data/queries';
import { useClock } from '../../data/useClock';
import { useOpenness } from '../../data/useOpenness';
import { useSay } from '../../data/useSay';
import { viewOf } from '../../data/views';
import { useRecordAction } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Columns } from '../../ui/Columns';
import { Failed } from '../../ui/Failed';
import { Field } from '../../ui/Field';
import { Notice } from '../../ui/Notice';
import { NumberField } from '../../ui/NumberField';
import { Screen } from '../../ui/Screen';
import { Body, Section, Small } from '../../ui/type';
import { PhotoImage } from '../PhotoImage';
import { TakePhoto } from '../TakePhoto';
import { percent } from '../words';
import { CarryAway } from './CarryAway';
import { RunMap } from './RunMap';
import { UndoLast } from './UndoLast';
import type { RunHere } from './useRun';

const MOST_THROWS = 50;

export function StandBackCard({ here, card }: { here: RunHere; card: AfterCut }) {
  const say = useSay();
  const { cut, cutId } = card;
  const clock = useClock();
  const recording = useRecordAction();
  const detail = useTree(cut.treeId).data;
  const lastPhoto = detail?.actions.findLast(
    ({ action, undone }) => !undone && action.kind === 'stoodBack' && action.photoId !== null,
  )?.action;
  const [photoId, setPhotoId] = useState<string | null>(null);
  const [throws, setThrows] = useState(10);
  const [passed, setPassed] = useState<number | null>(null);
  const [note, setNote] = useState('');
  const seen = () => {
    const at = clock();
    const { treeId } = cut;
    if (passed !== null) recording.record({ kind: 'hatThrown', at, treeId, throws, passed });
    recording.record({ kind: 'stoodBack', at, treeId, cutId, photoId, note: note.trim() });
  };
  return (
    <Screen
      title={say('cut.stepBack')}
      subtitle={say('cut.after', { tree: detail?.tree.code ?? '', limbName: limbIn(say, cut.cut.limbName) })}
      width="full"
      actions={
        <Button
          grow
          kind="main"
          minHeight={68}
          onPress={seen}
          disabled={recording.isPending || (passed ?? 0) > throws}
        >
          {say('cut.seenFromTheGround')}
        </Button>
      }
    >
      <Columns beside={<RunMap run={here.run} />}>
        <Failed title={say('shared.notRecordedYet')} error={recording.error} />
        <Body fontSize="$18" lineHeight="$18">
          {say('cut.aBigLimbIsGoneAndThe')}
        </Body>
        {lastPhoto?.kind === 'stoodBack' && lastPhoto.photoId ? (
          <PhotoImage id={lastPhoto.photoId} alt={say('cut.fromLastTime')} />
        ) : null}
        <TakePhoto label={say('cut.photoFromTheSameSpot')} photoId={photoId} onTaken={setPhotoId} />
        <Section>{say('cut.throwAHatThroughIt')}</Section>
        <View flexDirection="row" gap={12}>
          <NumberField
            grow
            label={say('cut.thrown')}
            unit=""
            value={throws}
            least={1}
            most={MOST_THROWS}
            onChange={setThrows}
          />
          <NumberField
            grow
            label={say('shared.cameThrough')}
            unit=""
            value={passed ?? 0}
            least={0}
            most={throws}
            onChange={setPassed}
          />
        </View>
        {detail ? <Expected detail={detail} here={here} throws={throws} passed={passed} /> : null}
        <Small>{say('cut.leftUntouchedNoThrowGoesOnRecord')}</Small>
        <Field
          label={say('cut.whatYouSaw')}
          value={note}
          onChangeText={(text) => setNote(text.slice(0, 300))}
        />
        <CarryAway cut={cut} here={here} />
        {isHeavy(cut) ? <Notice kind="caution">{say('cut.liftWithTwoOrCutItShorter')}</Notice> : null}
        <UndoLast run={here.run} />
      </Columns>
    </Screen>
  );
}

/** The gap test of the tree as it stands now, beside the real throw. */
function Expected({
  detail,
  here,
  throws,
  passed,
}: {
  detail: TreeDetail;
  here: RunHere;
  throws: number;
  passed: number | null;
}) {
  const say = useSay();
  const limbs = viewOf(detail, here.today).limbs;
  const { data } = useOpenness(detail, limbs);
  if (!data) return <Small role="status">{say('cut.throwingHatsThroughTheMap')}</Small>;
  const [low, high] = data.gap.interval;
  const words = say('cut.inTheMapOfTheHatsCome', { percent: percent(data.gap.share) });
  if (passed === null) return <Body>{words}</Body>;
  const share = passed / throws;
  const spread = 1.96 * Math.sqrt((data.gap.share * (1 - data.gap.share)) / throws);
  const agrees = share >= low - spread && share <= high + spread;
  return (
    <Body>
      {say('cut.you', {
        words,
        percent: percent(share),
        more: agrees
          ? say('cut.thatFitsTheMap')
          : share < data.gap.share
            ? say('cut.theTreeIsDenserThanItsMap')
            : say('cut.theTreeIsMoreOpenThanIts'),
      })}
    </Body>
  );
}

function isHeavy({ cut }: ActionOf<'cutMade'>): boolean {
  return (cut.massKg ?? 0) > LIFT_KG;
}
