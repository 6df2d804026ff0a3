// Cuts that are not part of this run, and why.

import type { Run } from '@mortisect/core/run';
import { limbIn } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useSay } from '../../data/useSay';
import { Row, Rows } from '../../ui/Row';
import { Section, Small } from '../../ui/type';
import { leftOutWords } from './runWords';

export function LeftOutRows({ run }: { run: Run }) {
  const say = useSay();
  if (run.leftOut.length + run.notChosen + run.toDecide.length === 0) return null;
  return (
    <View gap={8}>
      <Section>{say('cut.notInThisRun')}</Section>
      {run.notChosen > 0 ? (
        <Small>
          {say('cut.treesWithCutsLeftForAnotherRun', {
            notChosen: run.notChosen,
            more: run.notChosen === 1 ? say('cut.was') : say('cut.were'),
          })}
        </Small>
      ) : null}
      <Rows>
        {run.toDecide.map(({ tree }) => (
          <Row
            key={tree.id}
            href={`/plan/${tree.id}`}
            title={say('cut.aDecisionIsOpen', { tree: tree.code })}
            detail={say('cut.noCutAnswersWhatWasFoundOn')}
          />
        ))}
        {run.leftOut.map((item) => (
          <Row
            key={item.id}
            href={`/plan/${item.view.tree.id}`}
            title={`${item.view.tree.code} · ${limbIn(say, item.view.names.get(item.cut.limbId) ?? item.cut.limbId)}`}
            detail={leftOutWords(say, item.because)}
          />
        ))}
      </Rows>
    </View>
  );
}
