// People who work together: when they work, and what they can do and carry.
import { z } from 'zod';
import { localDay } from '../measure/index';
import { issueOf, refusal, refusing } from '../refusal/index';
import { skills } from './shapes';

/** Three times as fast as all together, and three times as slow: beyond it somebody has mistyped. */
export const LEAST_PACE = 0.33;
export const MOST_PACE = 3;

export const Crew = z
  .strictObject({
    id: z.string().min(1).max(64),
    name: z.string().trim().min(1, refusing('noName')).max(80),
    people: z.number().int().min(1).max(50),
    ladders: z.number().int().min(0).max(50),
    poles: z
      .number()
      .int()
      .min(0)
      .max(50)
      .default(1)
      .describe('pole saws and pole shears; with none the crew does no work that is planned with one'),
    skills: z.array(z.enum(skills)).max(skills.length),
    weekdays: z.array(z.number().int().min(1).max(7)).max(7).describe('1 is Monday'),
    fromHour: z.number().int().min(0).max(23).describe('local hour at which they begin'),
    toHour: z.number().int().min(1).max(24).describe('and at which they stop'),
    daysOff: z.array(localDay).max(120),
    from: localDay.nullable().default(null).describe('their first day here; null: they are here already'),
    to: localDay.nullable().default(null).describe('their last day; null: they stay'),
    pace: z
      .number()
      .min(LEAST_PACE)
      .max(MOST_PACE)
      .nullable()
      .default(null)
      .describe('minutes that they take for a minute of everybody together; null: as their runs say'),
  })
  .superRefine(({ fromHour, toHour, from, to }, context) => {
    if (toHour <= fromHour) context.addIssue(issueOf(['toHour'], refusal('stopsBeforeBegins')));
    if (from !== null && to !== null && to < from)
      context.addIssue(issueOf(['to'], refusal('lastDayBeforeFirst')));
  })
  .meta({ id: 'Crew' });
export type Crew = z.infer<typeof Crew>;

/** Does the crew work then? @param weekday 1 is Monday @param hourOfDay local */
export function works(
  { weekdays, fromHour, toHour, daysOff, from, to }: Crew,
  day: string,
  weekday: number,
  hourOfDay: number,
): boolean {
  const isHere = (from === null || day >= from) && (to === null || day <= to);
  const isDay = isHere && weekdays.includes(weekday) && !daysOff.includes(day);
  return isDay && hourOfDay >= fromHour && hourOfDay < toHour;
}
