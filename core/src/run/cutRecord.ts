// A cut as it goes on record.

import type { Cut } from '../cuts/index';
import type { StepView } from '../plan/index';
import { type Blade, judgedAt, type SiteToday, type TreeView } from '../present/index';
import type { ActionOf } from '../records/index';
import { worstShortfallCm } from '../residual/index';
import type { RunItem } from './work';

export interface Placed {
  limbId: string;
  atCm: number;
  kind: Cut['kind'];
}

/** As planned: where the bud is still to be found, the outermost place. */
export function placedAt({
  limbId,
  atCm,
  upToCm,
  kind,
}: Pick<Cut, 'limbId' | 'atCm' | 'upToCm' | 'kind'>): Placed {
  return { limbId, atCm: upToCm ?? atCm, kind };
}

/** What was really cut decides what goes on record: its weight, and how far short of the clearances it fell. */
export function cutMade(
  view: TreeView,
  item: Pick<RunItem, 'findingIds' | 'disorders' | 'plainMinutes'>,
  placed: Placed,
  blade: Blade,
  at: string,
  today: SiteToday,
): ActionOf<'cutMade'> {
  const { findingIds, disorders, plainMinutes } = item;
  const record = recordOf(
    { view, findingIds, disorders },
    placed,
    { blade: blade.id, tool: blade.tool.name },
    at,
    today,
  );
  if (plainMinutes <= 0) return record;
  const estimatedMinutes = Math.round(plainMinutes * 100) / 100;
  return { ...record, cut: { ...record.cut, estimatedMinutes } };
}

/** Who holds the blade where it is none of the kit. */
const ARBORIST = 'arborist';

/** A cut of a booked visit as it goes on record: what is cut as planned, with a blade that is not one’s own. */
export function arboristMade(
  view: TreeView,
  { step, cut }: Pick<StepView, 'step'> & { cut: Cut },
  at: string,
  today: SiteToday,
): ActionOf<'cutMade'> {
  const findingIds = step.solves.map(({ findingId }) => findingId);
  const disorderOf = new Map(view.history.map(({ id, disorder }) => [id, disorder]));
  const disorders = findingIds.map((id) => disorderOf.get(id) ?? 'unknown');
  return recordOf({ view, findingIds, disorders }, placedAt(cut), { blade: ARBORIST, tool: '' }, at, today);
}

function recordOf(
  { view, findingIds, disorders }: { view: TreeView } & Pick<RunItem, 'findingIds' | 'disorders'>,
  placed: Placed,
  { blade, tool }: { blade: string; tool: string },
  at: string,
  today: SiteToday,
): ActionOf<'cutMade'> {
  const judged = judgedAt(view, placed, today);
  const name = view.names.get(placed.limbId) ?? placed.limbId;
  return {
    kind: 'cutMade',
    at,
    treeId: view.tree.id,
    blade,
    findingIds,
    onMap: view.detail.limbsRevision,
    disorders,
    cut: {
      limbId: placed.limbId,
      limbName: name,
      atCm: placed.atCm,
      kind: placed.kind,
      diameterMm: judged.handling.kerfMm,
      clearanceCm: Math.max(0, ...findingIds.map((id) => view.cuts.clearances[id]?.clearanceCm ?? 0)),
      shortfallCm: worstShortfallCm(judged, findingIds),
      sentence: `${name}, ${Math.round(placed.atCm * 10) / 10} cm from the collar.`,
      massKg: Math.round(judged.handling.massKg * 1000) / 1000,
      tool,
    },
  };
}
