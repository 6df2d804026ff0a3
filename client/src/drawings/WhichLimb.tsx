// Several limbs lie under the finger: which is meant?

import { thicknessReading, type Units } from '@mortisect/core/measure';
import type { Limb } from '@mortisect/core/tree';
import { joined, limbIn } from '@mortisect/words/trade';
import { useSay } from '../data/useSay';
import { PressRow } from '../ui/PressRow';
import { Rows } from '../ui/Row';
import { Sheet } from '../ui/Sheet';
import { Label } from '../ui/type';

interface WhichLimbProps {
  asked: readonly Limb[];
  names: ReadonlyMap<string, string>;
  units: Units;
  onClose(): void;
  onChoose(limbId: string): void;
}

export function WhichLimb({ asked, names, units, onClose, onChoose }: WhichLimbProps) {
  const say = useSay();
  return (
    <Sheet
      title={say('shared.whichLimb')}
      open={asked.length > 0}
      onClose={onClose}
      closeLabel={say('shared.noneOfThese')}
    >
      <Rows>
        {asked.map((limb) => (
          <PressRow
            key={limb.id}
            paddingVertical={6}
            paddingHorizontal={12}
            justifyContent="space-between"
            onPress={() => {
              onClose();
              onChoose(limb.id);
            }}
          >
            <Label fontSize="$19">{limbIn(say, names.get(limb.id) ?? limb.id)}</Label>
            <Label>{joined(say, thicknessReading(limb.baseMm, units))}</Label>
          </PressRow>
        ))}
      </Rows>
    </Sheet>
  );
}
