import {
  columnFilteringFeature,
  createFilteredRowModel,
  createSortedRowModel,
  globalFilteringFeature,
  rowSelectionFeature,
  rowSortingFeature,
  tableFeatures,
  useTable,
} from '@tanstack/react-table';
import { useWindowVirtualizer } from '@tanstack/react-virtual';
import { ArrowDown, ArrowUp } from 'lucide-react';
import { memo, type ReactNode, useCallback, useLayoutEffect, useMemo, useRef, useState } from 'react';

const features = tableFeatures({
  columnFilteringFeature,
  globalFilteringFeature,
  rowSelectionFeature,
  rowSortingFeature,
  filteredRowModel: createFilteredRowModel(),
  sortedRowModel: createSortedRowModel(),
});

/** A column: what it is sorted by, what is looked for in it, and what stands there. */
export interface TableColumn<T> {
  readonly id: string;
  readonly head: string;
  /** Nothing is sorted last. */
  readonly by: (row: T) => string | number | undefined;
  readonly cell: (row: T) => ReactNode;
  /** Words it is found by; none unless they are said. */
  readonly words?: (row: T) => string;
  readonly right?: boolean;
}

interface SortableTableProps<T> {
  readonly label: string;
  readonly rows: readonly T[];
  /** The same array from one drawing to the next. */
  readonly columns: ReadonlyArray<TableColumn<T>>;
  /** Words that a row must have, each of them somewhere. */
  readonly search: string;
  readonly selected: ReadonlySet<string>;
  readonly onSelect: (ids: ReadonlySet<string>) => void;
  /** What a row is called. */
  readonly nameOf: (row: T) => string;
  readonly none: string;
}

const words = new Intl.Collator('en', { numeric: true, sensitivity: 'base' });
const compared = (a: unknown, b: unknown): number =>
  typeof a === 'number' && typeof b === 'number' ? a - b : words.compare(String(a ?? ''), String(b ?? ''));

/** Height of a row, px, and rows that are ready before they are seen. */
const [HIGH, READY] = [40, 8];

/**
 * A table that sorts by its heads, filters by words and lets rows be chosen. Only the rows near the window are there, so
 * that ten thousand are as quick as ten.
 */
