// Under the thumb while walking: a finding, or the tree is sound and on to the next.

import type { TreeView } from '@mortisect/core/present';
import { View } from '@tamagui/core';
import { useRouter } from 'expo-router';
import { useSay } from '../../data/useSay';
import { Button } from '../../ui/Button';
import { Failed } from '../../ui/Failed';
import { useWide } from '../../ui/theme';
import { useKeys } from '../shell/Keys';
import { SeenChoice } from './SeenChoice';
import { nextAfter, useMarkSeen, useQueue } from './walk';

export function WalkActions({ view, onFinding }: { view: TreeView; onFinding(): void }) {
  const say = useSay();
  const wide = useWide();
  const router = useRouter();
  const { round, queue } = useQueue();
  const marking = useMarkSeen();
  const { tree } = view;
  const found = view.findings.some((finding) => !round || finding.seenAt >= round.startedAt);
  const done = () => {
    const next = queue && nextAfter(queue, round, tree.id);
    router.replace(next ? `/round/${next}` : '/round');
  };
  const mark = () => marking.mark({ treeId: tree.id, code: tree.code, found }, done);
  useKeys({ s: mark });
  return (
    <View flex={1} gap={8} minWidth={0}>
      <Failed title={say('shared.notRecordedYet')} error={marking.error} />
      <SeenChoice />
      <View flexDirection="row" gap={12}>
        <Button grow kind="main" onPress={onFinding} maxWidth={wide ? 300 : undefined}>
          {say('round.newFinding')}
        </Button>
        <Button
          grow
          kind="main"
          onPress={mark}
          disabled={marking.isPending}
          maxWidth={wide ? 300 : undefined}
        >
          {found ? say('round.doneHere') : say('round.markSound')}
        </Button>
      </View>
    </View>
  );
}
