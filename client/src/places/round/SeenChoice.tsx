// What was seen of the tree: what was not seen is not sound.
import { partsSeen } from '@mortisect/core/records';
import { Choice } from '../../ui/Choice';
import { upperFirst } from '../words';
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
