// A tree that is written down is changed on its revision; one that changed meanwhile shows both versions.

import { tapeReading, type Units } from '@mortisect/core/measure';
import { type TreeBody, treeBodyOf } from '@mortisect/core/records';
import { targetFault } from '@mortisect/core/shaping';
import type { Limb } from '@mortisect/core/tree';
import type { Say } from '@mortisect/words';
import { readingIn, refusalWords, tapeText } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useRouter } from 'expo-router';
import { useRef, useState } from 'react';
import { useSite, useTree, useTrees } from '../../data/queries';
import { useSay } from '../../data/useSay';
import { useGrown, useUnits } from '../../data/useToday';
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
import { FIELD_WORDS } from './fieldWords';
import { TreeFields } from './TreeFields';
import { doubtsOf, emptyForm, formOfTree, type SizeDoubt, type TreeForm, treeOfForm } from './treeForm';

export function EditTree({ treeId }: { treeId: string }) {
  const say = useSay();
  const { data, error, refetch } = useTree(treeId);
  if (!data) return <Waiting title={say('shared.tree')} error={error} onRetry={refetch} />;
  return (
    <TreeEditor
      title={data.tree.code}
      treeId={treeId}
      newest={{ revision: data.tree.revision, tree: treeBodyOf(data.tree) }}
      limbs={data.limbs}
    />
  );
}

/** @param after id of the tree in whose place it is planted */
export function NewTree({ after }: { after?: string | undefined }) {
  return after === undefined ? <FreshTree /> : <Replanted after={after} />;
}

function Replanted({ after }: { after: string }) {
  const say = useSay();
  const { data, error, refetch } = useTree(after);
  if (!data) return <Waiting title={say('round.newTree')} error={error} onRetry={refetch} />;
  const { id, revision } = data.tree;
  return <FreshTree replaces={{ id, revision, tree: treeBodyOf(data.tree) }} />;
}

function FreshTree({ replaces }: Pick<TreeEditorProps, 'replaces'>) {
  const say = useSay();
  const [treeId] = useState(newId);
  return (
    <TreeEditor
      title={say('round.newTree')}
      treeId={treeId}
      newest={{ revision: null, tree: null }}
      limbs={NO_LIMBS}
      replaces={replaces}
    />
  );
}

const NO_LIMBS: Limb[] = [];

interface TreeEditorProps {
  title: string;
  treeId: string;
  /** As it is written down by now; null where it is written down for the first time. */
  newest: { revision: number | null; tree: TreeBody | null };
  /** As they were mapped. */
  limbs: Limb[];
  /** The tree in whose place a new one is planted: it is retired with it, and keeps its history. */
  replaces?: { id: string; revision: number; tree: TreeBody } | undefined;
}

/** What the place itself is like stays, whatever grows on it. */
function formInPlace(say: Say, { tree }: NonNullable<TreeEditorProps['replaces']>, units: Units): TreeForm {
  const { plot, row, place, latitude, longitude, drainage, frostPocket } = formOfTree(say, tree, units);
  return { ...emptyForm(say), plot, row, place, latitude, longitude, drainage, frostPocket };
}

