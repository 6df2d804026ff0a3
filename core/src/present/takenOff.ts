// What cuts on record took of the living crown: this season it is taken from the limit, last season’s grows back.
import { crownMap } from '../crown/index';
import { disorderOf, isGrowing, kindOf, seasonOn, winterOf } from '../disorders/index';
import type { PlanInput } from '../plan/index';
import type { ActionOf, Site, TreeDetail } from '../records/index';
import { indexLimbs, isDistalOf } from '../tree/index';
import { hourOf, localClock } from '../weather/index';
import { grownLimbs, isSince } from './standing';

type Off = PlanInput['off'];

/**
 * What the cuts since the map was drawn took, as far as it counts toward limits: not what a disease asked for, and no dead wood. A later map
 * shows the tree without it, and how much it was nobody can say.
 *
 * @param day local date
 * @returns thousandths of the living crown on the map
 */
export function takenOff(detail: TreeDetail, site: Site, day: string): Off {
  const off: Off = { now: 0, lastDormant: 0, lastSummer: 0 };
  const clock = localClock(site.timeZone);
  const winter = winterOf(day, site.latitude);
  const made = detail.actions
    .flatMap(({ action, undone }) =>
      action.kind === 'cutMade' && !undone && isSince(action, detail) ? [action] : [],
    )
    .sort((a, b) => Date.parse(a.at) - Date.parse(b.at))
    .flatMap((action) => {
      const on = clock.day(hourOf(action.at));
      const ago = winter - winterOf(on, site.latitude);
      const when =
        ago === 0 ? 'now' : isGrowing(seasonOn(on, site.latitude, null)) ? 'lastSummer' : 'lastDormant';
      return ago === 0 || ago === 1 ? [{ action, when } as const] : [];
    });
  if (made.length === 0) return off;
  const limbs = grownLimbs(detail);
  const index = indexLimbs(limbs);
  const dead = detail.findings.filter(
    ({ disorder, withdrawn }) => !withdrawn && (kindOf(disorder) === 'dead' || disorderOf(disorder)?.hanging),
  );
  const breaks = new Map<string, number[]>();
  for (const { action } of made)
    breaks.set(action.cut.limbId, [...(breaks.get(action.cut.limbId) ?? []), action.cut.atCm]);
  for (const { limbId, fromCm, toCm, crown } of crownMap(limbs, dead, breaks, detail.tree).pieces) {
    const taker = made.find(({ action: { cut } }) =>
      isDistalOf(index, limbId, (fromCm + toCm) / 2, cut.limbId, cut.atCm),
    );
    if (taker && !isForDisease(taker.action, detail)) off[taker.when] += crown;
  }
  return off;
}

function isForDisease({ findingIds }: ActionOf<'cutMade'>, { findings }: TreeDetail): boolean {
  return findings.some(({ id, disorder }) => findingIds.includes(id) && kindOf(disorder) === 'diseased');
}
