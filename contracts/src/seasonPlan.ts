// The season of a site as it is shared out, on the wire.
import { CampaignPlan, Crew, halves, VisitWish } from '@mortisect/core/campaign';
import { localDay } from '@mortisect/core/measure';
import { passes } from '@mortisect/core/plan';
import { moment, TreeId } from '@mortisect/core/records';
import { lapses, Move, visitKinds, waitings } from '@mortisect/core/rota';
import { laneIds } from '@mortisect/core/timing';
import { z } from 'zod';

const minutes = z
  .tuple([z.number(), z.number(), z.number()])
  .describe(
    'of one of the crew: a tenth of past years below, their mean, nine tenths below; by the forecast three times the same',
  );

const ofVisit = {
  treeId: TreeId,
  kind: z.enum(visitKinds),
  code: z.string().describe('tag of its tree'),
  job: z.object({ job: z.string(), title: z.string().optional() }).optional().describe('which job it is'),
};
const days = {
  from: localDay,
  to: localDay,
  half: z.enum(halves).nullable().describe('null: a week'),
};

const brings = {
  points: z.number(),
  visits: z.number().int().describe('so many more are made'),
  minutes: z.number().describe('of work that is done more'),
};

export const SeasonWhatIf = z.object(brings).meta({ id: 'SeasonWhatIf' });
export type SeasonWhatIf = z.infer<typeof SeasonWhatIf>;

const span = z.object({ from: localDay, to: localDay });

export const SeasonPlan = z
  .object({
    now: moment,
    siteRevision: z.number().int(),
    crews: z.array(Crew),
    paces: z
      .record(z.string(), z.number())
      .describe('minutes that each crew takes for a minute of everybody together, as it was set or measured'),
    state: z
      .enum(['planned', 'nobody works', 'nothing to do', 'no weather'])
      .describe('what stands in the way of a plan, if anything'),
    isFirst: z
      .boolean()
      .describe('it was made at once: a better one, and what more hands would bring, is to be had'),
    unplanned: z.number().int().describe('trees with open work that have no plan of their own yet'),
    shared: z
      .object({
        slots: z.array(
          z.object({
            id: z.string(),
            ...days,
          }),
        ),
        workable: z.array(z.array(minutes)).describe('by crew, then by slot'),
        lanes: z
          .array(
            z.object({
              lane: z.enum(laneIds),
              species: z.array(z.string()),
              school: span.describe('season of the school that the site goes by'),
              summer: span
                .nullable()
                .describe('of summer cuts; null where that is the school, or nothing is told'),
            }),
          )
          .describe('when each kind of wood has its season'),
        visits: z.array(
          z.object({
            id: z.string().describe('the tree’s own for its pass at hand'),
            ...ofVisit,
            plotId: z.string(),
            minutes: z
              .number()
              .describe('of work at the tree, as everywhere; the way to it is in what a slot needs'),
            points: z.number().describe('that the visit brings by the plan of its tree'),
            must: z.boolean(),
            ladder: z.boolean(),
            late: z.boolean().describe('its day comes after the last of its school'),
            below: z
              .number()
              .describe('points that its day brings less than the best of its days; 0 where it is left'),
            worth: z
              .array(z.number().nullable())
              .describe(
                'points on each half-day and week, null where it cannot be; empty for large orchards',
              ),
            skip: z.number().describe('points when it is left'),
            waits: z
              .array(z.object({ why: z.enum(waitings), points: z.number() }))
              .describe('points that it loses by waiting for its day, or for a year where it is left'),
            wish: VisitWish.nullable().describe('what somebody has said of it'),
          }),
        ),
        leftByChoice: z.array(
          z.object({
            visitId: z.string(),
            ...ofVisit,
            plotId: z.string(),
            until: localDay,
            reason: z.string(),
            costs: z.number(),
            must: z.boolean(),
          }),
        ),
        lapsed: z
          .array(z.object({ visitId: z.string(), why: z.enum(lapses) }))
          .describe('what was said of them holds no more: they are planned like others'),
        later: z
          .array(
            z.object({
              pass: z.enum(passes),
              season: z.number().int(),
              firstYear: z
                .number()
                .int()
                .describe('the calendar year in which the winter of season 1 begins'),
              trees: z.number().int(),
              minutes: z.number(),
            }),
          )
          .describe('passes beyond the season, first to last: renovations hold their years'),
        arborist: z.object({
          asks: z
            .object({
              codes: z.array(z.string()).describe('trees with cuts that only an arborist may make'),
              day: z.object(days).nullable().describe('that suits the most of them; null: none does'),
              suits: z.number().int().describe('so many of them'),
            })
            .nullable(),
          booked: z.array(z.object({ treeId: TreeId, code: z.string(), on: localDay })),
        }),
        moved: z
          .object({
            at: moment,
            points: z.number().describe('that the plan brings more than the one of before, over leaving all'),
            moves: z.array(Move.extend(ofVisit)),
          })
          .nullable()
          .describe('what was different when it was shared out anew the last time; null: nothing yet'),
        plan: CampaignPlan,
        prices: z.array(z.array(z.number())).describe('points that one more minute brings, by crew and slot'),
        played: z
          .array(z.object({ left: z.array(z.string()), doneBy: localDay.nullable(), points: z.number() }))
          .describe('the plan in the weather of each past year, the last first'),
        yearsSimulated: z.boolean(),
        known: z
          .array(z.object({ points: z.number(), knowing: z.number() }))
          .describe(
            'of the last years: points by the plan, and by one that knew the weather; empty for large orchards',
          ),
        oneMore: z
          .array(
            z.object({
              crewId: z.string(),
              of: z.enum(['person', 'ladder']),
              ...brings,
            }),
          )
          .describe('what one more in a crew brings, all season: planned again; empty for large orchards'),
      })
      .nullable(),
  })
  .meta({ id: 'SeasonPlan' });
export type SeasonPlan = z.infer<typeof SeasonPlan>;

export const SeasonToday = z
  .object({
    day: localDay,
    madeAt: moment.nullable().describe('when it was shared out; null: never yet'),
    isAnew: z.boolean().describe('it is of another day, and is shared out anew meanwhile'),
    halfDays: z.array(
      z.object({
        half: z.enum(halves),
        crewId: z.string(),
        crew: z.string(),
        treeIds: z.array(TreeId),
      }),
    ),
  })
  .meta({ id: 'SeasonToday' });
export type SeasonToday = z.infer<typeof SeasonToday>;
