// Where the cart goes out: the run ends there.
import { usePreferences } from '../../data/preferences';
import { useTrees } from '../../data/queries';
import { Select } from '../../ui/Select';

const ANYWHERE = '';

export function CartPlace() {
  const register = useTrees().data;
  const cartAt = usePreferences((preferences) => preferences.cartAt);
  if (!register || register.rows.length === 0) return null;
  const plotOf = new Map(register.plots.map(({ id, name }) => [id, name]));
  return (
    <Select
      label="Finish the run at"
      value={cartAt ?? ANYWHERE}
      options={[
        { value: ANYWHERE, label: 'Anywhere' },
        ...register.rows.flatMap(({ id, plotId, name }) => [
          { value: `${id} first`, label: `First tree of ${name}, ${plotOf.get(plotId) ?? ''}` },
          { value: `${id} last`, label: `Last tree of ${name}, ${plotOf.get(plotId) ?? ''}` },
        ]),
      ]}
      onChange={(value) => usePreferences.setState({ cartAt: value === ANYWHERE ? null : value })}
      hint="The run ends there, with the infected trees last."
    />
  );
}
