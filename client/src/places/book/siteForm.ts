// The site as it is typed: numbers are text until they are saved, so that nothing half typed is lost.
import { Site } from '@mortisect/core/records';
import type { Control } from 'react-hook-form';
import { z } from 'zod';

const decimal = (least: number, most: number, unit: string) =>
  z
    .string()
    .trim()
    .transform((text, context) => {
      const value = Number(text.replace(',', '.'));
      if (text !== '' && Number.isFinite(value) && value >= least && value <= most) return value;
      context.addIssue({ code: 'custom', message: `A number from ${least} to ${most} ${unit}.` });
      return z.NEVER;
    });

export const SiteForm = z.object({
  ...Site.shape,
  latitude: decimal(-90, 90, 'degrees, south negative'),
  longitude: decimal(-180, 180, 'degrees, west negative'),
  twelveBearingDeg: decimal(0, 359.9, 'degrees'),
});
export type SiteForm = z.input<typeof SiteForm>;

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
