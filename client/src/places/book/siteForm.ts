// The site as it is typed: numbers are text until they are saved, so that nothing half typed is lost.

import { Site } from '@mortisect/core/records';
import type { Say } from '@mortisect/words';
import type { Control } from 'react-hook-form';
import { z } from 'zod';
import { spoken } from '../../data/spoken';

const decimal = (say: Say, least: number, most: number, unit: string) =>
  z
    .string()
    .trim()
    .transform((text, context) => {
      const value = Number(text.replace(',', '.'));
      if (text !== '' && Number.isFinite(value) && value >= least && value <= most) return value;
      context.addIssue({ code: 'custom', message: say('book.aNumberFromTo', { least, most, unit }) });
      return z.NEVER;
    });

export const siteFormIn = (say: Say) =>
  spoken(
    say,
    z.object({
      ...Site.shape,
      latitude: decimal(say, -90, 90, say('book.degreesSouthNegative')),
      longitude: decimal(say, -180, 180, say('book.degreesWestNegative')),
      twelveBearingDeg: decimal(say, 0, 359.9, say('book.degrees')),
    }),
  );
export type SiteForm = z.input<ReturnType<typeof siteFormIn>>;

export function formOf(site: Site): SiteForm {
  const { latitude, longitude, twelveBearingDeg } = site;
  return {
    ...site,
    latitude: String(latitude),
    longitude: String(longitude),
    twelveBearingDeg: String(twelveBearingDeg),
  };
}

export type SiteControl = Control<SiteForm, unknown, Site>;
