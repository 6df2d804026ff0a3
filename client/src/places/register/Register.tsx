// The register: every tree with what is known of it. A table on a wide screen, plots and their trees on a phone.

import type { TreeSummary } from '@mortisect/core/records';
import type { Say } from '@mortisect/words';
import { told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useRouter } from 'expo-router';
import { useDeferredValue, useMemo, useState } from 'react';
import { useTrees } from '../../data/queries';
import { useSay } from '../../data/useSay';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Field } from '../../ui/Field';
import { useInParts } from '../../ui/inParts';
import { Row, Rows } from '../../ui/Row';
import { Aside, Screen } from '../../ui/Screen';
import { Select } from '../../ui/Select';
import { useWide } from '../../ui/theme';
import { Body, Section, Small } from '../../ui/type';
import { Waiting } from '../../ui/Waiting';
import { SeenFromAbove } from '../round/SeenFromAbove';
import { speciesWords } from '../words';
import { DeletedTrees } from './DeletedTrees';
import { ExportLinks } from './ExportLinks';
import { RegisterTable } from './RegisterTable';

export function Register() {
  const say = useSay();
  const router = useRouter();
  const wide = useWide();
  const { data, error, refetch } = useTrees();
  const [text, setText] = useState('');
  const [plotId, setPlotId] = useState('');
  const [shape, setShape] = useState<'list' | 'above'>('list');
  const wanted = useDeferredValue(text.trim().toLowerCase());
  const shown = useMemo(
    () =>
      (data?.trees ?? []).filter(
        (tree) => (plotId === '' || tree.plotId === plotId) && fits(say, tree, wanted),
      ),
    [say, data, plotId, wanted],
  );
  if (!data) return <Waiting title={say('round.register')} error={error} onRetry={refetch} />;
  const plots = [
    { value: '', label: say('round.allPlots') },
    ...data.plots.map(({ id, name }) => ({ value: id, label: name })),
  ];
  return (
    <Screen
      title={say('round.register')}
      subtitle={say('round.everyTreeAndWhatIsKnownOf')}
      width="full"
      aside={
        <Aside
          figure={String(shown.length)}
          caption={
            shown.length === data.trees.length
              ? say('round.trees')
              : say('round.of', { trees: data.trees.length })
          }
        />
      }
      actions={
        <>
          <Button onPress={() => router.navigate('/round/register/import')}>{say('round.fromAFile')}</Button>
          <Button onPress={() => router.navigate('/round/register/row')}>{say('round.aRowOfTrees')}</Button>
          <Button grow kind="main" onPress={() => router.navigate('/round/register/new')}>
            {say('round.newTree')}
          </Button>
        </>
      }
    >
      <View flexDirection="row" flexWrap="wrap" gap={12} alignItems="flex-end">
        <View flexGrow={1} flexBasis={220}>
          <Field label={say('round.find')} value={text} onChangeText={setText} />
        </View>
        <View flexGrow={1} flexBasis={180}>
          <Select label={say('round.plotShown')} value={plotId} options={plots} onChange={setPlotId} />
        </View>
      </View>
      <Choice<'list' | 'above'>
        label={say('round.howTreesAreShown')}
        options={[
          { value: 'list', label: say('round.asAList') },
          { value: 'above', label: say('round.fromAbove') },
        ]}
        value={shape}
        onChange={setShape}
      />
      {data.trees.length > 1 ? (
        <View flexDirection="row" flexWrap="wrap" gap={8}>
          <Button onPress={() => router.navigate('/round/register/many')}>
            {say('round.changeSeveral')}
          </Button>
          <Button onPress={() => router.navigate('/round/register/rows')}>{say('round.rows')}</Button>
        </View>
      ) : null}
      {data.trees.length === 0 ? (
        <Body>{say('round.noTreesYetWriteTheFirstOne')}</Body>
      ) : shape === 'above' ? (
        <SeenFromAbove shown={shown} />
      ) : wide ? (
        <RegisterTable trees={shown} onOpen={(tree) => router.navigate(`/round/${tree.id}`)} />
      ) : (
        <ByPlot trees={shown} />
      )}
      <DeletedTrees />
      <ExportLinks />
    </Screen>
  );
}

function fits(say: Say, tree: TreeSummary, wanted: string): boolean {
  if (wanted === '') return true;
  return searched(say, tree).includes(wanted);
}

const texts = new WeakMap<TreeSummary, string>();
function searched(say: Say, tree: TreeSummary): string {
  let text = texts.get(tree);
  if (text === undefined) {
    text = [
      tree.code,
      tree.nickname,
      speciesWords(say, tree),
      tree.rootstock,
      told(say, tree.status),
      tree.row,
      tree.note,
      ...tree.hazards,
    ]
      .join(' ')
      .toLowerCase();
    texts.set(tree, text);
  }
  return text;
}

function ByPlot({ trees }: { trees: TreeSummary[] }) {
  const say = useSay();
  const { shown, more } = useInParts(trees);
  const plots = [...new Set(shown.map((tree) => tree.plot))];
  return (
    <>
      {plots.map((plot) => (
        <View key={plot} gap={8}>
          <Section>{plot}</Section>
          <Rows>
            {shown
              .filter((tree) => tree.plot === plot)
              .map((tree) => (
                <Row
                  key={tree.id}
                  href={`/round/${tree.id}`}
                  title={tree.nickname ? `${tree.code} · ${tree.nickname}` : tree.code}
                  detail={`${speciesWords(say, tree)} · ${told(say, tree.status)}`}
                  aside={
                    tree.openFindings > 0 ? say('round.findings2', { openFindings: tree.openFindings }) : ''
                  }
                />
              ))}
          </Rows>
        </View>
      ))}
      {more}
      {trees.length === 0 ? <Small>{say('round.noTreeFits')}</Small> : null}
    </>
  );
}