export function SortableTable<T extends { readonly id: string }>(props: SortableTableProps<T>) {
  const { label, rows, columns, search, selected, onSelect, nameOf, none } = props;
  const data = useMemo(() => [...rows], [rows]);
  const defined = useMemo(
    () =>
      columns.map((column) => ({
        id: column.id,
        accessorFn: column.by,
        sortUndefined: 'last' as const,
        sortFn: (a: { original: T }, b: { original: T }) =>
          compared(column.by(a.original), column.by(b.original)),
      })),
    [columns],
  );
  const wanted = search.toLocaleLowerCase('en').split(/\s+/).filter(Boolean);
  const state = useMemo(
    () => ({
      globalFilter: search,
      rowSelection: Object.fromEntries([...selected].map((id) => [id, true as const])),
    }),
    [search, selected],
  );
  const table = useTable({
    features,
    data,
    columns: defined,
    getRowId: (row) => row.id,
    globalFilterFn: (row) => {
      const text = columns
        .map((column) => column.words?.(row.original) ?? '')
        .join(' ')
        .toLocaleLowerCase('en');
      return wanted.every((word) => text.includes(word));
    },
    getColumnCanGlobalFilter: () => true,
    state,
    onRowSelectionChange: (change) => {
      const before = Object.fromEntries([...selected].map((id) => [id, true as const]));
      const next = typeof change === 'function' ? change(before) : change;
      onSelect(new Set(Object.keys(next).filter((id) => next[id])));
    },
  });
  const shown = table.getRowModel().rows;
  const body = useRef<HTMLTableElement>(null);
  const [top, setTop] = useState(0);
  // Where the table begins changes with what stands above it.
  useLayoutEffect(() => setTop((body.current?.getBoundingClientRect().top ?? 0) + window.scrollY));
  const seen = useWindowVirtualizer({
    count: shown.length,
    estimateSize: () => HIGH,
    overscan: READY,
    scrollMargin: top,
  });
  const items = seen.getVirtualItems();
  const before = (items[0]?.start ?? top) - top;
  const after = seen.getTotalSize() - ((items.at(-1)?.end ?? top) - top);
  /** The cells of a row: the same as long as rows and columns are. */
  const draw = useMemo(() => {
    const by = new Map(data.map((row) => [row.id, row]));
    return (id: string) => {
      const row = by.get(id);
      return row && columns.map((column) => <Cell key={column.id} column={column} row={row} />);
    };
  }, [data, columns]);
  const now = useRef(table);
  now.current = table;
  const toggle = useCallback(
    (id: string, event: unknown) => now.current.getRow(id).getToggleSelectedHandler()(event),
    [],
  );
  const all = shown.length > 0 && shown.every(({ id }) => selected.has(id));
  return (
    <div className="overflow-x-auto rounded-sm border border-line bg-card">
      <table ref={body} aria-label={label} aria-rowcount={shown.length + 1} className="w-full text-sm">
        <thead>
          <tr className="border-b border-line text-left text-xs text-soft">
            <th className="w-8 px-2 py-1.5">
              <input
                type="checkbox"
                aria-label="Choose all that are shown"
                checked={all}
                disabled={shown.length === 0}
                onChange={() => onSelect(all ? new Set() : new Set(shown.map(({ id }) => id)))}
                className="block size-4 accent-kingfisher"
              />
            </th>
            {table.getFlatHeaders().map((header, i) => {
              const sorted = header.column.getIsSorted();
              return (
                <th
                  key={header.id}
                  aria-sort={sorted === 'asc' ? 'ascending' : sorted === 'desc' ? 'descending' : 'none'}
                  className={`px-2 py-1.5 font-medium ${columns[i]?.right ? 'text-right' : ''}`}
                >
                  <button
                    type="button"
                    onClick={() => header.column.toggleSorting()}
                    className="inline-flex items-center gap-1 hover:text-kingfisher"
                  >
                    {columns[i]?.head}
                    {sorted === 'asc' && <ArrowUp size={12} aria-hidden />}
                    {sorted === 'desc' && <ArrowDown size={12} aria-hidden />}
                  </button>
                </th>
              );
            })}
          </tr>
        </thead>
        <tbody>
          {before > 0 && <Gap high={before} />}
          {items.map(({ index }) => {
            const row = shown[index];
            return (
              row && (
                <Line
                  key={row.id}
                  id={row.id}
                  place={index + 2}
                  name={nameOf(row.original)}
                  selected={selected.has(row.id)}
                  draw={draw}
                  onToggle={toggle}
                />
              )
            );
          })}
          {after > 0 && <Gap high={after} />}
        </tbody>
      </table>
      {shown.length === 0 && <p className="p-4 text-sm text-soft">{none}</p>}
    </div>
  );
}

function Cell<T>({ column, row }: { readonly column: TableColumn<T>; readonly row: T }) {
  return (
    <td className={`max-w-56 truncate px-2 ${column.right ? 'text-right tabular-nums' : ''}`}>
      {column.cell(row)}
    </td>
  );
}

interface LineProps {
  readonly id: string;
  /** Its place among all rows, the head being the first. */
  readonly place: number;
  readonly name: string;
  readonly selected: boolean;
  readonly draw: (id: string) => ReactNode;
  readonly onToggle: (id: string, event: unknown) => void;
}

/** One row; drawn anew only where something of it has changed. */
const Line = memo(function Line({ id, place, name, selected, draw, onToggle }: LineProps) {
  return (
    <tr
      aria-rowindex={place}
      style={{ height: HIGH }}
      className={`border-b border-line last:border-b-0 ${selected ? 'bg-kingfisher-pale' : 'hover:bg-table'}`}
    >
      <td className="px-2">
        <input
          type="checkbox"
          aria-label={`Choose ${name}`}
          checked={selected}
          onChange={(event) => onToggle(id, event)}
          className="block size-4 accent-kingfisher"
        />
      </td>
      {draw(id)}
    </tr>
  );
});

const Gap = ({ high }: { readonly high: number }) => (
  <tr style={{ height: high }}>
    <td />
  </tr>
);
