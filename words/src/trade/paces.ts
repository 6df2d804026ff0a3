// How long cuts really take, as it is told.
import type { WorkPace } from '@mortisect/core/handling';
import { upperFirst } from '@mortisect/core/measure';
import type { Say } from '../say';
import { figure } from './figures';
import { told } from './told';

/** Of everybody together, one line for each kind of tool; nothing where nobody has timed a cut. */
export const paceWords = (say: Say, paces: readonly WorkPace[]): string[] =>
  paces.flatMap((pace) => (pace.by === null ? [paceLine(say, pace)] : []));

/** Of each person, one line for each kind of tool. */
export const personalPaceWords = (say: Say, paces: readonly WorkPace[]): string[] =>
  paces.flatMap((pace) => (pace.by === null ? [] : [`${pace.by}: ${paceLine(say, pace)}`]));

function paceLine(say: Say, { kind, factor, range: [least, most], cuts }: WorkPace): string {
  const times = (value: number) => figure(say, value, { most: 2 });
  return say('trade.paceLine', {
    tool: upperFirst(told(say, kind)),
    factor: times(factor),
    least: times(least),
    most: times(most),
    cuts,
  });
}
