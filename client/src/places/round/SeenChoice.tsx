// What was seen of the tree: what was not seen is not sound.
import { upperFirst } from '@mortisect/core/measure';
import { partsSeen } from '@mortisect/core/records';
import { Choice } from '../../ui/Choice';
import { useWalk } from './walk';

const PARTS = partsSeen.map((value) => ({ value, label: upperFirst(value) }));

export function SeenChoice() {
  const seen = useWalk((walk) => walk.seen);
  return (
    <Choice
      label="What was seen"
      options={PARTS}
      value={seen}
      onChange={(value) => useWalk.setState({ seen: value })}
    />
  );
}
