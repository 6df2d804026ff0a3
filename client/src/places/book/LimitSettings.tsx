// From which measure on wood is misplaced: the site’s own limits, each with where it starts and how sure that is.

import { Limits, startingLimits, thresholds } from '@mortisect/core/faults';
import { useSay } from '../../data/useSay';
import { Folded } from './Folded';
import { SettingGroup } from './SettingGroup';
import type { SiteControl } from './siteForm';

export function LimitSettings({ control }: { control: SiteControl }) {
  const say = useSay();
  return (
    <Folded title={say('book.limitsOfShape', { thresholds: thresholds.length })}>
      <SettingGroup control={control} name="limits" schema={Limits} starting={startingLimits()} />
    </Folded>
  );
}
