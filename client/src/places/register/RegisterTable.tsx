// Thousands of trees in one table: only the rows in view are drawn. Arrow keys move, Enter opens, headings sort.
import type { TreeSummary } from '@mortisect/contracts';
import { heightReading, joined } from '@mortisect/core/measure';
import { speciesName } from '@mortisect/core/register';
import { View } from '@tamagui/core';
import {
  columnVisibilityFeature,
  createColumnHelper,
  createSortedRowModel,
  rowSortingFeature,
  sortFn_basic,
  tableFeatures,
  useTable,
} from '@tanstack/react-table';
import { useVirtualizer } from '@tanstack/react-virtual';
import { type KeyboardEvent, useMemo, useRef, useState } from 'react';
import { useUnits } from '../../data/useToday';
import { Button } from '../../ui/Button';
import { CheckRow } from '../../ui/CheckRow';
import { Sheet } from '../../ui/Sheet';
import { Body, Label, Small } from '../../ui/type';

const features = tableFeatures({
  rowSortingFeature,
  columnVisibilityFeature,
  sortedRowModel: createSortedRowModel(),
  sortFns: { basic: sortFn_basic },
});
const helper = createColumnHelper<typeof features, TreeSummary>();

/** Sorted by plain comparison: made once, numbers in it padded so that 10 comes after 9. */
const keys = new Map<string, string>();
function keyOf(text: string): string {
  let key = keys.get(text);
  if (key === undefined) {
    key = text.toLowerCase().replace(/\d+/g, (digits) => digits.padStart(7, '0'));
    keys.set(text, key);
  }
  return key;
}

interface Column {
  id: string;
  title: string;
  width: number;
  sort(tree: TreeSummary): string | number;
  show(tree: TreeSummary, height: (cm: number) => string): string;
  hidden?: true;
}

const COLUMNS: readonly Column[] = [
  text('code', 'Tree', 130, (tree) => tree.code),
  text('nickname', 'Nickname', 140, (tree) => tree.nickname ?? '', true),
  text('plot', 'Plot', 110, (tree) => tree.plot),
  text('row', 'Row', 160, (tree) => tree.row, true),
  { ...number('place', 'Place', 60, (tree) => tree.place, String), hidden: true },
  text('species', 'Species', 120, (tree) => speciesName(tree.species)),
  text('cultivar', 'Cultivar', 140, (tree) => tree.cultivar ?? 'unknown'),
  text('rootstock', 'Rootstock', 110, (tree) => tree.rootstock ?? '', true),
  number(
    'planted',
    'Planted',
    70,
    (tree) => tree.plantedYear ?? 0,
    (year) => (year === 0 ? '' : String(year)),
  ),
  text('form', 'Form', 120, (tree) => tree.form),
  {
    id: 'height',
    title: 'Height',
    width: 80,
    sort: (tree) => tree.heightCm,
    show: (tree, height) => height(tree.heightCm),
  },
  {
    id: 'spread',
    title: 'Spread',
    width: 80,
    sort: (tree) => tree.spreadCm,
    show: (tree, height) => height(tree.spreadCm),
    hidden: true,
  },
  number(
    'findings',
    'Findings',
    70,
    (tree) => tree.openFindings,
    (count) => (count === 0 ? '' : String(count)),
  ),
  text('status', 'Status', 90, (tree) => tree.status),
  text('hazards', 'Dangers', 130, (tree) => tree.hazards.join(', ')),
  text('seen', 'Last seen', 100, (tree) => tree.lastSeenAt?.slice(0, 10) ?? ''),
];

function text(
  id: string,
  title: string,
  width: number,
  of: (tree: TreeSummary) => string,
  hidden?: true,
): Column {
  return { id, title, width, sort: (tree) => keyOf(of(tree)), show: of, ...(hidden && { hidden }) };
}

function number(
  id: string,
  title: string,
  width: number,
  of: (tree: TreeSummary) => number,
  show: (value: number) => string,
): Column {
  return { id, title, width, sort: of, show: (tree) => show(of(tree)) };
}

const byId = new Map(COLUMNS.map((column) => [column.id, column]));
const columns = helper.columns(
  COLUMNS.map(({ id, title, sort }) => helper.accessor(sort, { id, header: title, sortFn: 'basic' })),
);
const ROW_PX = 44;

