// A tree that cannot be looked at now stays in the round and comes last.

import type { TreeSummary } from '@mortisect/core/records';
import type { Say } from '@mortisect/words';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useSay } from '../../data/useSay';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Sheet } from '../../ui/Sheet';
import { Body } from '../../ui/type';
import { nextAfter, useMarkSeen, useQueue } from './walk';

const reasonsIn = (say: Say) =>
  [
    say('round.groundTooWet'),
    say('round.bees'),
    say('round.somebodyWorksThere'),
    say('round.tooDark'),
    say('round.other'),
  ].map((value) => ({
    value,
    label: value,
  }));

export function SkipTree({ tree }: { tree: TreeSummary }) {
  const say = useSay();
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
      <Button onPress={() => setOpen(true)}>{say('round.skipForNow')}</Button>
      <Sheet
        title={say('round.skip', { tree: tree.code })}
        open={open}
        onClose={() => setOpen(false)}
        closeLabel={say('shared.back')}
      >
        <Body>{say('round.itStaysInTheRoundAndComes')}</Body>
        <Choice label={say('round.why')} layout="wrap" options={reasonsIn(say)} value={null} onChange={go} />
      </Sheet>
    </>
  );
}
