// Cuts that are not part of this run, and why.
import type { Run } from '@mortisect/core/run';
import { View } from '@tamagui/core';
import { Row, Rows } from '../../ui/Row';
import { Section, Small } from '../../ui/type';
import { plural } from '../words';
import { leftOutWords } from './runWords';

export function LeftOutRows({ run }: { run: Run }) {
  if (run.leftOut.length + run.notChosen + run.toDecide.length === 0) return null;
  return (
    <View gap={8}>
      <Section>Not in this run</Section>
      {run.notChosen > 0 ? (
        <Small>{`${plural(run.notChosen, 'tree')} with cuts ${run.notChosen === 1 ? 'was' : 'were'} left for another run.`}</Small>
      ) : null}
      <Rows>
        {run.toDecide.map(({ tree }) => (
          <Row
            key={tree.id}
            href={`/plan/${tree.id}`}
            title={`${tree.code} · a decision is open`}
            detail="No cut answers what was found on it."
          />
        ))}
        {run.leftOut.map((item) => (
          <Row
            key={item.id}
            href={`/plan/${item.view.tree.id}`}
            title={`${item.view.tree.code} · ${item.view.names.get(item.cut.limbId) ?? item.cut.limbId}`}
            detail={leftOutWords(item.because)}
          />
        ))}
      </Rows>
    </View>
  );
}
