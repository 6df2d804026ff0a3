import { Slot, useGlobalSearchParams, usePathname } from 'expo-router';
import { RoundList } from '../../src/places/round/RoundList';
import { Screen } from '../../src/ui/Screen';
import { Split } from '../../src/ui/Split';
import { Body } from '../../src/ui/type';

/** The register and the limb map take the whole width. */
const WHOLE = /^\/round\/(register|[^/]+\/map)/;

export default function RoundLayout() {
  const { treeId } = useGlobalSearchParams<{ treeId?: string }>();
  const path = usePathname();
  if (WHOLE.test(path)) return <Slot />;
  return (
    <Split
      list={<RoundList {...(treeId && { openId: treeId })} />}
      work={path !== '/round' ? <Slot /> : null}
      idle={
        <Screen title="Round">
          <Body>
            Choose a tree from the list. Its limbs stand on the crown clock, the chosen limb on its tape.
          </Body>
        </Screen>
      }
    />
  );
}