function TreeEditor({ title, treeId, newest, limbs, replaces }: TreeEditorProps) {
  const say = useSay();
  const router = useRouter();
  const units = useUnits();
  const trees = useTrees().data?.trees ?? [];
  const cultivars = useSite().data?.site.cultivars ?? [];
  const grown = useGrown();
  const saving = useSaveTree();
  const retiring = useSaveTree();
  const [edited, setForm] = useState<TreeForm | null>(null);
  const { revision, tree: before } = useBase(newest, edited !== null);
  const fresh = () => (replaces ? formInPlace(say, replaces, units) : emptyForm(say, grown[0]));
  const form = edited ?? (before ? formOfTree(say, before, units) : fresh());
  const [faults, setFaults] = useState<Record<string, string>>({});
  const [doubts, setDoubts] = useState<SizeDoubt[]>([]);
  const leaving = useLeaveGuard(
    edited !== null,
    revision === null ? say('round.theNewTree') : say('round.theTree'),
  );
  const page = useRef<HTMLDivElement>(null);
  const back = useBack(revision === null ? '/round/register' : `/round/${treeId}`);
  const save = (baseRevision: number | null, filled = form, sure = false) => {
    const read = treeOfForm(say, filled, units, before);
    const tooLow = 'tree' in read ? targetFault(limbs, read.tree.targetHeightCm) : null;
    if ('faults' in read || tooLow) {
      setFaults('faults' in read ? read.faults : { targetHeightCm: tooLow ? refusalWords(say, tooLow) : '' });
      return goToFirstFault(page.current);
    }
    setFaults({});
    const doubtful = sure ? [] : doubtsOf(say, filled, units, before);
    if (doubtful.length > 0) return setDoubts(doubtful);
    const done = () =>
      leaving.leave(() => router.replace(revision === null ? `/round/${treeId}/map` : `/round/${treeId}`));
    const retire = () => {
      if (!replaces || replaces.tree.status === 'removed') return done();
      const tree: TreeBody = { ...replaces.tree, status: 'removed' };
      retiring.mutate({ treeId: replaces.id, baseRevision: replaces.revision, tree }, { onSuccess: done });
    };
    // Written down already, where the old one could not be retired the first time
    if (saving.isSuccess) return retire();
    saving.mutate({ treeId, baseRevision, tree: read.tree }, { onSuccess: retire });
  };
  const take = (doubt: SizeDoubt) => {
    if (!doubt.instead) return;
    setForm({ ...form, [doubt.key]: readingIn(say, tapeReading(doubt.instead.cm, units)).value });
    setDoubts(doubts.filter((kept) => kept !== doubt));
  };
  const failed = saving.error && !movedProblem(saving.error) ? saving.error : retiring.error;
  const wrong = Object.keys(faults).length;
  return (
    <Screen
      title={title}
      subtitle={
        replaces
          ? say('round.inThePlaceOf', { code: replaces.tree.code })
          : revision === null
            ? say('round.writeItDownItsLimbMapComes')
            : say('round.editTheTree')
      }
      actions={
        <>
          <Button onPress={() => leaving.ask(back)}>{say('shared.cancel')}</Button>
          <Button
            grow
            kind="main"
            onPress={() => save(revision)}
            disabled={saving.isPending || retiring.isPending}
          >
            {saving.isPending || retiring.isPending
              ? say('shared.saving')
              : revision === null
                ? say('round.saveAndDrawLimbs')
                : say('round.saveTheTree')}
          </Button>
        </>
      }
    >
      <Failed title={say('shared.notSavedYet')} error={failed} />
      {wrong > 0 ? (
        <Notice kind="caution" title={say('shared.notSavedYet')}>
          {say('round.notUsableYetFixTheMarkedFields', {
            more: wrong === 1 ? say('round.oneFieldIs') : say('round.fieldsAre', { wrong }),
          })}
        </Notice>
      ) : null}
      <div ref={page}>
        <TreeFields form={form} faults={faults} trees={trees} cultivars={cultivars} onChange={setForm} />
      </div>
      {revision === null || before === null || before.deleted ? null : (
        <View flexDirection="row">
          <Button
            onPress={() => router.navigate({ pathname: '/round/register/new', params: { after: treeId } })}
          >
            {say('round.plantInItsPlace')}
          </Button>
        </View>
      )}
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
        title={say('round.isThatRight')}
        open={doubts.length > 0}
        onClose={() => setDoubts([])}
        closeLabel={say('round.lookAgain')}
        actions={
          <Button
            grow
            kind={doubts.some((doubt) => doubt.instead) ? 'plain' : 'main'}
            onPress={() => {
              setDoubts([]);
              save(revision, form, true);
            }}
          >
            {say('round.itIsSoSave')}
          </Button>
        }
      >
        {doubts.map((doubt) => (
          <View key={doubt.key} gap={8}>
            <Body>
              {say('round.fewFruitTreesHaveThat', {
                fieldwords: say(FIELD_WORDS[doubt.key]),
                tape: tapeText(say, doubt.cm, units),
              })}
            </Body>
            {doubt.instead ? (
              <View flexDirection="row">
                <Button kind="main" onPress={() => take(doubt)}>
                  {say('round.iMean', { instead: doubt.instead.text })}
                </Button>
              </View>
            ) : null}
          </View>
        ))}
      </Sheet>
      <Conflict
        error={saving.error}
        lines={(...given) => treeLines(say, ...given)}
        onDismiss={() => saving.reset()}
        onKeepTheirs={() => router.replace(`/round/${treeId}`)}
        onKeepMine={(now) => save(now)}
      />
    </Screen>
  );
}

/** The lines that tell two versions of a tree apart. */
function treeLines(say: Say, version: unknown): string[] {
  if (typeof version !== 'object' || version === null) return [];
  const {
    code,
    species,
    cultivar,
    heightCm = '',
    spreadCm = '',
    status = '',
    note,
    by,
  } = version as Record<string, string>;
  return [
    `${code}: ${species}, ${cultivar ?? say('shared.varietyUnknown')}`,
    say('round.cmHighCmWide', { heightCm, spreadCm, status }),
    ...(note ? [String(note)] : []),
    ...(by ? [say('shared.by', { by })] : []),
  ];
}
