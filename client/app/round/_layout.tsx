import { Slot, useGlobalSearchParams, usePathname } from 'expo-router';
import { RoundList } from '../../src/places/round/RoundList';
import { Bounded } from '../../src/places/shell/PlaceError';
import { Split } from '../../src/ui/Split';

/** The register and the limb map take the whole width. */
const WHOLE = /^\/round\/(register|[^/]+\/map)/;

export default function RoundLayout() {
  const { treeId } = useGlobalSearchParams<{ treeId?: string }>();
  return (
    <Split
      whole={WHOLE.test(usePathname())}
      list={
        <Bounded>
          <RoundList {...(treeId && { openId: treeId })} />
        </Bounded>
      }
      work={<Slot />}
    />
  );
}
