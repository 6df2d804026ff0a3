// What was found on this tree so far: open findings lead back to their limb, closed ones stay to be read.

import { disorderOf } from '@mortisect/core/disorders';

import type { SiteToday, TreeView } from '@mortisect/core/present';
import { type Finding, markOf } from '@mortisect/core/records';
import { limbIn, tapeText, told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { ago } from '../../data/moment';
import { useClock } from '../../data/useClock';
import { useSay } from '../../data/useSay';
import { Mark } from '../../drawings/marks';
import { PressRow } from '../../ui/PressRow';
import { Row, Rows } from '../../ui/Row';
import { Body, Section } from '../../ui/type';
import { type Marking, markingOf } from './marking/draft';
import { TreeFacts } from './TreeFacts';

interface FindingRowsProps {
  view: TreeView;
  today: SiteToday;
  /** `editing` is the finding opened for change; null only shows its limb. */
  onOpen(finding: Finding, editing: Marking | null): void;
}

export function FindingRows({ view, today, onOpen }: FindingRowsProps) {
  const say = useSay();
  const past = view.history.filter((finding) => finding.state === 'closed');
  return (
    <View gap={12}>
      {view.tree.note ? <Body>{view.tree.note}</Body> : null}
      <TreeFacts tree={view.tree} units={today.units} />
      {view.findings.length === 0 ? null : (
        <>
          <Section>{say('round.openFindings')}</Section>
          <Rows>
            {view.findings.map((finding) => {
              const limb = view.limbs.find((limb) => limb.id === finding.limbId);
              return (
                <PressRow
                  key={finding.id}
                  borderWidth={0}
                  borderLeftWidth={0}
                  borderBottomWidth={0}
                  onPress={() => onOpen(finding, limb ? markingOf(finding, limb) : null)}
                  aria-label={say('round.changeOn', {
                    disorder: told(say, disorderOf(finding.disorder)?.name) ?? finding.disorder,
                    limbName: limbIn(say, finding.limbName),
                  })}
                >
                  <View flex={1} minWidth={0}>
                    <FindingRow finding={finding} today={today} />
                  </View>
                </PressRow>
              );
            })}
          </Rows>
        </>
      )}
      {past.length === 0 ? null : (
        <>
          <Section>{say('round.cutEarlier')}</Section>
          <Rows>
            {past.map((finding) => (
              <FindingRow key={finding.id} finding={finding} today={today} />
            ))}
          </Rows>
        </>
      )}
    </View>
  );
}

function FindingRow({ finding, today }: { finding: Finding; today: SiteToday }) {
  const say = useSay();
  const clock = useClock();
  const span =
    finding.measured || finding.place !== 'span'
      ? say('shared.to3', {
          tape: tapeText(say, finding.fromCm, today.units),
          tape2: tapeText(say, finding.toCm, today.units),
        })
      : say('round.placeNotMeasured');
  return (
    <Row
      title={told(say, disorderOf(finding.disorder)?.name) ?? finding.disorder}
      detail={`${limbIn(say, finding.limbName)}, ${span}${finding.note ? ` · ${finding.note}` : ''} · ${finding.by}, ${ago(finding.seenAt, clock())}`}
      aside={<Mark kind={markOf(finding)} />}
    />
  );
}
