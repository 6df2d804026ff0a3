// The limb map of a neighbour as a start: trees of one row are often built alike.

import type { TreeSummary } from '@mortisect/core/records';
import type { Limb } from '@mortisect/core/tree';
import { useState } from 'react';
import { inWords } from '../../data/api';
import { readTree, useTrees } from '../../data/queries';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { PressRow } from '../../ui/PressRow';
import { Rows } from '../../ui/Row';
import { Sheet } from '../../ui/Sheet';
import { Label, Small } from '../../ui/type';
import { speciesWords } from '../words';

const MOST = 20;

export function CopyMap({
  tree,
  disabled,
  onCopy,
}: {
  tree: TreeSummary;
  disabled: boolean;
  onCopy(limbs: Limb[]): void;
}) {
  const [open, setOpen] = useState(false);
  const [fault, setFault] = useState<string | null>(null);
  const near = useNear(tree);
  const copy = async (from: TreeSummary) => {
    try {
      const detail = await readTree(from.id);
      onCopy(detail.limbs);
      setOpen(false);
    } catch (error) {
      setFault(inWords(error));
    }
  };
  return (
    <>
      <Button disabled={disabled} onPress={() => setOpen(true)}>
        Copy from a neighbour
      </Button>
      <Sheet title="Copy the limbs of" open={open} onClose={() => setOpen(false)} closeLabel="Back">
        {fault ? <Notice kind="caution">{fault}</Notice> : null}
        <Small>All limbs of this map are replaced; undo brings them back.</Small>
        <Rows>
          {near.map((one) => (
            <PressRow key={one.id} padding={12} onPress={() => void copy(one)}>
              <Label flex={1}>{one.code}</Label>
              <Small>{speciesWords(one)}</Small>
            </PressRow>
          ))}
        </Rows>
      </Sheet>
    </>
  );
}

/** Of the same species and form, nearest in the walk first. */
function useNear(tree: TreeSummary): TreeSummary[] {
  const trees = useTrees().data?.trees ?? [];
  const at = trees.findIndex((one) => one.id === tree.id);
  return trees
    .map((one, i) => ({
      one,
      away: Math.abs(i - at) + (one.species === tree.species ? 0 : 1000) + (one.form === tree.form ? 0 : 100),
    }))
    .filter(({ one }) => one.id !== tree.id)
    .sort((a, b) => a.away - b.away)
    .slice(0, MOST)
    .map(({ one }) => one);
}
