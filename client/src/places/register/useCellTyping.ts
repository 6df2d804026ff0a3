// Cells of the register that are typed into: each is a field of its tree, checked as the form of a tree checks it, and saved alone.
import { type TreeBody, type TreeSummary, treeBodyOf } from '@mortisect/core/records';
import type { Say } from '@mortisect/words';
import { tapeText } from '@mortisect/words/trade';
import { useRef, useState } from 'react';
import { inWords } from '../../data/api';
import { useSay } from '../../data/useSay';
import { useUnits } from '../../data/useToday';
import { useSaveTree } from '../../data/writes';
import { FIELD_WORDS } from './fieldWords';
import { doubtsOf, formOfTree, treeOfForm } from './treeForm';

/** The field of a tree that a column holds. */
const FIELDS = {
  code: 'code',
  nickname: 'nickname',
  plot: 'plot',
  row: 'row',
  place: 'place',
  cultivar: 'cultivar',
  rootstock: 'rootstock',
  planted: 'plantedYear',
  height: 'heightCm',
  spread: 'spreadCm',
} as const;
type TypedColumn = keyof typeof FIELDS;

export const isTyped = (columnId: string): columnId is TypedColumn => columnId in FIELDS;

interface Cell {
  treeId: string;
  columnId: TypedColumn;
  text: string;
  /** As it was when it was opened. */
  before: string;
  /** Why it is not saved. */
  fault?: string;
  /** What was asked about once; the same again is meant so. */
  doubted?: string;
}

interface Saved {
  says: string;
  /** The tree before, which can be put back. */
  before: { treeId: string; revision: number; tree: TreeBody } | null;
}

export interface CellTyping {
  cell: Cell | null;
  saved: Saved | null;
  isSaving: boolean;
  /** Opens a cell; what is typed in another one is saved first. @param first what it begins with, in place of what is there */
  begin(tree: TreeSummary, columnId: string, first?: string): void;
  type(text: string): void;
  /** @param then once it is saved, or nothing was changed */
  save(then?: () => void): void;
  /** Closes the cell as it was. */
  leave(): void;
  takeBack(): void;
}

/** @param trees all of the register, as they are now */
export function useCellTyping(trees: readonly TreeSummary[]): CellTyping {
  const say = useSay();
  const units = useUnits();
  const saving = useSaveTree();
  const [cell, setCell] = useState<Cell | null>(null);
  const [saved, setSaved] = useState<Saved | null>(null);
  const next = useRef<() => void>(() => undefined);
  const isSending = useRef(false);
  const refuse = (fault: string, doubted?: string) =>
    setCell((now) => now && { ...now, fault, ...(doubted !== undefined && { doubted }) });

  const save = (then: () => void = () => undefined) => {
    next.current = then;
    // On its way already: it is not sent twice, and what was asked for last comes after it
    if (isSending.current) return;
    if (!cell) return then();
    const tree = trees.find(({ id }) => id === cell.treeId);
    if (!tree || cell.text.trim() === cell.before.trim()) {
      setCell(null);
      return then();
    }
    const field = FIELDS[cell.columnId];
    const [body, typed] = [treeBodyOf(tree), cell.text.trim()];
    const form = { ...formOfTree(say, body, units), [field]: typed };
    const read = treeOfForm(say, form, units, body);
    if ('faults' in read) return refuse(read.faults[field] ?? Object.values(read.faults)[0] ?? '');
    const doubt =
      newPlaceWords(say, trees, field, read.tree) ??
      doubtsOf(say, form, units, body).map(({ key, cm }) =>
        say('round.fewFruitTreesHaveThat', {
          fieldwords: say(FIELD_WORDS[key]),
          tape: tapeText(say, cm, units),
        }),
      )[0];
    if (doubt && cell.doubted !== typed)
      return refuse(`${doubt} ${say('round.enterOnceMoreSavesIt')}`, typed);
    isSending.current = true;
    saving.mutate(
      { treeId: tree.id, baseRevision: tree.revision, tree: read.tree },
      {
        onSettled: () => {
          isSending.current = false;
        },
        onSuccess: ({ revision }) => {
          setCell(null);
          setSaved({
            says: say('round.cellSaved', {
              tree: read.tree.code,
              field: say(FIELD_WORDS[field]),
              value: typed || say('shared.none'),
            }),
            before: { treeId: tree.id, revision, tree: body },
          });
          next.current();
        },
        onError: (error) => refuse(inWords(say, error)),
      },
    );
  };
  return {
    cell,
    saved,
    isSaving: saving.isPending,
    begin: (tree, columnId, first) =>
      save(() => {
        if (!isTyped(columnId)) return;
        const before = formOfTree(say, treeBodyOf(tree), units)[FIELDS[columnId]];
        setCell({ treeId: tree.id, columnId, text: first ?? before, before });
      }),
    type: (text) =>
      setCell((now) => now && { treeId: now.treeId, columnId: now.columnId, before: now.before, text }),
    save,
    leave: () => setCell(null),
    takeBack: () => {
      if (!saved?.before) return;
      const { treeId, revision, tree } = saved.before;
      saving.mutate(
        { treeId, baseRevision: revision, tree },
        {
          onSuccess: () => setSaved({ says: say('round.cellTakenBack', { tree: tree.code }), before: null }),
          onError: (error) => setSaved({ says: inWords(say, error), before: null }),
        },
      );
    },
  };
}

/** A row or a plot that is not there yet would be made: a slip of the finger makes none. */
function newPlaceWords(
  say: Say,
  trees: readonly TreeSummary[],
  field: string,
  { plot, row }: TreeBody,
): string | undefined {
  if (field !== 'plot' && field !== 'row') return undefined;
  const isThere = trees.some((tree) => tree.plot === plot && tree.row === row);
  return isThere ? undefined : say('round.noSuchRowYet', { plot, row });
}
