// One group of the site’s settings, asked for as its schema says.
import { Controller } from 'react-hook-form';
import type { z } from 'zod';
import { SettingFields } from '../../ui/SettingFields';
import type { SiteControl } from './siteForm';

interface SettingGroupProps {
  control: SiteControl;
  name: 'debris' | 'rechecks' | 'limits' | 'seasonWorth';
  schema: z.ZodObject;
  /** Where each of them starts, where that is said. */
  starting?: object;
}

export function SettingGroup({ control, name, ...asked }: SettingGroupProps) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field }) => (
        <SettingFields<object> {...asked} value={field.value as object} onChange={field.onChange} />
      )}
    />
  );
}
