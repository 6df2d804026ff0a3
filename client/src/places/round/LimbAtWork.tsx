// The chosen limb on its tape, with the answer to the finding that is shown or marked.

import { disorderOf, kindOf } from '@mortisect/core/disorders';
import { upperFirst } from '@mortisect/core/measure';
import type { SiteToday, TreeView } from '@mortisect/core/present';
import { markOf } from '@mortisect/core/records';
import { growth, type Limb } from '@mortisect/core/tree';
import { limbIn, told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useMemo } from 'react';
import { useSay } from '../../data/useSay';
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
  const say = useSay();
  const wide = useWide();
  const cut = shownId === null ? undefined : cutOf(view, shownId)?.own;
  const shown = view.considered.find((finding) => finding.id === shownId);
  const name = limbIn(say, view.names.get(limb.id) ?? limb.id);
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
        <Notice kind="said" title={upperFirst(somewhereWords(say, marking.somewhere, today.units))}>
          {view.limbs.length > 1 ? say('round.tapTheLimbThatItIsOn') : say('round.drawTheLimbsOfThisTreeTo')}
        </Notice>
      ) : null}
      {marking && (marking.baseRevision === null || marking.somewhere) ? (
        <View flexDirection="row">
          <Button kind="quiet" paddingHorizontal={0} onPress={onAddLimb}>
            {say('round.itsLimbIsNotOnTheMap')}
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
                  ? (told(say, disorderOf(shown.disorder)?.name) ?? shown.disorder)
                  : say('round.nothingFound')}
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
            {marking ? say('round.sayWhatItIsTheAnswerFollows') : say('round.nothingIsRecordedOnThisLimb')}
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
  const say = useSay();
  const same = view.findings.find(
    (finding) =>
      finding.id !== marking.id &&
      finding.limbId === marking.limbId &&
      finding.disorder === marking.disorder &&
      (finding.fault?.kind ?? null) === (marking.fault?.kind ?? null),
  );
  if (!same) return null;
  return (
    <Notice kind="caution" title={say('round.onRecordAlready')}>
      {say('round.isOpenOnThisLimbFoundBy', { finding: findingWords(say, [same]), by: same.by })}
    </Notice>
  );
}

/** What the growth marks say; silent where nobody set any. */
function GrowthWords({ limb }: { limb: Limb }) {
  const say = useSay();
  const growthOfLimb = growth(limb);
  if (!growthOfLimb) return null;
  return (
    <Small>
      {say('round.yearsByItsGrowthMarksCmA', {
        yearsCm: growthOfLimb.yearsCm.length,
        meanCm: Math.round(growthOfLimb.meanCm),
        vigour: told(say, growthOfLimb.vigour),
      })}
    </Small>
  );
}
