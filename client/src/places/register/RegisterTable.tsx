// Thousands of trees in one table: only the rows in view are drawn. Arrow keys move, Enter opens, headings sort.

import { dangersOf } from '@mortisect/core/handling';
import { heightReading } from '@mortisect/core/measure';
import type { TreeSummary } from '@mortisect/core/records';
import { joined } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useVirtualizer } from '@tanstack/react-virtual';
import { type KeyboardEvent, memo, useCallback, useMemo, useRef, useState } from 'react';
import { useSay } from '../../data/useSay';
import { useUnits } from '../../data/useToday';
import { Button } from '../../ui/Button';
import { CheckRow } from '../../ui/CheckRow';
import { elementRef, keysOf } from '../../ui/dom';
import { Sheet } from '../../ui/Sheet';
import { Body, Small } from '../../ui/type';
import { type Column, columnsIn, type Sorting, sorted } from './columns';

const ROW_PX = 44;
/** More rows than are ever in view at once. */
const POOL = 96;

export function RegisterTable({ trees, onOpen }: { trees: TreeSummary[]; onOpen(tree: TreeSummary): void }) {
  const say = useSay();
  const units = useUnits();
  const height = useCallback((cm: number) => joined(say, heightReading(cm, units)), [say, units]);
  const box = useRef<HTMLElement>(null);
  const [sorting, setSorting] = useState<Sorting | null>(null);
  const [hidden, setHidden] = useState(
    () => new Set(columnsIn(say).flatMap((column) => (column.hidden ? [column.id] : []))),
  );
  const [focused, setFocused] = useState(0);
  const [choosing, setChoosing] = useState(false);
  const rows = useMemo(() => sorted(say, trees, sorting), [say, trees, sorting]);
  const shown = useMemo(() => columnsIn(say).filter((column) => !hidden.has(column.id)), [say, hidden]);
  const template = shown.map(({ width }) => `minmax(${width}px, ${width}fr)`).join(' ');
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => box.current,
    estimateSize: () => ROW_PX,
    overscan: 6,
  });
  const open = useRef(onOpen);
  open.current = onOpen;
  const openTree = useCallback((tree: TreeSummary) => open.current(tree), []);

  const onKeyDown = (event: KeyboardEvent) => {
    const page = Math.max(1, Math.floor((box.current?.clientHeight ?? 400) / ROW_PX) - 2);
    const step = {
      ArrowDown: 1,
      ArrowUp: -1,
      PageDown: page,
      PageUp: -page,
      Home: -rows.length,
      End: rows.length,
    }[event.key];
    const tree = rows[focused];
    if (event.key === 'Enter' && tree) return onOpen(tree);
    if (step === undefined) return;
    event.preventDefault();
    const next = Math.max(0, Math.min(rows.length - 1, focused + step));
    setFocused(next);
    virtual.scrollToIndex(next);
  };
  return (
    <View gap={8}>
      <View flexDirection="row" alignItems="center" gap={12}>
        <Small flex={1}>{say('round.tapAHeadingToSort')}</Small>
        <Button onPress={() => setChoosing(true)}>{say('shared.columns')}</Button>
      </View>
      <View
        ref={elementRef(box)}
        {...({ role: 'grid', 'aria-rowcount': rows.length + 1, className: 'register' } as object)}
        aria-label={say('round.trees2')}
        aria-activedescendant={rows[focused] ? `tree-row-${focused}` : undefined}
        tabIndex={0}
        onKeyDown={keysOf(onKeyDown)}
        style={{ height: '62vh', overflow: 'auto', position: 'relative', contain: 'strict' }}
      >
        <View
          role="row"
          position="sticky"
          top={0}
          zIndex={1}
          backgroundColor="$ground"
          borderBottomWidth={1.5}
          borderLeftWidth={5}
          borderLeftColor="transparent"
          borderStyle="solid"
          borderBottomColor="$ink"
          style={{ display: 'grid', gridTemplateColumns: template, minWidth: 'fit-content' }}
        >
          {shown.map((column) => (
            <Heading
              key={column.id}
              column={column}
              way={sorting?.columnId !== column.id ? 'none' : sorting.down ? 'descending' : 'ascending'}
              onSort={setSorting}
            />
          ))}
        </View>
        <div style={{ height: virtual.getTotalSize(), position: 'relative' }}>
          {virtual.getVirtualItems().map(({ index, start }) => {
            const tree = rows[index];
            return tree ? (
              <TreeRow
                // Elements are used again: scrolling and sorting change words, and make nothing new
                key={index % POOL}
                tree={tree}
                index={index}
                startPx={start}
                focused={index === focused}
                columns={shown}
                template={template}
                height={height}
                onOpen={openTree}
              />
            ) : null;
          })}
        </div>
      </View>
      {rows.length === 0 ? <Body>{say('round.noTreeFits')}</Body> : null}
      <Sheet
        title={say('shared.columns')}
        open={choosing}
        onClose={() => setChoosing(false)}
        closeLabel={say('shared.done')}
      >
        {columnsIn(say).map(({ id, title }) => (
          <CheckRow
            key={id}
            label={title}
            on={!hidden.has(id)}
            onChange={(on) =>
              setHidden(new Set(on ? [...hidden].filter((column) => column !== id) : [...hidden, id]))
            }
          />
        ))}
      </Sheet>
    </View>
  );
}

interface TreeRowProps {
  tree: TreeSummary;
  index: number;
  startPx: number;
  focused: boolean;
  columns: readonly Column[];
  template: string;
  height(cm: number): string;
  onOpen(tree: TreeSummary): void;
}

/** Plain elements, and drawn again only when its own tree changes: scrolling draws just the rows that come into view. */
const TreeRow = memo(function TreeRow(props: TreeRowProps) {
  const { tree, index, startPx, focused, columns, template, height, onOpen } = props;
  const open = { onClick: () => onOpen(tree) };
  return (
    <div
      id={`tree-row-${index}`}
      {...{ role: 'row', 'aria-rowindex': index + 2, 'aria-selected': focused }}
      {...open}
      className={`register-row${focused ? ' at' : ''}${dangersOf(tree.hazards).length > 0 ? ' danger' : ''}`}
      style={{ gridTemplateColumns: template, height: ROW_PX, transform: `translateY(${startPx}px)` }}
    >
      {columns.map(({ id, show }) => (
        <div key={id} {...{ role: 'gridcell' }}>
          {show(tree, height)}
        </div>
      ))}
    </div>
  );
});

interface HeadingProps {
  column: Column;
  way: 'none' | 'ascending' | 'descending';
  onSort(sorting: Sorting | null): void;
}

const ARROW = { none: '', ascending: ' ↑', descending: ' ↓' } as const;

/** Pressed once it sorts up, twice down, three times it is as it was. Drawn again only when its own way changes. */
const Heading = memo(function Heading({ column: { id, title }, way, onSort }: HeadingProps) {
  const next = way === 'descending' ? null : { columnId: id, down: way === 'ascending' };
  return (
    <View role="columnheader" aria-sort={way} minWidth={0}>
      <Button
        kind="quiet"
        onPress={() => onSort(next)}
        paddingHorizontal={6}
        justifyContent="flex-start"
      >{`${title}${ARROW[way]}`}</Button>
    </View>
  );
});
