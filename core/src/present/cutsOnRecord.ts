// Cuts that were made, and when they are looked at again: from the records to the core's rules.
import {
  type Looked,
  type MadeCutFacts,
  type Recheck,
  type RecheckState,
  recheckState,
  rechecksOf,
} from '../aftercare/index';
import { isGrowing, seasonOn } from '../disorders/index';
import type { Action, ActionOf, Site } from '../records/index';
import { hourOf, localClock } from '../weather/index';
import { standingActions } from './done';
import { disordersMet } from './run';

export interface CutOnRecord {
  id: string;
  action: ActionOf<'cutMade'>;
  by: string;
  day: string;
  disorders: string[];
  rechecks: (Recheck & { state: RecheckState; done: (ActionOf<'recheckDone'> & { by: string }) | null })[];
}

/**
 * Cuts with their rechecks, newest first.
 *
 * @param actions cuts and rechecks that were done, in any order
 * @param today local date
 */
export function cutsOnRecord(
  actions: readonly Action[],
  site: Pick<Site, 'latitude' | 'timeZone' | 'rechecks'>,
  today: string,
  disorderOf: (findingId: string) => string = () => 'unknown',
): CutOnRecord[] {
  const standing = standingActions(actions);
  const done = new Map<string, ActionOf<'recheckDone'> & { by: string }>(
    standing.flatMap(({ action, by }) =>
      action.kind === 'recheckDone'
        ? [[`${action.cutId}:${action.recheck}`, { ...action, by }] as const]
        : [],
    ),
  );
  const doneIds: ReadonlySet<string> = new Set(done.keys());
  const clock = localClock(site.timeZone);
  return standing
    .flatMap(({ id, action, by }): CutOnRecord[] => {
      if (action.kind !== 'cutMade') return [];
      const day = clock.day(hourOf(action.at));
      const disorders = disordersMet(action, disorderOf);
      const facts: MadeCutFacts = {
        id,
        treeId: action.treeId,
        day,
        season: seasonOn(day, site.latitude),
        kind: action.cut.kind,
        diameterMm: action.cut.diameterMm,
        disorders,
        doubtful: action.dirtyBlade === true || action.cut.shortfallCm > 0,
      };
      const rechecks = rechecksOf(facts, site.latitude < 0, site.rechecks).map((recheck) => ({
        ...recheck,
        state: recheckState(recheck, today, doneIds, site.rechecks),
        done: done.get(recheck.id) ?? null,
      }));
      return [{ id, action, by, day, disorders, rechecks }];
    })
    .sort((a, b) => Date.parse(b.action.at) - Date.parse(a.action.at));
}

export type RecheckDue = CutOnRecord['rechecks'][number] & { cut: CutOnRecord };

/** Those to be done now, the oldest first. */
export function rechecksDue(cuts: readonly CutOnRecord[]): RecheckDue[] {
  return cuts
    .flatMap((cut) =>
      cut.rechecks.filter((recheck) => recheck.state === 'due').map((recheck) => ({ ...recheck, cut })),
    )
    .sort((a, b) => (a.dueOn < b.dueOn ? -1 : a.dueOn > b.dueOn ? 1 : a.id < b.id ? -1 : 1));
}

/** What was seen on cuts that were looked at again; a cut is one, however often it was looked at. */
export function lookedAgain(cuts: readonly CutOnRecord[], latitude: number): Looked[] {
  return cuts.flatMap(({ action, day, disorders, rechecks }): Looked[] => {
    const seen = rechecks.flatMap(({ done }) => done?.outcome ?? []);
    const disorder = disorders[0];
    if (seen.length === 0 || disorder === undefined) return [];
    return [
      {
        disorder,
        clearanceCm: action.cut.clearanceCm - action.cut.shortfallCm,
        season: isGrowing(seasonOn(day, latitude)) ? 'growing' : 'dormant',
        cameBack: seen.includes('came back'),
      },
    ];
  });
}
