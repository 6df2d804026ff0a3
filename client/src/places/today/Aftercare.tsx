// Rechecks that are due, and blades and mixes that need care.

import { agentOf } from '@mortisect/core/blades';
import { DAY_MS } from '@mortisect/core/measure';
import { mixes, rechecksDue, type SiteToday } from '@mortisect/core/present';
import { dayWords } from '../../data/moment';
import { useClock } from '../../data/useClock';
import { useCutsOnRecord } from '../../data/useCutsOnRecord';
import { Row } from '../../ui/Row';
import type { RunHere } from '../cut/useRun';
import { codeWords, plural } from '../words';

export function RecheckRows({ today, codeOf }: { today: SiteToday; codeOf(treeId: string): string }) {
  const { cuts } = useCutsOnRecord(today);
  if (!cuts) return null;
  const due = rechecksDue(cuts);
  const [first] = due;
  if (!first) return null;
  const trees = [...new Set(due.map((recheck) => codeOf(recheck.treeId)))];
  return (
    <Row
      href="/book/rechecks"
      title={`${plural(due.length, 'recheck')} due`}
      detail={`${trees.slice(0, 3).join(', ')}${trees.length > 3 ? ' and more' : ''} · first since ${dayWords(first.dueOn)}: ${codeWords(first.cut.disorders)}`}
    />
  );
}

export function CareRows({ here }: { here: RunHere }) {
  const { run, actions } = here;
  const clock = useClock();
  const spent = mixes(actions, clock()).filter((mix) => mix.spent && isOfLately(mix.useBy, clock()));
  const blade = run.item && run.blade ? run.blade : null;
  const state = blade ? run.logs.get(blade.id)?.state.is : undefined;
  const words = {
    clean: 'Ready for the next cut.',
    wet: 'Its contact time runs.',
    used: 'Before the next cut, by what it met.',
    unknown: 'Not cleaned today: its history is unknown.',
  };
  return (
    <>
      {blade && state ? (
        <Row
          href="/cut/kit"
          title={state === 'clean' ? `${blade.name} is clean` : `${blade.name} must be cleaned`}
          detail={words[state]}
        />
      ) : null}
      {spent.map(({ action }) => (
        <Row
          key={action.agentId}
          href="/cut/mix"
          title="A mix is spent"
          detail={`${agentOf(action.agentId).name}, ${action.litres} L: pour it away as its label says and mix a new one.`}
        />
      ))}
    </>
  );
}

const LATELY_MS = 3 * DAY_MS;
/** Longer ago nobody carries it any more. */
function isOfLately(at: string, now: string): boolean {
  return Date.parse(now) - Date.parse(at) < LATELY_MS;
}
