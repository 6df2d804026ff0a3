// People who work together: when they work, and what they can do and carry.
import { z } from 'zod';
import { localDay } from '../measure/index';
import { issueOf, refusal, refusing } from '../refusal/index';
import { skills } from './shapes';

export const Crew = z
  .strictObject({
    id: z.string().min(1).max(64),
    name: z.string().trim().min(1, refusing('noName')).max(80),
    people: z.number().int().min(1).max(50),
    ladders: z.number().int().min(0).max(50),
    skills: z.array(z.enum(skills)).max(skills.length),
    weekdays: z.array(z.number().int().min(1).max(7)).max(7).describe('1 is Monday'),
    fromHour: z.number().int().min(0).max(23).describe('local hour at which they begin'),
    toHour: z.number().int().min(1).max(24).describe('and at which they stop'),
    daysOff: z.array(localDay).max(120),
  })
  .superRefine(({ fromHour, toHour }, context) => {
    if (toHour <= fromHour) context.addIssue(issueOf(['toHour'], refusal('stopsBeforeBegins')));
  })
  .meta({ id: 'Crew' });
export type Crew = z.infer<typeof Crew>;

/** Does the crew work then? @param weekday 1 is Monday @param hourOfDay local */
export function works(
  { weekdays, fromHour, toHour, daysOff }: Crew,
  day: string,
  weekday: number,
  hourOfDay: number,
): boolean {
  return weekdays.includes(weekday) && !daysOff.includes(day) && hourOfDay >= fromHour && hourOfDay < toHour;
}
