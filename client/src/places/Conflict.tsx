// Someone else changed the same record meanwhile: both versions stand here, and one of them is chosen.

import type { Problem } from '@mortisect/contracts';
import { View } from '@tamagui/core';
import { ServerProblem } from '../data/api';
import { useSay } from '../data/useSay';
import { Button } from '../ui/Button';
import { Sheet } from '../ui/Sheet';
import { Body, Label } from '../ui/type';

interface ConflictProps {
  error: Error | null;
  /** The lines that differ, told from a version as it came over the wire. */
  lines(version: unknown): string[];
  /** Yours is sent again, on the revision that stands now. */
  onKeepMine(revision: number): void;
  onKeepTheirs(): void;
  /** Neither yet: what is on the screen stays there. */
  onDismiss(): void;
}

export function Conflict({ error, lines, onKeepMine, onKeepTheirs, onDismiss }: ConflictProps) {
  const say = useSay();
  const problem = movedProblem(error);
  const revision = (problem?.theirs as { revision?: unknown } | null | undefined)?.revision;
  return (
    <Sheet
      title={say('shared.changedMeanwhile')}
      open={problem !== null}
      onClose={onDismiss}
      closeLabel={say('shared.notYet')}
      actions={
        <>
          <Button grow onPress={onKeepTheirs}>
            {say('shared.keepTheirs')}
          </Button>
          {typeof revision === 'number' ? (
            <Button grow kind="main" onPress={() => onKeepMine(revision)}>
              {say('shared.keepMine')}
            </Button>
          ) : null}
        </>
      }
    >
      <Body>{problem?.detail ?? ''}</Body>
      <Version title={say('shared.yours')} lines={problem ? lines(problem.yours) : []} />
      <Version title={say('shared.theirs')} lines={problem ? lines(problem.theirs) : []} />
    </Sheet>
  );
}

/** The 409 with both versions, or null for any other error. */
export function movedProblem(error: Error | null): Problem | null {
  return error instanceof ServerProblem && error.problem.status === 409 ? error.problem : null;
}

function Version({ title, lines }: { title: string; lines: string[] }) {
  return (
    <View gap={2} borderLeftWidth={5} borderColor="$chalk" borderStyle="solid" paddingLeft={12}>
      <Label fontSize="$19">{title}</Label>
      {lines.map((line) => (
        <Body key={line}>{line}</Body>
      ))}
    </View>
  );
}
