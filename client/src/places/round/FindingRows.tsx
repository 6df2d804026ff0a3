// What was found on this tree so far: open findings lead back to their limb, closed ones stay to be read.
import type { Finding } from '@mortisect/contracts';
import { disorderOf, kindOf } from '@mortisect/core/disorders';
import { tapeText } from '@mortisect/core/measure';
import { View } from '@tamagui/core';
import { ago } from '../../data/moment';
import type { SiteToday, TreeView } from '../../data/orchardView';
import { useClock } from '../../data/useClock';
import { Mark } from '../../drawings/marks';
import { Row, Rows } from '../../ui/Row';
import { Body, Section } from '../../ui/type';
import { type Marking, markingOf } from './draft';
import { TreeFacts } from './TreeFacts';

interface FindingRowsProps {
  view: TreeView;
  today: SiteToday;
  /** `editing` is the finding opened for change; null only shows its limb. */
  onOpen(finding: Finding, editing: Marking | null): void;
}

export function FindingRows({ view, today, onOpen }: FindingRowsProps) {
  const past = view.history.filter((finding) => finding.state === 'closed');
  return (
    <View gap={12}>
      {view.tree.note ? <Body>{view.tree.note}</Body> : null}
      <TreeFacts tree={view.tree} units={today.units} />
      {view.findings.length === 0 ? null : (
        <>
          <Section>Open findings</Section>
          <Rows>
            {view.findings.map((finding) => {
              const limb = view.limbs.find((one) => one.id === finding.limbId);
              return (
                <View
                  key={finding.id}
                  render="button"
                  padding={0}
                  borderWidth={0}
                  backgroundColor="transparent"
                  cursor="pointer"
                  onPress={() => onOpen(finding, limb ? markingOf(finding, limb) : null)}
                  aria-label={`Change: ${disorderOf(finding.disorder)?.name ?? finding.disorder} on ${finding.limbName}`}
                  style={{ textAlign: 'left' }}
                >
                  <FindingRow finding={finding} today={today} />
                </View>
              );
            })}
          </Rows>
        </>
      )}
      {past.length === 0 ? null : (
        <>
          <Section>Cut earlier</Section>
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
  const clock = useClock();
  const span = `${tapeText(finding.fromCm, today.units)} to ${tapeText(finding.toCm, today.units)}`;
  return (
    <Row
      title={disorderOf(finding.disorder)?.name ?? finding.disorder}
      detail={`${finding.limbName}, ${span}${finding.note ? ` · ${finding.note}` : ''} · ${finding.by}, ${ago(finding.seenAt, clock())}`}
      aside={<Mark kind={kindOf(finding.disorder)} />}
    />
  );
}
