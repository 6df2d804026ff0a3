// The server has a newer app than the one that runs here: said at the top, until somebody has a moment for it.
import { useState } from 'react';
import { useOutbox } from '../../data/outbox';
import { reloadToNewest, useIsOutdated } from '../../data/version';
import { Button } from '../../ui/Button';
import { TopBar } from '../../ui/TopBar';
import { Label } from '../../ui/type';

export function NewVersion() {
  const isOutdated = useIsOutdated();
  const waiting = useOutbox(({ items }) => items.length);
  const [reloading, setReloading] = useState(false);
  if (!isOutdated) return null;
  const reload = () => {
    setReloading(true);
    void reloadToNewest();
  };
  return (
    <TopBar role="status">
      <Label flex={1}>
        {`A newer version is here.${waiting > 0 ? ' What waits to be sent stays on this device.' : ''}`}
      </Label>
      <Button kind="quiet" disabled={reloading} onPress={reload}>
        {reloading ? 'Reloading …' : 'Reload'}
      </Button>
    </TopBar>
  );
}
