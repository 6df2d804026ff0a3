// The limb map of one tree: a first map in one step, by the clock, from photos or by aiming; then drawn right on the clock and the ladder.

import { type SiteToday, treeView } from '@mortisect/core/present';
import type { TreeDetail } from '@mortisect/core/records';
import { type MeasuredLimb, type RangedWood, withMeasured } from '@mortisect/core/survey';
import { joinBundles, withGivenNames } from '@mortisect/core/tree';
import { useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { useTree } from '../../data/queries';
import { dropPictures } from '../../data/surveyPictures';
import { useClock } from '../../data/useClock';
import { useSay } from '../../data/useSay';
import { useToday } from '../../data/useToday';
import { useSaveLimbs } from '../../data/writes';
import { Button } from '../../ui/Button';
import { useBackLayer } from '../../ui/backStack';
import { Failed } from '../../ui/Failed';
import { useLeaveGuard } from '../../ui/leaveGuard';
import { Notice } from '../../ui/Notice';
import { SaveButton } from '../../ui/SaveButton';
import { Screen } from '../../ui/Screen';
import { Tabs } from '../../ui/Tabs';
import { useBase } from '../../ui/useBase';
import { Waiting } from '../../ui/Waiting';
import { ByAiming } from './ByAiming';
import { ByClock, clockMap, useClockDraft } from './ByClock';
import { FromPictures } from './FromPictures';
import { MapEditor } from './MapEditor';
import { forgetMapDrafts, keepMapDraft, type MapDraft, useMapDrafts } from './mapDraft';
import { Starter } from './Starter';
import { useAiming } from './useAiming';
import { useMapHistory } from './useMapHistory';
import { useSurvey } from './useSurvey';

export function MapTree({ treeId }: { treeId: string }) {
  const say = useSay();
  const { data, error, refetch } = useTree(treeId);
  const today = useToday();
  // As it was left; what is kept while it is drawn does not come back to it
  const [left] = useState(() => useMapDrafts.getState().maps[treeId] ?? null);
  if (!data || !today) return <Waiting title={say('round.limbMap')} error={error} onRetry={refetch} />;
  return <Drawing detail={data} today={today} left={left} />;
}

const WAYS = ['usual', 'clock', 'pictures', 'aiming'] as const;
type Way = (typeof WAYS)[number];
const WAY_WORDS = {
  usual: 'round.wayUsual',
  clock: 'round.wayClock',
  pictures: 'round.wayPictures',
  aiming: 'round.wayAiming',
} as const;

interface DrawingProps {
  detail: TreeDetail;
  today: SiteToday;
  left: MapDraft | null;
}

function Drawing({ detail, today, left }: DrawingProps) {
  const say = useSay();
  const router = useRouter();
  const clock = useClock();
  const saving = useSaveLimbs();
  const view = treeView(detail, today);
  const { tree } = detail;
  const history = useMapHistory(joinBundles(view.limbs), left?.limbs ?? null);
  const isBare = history.limbs.length === 1 && view.findings.length === 0;
  const [way, setWay] = useState<Way | null>(() => (isBare ? begunWay(tree.id) : null));
  const base = useBase(detail.limbsRevision, history.begun);
  const limbsRevision = left && history.isLeft ? left.baseRevision : base;
  useEffect(() => {
    if (history.begun)
      keepMapDraft(
        'maps',
        tree.id,
        history.changed ? { baseRevision: limbsRevision, limbs: history.limbs } : null,
      );
  }, [history.begun, history.changed, history.limbs, limbsRevision, tree.id]);
  const forget = () => {
    forgetMapDrafts(tree.id);
    void dropPictures(tree.id);
  };
  const back = () => router.replace(`/round/${tree.id}`);
  const leaving = useLeaveGuard(history.changed, say('round.theLimbMap'), { onLost: forget, isKept: true });
  // From the map that is drawn one goes back to it; who has none yet leaves the page
  useBackLayer(way !== null && !isBare, () => setWay(null));
  const twelve = today.site.twelveBearingDeg;
  const save = () =>
    saving.mutate(
      {
        treeId: tree.id,
        baseRevision: limbsRevision,
        surveyedAt: clock(),
        limbs: withGivenNames(history.limbs, twelve, detail.limbs),
      },
      {
        onSuccess: () => {
          forget();
          leaving.leave(back);
        },
      },
    );
  const onBack = isBare ? () => leaving.ask(back) : () => setWay(null);
  const onMap = (found: readonly MeasuredLimb[], stem: Pick<RangedWood, 'lengthCm'> | null) => {
    history.change(withMeasured(history.limbs, found, stem));
    setWay(null);
  };
  return (
    <Screen
      key={way === null ? 'map' : 'way'}
      title={tree.code}
      subtitle={
        way === null
          ? say('round.limbMapLimbs', { limbs: history.limbs.length })
          : say(isBare ? 'round.aFirstLimbMap' : 'round.moreLimbs')
      }
      width="full"
      actions={
        way === null ? (
          <>
            <Button onPress={() => leaving.ask(back)}>{say('shared.cancel')}</Button>
            <SaveButton kind="main" disabled={!history.changed} saving={saving.isPending} onSave={save}>
              {say('round.saveTheLimbMap')}
            </SaveButton>
          </>
        ) : way === 'usual' ? null : (
          <WayActions
            way={way}
            detail={detail}
            today={today}
            onBack={onBack}
            onClock={(limbs) => {
              history.change(limbs);
              setWay(null);
            }}
            onMap={onMap}
          />
        )
      }
    >
      <Failed title={say('shared.notSavedYet')} error={saving.error} />
      {leaving.question}
      {way === null && history.isLeft ? (
        <Notice
          kind="said"
          action={
            <Button
              onPress={() => {
                forget();
                history.forget();
              }}
            >
              {say('round.mapAsOnRecord')}
            </Button>
          }
        >
          {say('round.mapLeftHalfDone')}
        </Notice>
      ) : null}
      {way === null ? (
        <MapEditor
          tree={tree}
          today={today}
          history={history}
          findings={view.findings}
          onStartAnew={() => setWay('usual')}
          onWay={setWay}
        />
      ) : (
        <>
          <Tabs
            label={say('round.ways')}
            value={way}
            options={waysFor(view.findings.length > 0).map((value) => ({
              value,
              label: say(WAY_WORDS[value]),
            }))}
            onChange={setWay}
          />
          {way === 'usual' ? (
            <Starter
              tree={tree}
              onBack={onBack}
              onDraw={(limbs) => {
                history.change(limbs);
                setWay(null);
              }}
            />
          ) : null}
          {way === 'clock' ? <ByClock tree={tree} /> : null}
          {way === 'pictures' ? <FromPictures tree={tree} twelveBearingDeg={twelve} /> : null}
          {way === 'aiming' ? <ByAiming detail={detail} twelveBearingDeg={twelve} /> : null}
        </>
      )}
    </Screen>
  );
}

/** Findings lie on limbs that are mapped: those stay, and others can be added. */
const waysFor = (hasFindings: boolean) => (hasFindings ? (['pictures', 'aiming'] as const) : WAYS);

/** Where somebody left off who has no map yet. */
function begunWay(treeId: string): Way {
  const { surveys, aimings, clocks } = useMapDrafts.getState();
  if (surveys[treeId]) return 'pictures';
  if (aimings[treeId]) return 'aiming';
  return clocks[treeId] ? 'clock' : 'usual';
}

interface WayActionsProps {
  way: Exclude<Way, 'usual'>;
  detail: TreeDetail;
  today: SiteToday;
  onBack(): void;
  onClock(limbs: ReturnType<typeof clockMap>): void;
  onMap(found: readonly MeasuredLimb[], stem: Pick<RangedWood, 'lengthCm'> | null): void;
}

/** Back, and what is measured put on the map. The usual form has its own buttons beside its drawing. */
function WayActions({ way, detail: { tree }, today, onBack, onClock, onMap }: WayActionsProps) {
  const say = useSay();
  const { draft } = useClockDraft(tree.id);
  const survey = useSurvey(tree.id);
  const aiming = useAiming(tree.id, today.site.twelveBearingDeg);
  const limbs = way === 'pictures' ? survey.limbs : way === 'aiming' ? aiming.limbs : draft.limbs;
  const put = () => {
    if (way === 'clock') onClock(clockMap(tree, draft, Number(today.day.slice(0, 4))));
    else if (way === 'pictures') onMap(survey.limbs, survey.found.stem);
    else onMap(aiming.limbs, null);
  };
  return (
    <>
      <Button onPress={onBack}>{say('shared.back')}</Button>
      <SaveButton kind="main" disabled={limbs.length === 0} onSave={put}>
        {say('round.putOnMap', { limbs: limbs.length })}
      </SaveButton>
    </>
  );
}
