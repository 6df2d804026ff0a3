// Every blade: what it takes, how far it reaches, when it was cleaned, on what it was used, how sharp it is.

import { SHARP_FOR_CUTS } from '@mortisect/core/blades';
import { reachCm } from '@mortisect/core/handling';
import { heightReading, joined, thicknessReading, upperFirst } from '@mortisect/core/measure';
import { View } from '@tamagui/core';
import { useRouter } from 'expo-router';
import { ago } from '../../data/moment';
import { useTrees } from '../../data/queries';
import { useClock } from '../../data/useClock';
import { useRecordAction } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Failed } from '../../ui/Failed';
import { Screen } from '../../ui/Screen';
import { Body, Label, Small } from '../../ui/type';
import { Waiting } from '../../ui/Waiting';
import { codeWords, plural } from '../words';
import { stateWords } from './bladeWords';
import { type RunHere, useRun } from './useRun';

export function Kit() {
  const { here, error, refetch } = useRun();
  if (!here) return <Waiting title="Blades" error={error} onRetry={refetch} />;
  return <KitRows here={here} />;
}

function KitRows({ here }: { here: RunHere }) {
  const { run, today } = here;
  const router = useRouter();
  const clock = useClock();
  const recording = useRecordAction();
  const trees = useTrees().data?.trees;
  const now = clock();
  const codeOf = (id: string) => trees?.find((tree) => tree.id === id)?.code ?? id;
  return (
    <Screen
      title="Blades"
      subtitle={today.site.name}
      actions={
        <Button grow kind="main" onPress={() => router.navigate('/cut')}>
          Back to the run
        </Button>
      }
    >
      <Failed title="Not recorded yet" error={recording.error} />
      <Body>A blade of unknown history is dirty. What it did is counted by the day.</Body>
      <View>
        {run.blades.map((blade) => {
          const log = run.logs.get(blade.id);
          return (
            <View
              key={blade.id}
              gap={4}
              paddingVertical={10}
              borderBottomWidth={1}
              borderStyle="solid"
              borderColor="$rule"
            >
              <Label fontSize="$22" lineHeight="$22">
                {`${log?.state.is === 'clean' ? '✓' : '✗'} ${blade.name}`}
              </Label>
              <Body>{upperFirst(stateWords(log?.state))}</Body>
              <Small>
                {`Takes ${joined(thicknessReading(blade.tool.takesMm, today.units))}, reaches ${joined(heightReading(reachCm(blade.tool), today.units))} from the ground.`}
              </Small>
              <Small>
                {log?.lastCleanedAt ? `Cleaned ${ago(log.lastCleanedAt, now)}. ` : 'No cleaning on record. '}
                {log?.lastCut
                  ? `Last used ${ago(log.lastCut.at, now)} on ${codeOf(log.lastCut.treeId)}: ${codeWords(log.lastCut.disorders)}.`
                  : 'No cut on record.'}
              </Small>
              <View flexDirection="row" flexWrap="wrap" alignItems="center" gap={12}>
                <Button
                  onPress={() => recording.record({ kind: 'bladeSharpened', at: clock(), blade: blade.id })}
                  aria-label={`Sharpened: ${blade.name}`}
                >
                  Sharpened
                </Button>
                <Small>
                  {`${log?.sharpenedAt ? `Sharpened ${ago(log.sharpenedAt, now)}, ` : ''}${plural(log?.cutsSinceSharpened ?? 0, 'cut')} since${(log?.cutsSinceSharpened ?? 0) > SHARP_FOR_CUTS ? ': look at the edge' : ''}.`}
                </Small>
              </View>
            </View>
          );
        })}
      </View>
      <Small>Change the kit in Book, Settings, Planning.</Small>
    </Screen>
  );
}
