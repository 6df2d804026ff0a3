// The limb tape of a tree in view: names, units and the sentence that it says come with the tree.

import type { Cut } from '@mortisect/core/cuts';
import { type SiteToday, type TreeView, telling } from '@mortisect/core/present';
import { asText, cutSentence, limbIn } from '@mortisect/words/trade';
import type { ReactNode } from 'react';
import { useSay } from '../data/useSay';
import { LimbTape, type LimbTapeProps } from '../drawings/tape/LimbTape';
import { bandsOf } from './bands';
import { switchUnits } from './units';

interface TreeTapeProps {
  view: TreeView;
  today: SiteToday;
  limbId: string;
  cut: Cut | undefined;
  heading: ReactNode;
  draft?: LimbTapeProps['draft'] & { id: string };
  onWhy: (() => void) | undefined;
}

export function TreeTape({ view, today, limbId, cut, heading, draft, onWhy }: TreeTapeProps) {
  const say = useSay();
  const name = limbIn(say, view.names.get(limbId) ?? limbId);
  const words = cut ? asText(cutSentence(say, cut, telling(view, today))) : say('shared.noCutOnIt');
  return (
    <LimbTape
      heading={heading}
      limbs={view.limbs}
      limbId={limbId}
      names={view.names}
      bands={bandsOf(view.considered.filter((finding) => finding.id !== draft?.id))}
      draft={draft}
      cut={cut}
      square={today.site.schools.slope === 'square'}
      units={today.units}
      twelveBearingDeg={today.site.twelveBearingDeg}
      says={say('shared.asATape', { name, words })}
      onWhy={onWhy}
      onSwitchUnits={() => switchUnits(today)}
    />
  );
}
