// What was seen of the tree: what was not seen is not sound.

import { upperFirst } from '@mortisect/core/measure';
import { partsSeen } from '@mortisect/core/records';
import { useSay } from '../../data/useSay';
import { Choice } from '../../ui/Choice';
import { useWalk } from './walk';

const PARTS = partsSeen.map((value) => ({ value, label: upperFirst(value) }));

export function SeenChoice() {
  const say = useSay();
  const seen = useWalk((walk) => walk.seen);
  return (
    <Choice
      label={say('round.whatWasSeen')}
      options={PARTS}
      value={seen}
      onChange={(value) => useWalk.setState({ seen: value })}
    />
  );
}
