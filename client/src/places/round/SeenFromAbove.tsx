// Trees on the plan of the orchard: which were seen, where something was found, and what endangers people.
import { dangersOf } from '@mortisect/core/handling';
import type { RoundEntry } from '@mortisect/core/present';
import type { TreeSummary } from '@mortisect/core/records';
import { useRouter } from 'expo-router';
import { useMemo } from 'react';
import { useSay } from '../../data/useSay';
import { OrchardPlan } from '../../drawings/OrchardPlan';
import type { TreeMark, TreeOnPlan } from '../../drawings/treeMarks';
import { useOrchardPlan } from '../useOrchardPlan';
import { speciesWords } from '../words';
import { useQueue } from './walk';

const RING = { sound: 'whole', found: 'whole', partly: 'broken', skipped: 'thin' } as const;

function markOf(tree: TreeSummary, entry: RoundEntry | undefined): TreeMark {
  return {
    ring: entry ? RING[entry.state] : 'thin',
    has: tree.openFindings > 0 ? 'finding' : 'nothing',
    warns: dangersOf(tree.hazards).length > 0,
  };
}

/** @param shown the trees that are drawn; the others leave their places empty */
export function SeenFromAbove({ shown }: { shown: readonly TreeSummary[] }) {
  const say = useSay();
  const router = useRouter();
  const { round } = useQueue();
  const plan = useOrchardPlan();
  const trees = useMemo(
    () =>
      new Map(
        shown.map((tree): [string, TreeOnPlan] => [
          tree.id,
          {
            code: tree.code,
            mark: markOf(tree, round?.entries.get(tree.id)),
            says: [
              speciesWords(say, tree),
              ...(tree.openFindings > 0 ? [say('round.findings2', { openFindings: tree.openFindings })] : []),
            ].join(' · '),
          },
        ]),
      ),
    [shown, round, say],
  );
  if (!plan) return null;
  const unseen = { ring: 'thin', has: 'nothing', warns: false } as const;
  return (
    <OrchardPlan
      plan={plan}
      trees={trees}
      label={say('shared.orchardFromAbove', { trees: trees.size })}
      marks={[
        { mark: unseen, says: say('round.legendUnseen') },
        { mark: { ...unseen, ring: 'whole' }, says: say('round.legendSeen') },
        { mark: { ...unseen, ring: 'broken' }, says: say('round.legendPartly') },
        { mark: { ...unseen, has: 'finding' }, says: say('round.legendFinding') },
        { mark: { ...unseen, warns: true }, says: say('round.legendDanger') },
      ]}
      hint={say('shared.planByKeys')}
      onOpen={(treeId) => router.navigate(`/round/${treeId}`)}
    />
  );
}
