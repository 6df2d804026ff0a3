// A tree is deleted in two steps: it leaves every list at once, and goes for good after thirty days, unless somebody takes it back.

import type { TreeBody, TreeSummary } from '@mortisect/core/records';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { useDeletedTrees } from '../../data/queries';
import { useSay } from '../../data/useSay';
import { useSaveTree, useTakeTreeBack } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Failed } from '../../ui/Failed';
import { Notice } from '../../ui/Notice';
import { Sheet } from '../../ui/Sheet';
import { Body, Label, Section, Small } from '../../ui/type';
import { forGoodWords } from '../words';

interface DeleteTreeProps {
  treeId: string;
  /** As it is written down by now. */
  revision: number;
  tree: TreeBody;
  onDeleted(): void;
}

export function DeleteTree({ treeId, revision, tree, onDeleted }: DeleteTreeProps) {
  const say = useSay();
  const saving = useSaveTree();
  const [asking, setAsking] = useState(false);
  const remove = () =>
    saving.mutate(
      { treeId, baseRevision: revision, tree: { ...tree, deleted: true } },
      { onSuccess: onDeleted, onError: () => setAsking(false) },
    );
  return (
    <View gap={8} alignItems="flex-start">
      <Failed title={say('round.notDeleted')} error={saving.error} />
      <Button kind="quiet" paddingHorizontal={0} onPress={() => setAsking(true)}>
        {say('round.deleteThisTree')}
      </Button>
      <Sheet
        title={say('round.delete2', { tree: tree.code })}
        open={asking}
        onClose={() => setAsking(false)}
        closeLabel={say('round.keepIt')}
        actions={
          <Button grow kind="main" disabled={saving.isPending} onPress={remove}>
            {saving.isPending ? say('round.deleting') : say('round.deleteTheTree')}
          </Button>
        }
      >
        <Body>{say('round.itLeavesTheRegisterTheRoundThe')}</Body>
        <Body>{say('round.aTreeThatWasGrubbedOutOr')}</Body>
      </Sheet>
    </View>
  );
}

export function DeletedTrees() {
  const say = useSay();
  const deleted = useDeletedTrees().data;
  const takingBack = useTakeTreeBack();
  if (!deleted || deleted.trees.length === 0) return null;
  return (
    <View gap={8} maxWidth={640}>
      <Section>{say('round.deletedTrees')}</Section>
      <Failed title={say('round.notRestored')} error={takingBack.error} />
      {deleted.trees.map(({ treeId, code, plot, row, daysLeft }) => (
        <View key={treeId} flexDirection="row" gap={12} alignItems="center">
          <View flex={1} minWidth={0}>
            <Label>{code}</Label>
            <Small>{say('round.goes', { plot, row, forGood: forGoodWords(say, daysLeft) })}</Small>
          </View>
          <Button
            aria-label={say('round.restore', { code })}
            disabled={takingBack.isPending}
            onPress={() => takingBack.mutate(treeId)}
          >
            {say('round.restore2')}
          </Button>
        </View>
      ))}
    </View>
  );
}

/** On the page of a tree that was deleted: somebody kept its address. */
export function DeletedNotice({ tree }: { tree: TreeSummary }) {
  return tree.deleted ? <Deleted treeId={tree.id} /> : null;
}

function Deleted({ treeId: id }: { treeId: string }) {
  const say = useSay();
  const left = useDeletedTrees().data?.trees.find(({ treeId }) => treeId === id)?.daysLeft;
  const takingBack = useTakeTreeBack();
  return (
    <>
      <Failed title={say('round.notRestored')} error={takingBack.error} />
      <Notice
        kind="caution"
        title={say('round.thisTreeIsDeleted')}
        action={
          <View flexDirection="row">
            <Button disabled={takingBack.isPending} onPress={() => takingBack.mutate(id)}>
              {say('round.restoreThisTree')}
            </Button>
          </View>
        }
      >
        {say('round.itIsInNoList', {
          more: left === undefined ? '' : say('round.andGoes', { forGood: forGoodWords(say, left) }),
        })}
      </Notice>
    </>
  );
}
