// What stands above the tree in hand: what was begun, let go, taken back, set or marked just now, and the way back to the run.

import { disorderOf } from '@mortisect/core/disorders';
import type { SiteToday, TreeView } from '@mortisect/core/present';
import { limbIn, told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useRouter } from 'expo-router';
import { useSay } from '../../data/useSay';
import { useSaveFinding } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { Small } from '../../ui/type';
import { findingBody, isNamed, limbNameOf, type Marking } from './marking/draft';
import { useMarkSeen, useWalk } from './walk';

/** A finding that was begun and left by Back: it waits here until it is set or dropped. */
export function Begun({
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
  const say = useSay();
  const what =
    draft.disorder === null
      ? say('round.aFinding')
      : (told(say, disorderOf(draft.disorder)?.name) ?? draft.disorder);
  return (
    <Notice
      kind="caution"
      title={say('round.startedNotSaved')}
      action={
        <View flexDirection="row" gap={8}>
          <Button onPress={onGoOn}>{say('round.continueMarking')}</Button>
          <Button kind="quiet" onPress={onDrop}>
            {say('round.discardIt')}
          </Button>
        </View>
      }
    >
      {say('round.onIsKeptOnThisDevice', {
        what,
        get: limbIn(say, view.names.get(draft.limbId) ?? say('round.aLimb')),
      })}
    </Notice>
  );
}

export interface Undoable {
  how: 'let go' | 'taken back';
  marking: Marking;
}

/** A finding that was just let go, or taken back, can be had again. */
export function Undo({
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
  const say = useSay();
  const saving = useSaveFinding();
  const putBack = () => {
    if (!isNamed(marking)) return;
    const { id } = marking;
    // Taking it back made a revision of its own
    const baseRevision = view.history.find((entry) => entry.id === id)?.revision ?? marking.baseRevision;
    const finding = findingBody(marking, view.tree.id, limbNameOf(say, marking, view.names, today.units));
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
      title={letGo ? say('round.notSaved') : say('round.deleted')}
      action={
        <View flexDirection="row">
          <Button onPress={letGo ? again : putBack}>
            {letGo ? say('round.continueMarking') : say('round.restoreTheFinding')}
          </Button>
        </View>
      }
    >
      {letGo ? say('round.youLeftTheFindingWithoutSavingIt') : say('round.theFindingIsDeletedTheLogKeeps')}
    </Notice>
  );
}

/** What was marked on the tree before this one, with its undo. */
export function LastMarked() {
  const say = useSay();
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
        {say('round.undo')}
      </Button>
    </View>
  );
}

export function BackToRun() {
  const say = useSay();
  const router = useRouter();
  return (
    <Notice
      kind="said"
      title={say('round.theRunWaits')}
      action={
        <View flexDirection="row">
          <Button onPress={() => router.navigate('/cut')}>{say('shared.backToTheRun')}</Button>
        </View>
      }
    >
      {say('round.markWhatElseYouFoundHereThen')}
    </Notice>
  );
}

export function SetNotice({ treeId }: { treeId: string }) {
  const say = useSay();
  const router = useRouter();
  return (
    <Notice
      kind="said"
      title={say('shared.saved')}
      action={
        <View flexDirection="row">
          <Button kind="quiet" paddingHorizontal={0} onPress={() => router.navigate(`/plan/${treeId}`)}>
            {say('round.seeThePlanOfThisTree')}
          </Button>
        </View>
      }
    >
      {say('round.youFindItInThePlanAnd')}
    </Notice>
  );
}
