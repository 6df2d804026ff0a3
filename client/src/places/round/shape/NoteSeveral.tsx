// Several faults noted at once: all of a kind, or all on a main limb.

import { type Fault, faultGroups, faultKey } from '@mortisect/core/faults';
import { upperFirst } from '@mortisect/core/measure';
import type { TreeView } from '@mortisect/core/present';
import { limbIn } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { useSay } from '../../../data/useSay';
import { Button } from '../../../ui/Button';
import { Sheet } from '../../../ui/Sheet';
import { Body, Label, Section } from '../../../ui/type';
import { faultTitle } from './faultWords';

interface NoteSeveralProps {
  faults: readonly Fault[];
  view: TreeView;
  onNote(faults: readonly Fault[]): void;
}

export function NoteSeveral({ faults, view, onNote }: NoteSeveralProps) {
  const say = useSay();
  const [open, setOpen] = useState(false);
  const { kinds, limbs } = faultGroups(faults, view.limbs);
  if (kinds.length === 0 && limbs.length === 0) return null;
  const parts = [
    {
      title: say('round.byKind'),
      rows: kinds.map((group) => ({ name: faultTitle(say, group), faults: group.faults })),
    },
    {
      title: say('round.byLimb'),
      rows: limbs.map((group) => ({
        name: upperFirst(limbIn(say, view.names.get(group.limbId) ?? group.limbId)),
        faults: group.faults,
      })),
    },
  ];
  return (
    <>
      <Button onPress={() => setOpen(true)}>{say('round.noteSeveral')}</Button>
      <Sheet title={say('round.noteSeveral')} open={open} onClose={() => setOpen(false)}>
        <Body>{say('round.noteSeveralSays')}</Body>
        {parts
          .filter(({ rows }) => rows.length > 0)
          .map(({ title, rows }) => (
            <View key={title} gap={8}>
              <Section>{title}</Section>
              {rows.map(({ name, faults: own }) => (
                <View key={own.map(faultKey).join()} flexDirection="row" alignItems="center" gap={12}>
                  <Label flex={1} minWidth={0}>
                    {name}
                  </Label>
                  <Button
                    aria-label={say('round.noteAllOf', {
                      note: say('round.noteAll', { faults: own.length }),
                      title: name,
                    })}
                    onPress={() => {
                      onNote(own);
                      setOpen(false);
                    }}
                  >
                    {say('round.noteAll', { faults: own.length })}
                  </Button>
                </View>
              ))}
            </View>
          ))}
      </Sheet>
    </>
  );
}
