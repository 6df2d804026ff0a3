// The trees in walking order, plot by plot.
import type { TreeSummary } from '@mortisect/contracts';
import { View } from '@tamagui/core';
import { useTrees } from '../../data/queries';
import { Row, Rows } from '../../ui/Row';
import { Aside, Screen } from '../../ui/Screen';
import { Body, Section, Small } from '../../ui/type';
import { Waiting } from '../../ui/Waiting';

export function RoundList({ openId }: { openId?: string }) {
  const { data, error, refetch } = useTrees();
  if (!data) return <Waiting title="Round" beside error={error} onRetry={refetch} />;
  const withFindings = data.trees.filter((tree) => tree.openFindings > 0).length;
  return (
    <Screen
      title="Round"
      subtitle="Trees in walking order"
      beside
      aside={<Aside figure={`${withFindings} of ${data.trees.length}`} caption="with open findings" />}
    >
      {data.trees.length === 0 ? (
        <Body>This site has no trees. The demo orchard comes with: npm run demo.</Body>
      ) : null}
      {data.plots.map((plot) => {
        const trees = data.trees.filter((tree) => tree.plotId === plot.id);
        if (trees.length === 0) return null;
        return (
          <View key={plot.id} gap={8}>
            <View>
              <Section>{plot.name}</Section>
              <Small>{plot.note}</Small>
            </View>
            <Rows>
              {trees.map((tree) => (
                <TreeRow key={tree.id} tree={tree} open={tree.id === openId} />
              ))}
            </Rows>
          </View>
        );
      })}
    </Screen>
  );
}

function TreeRow({ tree, open }: { tree: TreeSummary; open: boolean }) {
  const danger = tree.hazards.length > 0;
  return (
    <Row
      href={`/round/${tree.id}`}
      {...(open ? { bar: 'open' as const } : danger ? { bar: 'danger' as const } : {})}
      title={tree.nickname ? `${tree.code} · ${tree.nickname}` : tree.code}
      detail={`${speciesWords(tree)}${danger ? ` · ${tree.hazards.join(', ')}` : ''}`}
      aside={
        tree.openFindings === 0 ? '' : tree.openFindings === 1 ? '1 finding' : `${tree.openFindings} findings`
      }
    />
  );
}

export function speciesWords({ species, cultivar, form }: TreeSummary): string {
  return [species, cultivar ?? 'variety unknown', form].join(' · ');
}
