// A plan as it is told: what is done where, what is left and why, how full each place is, and how much better any other could be.
import type { Board } from './board';
import { hopeless, type Option } from './model';
import { CampaignPlan, type LeftBecause } from './shapes';

export function told(board: Board, boundGain: number): CampaignPlan {
  const { model } = board;
  const { input } = model;
  const allLeft = input.visits.reduce((sum, { skip }) => sum + skip, 0);
  const gain = board.gain();
  const over = Math.max(0, boundGain - gain);
  return CampaignPlan.parse({
    done: input.visits.flatMap(({ id }, v) => {
      const where = board.optionOf(v);
      return where
        ? [
            {
              visitId: id,
              slotId: input.slots[where.slot]?.id as string,
              poolId: input.pools[where.pool]?.id as string,
            },
          ]
        : [];
    }),
    left: input.visits
      .flatMap((visit, v) =>
        board.optionOf(v)
          ? []
          : [
              {
                visitId: visit.id,
                because: hopeless(model, v) ?? ('others are worth more' satisfies LeftBecause),
                costs: Math.max(0, ...(model.options[v] as Option[]).map((option) => option.gain)),
                must: visit.must !== null,
                pinned: visit.pin !== null,
              },
            ],
      )
      .sort((a, b) => Number(b.must) - Number(a.must) || b.costs - a.costs),
    slots: input.pools.flatMap((pool, p) =>
      input.slots.map((slot, t) => {
        const place = board.placeOf({ pool: p, slot: t });
        return {
          slotId: slot.id,
          poolId: pool.id,
          needed: board.usedIn(place),
          workable: model.room[place] as number,
          plots: board.plotsIn(place),
        };
      }),
    ),
    lateness: board.lateness(),
    points: allLeft + gain,
    allLeft,
    bound: allLeft + gain + over,
    gap: over < 1e-9 || gain + over <= 0 ? 0 : over / (gain + over),
  });
}
