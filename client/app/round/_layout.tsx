import { Slot, useGlobalSearchParams, usePathname } from 'expo-router';
import { useMemo } from 'react';
import { RoundList } from '../../src/places/round/RoundList';
import { Bounded } from '../../src/places/shell/PlaceError';
import { Split } from '../../src/ui/Split';

/** The register and the limb map take the whole width. */
const WHOLE = /^\/round\/(register|[^/]+\/map)/;

/** Made once: whoever walks to another place does not draw the pages of this one anew on the way out. */
const PAGES = <Slot />;

export default function RoundLayout() {
  const { treeId } = useGlobalSearchParams<{ treeId?: string }>();
  const list = useMemo(
    () => (
      <Bounded>
        <RoundList {...(treeId && { openId: treeId })} />
      </Bounded>
    ),
    [treeId],
  );
  return <Split whole={WHOLE.test(usePathname())} list={list} work={PAGES} />;
}
