// Several trees changed at once: chosen from a list or from above, moved to another row or plot, numbered anew, kept or retired.
import {
  type ChangeOfMany,
  changesOfMany,
  statuses,
  type TreeChange,
  type TreeSummary,
} from '@mortisect/core/records';
import { byTag } from '@mortisect/core/register';
import { told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useMemo, useState } from 'react';
import { inWords } from '../../data/api';
import { useTrees } from '../../data/queries';
import { useSay } from '../../data/useSay';
import { useSaveTree } from '../../data/writes';
import { OrchardPlan } from '../../drawings/OrchardPlan';
import type { TreeOnPlan } from '../../drawings/treeMarks';
import { Button } from '../../ui/Button';
import { CheckRow } from '../../ui/CheckRow';
import { Columns } from '../../ui/Columns';
import { Field } from '../../ui/Field';
import { useInParts } from '../../ui/inParts';
import { useLeaveGuard } from '../../ui/leaveGuard';
import { Notice } from '../../ui/Notice';
import { Aside, Screen } from '../../ui/Screen';
import { Select } from '../../ui/Select';
import { Section, Small } from '../../ui/type';
import { useBack } from '../../ui/useBack';
import { Waiting } from '../../ui/Waiting';
import { allToggled, toggled } from '../toggled';
import { useOrchardPlan } from '../useOrchardPlan';
import { speciesWords } from '../words';
import { FIELD_WORDS } from './fieldWords';

const PLAN_PX = 420;
const STAYS = '';

/** What is typed; nothing where it stays as it is. */
type ChangeForm = Required<Omit<ChangeOfMany, 'status'>> & {
  status: NonNullable<ChangeOfMany['status']> | typeof STAYS;
};

export function ManyTrees() {
  const say = useSay();
  const { data, error, refetch } = useTrees();
  const [text, setText] = useState('');
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [change, setChange] = useState<ChangeForm>({ plot: '', row: '', status: STAYS, numbered: false });
  const saving = useChangeMany();
  const leaving = useLeaveGuard(chosen.size > 0 && !saving.done, say('round.theseTrees'));
  const back = useBack('/round/register');
  const wanted = text.trim().toLowerCase();
  const fitting = (data?.trees ?? []).filter((tree) =>
    `${tree.code} ${tree.plot} ${tree.row} ${speciesWords(say, tree)}`.toLowerCase().includes(wanted),
  );
  const { shown, more } = useInParts(fitting);
  if (!data) return <Waiting title={say('round.changeSeveral')} error={error} onRetry={refetch} />;
  const rowAt = new Map(data.rows.map(({ id }, i) => [id, i]));
  const picked = data.trees
    .filter(({ id }) => chosen.has(id))
    .toSorted(
      (a, b) => (rowAt.get(a.rowId) ?? 0) - (rowAt.get(b.rowId) ?? 0) || a.place - b.place || byTag(a, b),
    );
  const changes = changesOfMany(picked, saidOf(change));
  const choose = (ids: string[]) => setChosen(allToggled(chosen, ids));
  return (
    <Screen
      title={say('round.changeSeveral')}
      subtitle={say('round.changeSeveralSays')}
      width="full"
      aside={<Aside figure={String(chosen.size)} caption={say('round.chosenTrees')} />}
      actions={
        <>
          <Button onPress={() => leaving.ask(back)}>{say('shared.cancel')}</Button>
          <Button
            grow
            kind="main"
            disabled={changes.length === 0 || saving.isRunning}
            onPress={() => void saving.run(changes).then((left) => setChosen(new Set(left)))}
          >
            {saving.isRunning ? say('shared.saving') : say('round.changeTrees', { trees: changes.length })}
          </Button>
        </>
      }
    >
      {saving.failed.length > 0 ? (
        <Notice kind="caution" title={say('round.someNotChanged', { trees: saving.failed.length })}>
          {saving.failed.map(({ code, why }) => `${code}: ${why}`).join(' ')}
        </Notice>
      ) : saving.done ? (
        <Notice kind="said" title={say('round.treesChanged', { trees: saving.changed })}>
          {say('round.changeThemAgain')}
        </Notice>
      ) : null}
      <Columns beside={<ChosenFromAbove trees={data.trees} chosen={chosen} onToggle={choose} />}>
        <Section>{say('round.whichTrees')}</Section>
        <Field label={say('round.find')} value={text} onChangeText={setText} />
        <View flexDirection="row">
          <Button disabled={fitting.length === 0} onPress={() => choose(fitting.map(({ id }) => id))}>
            {say('round.allThatFit', { trees: fitting.length })}
          </Button>
        </View>
        <View>
          {shown.map((tree) => (
            <CheckRow
              key={tree.id}
              label={tree.code}
              detail={`${tree.plot}, ${tree.row}, ${tree.place} · ${speciesWords(say, tree)} · ${told(say, tree.status)}`}
              on={chosen.has(tree.id)}
              onChange={(on) => setChosen(toggled(chosen, tree.id, on))}
            />
          ))}
        </View>
        {more}
        <Section>{say('round.whatBecomesOfThem')}</Section>
        <View flexDirection="row" flexWrap="wrap" gap={12}>
          {(['plot', 'row'] as const).map((key) => (
            <View key={key} flexGrow={1} flexBasis={150} minWidth={0}>
              <Field
                label={say(FIELD_WORDS[key])}
                hint={say('round.emptyStays')}
                value={change[key]}
                onChangeText={(value) => setChange({ ...change, [key]: value })}
              />
            </View>
          ))}
          <View flexGrow={1} flexBasis={150} minWidth={0}>
            <Select
              label={say(FIELD_WORDS.status)}
              value={change.status}
              options={[
                { value: STAYS, label: say('round.staysAsItIs') },
                ...statuses.map((status) => ({ value: status, label: told(say, status) })),
              ]}
              onChange={(status) => setChange({ ...change, status: status as ChangeForm['status'] })}
            />
          </View>
        </View>
        <CheckRow
          label={say('round.numberAnew')}
          detail={say('round.numberAnewSays')}
          on={change.numbered}
          onChange={(numbered) => setChange({ ...change, numbered })}
        />
        <Small>{say('round.retiredKeepHistory')}</Small>
      </Columns>
      {leaving.question}
    </Screen>
  );
}

