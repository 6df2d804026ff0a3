// From which measure on wood is misplaced: the site’s own limits, each with where it starts and how sure that is.
import { Limits, startingLimits, thresholds } from '@mortisect/core/faults';
import { Folded } from './Folded';
import { SettingGroup } from './SettingGroup';
import type { SiteControl } from './siteForm';

export function LimitSettings({ control }: { control: SiteControl }) {
  return (
    <Folded title={`Limits of shape (${thresholds.length})`}>
      <SettingGroup control={control} name="limits" schema={Limits} starting={startingLimits()} />
    </Folded>
  );
}
