// What somebody has said of a visit: on those days and by that crew, not before a day, or not this season. As plain data.
import { z } from 'zod';
import { localDay } from '../measure/index';
import { issueOf, refusal } from '../refusal/index';

export const halves = ['morning', 'afternoon'] as const;
export type Half = (typeof halves)[number];

const Fixed = z
  .strictObject({
    is: z.literal('fixed'),
    from: localDay.nullable().describe('first of the days; null: whichever day'),
    to: localDay.nullable().describe('last of them'),
    half: z.enum(halves).nullable().describe('of a single day; null: either'),
    crewId: z.string().min(1).max(64).nullable().describe('null: whoever'),
  })
  .superRefine(({ from, to, half, crewId }, context) => {
    if ((from === null) !== (to === null) || (from === null && crewId === null))
      context.addIssue(issueOf([from === null ? 'from' : 'to'], refusal('nothingFixed')));
    if (from !== null && to !== null && to < from)
      context.addIssue(issueOf(['to'], refusal('lastDayBeforeFirst')));
    if (half !== null && (from === null || from !== to))
      context.addIssue(issueOf(['half'], refusal('halfOfNoDay')));
  });

export const VisitWish = z
  .discriminatedUnion('is', [
    z.strictObject({ is: z.literal('open').describe('whatever was said before holds no more') }),
    Fixed,
    z.strictObject({ is: z.literal('not before'), day: localDay }),
    z.strictObject({
      is: z.literal('left'),
      until: localDay.describe('it is shared out again after this day, before others'),
      reason: z.string().trim().min(1).max(200),
    }),
  ])
  .meta({ id: 'VisitWish' });
export type VisitWish = z.infer<typeof VisitWish>;

interface Days {
  from: string;
  to: string;
  half: Half | null;
}

/** Does somebody come on one of the days that were fixed, when they come then? Days without an end are any. */
export function isOnDays(wish: Extract<VisitWish, { is: 'fixed' }>, { from, to, half }: Days): boolean {
  if (wish.from !== null && to < wish.from) return false;
  if (wish.to !== null && from > wish.to) return false;
  return wish.half === null || half === null || half === wish.half;
}
