// A tree is deleted in two steps: it leaves every list at once, and goes for good after thirty days, unless somebody takes it back.
import type { TreeBody, TreeSummary } from '@mortisect/core/records';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { useDeletedTrees } from '../../data/queries';
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
  const saving = useSaveTree();
  const [asking, setAsking] = useState(false);
  const remove = () =>
    saving.mutate(
      { treeId, baseRevision: revision, tree: { ...tree, deleted: true } },
      { onSuccess: onDeleted, onError: () => setAsking(false) },
    );
  return (
    <View gap={8} alignItems="flex-start">
      <Failed title="Not deleted" error={saving.error} />
      <Button kind="quiet" paddingHorizontal={0} onPress={() => setAsking(true)}>
        Delete this tree
      </Button>
      <Sheet
        title={`Delete ${tree.code}?`}
        open={asking}
        onClose={() => setAsking(false)}
        closeLabel="Keep it"
        actions={
          <Button grow kind="main" disabled={saving.isPending} onPress={remove}>
            {saving.isPending ? 'Deleting …' : 'Delete the tree'}
          </Button>
        }
      >
        <Body>
          It leaves the register, the round, the plan and the files at once. For 30 days the register keeps it
          under “Deleted trees”, and you can restore it. Then it is gone for good, with its findings, its cuts
          and its photos.
        </Body>
        <Body>
          A tree that was grubbed out or has fallen is better kept: set its status to “removed”. What was
          found on it still counts for its neighbours.
        </Body>
      </Sheet>
    </View>
  );
}

export function DeletedTrees() {
  const deleted = useDeletedTrees().data;
  const takingBack = useTakeTreeBack();
  if (!deleted || deleted.trees.length === 0) return null;
  return (
    <View gap={8} maxWidth={640}>
      <Section>Deleted trees</Section>
      <Failed title="Not restored" error={takingBack.error} />
      {deleted.trees.map(({ treeId, code, plot, row, daysLeft }) => (
        <View key={treeId} flexDirection="row" gap={12} alignItems="center">
          <View flex={1} minWidth={0}>
            <Label>{code}</Label>
            <Small>{`${plot} · ${row} · goes ${forGoodWords(daysLeft)}`}</Small>
          </View>
          <Button
            aria-label={`Restore ${code}`}
            disabled={takingBack.isPending}
            onPress={() => takingBack.mutate(treeId)}
          >
            Restore
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
  const left = useDeletedTrees().data?.trees.find(({ treeId }) => treeId === id)?.daysLeft;
  const takingBack = useTakeTreeBack();
  return (
    <>
      <Failed title="Not restored" error={takingBack.error} />
      <Notice
        kind="caution"
        title="This tree is deleted"
        action={
          <View flexDirection="row">
            <Button disabled={takingBack.isPending} onPress={() => takingBack.mutate(id)}>
              Restore this tree
            </Button>
          </View>
        }
      >
        {`It is in no list${left === undefined ? '' : ` and goes ${forGoodWords(left)}`}.`}
      </Notice>
    </>
  );
}
