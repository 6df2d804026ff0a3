// What the run has taken so far, and whether the screen is kept awake; and the way to pause.

import { debrisSums } from '@mortisect/core/aftercare';
import { agentOf, usedLitres, usualMethod } from '@mortisect/core/blades';
import { massReading } from '@mortisect/core/measure';
import type { SiteToday } from '@mortisect/core/present';
import type { Run } from '@mortisect/core/run';
import type { Say } from '@mortisect/words';
import { joined } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import type { useScreenAwake } from '../../data/awake';
import { useClock } from '../../data/useClock';
import { useSay } from '../../data/useSay';
import { useRecordAction } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Failed } from '../../ui/Failed';
import { Small } from '../../ui/type';
import { litresWords } from './runWords';

interface RunTotalsProps {
  run: Run;
  today: SiteToday;
  /** Null where it is not asked for. */
  awake: ReturnType<typeof useScreenAwake> | null;
}

const awakeWordsIn = (say: Say) => ({
  awake: say('cut.theScreenIsKeptAwake'),
  'not offered': say('cut.thisBrowserCannotKeepTheScreenAwake'),
  off: '',
});

export function RunTotals({ run, today, awake }: RunTotalsProps) {
  const say = useSay();
  const clock = useClock();
  const recording = useRecordAction();
  if (!run.open) return null;
  const pause = () => recording.record({ kind: 'runPaused', at: clock() });
  return (
    <View gap={8}>
      <Small>{totalsWords(say, run, today, clock())}</Small>
      {awake ? <Small>{awakeWordsIn(say)[awake]}</Small> : null}
      {run.open.paused ? null : (
        <View flexDirection="row">
          <Button onPress={pause} disabled={recording.isPending}>
            {say('cut.pauseTheRun')}
          </Button>
        </View>
      )}
      <Failed title={say('shared.notRecordedYet')} error={recording.error} />
    </View>
  );
}

/** “42 min · 3 cuts · 4 cleanings · 0.8 L · infected 3.1 kg, sound 12 kg”. */
export function totalsWords(say: Say, run: Run, { site, units }: SiteToday, now: string): string {
  const started = run.open?.startedAt ?? now;
  const minutes = workedMinutes(run, now);
  const agent = agentOf(site.agentId);
  const litres = usedLitres(usualMethod(agent), run.cleanings, minutes / 60);
  const sums = debrisSums(cutsAsDebris(run), site.debris).map(
    (sum) => `${sum.class} ${joined(say, massReading(sum.kg, units))}`,
  );
  return [
    started === now ? '' : say('shared.min', { minutes: Math.round(minutes) }),
    say('cut.cuts3', { madeCuts: run.madeCuts.length }),
    say('cut.cleanings', { cleanings: run.cleanings }),
    litres > 0 ? say('cut.aboutUsed', { more: litresWords(say, litres) }) : '',
    sums.join(', '),
  ]
    .filter(Boolean)
    .join(' · ');
}

/** Mass goes with the section: where the wood was measured, by what it truly was. */
export function cutsAsDebris({ madeCuts }: Run) {
  return madeCuts.map(({ action, measuredMm }) => {
    const { diameterMm, massKg = 0 } = action.cut;
    const factor = measuredMm === null || diameterMm === 0 ? 1 : (measuredMm / diameterMm) ** 2;
    return {
      disorders: action.disorders ?? [],
      thickestMm: measuredMm ?? diameterMm,
      kg: massKg * factor,
    };
  });
}

/** Minutes of the run without its pauses. */
export function workedMinutes({ open }: Run, now: string): number {
  if (!open) return 0;
  let from: number | null = Date.parse(open.startedAt);
  let sum = 0;
  for (const { action } of open.done) {
    const at = Date.parse(action.at);
    if (action.kind === 'runPaused' && from !== null) {
      sum += at - from;
      from = null;
    }
    if (action.kind === 'runResumed') from ??= at;
  }
  return (sum + (from === null ? 0 : Date.parse(now) - from)) / 60_000;
}
