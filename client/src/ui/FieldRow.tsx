// Fields side by side on a phone too: labels, lines to type in and hints each on one height, however many lines a label takes.
import { View } from '@tamagui/core';
import { createContext, type ReactNode, useContext } from 'react';

const InRow = createContext(false);

/** Label, line, hint. */
const LINES = 3;

export function FieldRow({ children }: { children: ReactNode }) {
  return (
    <InRow.Provider value={true}>
      <View
        style={
          {
            display: 'grid',
            gridAutoFlow: 'column',
            gridAutoColumns: 'minmax(0, 1fr)',
            gridTemplateRows: `repeat(${LINES}, auto)`,
            columnGap: 12,
            rowGap: 4,
          } as object
        }
      >
        {children}
      </View>
    </InRow.Provider>
  );
}

/** Of a field: in a row it shares the heights of the others; by itself it stands as it is. */
export function useLinesOfRow(): object {
  if (!useContext(InRow)) return {};
  return {
    style: { display: 'grid', gridRow: `span ${LINES}`, gridTemplateRows: 'subgrid', alignItems: 'end' },
  };
}
