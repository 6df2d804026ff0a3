// Which tree does a simulated camera, or a simulated sensor, look at?
import type { TreeSummary } from '@mortisect/core/records';
import { useTrees } from '../../data/queries';
import { useSay } from '../../data/useSay';
import { PressRow } from '../../ui/PressRow';
import { Rows } from '../../ui/Row';
import { Sheet } from '../../ui/Sheet';
import { Label, Small } from '../../ui/type';

const MOST_TREES = 40;

/** Which tree the simulated camera is pointed at: this one where it is mapped, or another. */
export function SimulatedTrees({
  title,
  tree,
  open,
  onClose,
  onChosen,
}: {
  title: string;
  tree: TreeSummary;
  open: boolean;
  onClose(): void;
  onChosen(tree: TreeSummary): void;
}) {
  const say = useSay();
  const trees = useTrees().data?.trees ?? [];
  const own = trees.filter(({ id }) => id === tree.id);
  const others = trees.filter(({ id, status }) => id !== tree.id && status !== 'removed');
  return (
    <Sheet title={title} open={open} onClose={onClose} closeLabel={say('shared.back')}>
      <Small>{say('round.surveySimulatedHow')}</Small>
      <Rows>
        {[...own, ...others].slice(0, MOST_TREES).map((other) => (
          <PressRow key={other.id} padding={12} onPress={() => onChosen(other)}>
            <Label flex={1}>{other.code}</Label>
          </PressRow>
        ))}
      </Rows>
    </Sheet>
  );
}
