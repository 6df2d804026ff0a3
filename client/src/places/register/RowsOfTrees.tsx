// Rows of every plot: what they are called, how far apart their trees stand, in which order one walks them.

import { heightReading } from '@mortisect/core/measure';
import { type Row, SPACING_CM } from '@mortisect/core/records';
import { joined } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { useTrees } from '../../data/queries';
import { useSay } from '../../data/useSay';
import { useUnits } from '../../data/useToday';
import { useSaveRow } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Columns } from '../../ui/Columns';
import { Failed } from '../../ui/Failed';
import { Field } from '../../ui/Field';
import { FieldRow } from '../../ui/FieldRow';
import { LengthField } from '../../ui/LengthField';
import { useLeaveGuard } from '../../ui/leaveGuard';
import { PressRow } from '../../ui/PressRow';
import { SaveButton } from '../../ui/SaveButton';
import { Screen } from '../../ui/Screen';
import { Body, Label, Section, Small } from '../../ui/type';
import { useBack } from '../../ui/useBack';
import { Waiting } from '../../ui/Waiting';
import { SeenFromAbove } from '../round/SeenFromAbove';

export function RowsOfTrees() {
  const say = useSay();
  const units = useUnits();
  const { data, error, refetch } = useTrees();
  const [chosenId, setChosenId] = useState<string | null>(null);
  const saving = useSaveRow();
  const back = useBack('/round/register');
  if (!data) return <Waiting title={say('round.rows')} error={error} onRetry={refetch} />;
  const move = ({ id, revision, name, spacingCm }: Row, at: number) =>
    saving.mutate({ rowId: id, baseRevision: revision, row: { name, spacingCm, at } });
  const treesIn = (rowId: string) => data.trees.filter((tree) => tree.rowId === rowId).length;
  return (
    <Screen
      title={say('round.rows')}
      subtitle={say('round.rowsSays')}
      width="full"
      actions={<Button onPress={back}>{say('shared.back')}</Button>}
    >
      <Failed title={say('shared.notSavedYet')} error={saving.error} />
      {data.rows.length === 0 ? <Body>{say('round.noTreesYetWriteTheFirstOne')}</Body> : null}
      <Columns beside={<SeenFromAbove shown={data.trees} />}>
        {data.plots.map((plot) => {
          const rows = data.rows.filter(({ plotId }) => plotId === plot.id);
          return (
            <View key={plot.id} gap={8}>
              <Section>{plot.name}</Section>
              <View role="list" aria-label={plot.name}>
                {rows.map((row, i) => (
                  <View key={row.id} role="listitem">
                    <View flexDirection="row" alignItems="center" gap={8}>
                      <View flex={1} minWidth={0}>
                        <PressRow
                          chosen={row.id === chosenId}
                          onPress={() => setChosenId(row.id === chosenId ? null : row.id)}
                          padding={8}
                        >
                          <Label flex={1}>{row.name}</Label>
                          <Small>
                            {say('round.rowTrees', {
                              trees: treesIn(row.id),
                              apart: joined(say, heightReading(row.spacingCm, units)),
                            })}
                          </Small>
                        </PressRow>
                      </View>
                      <Button
                        aria-label={say('round.rowUp', { row: row.name })}
                        disabled={i === 0 || saving.isPending}
                        onPress={() => move(row, i - 1)}
                      >
                        {'↑'}
                      </Button>
                      <Button
                        aria-label={say('round.rowDown', { row: row.name })}
                        disabled={i === rows.length - 1 || saving.isPending}
                        onPress={() => move(row, i + 1)}
                      >
                        {'↓'}
                      </Button>
                    </View>
                    {row.id === chosenId ? (
                      <RowEditor key={row.revision} row={row} at={i} onSaved={() => setChosenId(null)} />
                    ) : null}
                  </View>
                ))}
              </View>
            </View>
          );
        })}
      </Columns>
    </Screen>
  );
}

function RowEditor({ row, at, onSaved }: { row: Row; at: number; onSaved(): void }) {
  const say = useSay();
  const [name, setName] = useState(row.name);
  const [spacingCm, setSpacing] = useState(row.spacingCm);
  const saving = useSaveRow();
  const isChanged = name.trim() !== row.name || spacingCm !== row.spacingCm;
  const leaving = useLeaveGuard(isChanged, say('round.theRow'));
  const save = () =>
    saving.mutate(
      { rowId: row.id, baseRevision: row.revision, row: { name: name.trim(), spacingCm, at } },
      { onSuccess: onSaved },
    );
  return (
    <View gap={12} padding={8} paddingBottom={16}>
      <Failed title={say('shared.notSavedYet')} error={saving.error} />
      {leaving.question}
      <FieldRow>
        <Field
          grow
          label={say('shared.name')}
          value={name}
          fault={name.trim() === '' ? say('fault.empty') : undefined}
          onChangeText={setName}
        />
        <LengthField
          grow
          label={say('round.spacing')}
          cm={spacingCm}
          leastCm={SPACING_CM.least}
          mostCm={SPACING_CM.most}
          onChange={setSpacing}
        />
      </FieldRow>
      <View flexDirection="row">
        <SaveButton disabled={!isChanged} saving={saving.isPending} onSave={save}>
          {say('round.saveTheRow')}
        </SaveButton>
      </View>
    </View>
  );
}