export function RegisterTable({ trees, onOpen }: { trees: TreeSummary[]; onOpen(tree: TreeSummary): void }) {
  const units = useUnits();
  const height = useMemo(() => (cm: number) => joined(heightReading(cm, units)), [units]);
  const box = useRef<HTMLDivElement>(null);
  const [focused, setFocused] = useState(0);
  const [choosing, setChoosing] = useState(false);
  const table = useTable({
    features,
    columns,
    data: trees,
    initialState: {
      columnVisibility: Object.fromEntries(
        COLUMNS.flatMap(({ id, hidden }) => (hidden ? [[id, false]] : [])),
      ),
    },
  });
  const { rows } = table.getRowModel();
  const shown = table.getVisibleLeafColumns().flatMap((column) => {
    const known = byId.get(column.id);
    return known ? [{ column, ...known }] : [];
  });
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => box.current,
    estimateSize: () => ROW_PX,
    overscan: 12,
  });
  const move = (to: number) => {
    const next = Math.max(0, Math.min(rows.length - 1, to));
    setFocused(next);
    virtual.scrollToIndex(next);
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
    const tree = rows[focused]?.original;
    if (event.key === 'Enter' && tree) return onOpen(tree);
    if (step === undefined) return;
    event.preventDefault();
    move(focused + step);
  };
  const template = shown.map(({ width }) => `minmax(${width}px, ${width}fr)`).join(' ');
  return (
    <View gap={8}>
      <View flexDirection="row" alignItems="center" gap={12}>
        <Small flex={1}>A heading sorts; arrow keys move through the rows, Enter opens the tree.</Small>
        <Button onPress={() => setChoosing(true)}>Columns</Button>
      </View>
      <View
        ref={box as never}
        {...({ role: 'grid' } as object)}
        aria-label="Trees"
        aria-rowcount={rows.length + 1}
        aria-activedescendant={rows[focused] ? `tree-row-${focused}` : undefined}
        tabIndex={0}
        onKeyDown={onKeyDown as never}
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
          {shown.map(({ column, title }) => (
            <Heading
              key={column.id}
              title={title}
              sorted={column.getIsSorted()}
              onSort={() => column.toggleSorting()}
            />
          ))}
        </View>
        <div style={{ height: virtual.getTotalSize(), position: 'relative' }}>
          {virtual.getVirtualItems().map((item) => {
            const tree = rows[item.index]?.original;
            if (!tree) return null;
            return (
              <View
                key={tree.id}
                id={`tree-row-${item.index}`}
                role="row"
                aria-rowindex={item.index + 2}
                aria-selected={item.index === focused}
                onPress={() => onOpen(tree)}
                cursor="pointer"
                borderBottomWidth={1}
                borderLeftWidth={5}
                borderStyle="solid"
                borderBottomColor="$rule"
                borderLeftColor={
                  tree.hazards.length > 0 ? '$kerf' : item.index === focused ? '$chalk' : 'transparent'
                }
                backgroundColor={item.index === focused ? '$paper' : 'transparent'}
                style={{
                  display: 'grid',
                  gridTemplateColumns: template,
                  position: 'absolute',
                  top: 0,
                  left: 0,
                  right: 0,
                  height: ROW_PX,
                  alignItems: 'center',
                  transform: `translateY(${item.start}px)`,
                }}
              >
                {shown.map(({ id, show }, i) => (
                  <View key={id} {...({ role: 'gridcell' } as object)} paddingHorizontal={6} minWidth={0}>
                    {i === 0 ? (
                      <Label numberOfLines={1}>{show(tree, height)}</Label>
                    ) : (
                      <Small numberOfLines={1} color="$ink">
                        {show(tree, height)}
                      </Small>
                    )}
                  </View>
                ))}
              </View>
            );
          })}
        </div>
      </View>
      {rows.length === 0 ? <Body>No tree fits.</Body> : null}
      <Sheet title="Columns" open={choosing} onClose={() => setChoosing(false)} closeLabel="Done">
        {table.getAllLeafColumns().map((column) => (
          <CheckRow
            key={column.id}
            label={byId.get(column.id)?.title ?? column.id}
            on={column.getIsVisible()}
            onChange={(on) => column.toggleVisibility(on)}
          />
        ))}
      </Sheet>
    </View>
  );
}

function Heading({
  title,
  sorted,
  onSort,
}: {
  title: string;
  sorted: false | 'asc' | 'desc';
  onSort(): void;
}) {
  return (
    <View
      role="columnheader"
      aria-sort={sorted === 'asc' ? 'ascending' : sorted === 'desc' ? 'descending' : 'none'}
      minWidth={0}
    >
      <Button kind="quiet" onPress={onSort} paddingHorizontal={6} justifyContent="flex-start">
        {`${title}${sorted === 'asc' ? ' ↑' : sorted === 'desc' ? ' ↓' : ''}`}
      </Button>
    </View>
  );
}
