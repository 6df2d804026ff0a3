// The saw-side run: before the first cut, one card a step, and the close-down.

import { useScreenAwake } from '../../data/awake';
import { useSay } from '../../data/useSay';
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

export function CutPlace() {
  const say = useSay();
  const { here, error, refetch } = useRun();
  const open = here?.run.open;
  const awake = useScreenAwake(open != null && open.paused === null);
  // A run is made from the plans of all its trees; a plan of before names no cut for what was found since, so nothing is over yet
  if (!here || (here.run.card.is === 'close' && !here.planned))
    return <Waiting title={say('shared.cut')} error={error} onRetry={refetch} />;
  return <Due here={here} awake={awake} />;
}

function Due({ here, awake }: { here: RunHere; awake: ReturnType<typeof useScreenAwake> }) {
  const { run, today } = here;
  const { card, item, blade } = run;
  if (card.is === 'before') return <Before here={here} />;
  if (card.is === 'paused') return <Paused run={run} today={today} by={card.by} at={card.at} />;
  if (card.is === 'read') return <ReadCard key={card.cutId} here={here} card={card} />;
  if (card.is === 'stand back') return <StandBackCard key={card.cutId} here={here} card={card} />;
  if (card.is === 'close' || !item) return <CloseDown here={here} />;
  const frame = { run, item, today, blade, awake };
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
  }
}