const saidOf = ({ status, ...change }: ChangeForm): ChangeOfMany =>
  status === STAYS ? change : { ...change, status };

interface ChosenFromAboveProps {
  trees: readonly TreeSummary[];
  chosen: ReadonlySet<string>;
  onToggle(treeIds: string[]): void;
}

function ChosenFromAbove({ trees, chosen, onToggle }: ChosenFromAboveProps) {
  const say = useSay();
  const plan = useOrchardPlan();
  const drawn = useMemo(
    () =>
      new Map(
        trees.map(({ id, code }): [string, TreeOnPlan] => {
          const on = chosen.has(id);
          return [
            id,
            {
              code,
              mark: { ring: on ? 'whole' : 'thin', has: 'nothing', warns: false },
              says: say(on ? 'round.isChosen' : 'round.isNotChosen'),
            },
          ];
        }),
      ),
    [trees, chosen, say],
  );
  if (!plan) return null;
  return (
    <OrchardPlan
      plan={plan}
      trees={drawn}
      label={say('shared.orchardFromAbove', { trees: drawn.size })}
      height={PLAN_PX}
      marks={[
        { mark: { ring: 'whole', has: 'nothing', warns: false }, says: say('round.isChosen') },
        { mark: { ring: 'thin', has: 'nothing', warns: false }, says: say('round.isNotChosen') },
      ]}
      hint={say('shared.tapTakesIn')}
      onOpen={(treeId) => onToggle([treeId])}
      onArea={onToggle}
    />
  );
}

/** One after the other, each on its own revision; one that is refused keeps no other from its change. */
function useChangeMany() {
  const say = useSay();
  const save = useSaveTree();
  const [isRunning, setRunning] = useState(false);
  const [changed, setChanged] = useState<number | null>(null);
  const [failed, setFailed] = useState<{ code: string; why: string }[]>([]);
  /** @returns ids of those that were not changed */
  const run = async (changes: readonly TreeChange[]): Promise<string[]> => {
    setRunning(true);
    setFailed([]);
    const left: { treeId: string; code: string; why: string }[] = [];
    for (const { treeId, code, baseRevision, tree } of changes) {
      try {
        await save.mutateAsync({ treeId, baseRevision, tree });
      } catch (error) {
        left.push({ treeId, code, why: inWords(say, error as Error) });
      }
    }
    setFailed(left);
    setChanged(changes.length - left.length);
    setRunning(false);
    return left.map(({ treeId }) => treeId);
  };
  return { run, isRunning, failed, changed: changed ?? 0, done: changed !== null };
}
