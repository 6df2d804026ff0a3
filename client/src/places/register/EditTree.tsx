// A tree that is written down is changed on its revision; one that changed meanwhile shows both versions.

import { tapeReading, tapeText } from '@mortisect/core/measure';
import { type TreeBody, treeBodyOf } from '@mortisect/core/records';
import { View } from '@tamagui/core';
import { useRouter } from 'expo-router';
import { useRef, useState } from 'react';
import { useSite, useTree, useTrees } from '../../data/queries';
import { useUnits } from '../../data/useToday';
import { newId, useSaveTree } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Failed } from '../../ui/Failed';
import { useLeaveGuard } from '../../ui/leaveGuard';
import { Notice } from '../../ui/Notice';
import { goToFirstFault } from '../../ui/SaveButton';
import { Screen } from '../../ui/Screen';
import { Sheet } from '../../ui/Sheet';
import { Body } from '../../ui/type';
import { useBack } from '../../ui/useBack';
import { useBase } from '../../ui/useBase';
import { Waiting } from '../../ui/Waiting';
import { Conflict, movedProblem } from '../Conflict';
import { DeleteTree } from './DeletedTrees';
import { fieldWords } from './fieldWords';
import { TreeFields } from './TreeFields';
import { doubtsOf, emptyForm, formOfTree, type SizeDoubt, type TreeForm, treeOfForm } from './treeForm';

export function EditTree({ treeId }: { treeId: string }) {
  const { data, error, refetch } = useTree(treeId);
  if (!data) return <Waiting title="Tree" error={error} onRetry={refetch} />;
  return (
    <TreeEditor
      title={data.tree.code}
      treeId={treeId}
      newest={{ revision: data.tree.revision, tree: treeBodyOf(data.tree) }}
    />
  );
}

export function NewTree() {
  const [treeId] = useState(newId);
  return <TreeEditor title="New tree" treeId={treeId} newest={{ revision: null, tree: null }} />;
}

interface TreeEditorProps {
  title: string;
  treeId: string;
  /** As it is written down by now; null where it is written down for the first time. */
  newest: { revision: number | null; tree: TreeBody | null };
}

function TreeEditor({ title, treeId, newest }: TreeEditorProps) {
  const router = useRouter();
  const units = useUnits();
  const trees = useTrees().data?.trees ?? [];
  const cultivars = useSite().data?.site.cultivars ?? [];
  const saving = useSaveTree();
  const [edited, setForm] = useState<TreeForm | null>(null);
  const { revision, tree: before } = useBase(newest, edited !== null);
  const form = edited ?? (before ? formOfTree(before, units) : emptyForm());
  const [faults, setFaults] = useState<Record<string, string>>({});
  const [doubts, setDoubts] = useState<SizeDoubt[]>([]);
  const leaving = useLeaveGuard(edited !== null, revision === null ? 'The new tree' : 'The tree');
  const page = useRef<HTMLDivElement>(null);
  const back = useBack(revision === null ? '/round/register' : `/round/${treeId}`);
  const save = (baseRevision: number | null, filled = form, sure = false) => {
    const read = treeOfForm(filled, units, before);
    if ('faults' in read) {
      setFaults(read.faults);
      return goToFirstFault(page.current);
    }
    setFaults({});
    const doubtful = sure ? [] : doubtsOf(filled, units, before);
    if (doubtful.length > 0) return setDoubts(doubtful);
    saving.mutate(
      { treeId, baseRevision, tree: read.tree },
      {
        onSuccess: () =>
          leaving.leave(() =>
            router.replace(revision === null ? `/round/${treeId}/map` : `/round/${treeId}`),
          ),
      },
    );
  };
  const take = (doubt: SizeDoubt) => {
    if (!doubt.instead) return;
    setForm({ ...form, [doubt.key]: tapeReading(doubt.instead.cm, units).value });
    setDoubts(doubts.filter((kept) => kept !== doubt));
  };
  const failed = saving.error && !movedProblem(saving.error) ? saving.error : null;
  const wrong = Object.keys(faults).length;
  return (
    <Screen
      title={title}
      subtitle={revision === null ? 'Write it down; its limb map comes next' : 'Edit the tree'}
      actions={
        <>
          <Button onPress={() => leaving.ask(back)}>Cancel</Button>
          <Button grow kind="main" onPress={() => save(revision)} disabled={saving.isPending}>
            {saving.isPending ? 'Saving …' : revision === null ? 'Save and draw limbs' : 'Save the tree'}
          </Button>
        </>
      }
    >
      <Failed title="Not saved yet" error={failed} />
      {wrong > 0 ? (
        <Notice
          kind="caution"
          title="Not saved yet"
        >{`${wrong === 1 ? 'One field is' : `${wrong} fields are`} not usable yet: fix the marked fields.`}</Notice>
      ) : null}
      <div ref={page}>
        <TreeFields form={form} faults={faults} trees={trees} cultivars={cultivars} onChange={setForm} />
      </div>
      {revision === null || before === null || before.deleted ? null : (
        <DeleteTree
          treeId={treeId}
          revision={revision}
          tree={before}
          onDeleted={() => leaving.leave(() => router.replace('/round/register'))}
        />
      )}
      {leaving.question}
      <Sheet
        title="Is that right?"
        open={doubts.length > 0}
        onClose={() => setDoubts([])}
        closeLabel="Look again"
        actions={
          <Button
            grow
            kind={doubts.some((doubt) => doubt.instead) ? 'plain' : 'main'}
            onPress={() => {
              setDoubts([]);
              save(revision, form, true);
            }}
          >
            It is so, save
          </Button>
        }
      >
        {doubts.map((doubt) => (
          <View key={doubt.key} gap={8}>
            <Body>{`${fieldWords[doubt.key]} ${tapeText(doubt.cm, units)}: few fruit trees have that.`}</Body>
            {doubt.instead ? (
              <View flexDirection="row">
                <Button kind="main" onPress={() => take(doubt)}>{`I mean ${doubt.instead.text}`}</Button>
              </View>
            ) : null}
          </View>
        ))}
      </Sheet>
      <Conflict
        error={saving.error}
        lines={treeLines}
        onDismiss={() => saving.reset()}
        onKeepTheirs={() => router.replace(`/round/${treeId}`)}
        onKeepMine={(now) => save(now)}
      />
    </Screen>
  );
}

/** The lines that tell two versions of a tree apart. */
function treeLines(version: unknown): string[] {
  if (typeof version !== 'object' || version === null) return [];
  const { code, species, cultivar, heightCm, spreadCm, status, note, by } = version as Record<
    string,
    unknown
  >;
  return [
    `${code}: ${species}, ${cultivar ?? 'variety unknown'}`,
    `${heightCm} cm high, ${spreadCm} cm wide, ${status}`,
    ...(note ? [String(note)] : []),
    ...(by ? [`By ${by}.`] : []),
  ];
}
