// A tree that cannot be looked at now stays in the round and comes last.
import type { TreeSummary } from '@mortisect/core/records';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Sheet } from '../../ui/Sheet';
import { Body } from '../../ui/type';
import { nextAfter, useMarkSeen, useQueue } from './walk';

const REASONS = ['Ground too wet', 'Bees', 'Somebody works there', 'Too dark', 'Other'].map((value) => ({
  value,
  label: value,
}));

export function SkipTree({ tree }: { tree: TreeSummary }) {
  const router = useRouter();
  const [open, setOpen] = useState(false);
  const { round, queue } = useQueue();
  const { skip } = useMarkSeen();
  const go = (reason: string) =>
    skip(tree.id, tree.code, reason, () => {
      const next = queue && nextAfter(queue, round, tree.id);
      router.replace(next ? `/round/${next}` : '/round');
    });
  return (
    <>
      <Button onPress={() => setOpen(true)}>Skip for now</Button>
      <Sheet title={`Skip ${tree.code}`} open={open} onClose={() => setOpen(false)} closeLabel="Back">
        <Body>It stays in the round and comes at its end.</Body>
        <Choice label="Why?" layout="wrap" options={REASONS} value={null} onChange={go} />
      </Sheet>
    </>
  );
}
