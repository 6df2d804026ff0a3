// The server has a newer app than the one that runs here: said at the top, until somebody has a moment for it.

import { useState } from 'react';
import { useOutbox } from '../../data/outbox';
import { useSay } from '../../data/useSay';
import { reloadToNewest, useIsOutdated } from '../../data/version';
import { Button } from '../../ui/Button';
import { TopBar } from '../../ui/TopBar';
import { Label } from '../../ui/type';

export function NewVersion() {
  const say = useSay();
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
        {say('shared.aNewerVersionIsHere', {
          more: waiting > 0 ? say('shared.whatWaitsToBeSentStaysOn') : '',
        })}
      </Label>
      <Button kind="quiet" disabled={reloading} onPress={reload}>
        {reloading ? say('shared.reloading') : say('shared.reload')}
      </Button>
    </TopBar>
  );
}
