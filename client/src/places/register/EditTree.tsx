// A tree that is written down is changed on its revision; one that changed meanwhile shows both versions.
import { type TreeBody, treeBodyOf } from '@mortisect/contracts';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useSite, useTree, useTrees } from '../../data/queries';
import { useUnits } from '../../data/useToday';
import { newId, useSaveTree } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Failed } from '../../ui/Failed';
import { Notice } from '../../ui/Notice';
import { Screen } from '../../ui/Screen';
import { Waiting } from '../../ui/Waiting';
import { Conflict, movedProblem } from '../Conflict';
import { TreeFields } from './TreeFields';
import { emptyForm, formOfTree, type TreeForm, treeOfForm } from './treeForm';

export function EditTree({ treeId }: { treeId: string }) {
  const { data, error, refetch } = useTree(treeId);
  const units = useUnits();
  if (!data) return <Waiting title="Tree" error={error} onRetry={refetch} />;
  return (
    <TreeEditor
      title={data.tree.code}
      treeId={treeId}
      revision={data.tree.revision}
      before={treeBodyOf(data.tree)}
      first={formOfTree(treeBodyOf(data.tree), units)}
    />
  );
}

export function NewTree() {
  const [treeId] = useState(newId);
  return <TreeEditor title="New tree" treeId={treeId} revision={null} before={null} first={emptyForm()} />;
}

interface TreeEditorProps {
  title: string;
  treeId: string;
  revision: number | null;
  before: TreeBody | null;
  first: TreeForm;
}

function TreeEditor({ title, treeId, revision, before, first }: TreeEditorProps) {
  const router = useRouter();
  const units = useUnits();
  const trees = useTrees().data?.trees ?? [];
  const cultivars = useSite().data?.site.cultivars ?? [];
  const saving = useSaveTree();
  const [form, setForm] = useState(first);
  const [faults, setFaults] = useState<Record<string, string>>({});
  const save = (baseRevision: number | null) => {
    const read = treeOfForm(form, units, before);
    if ('faults' in read) return setFaults(read.faults);
    setFaults({});
    saving.mutate(
      { treeId, baseRevision, tree: read.tree },
      {
        onSuccess: () =>
          router.replace((revision === null ? `/round/${treeId}/map` : `/round/${treeId}`) as never),
      },
    );
  };
  const failed = saving.error && !movedProblem(saving.error) ? saving.error : null;
  const wrong = Object.keys(faults).length;
  return (
    <Screen
      title={title}
      subtitle={revision === null ? 'Write it down; its limb map comes next' : 'Edit the tree'}
      actions={
        <>
          <Button onPress={() => router.back()}>Cancel</Button>
          <Button grow kind="main" onPress={() => save(revision)} disabled={saving.isPending}>
            {revision === null ? 'Save, then its limbs' : 'Save the tree'}
          </Button>
        </>
      }
    >
      <Failed title="Not saved yet" error={failed} />
      {wrong > 0 ? (
        <Notice
          kind="caution"
          title="Not saved yet"
        >{`${wrong === 1 ? 'One field is' : `${wrong} fields are`} not usable yet; what is wrong stands at each.`}</Notice>
      ) : null}
      <TreeFields form={form} faults={faults} trees={trees} cultivars={cultivars} onChange={setForm} />
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
