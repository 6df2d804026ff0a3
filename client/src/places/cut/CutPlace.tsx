// The saw-side run: before the first cut, one card a step, and the close-down.

import type { RunItem } from '@mortisect/core/run';
import { useMemo, useState } from 'react';
import { useScreenAwake } from '../../data/awake';
import { isBeingRead, useReadTrees, useTiming, useTree } from '../../data/queries';
import { useBriefly } from '../../data/useBriefly';
import { useSay } from '../../data/useSay';
import { viewOf } from '../../data/views';
import { Waiting } from '../../ui/Waiting';
import { Before } from './Before';
import { CleanCard } from './CleanCard';
import { CloseDown } from './CloseDown';
import { CutCard } from './CutCard';
import { GoCard } from './GoCard';
import { Paused } from './Paused';
import { ReadCard } from './ReadCard';
import { StandBackCard } from './StandBackCard';
import { StopCard } from './StopCard';
import { type RunHere, useRun } from './useRun';
import { WetCard } from './WetCard';

type Awake = ReturnType<typeof useScreenAwake>;

export function CutPlace() {
  const say = useSay();
  const { here, says, error, refetch } = useRun();
  const open = here?.run.open;
  const awake = useScreenAwake(open != null && open.paused === null);
  // What can be cut now hangs on the weather; in a run it is only told of
  const isSoon = useBriefly(isBeingRead(useTiming()));
  const is = here?.run.card.is;
  // A run is made from the plans of all its trees; a plan of before names no cut for what was found since, so nothing is over yet
  if (!here || (is === 'before' && isSoon) || (is === 'close' && !here.planned))
    return <Waiting title={say('shared.cut')} says={says} error={error} onRetry={refetch} />;
  return <Due here={here} awake={awake} />;
}

/** So many trees ahead are read onto the device: signal may be gone there. */
const AHEAD = 30;

function Due({ here, awake }: { here: RunHere; awake: Awake }) {
  const { run, today } = here;
  const { card, item, open } = run;
  const ahead = useMemo(
    () => (open ? run.stops.slice(0, AHEAD).map(({ tree }) => tree.id) : []),
    [open, run.stops],
  );
  useReadTrees(ahead);
  const [ending, setEnding] = useState<string | null>(null);
  if (card.is === 'before') return <Before here={here} />;
  if (card.is === 'paused') {
    if (open && ending === open.id) return <CloseDown here={here} onBack={() => setEnding(null)} />;
    return <Paused {...{ run, today, by: card.by, at: card.at }} onEnd={() => setEnding(open?.id ?? null)} />;
  }
  if (card.is === 'read') return <ReadCard key={card.cutId} here={here} card={card} />;
  if (card.is === 'stand back') return <StandBackCard key={card.cutId} here={here} card={card} />;
  if (card.is === 'close' || !item) return <CloseDown here={here} />;
  return <AtTree here={here} item={item} awake={awake} />;
}

/** At the tree its records say more than the list: the limbs, and what is kept in mind for the cut. */
function AtTree({ here, item, awake }: { here: RunHere; item: RunItem; awake: Awake }) {
  const say = useSay();
  const { run, today } = here;
  const { card, blade } = run;
  const [choosing, onChoosing] = useState(false);
  const { data, error, refetch } = useTree(item.tree.id);
  const view = data && viewOf(data, today);
  const limb = view?.limbs.find(({ id }) => id === item.limbId);
  // One of both is read anew where they do not agree
  if (!view || !limb || item.atCm >= limb.lengthCm)
    return <Waiting title={say('shared.cut')} error={view ? null : error} onRetry={refetch} />;
  const frame = { run, item, view, today, blade, awake, choosing, onChoosing };
  switch (card.is) {
    case 'stop':
      return <StopCard {...frame} key={item.id} why={card.why} ways={card.ways} />;
    case 'clean':
      return <CleanCard {...frame} key={`clean ${item.id}`} why={card.why} />;
    case 'wet':
      return <WetCard {...frame} key={`wet ${item.id}`} until={card.until} />;
    case 'go':
      return <GoCard {...frame} key={`go ${item.id}`} />;
    case 'cut':
      return <CutCard {...frame} key={item.id} />;
    default:
      return null;
  }
}
