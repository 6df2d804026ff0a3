// No cut is left for today: what was done, what stays, and where to go on.
import { useRouter } from 'expo-router';
import type { SiteToday } from '../../data/orchardView';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { Aside, Screen } from '../../ui/Screen';
import { Body } from '../../ui/type';
import { plural } from '../words';
import { LeftOutRows } from './LeftOutRows';
import type { Run } from './run';
import { UndoLast } from './UndoLast';

export function RunDone({ run, today }: { run: Run; today: SiteToday }) {
  const router = useRouter();
  return (
    <Screen
      title="Cut"
      subtitle={today.site.name}
      aside={<Aside figure={plural(run.madeToday, 'cut')} caption="made today" />}
      actions={
        <Button grow kind="main" onPress={() => router.navigate('/round')}>
          Go on with the round
        </Button>
      }
    >
      <Body>
        {run.madeToday === 0
          ? 'No cut waits. What you mark in Round and can do yourself comes here, one card a step.'
          : 'No cut is left in today’s run.'}
      </Body>
      {run.madeToday === 0 ? null : (
        <Notice kind="said" title="Before you go">
          Clean, dry and oil the blade and count the tools back in. Diseased wood does not stay lying under
          the trees; the rule of each disorder is in the Book.
        </Notice>
      )}
      <UndoLast run={run} />
      <LeftOutRows run={run} />
    </Screen>
  );
}
