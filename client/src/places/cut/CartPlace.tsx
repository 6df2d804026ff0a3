// Where the cart goes out: the run ends there.

import { usePreferences } from '../../data/preferences';
import { useTrees } from '../../data/queries';
import { useSay } from '../../data/useSay';
import { Select } from '../../ui/Select';

const ANYWHERE = '';

export function CartPlace() {
  const say = useSay();
  const register = useTrees().data;
  const cartAt = usePreferences((preferences) => preferences.cartAt);
  if (!register || register.rows.length === 0) return null;
  const plotOf = new Map(register.plots.map(({ id, name }) => [id, name]));
  return (
    <Select
      label={say('cut.finishTheRunAt')}
      value={cartAt ?? ANYWHERE}
      options={[
        { value: ANYWHERE, label: say('cut.anywhere') },
        ...register.rows.flatMap(({ id, plotId, name }) => [
          { value: `${id} first`, label: say('cut.firstTreeOf', { name, get: plotOf.get(plotId) ?? '' }) },
          { value: `${id} last`, label: say('cut.lastTreeOf', { name, get: plotOf.get(plotId) ?? '' }) },
        ]),
      ]}
      onChange={(value) => usePreferences.setState({ cartAt: value === ANYWHERE ? null : value })}
      hint={say('cut.theRunEndsThereWithTheInfected')}
    />
  );
}
