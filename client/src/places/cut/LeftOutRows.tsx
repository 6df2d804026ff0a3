// Cuts that are not part of this run, and why.

import type { Run } from '@mortisect/core/run';
import { limbIn } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useSay } from '../../data/useSay';
import { useFewRows } from '../../ui/inParts';
import { Row, Rows } from '../../ui/Row';
import { Section, Small } from '../../ui/type';
import { leftOutWords } from './runWords';

export function LeftOutRows({ run }: { run: Run }) {
  const say = useSay();
  const { shown: toDecide, more: moreToDecide } = useFewRows(run.toDecide);
  const { shown: leftOut, more: moreLeftOut } = useFewRows(run.leftOut);
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
        {toDecide.map(({ id, code }) => (
          <Row
            key={id}
            href={`/plan/${id}`}
            title={say('cut.aDecisionIsOpen', { tree: code })}
            detail={say('cut.noCutAnswersWhatWasFoundOn')}
          />
        ))}
        {moreToDecide}
        {leftOut.map((item) => (
          <Row
            key={item.id}
            href={`/plan/${item.tree.id}`}
            title={`${item.tree.code} · ${limbIn(say, item.limbName)}`}
            detail={leftOutWords(say, item.because)}
          />
        ))}
        {moreLeftOut}
      </Rows>
    </View>
  );
}
