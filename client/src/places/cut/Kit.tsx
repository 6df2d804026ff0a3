// Every blade: what it takes, how far it reaches, when it was cleaned, on what it was used, how sharp it is.

import { SHARP_FOR_CUTS } from '@mortisect/core/blades';
import { reachCm } from '@mortisect/core/handling';
import { heightReading, thicknessReading, upperFirst } from '@mortisect/core/measure';
import { joined } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useRouter } from 'expo-router';
import { ago } from '../../data/moment';
import { useTrees } from '../../data/queries';
import { useClock } from '../../data/useClock';
import { useSay } from '../../data/useSay';
import { useRecordAction } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Failed } from '../../ui/Failed';
import { Screen } from '../../ui/Screen';
import { Body, Label, Small } from '../../ui/type';
import { Waiting } from '../../ui/Waiting';
import { codeWords } from '../words';
import { stateWords } from './bladeWords';
import { type RunHere, useRun } from './useRun';

export function Kit() {
  const say = useSay();
  const { here, says, error, refetch } = useRun();
  if (!here) return <Waiting title={say('cut.blades')} says={says} error={error} onRetry={refetch} />;
  return <KitRows here={here} />;
}

function KitRows({ here }: { here: RunHere }) {
  const say = useSay();
  const { run, today } = here;
  const router = useRouter();
  const clock = useClock();
  const recording = useRecordAction();
  const trees = useTrees().data?.trees;
  const now = clock();
  const codeOf = (id: string) => trees?.find((tree) => tree.id === id)?.code ?? id;
  return (
    <Screen
      title={say('cut.blades')}
      subtitle={today.site.name}
      actions={
        <Button grow kind="main" onPress={() => router.navigate('/cut')}>
          {say('shared.backToTheRun')}
        </Button>
      }
    >
      <Failed title={say('shared.notRecordedYet')} error={recording.error} />
      <Body>{say('cut.aBladeOfUnknownHistoryIsDirty')}</Body>
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
              <Label
                fontSize="$22"
                lineHeight="$22"
              >{`${log?.state.is === 'clean' ? '✓' : '✗'} ${blade.name}`}</Label>
              <Body>{upperFirst(stateWords(say, log?.state))}</Body>
              <Small>
                {say('cut.takesReachesFromTheGround', {
                  thickness: joined(say, thicknessReading(blade.tool.takesMm, today.units)),
                  height: joined(
                    say,
                    heightReading(reachCm(blade.tool, today.site.plan.shoulderCm), today.units),
                  ),
                })}
              </Small>
              <Small>
                {log?.lastCleanedAt
                  ? say('cut.cleaned', { ago: ago(log.lastCleanedAt, now) })
                  : say('cut.noCleaningOnRecord')}
                {log?.lastCut
                  ? say('cut.lastUsedOn', {
                      ago: ago(log.lastCut.at, now),
                      code: codeOf(log.lastCut.treeId),
                      code2: codeWords(say, log.lastCut.disorders),
                    })
                  : say('cut.noCutOnRecord')}
              </Small>
              <View flexDirection="row" flexWrap="wrap" alignItems="center" gap={12}>
                <Button
                  onPress={() => recording.record({ kind: 'bladeSharpened', at: clock(), blade: blade.id })}
                  aria-label={say('cut.sharpened', { blade: blade.name })}
                >
                  {say('cut.sharpened2')}
                </Button>
                <Small>
                  {say('cut.cutsSince', {
                    more: log?.sharpenedAt ? say('cut.sharpened3', { ago: ago(log.sharpenedAt, now) }) : '',
                    cutsSinceSharpened: log?.cutsSinceSharpened ?? 0,
                    more2: (log?.cutsSinceSharpened ?? 0) > SHARP_FOR_CUTS ? say('cut.lookAtTheEdge') : '',
                  })}
                </Small>
              </View>
            </View>
          );
        })}
      </View>
      <Small>{say('cut.changeTheKitInBookSettingsPlanning')}</Small>
    </Screen>
  );
}
