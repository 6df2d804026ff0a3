// Cuts to look at again and jobs, as a season takes them.
import { laterDay } from '../measure/index';
import type { CutOnRecord } from '../present/index';
import type { Job } from '../records/index';
import type { Errand } from './asked';

/** To find a cut on a tree and look at it, and each further one there; a job of which nobody has said how long it takes. Common practice, no source. */
const LOOK_MIN = 5;
const FURTHER_LOOK_MIN = 2;
export const USUAL_JOB_MIN = 15;

interface Facts {
  today: string;
  cuts: readonly CutOnRecord[];
  /** Neither done nor withdrawn. */
  jobs: readonly Job[];
  plotOf: ReadonlyMap<string, string>;
  /** Later than this a cut is not looked at any more. */
  overdueDays: number;
}

/** Cuts of a tree that are looked at on the same day are one errand. Trees that are in no plot are left out. */
export function errandsOf({ today, cuts, jobs, plotOf, overdueDays }: Facts): Errand[] {
  const looks = new Map<string, Errand>();
  const wanted = cuts.flatMap(({ rechecks }) =>
    rechecks.filter(({ state }) => state === 'due' || state === 'to come'),
  );
  for (const { treeId, dueOn } of wanted) {
    const plotId = plotOf.get(treeId);
    if (plotId === undefined) continue;
    const id = `${treeId} recheck ${dueOn}`;
    const known = looks.get(id);
    looks.set(id, {
      ...{ id, treeId, plotId, kind: 'recheck', from: dueOn, dueOn },
      minutes: known ? known.minutes + FURTHER_LOOK_MIN : LOOK_MIN,
      until: laterDay(dueOn, overdueDays),
    });
  }
  const own = jobs.flatMap(({ id, treeId, dueOn, minutes = USUAL_JOB_MIN }): Errand[] => {
    const plotId = plotOf.get(treeId);
    if (plotId === undefined) return [];
    return [
      { ...{ id: `job ${id}`, treeId, plotId, kind: 'job', minutes, dueOn }, from: today, until: null },
    ];
  });
  return [...looks.values(), ...own];
}
