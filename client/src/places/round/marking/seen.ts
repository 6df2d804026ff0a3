// What every sheet of a marking is given.
import type { SiteToday, TreeView } from '@mortisect/core/present';
import type { Limb } from '@mortisect/core/tree';
import type { Marking } from './draft';

export interface SeenProps {
  view: TreeView;
  today: SiteToday;
  limb: Limb;
  marking: Marking;
  onChange(marking: Marking): void;
}

export interface SeenSheetProps extends SeenProps {
  open: boolean;
  onClose(): void;
}
