// Thousands of trees in one table: only the rows in view are drawn. Arrow keys move, Enter opens, headings sort. Its cells can be typed into.

import { dangersOf } from '@mortisect/core/handling';
import { heightReading } from '@mortisect/core/measure';
import type { TreeSummary } from '@mortisect/core/records';
import { joined } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useVirtualizer } from '@tanstack/react-virtual';
import {
  type KeyboardEvent,
  type MouseEvent,
  memo,
  type ReactNode,
  useCallback,
  useMemo,
  useRef,
  useState,
} from 'react';
import { useSay } from '../../data/useSay';
import { useUnits } from '../../data/useToday';
import { Button } from '../../ui/Button';
import { CheckRow } from '../../ui/CheckRow';
import { elementRef, keysOf } from '../../ui/dom';
import { useLeaveGuard } from '../../ui/leaveGuard';
import { Sheet } from '../../ui/Sheet';
import { Body, Small } from '../../ui/type';
import { CellInput } from './CellInput';
import { type Column, columnsIn, type Sorting, sorted } from './columns';
import { isTyped, useCellTyping } from './useCellTyping';

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
  const [isTyping, setTyping] = useState(false);
  const typing = useCellTyping(trees);
  const { cell } = typing;
  const leaving = useLeaveGuard(cell !== null && cell.text !== cell.before, say('round.theCell'));
  const typedColumns = useMemo(() => shown.filter(({ id }) => isTyped(id)), [shown]);
  const [columnAt, setColumnAt] = useState('code');
  const atColumn = typedColumns.some(({ id }) => id === columnAt) ? columnAt : (typedColumns[0]?.id ?? '');
  const touch = useRef((_tree: TreeSummary, _columnId: string, _index: number) => {});
  touch.current = (tree, columnId, index) => {
    if (!isTyping) return onOpen(tree);
    setFocused(index);
    if (!isTyped(columnId)) return;
    setColumnAt(columnId);
    if (cell?.treeId !== tree.id || cell.columnId !== columnId) typing.begin(tree, columnId);
  };
  const onTouch = useCallback(
    (tree: TreeSummary, columnId: string, index: number) => touch.current(tree, columnId, index),
    [],
  );
  const toRow = (index: number) => {
    const next = Math.max(0, Math.min(rows.length - 1, index));
    setFocused(next);
    virtual.scrollToIndex(next);
  };
  const toColumn = (step: number) => {
    const ids = typedColumns.map(({ id }) => id);
    setColumnAt(ids[Math.max(0, Math.min(ids.length - 1, ids.indexOf(atColumn) + step))] ?? atColumn);
  };
  /** After a cell: where the keys lead to next. */
  const onCellKey = (event: KeyboardEvent) => {
    event.stopPropagation();
    const back = () => box.current?.focus();
    const after = {
      Enter: () => toRow(focused + (event.shiftKey ? -1 : 1)),
      Tab: () => toColumn(event.shiftKey ? -1 : 1),
    }[event.key];
    if (event.key === 'Escape') {
      typing.leave();
      back();
    } else if (after) {
      event.preventDefault();
      typing.save(() => {
        after();
        back();
      });
    }
  };

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
    if (isTyping && tree && (event.key === 'ArrowLeft' || event.key === 'ArrowRight')) {
      event.preventDefault();
      return toColumn(event.key === 'ArrowLeft' ? -1 : 1);
    }
    const begins = event.key.length === 1 && !event.ctrlKey && !event.metaKey && !event.altKey;
    if (isTyping && tree && (event.key === 'Enter' || event.key === 'F2' || begins)) {
      event.preventDefault();
      return typing.begin(tree, atColumn, begins ? event.key : undefined);
    }
    if (event.key === 'Enter' && tree) return onOpen(tree);
    if (step === undefined) return;
    event.preventDefault();
    toRow(focused + step);
  };
  return (
    <View gap={8}>
      <View flexDirection="row" alignItems="center" gap={12}>
        <Small flex={1}>{say(isTyping ? 'round.typeInCells' : 'round.tapAHeadingToSort')}</Small>
        <Button
          onPress={() => {
            if (isTyping) typing.save(() => setTyping(false));
            else setTyping(true);
          }}
        >
          {say(isTyping ? 'round.doneTyping' : 'round.typeInTheTable')}
        </Button>
        <Button onPress={() => setChoosing(true)}>{say('shared.columns')}</Button>
      </View>
      {isTyping ? (
        <View flexDirection="row" flexWrap="wrap" alignItems="center" gap={12} minHeight={48}>
          <Body role="status" flex={1} color={cell?.fault ? '$kerfText' : '$ink'}>
            {cell?.fault ?? (cell ? say('round.cellKeys') : (typing.saved?.says ?? ''))}
          </Body>
          {!cell && typing.saved?.before ? (
            <Button onPress={typing.takeBack} disabled={typing.isSaving}>
              {say('round.takeItBack')}
            </Button>
          ) : null}
        </View>
      ) : null}
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
                onTouch={onTouch}
                atColumn={isTyping && index === focused ? atColumn : null}
                typed={
                  cell?.treeId === tree.id ? (
                    <CellInput
                      key={`${cell.treeId} ${cell.columnId}`}
                      label={`${shown.find(({ id }) => id === cell.columnId)?.title ?? ''}, ${tree.code}`}
                      text={cell.text}
                      isWhole={cell.text === cell.before}
                      isWrong={cell.fault !== undefined}
                      onType={typing.type}
                      onKeyDown={onCellKey}
                    />
                  ) : null
                }
                typedColumn={cell?.treeId === tree.id ? cell.columnId : null}
              />
            ) : null;
          })}
        </div>
      </View>
      {leaving.question}
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
  onTouch(tree: TreeSummary, columnId: string, index: number): void;
  /** The column that keys type into; null where none is. */
  atColumn: string | null;
  /** What is typed into, and in which column. */
  typed: ReactNode;
  typedColumn: string | null;
}

/** Plain elements, and drawn again only when its own tree changes: scrolling draws just the rows that come into view. */
const TreeRow = memo(function TreeRow(props: TreeRowProps) {
  const { tree, index, startPx, focused, columns, template, height, onTouch } = props;
  const { atColumn, typed, typedColumn } = props;
  const onClick = ({ target }: MouseEvent) => {
    const cell = (target as HTMLElement).closest<HTMLElement>('[data-column]');
    onTouch(tree, cell?.dataset.column ?? '', index);
  };
  return (
    <div
      id={`tree-row-${index}`}
      {...{ role: 'row', 'aria-rowindex': index + 2, 'aria-selected': focused }}
      {...{ onClick }}
      className={`register-row${focused ? ' at' : ''}${dangersOf(tree.hazards).length > 0 ? ' danger' : ''}`}
      style={{ gridTemplateColumns: template, height: ROW_PX, transform: `translateY(${startPx}px)` }}
    >
      {columns.map(({ id, show }) => (
        <div
          key={id}
          {...{ role: 'gridcell', 'data-column': id }}
          className={id === typedColumn ? 'typed' : id === atColumn ? 'at' : undefined}
        >
          {id === typedColumn ? typed : show(tree, height)}
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
