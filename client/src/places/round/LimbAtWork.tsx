// The chosen limb on its tape, with the answer to the finding that is shown or marked.

import { disorderOf, kindOf } from '@mortisect/core/disorders';
import type { Limb } from '@mortisect/core/tree';
import { View } from '@tamagui/core';
import type { SiteToday, TreeView } from '../../data/orchardView';
import type { Span } from '../../drawings/tape/LimbTape';
import { useWide } from '../../ui/theme';
import { Label, Small } from '../../ui/type';
import { TreeTape } from '../TreeTape';
import { Answer, cutOf } from './Answer';
import type { Marking } from './draft';
import { DisorderChoice, DisorderSigns, EdgeChoice, MoreFields, SpanFields } from './MarkingForm';

interface LimbAtWorkProps {
  view: TreeView;
  today: SiteToday;
  limb: Limb;
  /** The finding whose cut the tape shows. */
  shownId: string | null;
  marking: Marking | null;
  onMark(marking: Marking): void;
  onWhy(lesionId: string): void;
}

export function LimbAtWork({ view, today, limb, shownId, marking, onMark, onWhy }: LimbAtWorkProps) {
  const wide = useWide();
  const cut = shownId === null ? undefined : cutOf(view, shownId)?.own;
  const shown = view.considered.find((finding) => finding.id === shownId);
  const name = view.names.get(limb.id) ?? limb.id;
  return (
    <View gap={12}>
      {marking ? <DisorderChoice marking={marking} onChange={onMark} /> : null}
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
            kind: kindOf(marking.disorder ?? ''),
            onChange: (span: Span) => onMark({ ...marking, ...span }),
          },
        })}
        onWhy={shownId === null ? undefined : () => onWhy(shownId)}
      />
      {marking ? <EdgeChoice marking={marking} onChange={onMark} /> : null}
      {shownId === null ? (
        <Small>{marking ? 'Say what it is: the answer follows.' : 'Nothing is recorded on this limb.'}</Small>
      ) : (
        <Answer view={view} today={today} lesionId={shownId} onWhy={() => onWhy(shownId)} />
      )}
      {marking ? (
        <>
          <SpanFields marking={marking} onChange={onMark} limb={limb} units={today.units} />
          <DisorderSigns marking={marking} />
          <MoreFields marking={marking} onChange={onMark} />
        </>
      ) : null}
    </View>
  );
}
