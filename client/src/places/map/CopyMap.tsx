// The limb map of a neighbour as a start: trees of one row are often built alike.

import type { TreeSummary } from '@mortisect/core/records';
import type { Limb } from '@mortisect/core/tree';
import { useState } from 'react';
import { inWords } from '../../data/api';
import { readTree, useTrees } from '../../data/queries';
import { useSay } from '../../data/useSay';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { PressRow } from '../../ui/PressRow';
import { Rows } from '../../ui/Row';
import { Sheet } from '../../ui/Sheet';
import { Label, Small } from '../../ui/type';
import { speciesWords } from '../words';

const MOST = 20;

interface CopyMapProps {
  tree: TreeSummary;
  /** A map stands, which gives way. */
  replaces?: boolean;
  disabled?: boolean;
  onCopy(limbs: Limb[]): void;
}

export function CopyMap({ tree, replaces = false, disabled = false, onCopy }: CopyMapProps) {
  const say = useSay();
  const [open, setOpen] = useState(false);
  const [fault, setFault] = useState<string | null>(null);
  const near = useNear(tree);
  const copy = async (from: TreeSummary) => {
    try {
      const { limbs } = await readTree(from.id);
      if (limbs.length < 2) {
        setFault(say('round.noLimbsThereYet', { tree: from.code }));
        return;
      }
      onCopy(limbs);
      setOpen(false);
    } catch (error) {
      setFault(inWords(say, error));
    }
  };
  return (
    <>
      <Button
        disabled={disabled}
        onPress={() => {
          setFault(null);
          setOpen(true);
        }}
      >
        {say('round.copyFromANeighbour')}
      </Button>
      <Sheet
        title={say('round.copyTheLimbsOf')}
        open={open}
        onClose={() => setOpen(false)}
        closeLabel={say('shared.back')}
      >
        {fault ? <Notice kind="caution">{fault}</Notice> : null}
        {replaces ? <Small>{say('round.allLimbsOfThisMapAreReplaced')}</Small> : null}
        <Rows>
          {near.map((other) => (
            <PressRow key={other.id} padding={12} onPress={() => void copy(other)}>
              <Label flex={1}>{other.code}</Label>
              <Small>{speciesWords(say, other)}</Small>
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
  const at = trees.findIndex((other) => other.id === tree.id);
  return trees
    .map((other, i) => ({
      other,
      away:
        Math.abs(i - at) + (other.species === tree.species ? 0 : 1000) + (other.form === tree.form ? 0 : 100),
    }))
    .filter(({ other }) => other.id !== tree.id)
    .sort((a, b) => a.away - b.away)
    .slice(0, MOST)
    .map(({ other }) => other);
}
