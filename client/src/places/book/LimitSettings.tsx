// From which measure on wood is misplaced: the site’s own limits, each with where it starts and how sure that is.
import { Limits, startingLimits, thresholds } from '@mortisect/core/faults';
import { Controller } from 'react-hook-form';
import { SettingFields } from '../../ui/SettingFields';
import { Folded } from './Folded';
import type { SiteControl } from './siteForm';

export function LimitSettings({ control }: { control: SiteControl }) {
  return (
    <Folded title={`Limits of shape (${thresholds.length})`}>
      <Controller
        control={control}
        name="limits"
        render={({ field }) => (
          <SettingFields
            schema={Limits}
            value={field.value as Limits}
            starting={startingLimits()}
            onChange={field.onChange}
          />
        )}
      />
    </Folded>
  );
}
