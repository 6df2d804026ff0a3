// The chosen limb on its tape, with the answer to the finding that is shown or marked.

import { disorderOf, kindOf } from '@mortisect/core/disorders';
import { upperFirst } from '@mortisect/core/measure';
import type { SiteToday, TreeView } from '@mortisect/core/present';
import { markOf } from '@mortisect/core/records';
import { growth, type Limb } from '@mortisect/core/tree';
import { View } from '@tamagui/core';
import { useMemo } from 'react';
import type { Span } from '../../drawings/tape/LimbTape';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { useWide } from '../../ui/theme';
import { Label, Small } from '../../ui/type';
import { TreeTape } from '../TreeTape';
import { findingWords } from '../words';
import { Answer, cutOf } from './Answer';
import { type Marking, somewhereWords, withSpan } from './marking/draft';
import { likelyOn } from './marking/likely';
import { DisorderSigns, EdgeChoice, KindChoice, MoreFields, SpanFields } from './marking/MarkingForm';
import { SeenMore } from './marking/SeenMore';

interface LimbAtWorkProps {
  view: TreeView;
  today: SiteToday;
  limb: Limb;
  /** The finding whose cut the tape shows. */
  shownId: string | null;
  marking: Marking | null;
  onMark(marking: Marking): void;
  onWhy(lesionId: string): void;
  onAddLimb(): void;
}

export function LimbAtWork({
  view,
  today,
  limb,
  shownId,
  marking,
  onMark,
  onWhy,
  onAddLimb,
}: LimbAtWorkProps) {
  const wide = useWide();
  const cut = shownId === null ? undefined : cutOf(view, shownId)?.own;
  const shown = view.considered.find((finding) => finding.id === shownId);
  const name = view.names.get(limb.id) ?? limb.id;
  const marks = marking !== null;
  const likely = useMemo(
    () => (marks ? likelyOn(view.tree.species, today) : []),
    [marks, view.tree.species, today],
  );
  const form = marking && { marking, onChange: onMark };
  const drawn =
    marking && marking.kind !== null
      ? markOf({ kind: marking.kind, disorder: marking.disorder ?? '' })
      : kindOf('');
  return (
    <View gap={12}>
      {form ? <KindChoice {...form} limbs={view.limbs} likely={likely} /> : null}
      {marking ? <AlreadyThere view={view} marking={marking} /> : null}
      {marking?.somewhere ? (
        <Notice kind="said" title={upperFirst(somewhereWords(marking.somewhere, today.units))}>
          {view.limbs.length > 1
            ? 'Tap the limb that it is on to see the cut.'
            : 'Draw the limbs of this tree to see the cut.'}
        </Notice>
      ) : null}
      {marking && (marking.baseRevision === null || marking.somewhere) ? (
        <View flexDirection="row">
          <Button kind="quiet" paddingHorizontal={0} onPress={onAddLimb}>
            Its limb is not on the map: add it
          </Button>
        </View>
      ) : null}
      {marking?.somewhere ? null : (
        <TreeTape
          view={view}
          today={today}
          limbId={limb.id}
          cut={cut}
          heading={
            <Label
              fontSize={wide || marking ? '$24' : '$19'}
              lineHeight="$24"
              color={wide || marking ? '$chalk' : '$ink'}
            >
              {wide || marking
                ? name
                : shown
                  ? (disorderOf(shown.disorder)?.name ?? shown.disorder)
                  : 'Nothing found'}
            </Label>
          }
          {...(marking && {
            draft: {
              id: marking.id,
              span: marking,
              kind: drawn,
              onChange: (span: Span) => onMark({ ...withSpan(marking, span), place: 'span' }),
            },
          })}
          onWhy={shownId === null ? undefined : () => onWhy(shownId)}
        />
      )}
      {form ? <EdgeChoice {...form} /> : null}
      {marking?.somewhere ? null : shownId === null ? (
        <>
          <Small>
            {marking ? 'Say what it is: the answer follows.' : 'Nothing is recorded on this limb.'}
          </Small>
          {marking ? null : <GrowthWords limb={limb} />}
        </>
      ) : (
        <Answer view={view} today={today} lesionId={shownId} onWhy={() => onWhy(shownId)} />
      )}
      {form ? (
        <>
          <SeenMore view={view} today={today} limb={limb} {...form} />
          {marking?.somewhere ? null : <SpanFields {...form} limb={limb} />}
          <DisorderSigns marking={form.marking} />
          <MoreFields {...form} limbs={view.limbs} />
        </>
      ) : null}
    </View>
  );
}

/** Two findings of the same on one limb may be one that was seen twice. */
function AlreadyThere({ view, marking }: { view: TreeView; marking: Marking }) {
  const same = view.findings.find(
    (finding) =>
      finding.id !== marking.id &&
      finding.limbId === marking.limbId &&
      finding.disorder === marking.disorder &&
      (finding.fault?.kind ?? null) === (marking.fault?.kind ?? null),
  );
  if (!same) return null;
  return (
    <Notice kind="caution" title="On record already">
      {`${findingWords([same])} is open on this limb, found by ${same.by}. Is this another one? Set it only if it is.`}
    </Notice>
  );
}

/** What the growth marks say; silent where nobody set any. */
function GrowthWords({ limb }: { limb: Limb }) {
  const growthOfLimb = growth(limb);
  if (!growthOfLimb) return null;
  return (
    <Small>
      {`${growthOfLimb.yearsCm.length} years by its growth marks, ${Math.round(growthOfLimb.meanCm)} cm a year lately: ${growthOfLimb.vigour} growth.`}
    </Small>
  );
}
