// Rechecks that are due, and blades and mixes that need care.

import { agentOf } from '@mortisect/core/blades';
import { DAY_MS } from '@mortisect/core/measure';
import { mixes, rechecksDue, type SiteToday } from '@mortisect/core/present';
import { told } from '@mortisect/words/trade';
import { dayWords } from '../../data/moment';
import { useClock } from '../../data/useClock';
import { useCutsOnRecord } from '../../data/useCutsOnRecord';
import { useSay } from '../../data/useSay';
import { Row } from '../../ui/Row';
import type { RunHere } from '../cut/useRun';
import { codeWords } from '../words';

export function RecheckRows({ today, codeOf }: { today: SiteToday; codeOf(treeId: string): string }) {
  const say = useSay();
  const { cuts } = useCutsOnRecord(today);
  if (!cuts) return null;
  const due = rechecksDue(cuts);
  const [first] = due;
  if (!first) return null;
  const trees = [...new Set(due.map((recheck) => codeOf(recheck.treeId)))];
  return (
    <Row
      href="/book/rechecks"
      title={say('today.rechecksDue', { due: due.length })}
      detail={[
        say('today.firstSince', {
          trees: trees.slice(0, 3).join(', '),
          more: trees.length > 3 ? say('today.andMore') : '',
          day: dayWords(first.dueOn),
        }),
        // What shapes sound wood has no disorder to name
        ...(first.cut.disorders.length > 0 ? [codeWords(say, first.cut.disorders)] : []),
      ].join(': ')}
    />
  );
}

export function CareRows({ here }: { here: RunHere }) {
  const say = useSay();
  const { run, actions } = here;
  const clock = useClock();
  const spent = mixes(actions, clock()).filter((mix) => mix.spent && isOfLately(mix.useBy, clock()));
  const blade = run.item && run.blade ? run.blade : null;
  const state = blade ? run.logs.get(blade.id)?.state.is : undefined;
  const words = {
    clean: say('today.readyForTheNextCut'),
    wet: say('today.itsContactTimeRuns'),
    used: say('today.beforeTheNextCutByWhatIt'),
    unknown: say('today.notCleanedTodayItsHistoryIsUnknown'),
  };
  return (
    <>
      {blade && state ? (
        <Row
          href="/cut/kit"
          title={
            state === 'clean'
              ? say('today.isClean', { blade: blade.name })
              : say('today.mustBeCleaned', { blade: blade.name })
          }
          detail={words[state]}
        />
      ) : null}
      {spent.map(({ action }) => (
        <Row
          key={action.agentId}
          href="/cut/mix"
          title={say('today.aMixIsSpent')}
          detail={say('today.lPourItAwayAsItsLabel', {
            agentId: told(say, agentOf(action.agentId).name),
            litres: action.litres,
          })}
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
