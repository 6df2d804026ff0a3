// The limb map of one tree: a first map in one step, then drawn right on the clock and the ladder.

import { type SiteToday, treeView } from '@mortisect/core/present';
import type { TreeDetail } from '@mortisect/core/records';
import { joinBundles, withGivenNames } from '@mortisect/core/tree';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useTree } from '../../data/queries';
import { useClock } from '../../data/useClock';
import { useSay } from '../../data/useSay';
import { useToday } from '../../data/useToday';
import { useSaveLimbs } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Failed } from '../../ui/Failed';
import { useLeaveGuard } from '../../ui/leaveGuard';
import { SaveButton } from '../../ui/SaveButton';
import { Screen } from '../../ui/Screen';
import { useBase } from '../../ui/useBase';
import { Waiting } from '../../ui/Waiting';
import { MapEditor } from './MapEditor';
import { Starter } from './Starter';
import { useMapHistory } from './useMapHistory';

export function MapTree({ treeId }: { treeId: string }) {
  const say = useSay();
  const { data, error, refetch } = useTree(treeId);
  const today = useToday();
  if (!data || !today) return <Waiting title={say('round.limbMap')} error={error} onRetry={refetch} />;
  return <Drawing detail={data} today={today} />;
}

function Drawing({ detail, today }: { detail: TreeDetail; today: SiteToday }) {
  const say = useSay();
  const router = useRouter();
  const clock = useClock();
  const saving = useSaveLimbs();
  const view = treeView(detail, today);
  const history = useMapHistory(joinBundles(view.limbs));
  const [starting, setStarting] = useState(view.limbs.length === 1 && view.findings.length === 0);
  const limbsRevision = useBase(detail.limbsRevision, history.begun);
  const { tree } = detail;
  const back = () => router.replace(`/round/${tree.id}`);
  const leaving = useLeaveGuard(history.changed, say('round.theLimbMap'));
  const twelve = today.site.twelveBearingDeg;
  const save = () =>
    saving.mutate(
      {
        treeId: tree.id,
        baseRevision: limbsRevision,
        surveyedAt: clock(),
        limbs: withGivenNames(history.limbs, twelve, detail.limbs),
      },
      { onSuccess: () => leaving.leave(back) },
    );
  return (
    <Screen
      title={tree.code}
      subtitle={
        starting ? say('round.aFirstLimbMap') : say('round.limbMapLimbs', { limbs: history.limbs.length })
      }
      width="full"
      actions={
        starting ? null : (
          <>
            <Button onPress={() => leaving.ask(back)}>{say('shared.cancel')}</Button>
            <SaveButton kind="main" disabled={!history.changed} saving={saving.isPending} onSave={save}>
              {say('round.saveTheLimbMap')}
            </SaveButton>
          </>
        )
      }
    >
      <Failed title={say('shared.notSavedYet')} error={saving.error} />
      {leaving.question}
      {starting ? (
        <Starter
          tree={tree}
          onBack={() => leaving.ask(back)}
          onDraw={(limbs) => {
            history.change(limbs);
            setStarting(false);
          }}
        />
      ) : (
        <MapEditor
          tree={tree}
          today={today}
          history={history}
          findings={view.findings}
          onStartAnew={() => setStarting(true)}
        />
      )}
    </Screen>
  );
}
