'use client';

import { useRef, useState, type FocusEvent, type KeyboardEvent, type ReactNode } from 'react';
import type { MarksTable } from '@/contract/marks';
import { GridRow } from './grid-row';

const STEPS: Partial<Record<string, [rows: number, columns: number]>> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
};

type At = { row: number; column: number };
const cellAt = (grid: Element, { row, column }: At) =>
  grid.querySelector<HTMLElement>(`[data-row="${row}"][data-column="${column}"]`);

/** The lines of the table as a grid (ARIA 1.2): one stop for Tab, arrows, Home and End from cell to cell. */
export function Grid({ table, children }: { table: MarksTable; children: ReactNode }) {
  const { rows, scheme } = table;
  const [at, setAt] = useState<At>({ row: 0, column: 0 });
  const grid = useRef<HTMLTableElement>(null);
  const last = scheme.by === 'rubric' ? scheme.rubric.criteria.length - 1 : 0;
  const inGrid = (n: number, most: number) => Math.min(most, Math.max(0, n));
  const onKey = (e: KeyboardEvent<HTMLTableElement>) => {
    if (!(e.target instanceof HTMLElement) || e.target.dataset.row === undefined) return;
    const end = e.key === 'Home' ? 0 : e.key === 'End' ? last : null;
    const step = STEPS[e.key];
    if (end === null && !step) return;
    const [down, along] = step ?? [0, 0];
    const to =
      end === null
        ? { row: inGrid(at.row + down, rows.length - 1), column: inGrid(at.column + along, last) }
        : { row: e.ctrlKey ? inGrid(end === 0 ? 0 : rows.length, rows.length - 1) : at.row, column: end };
    e.preventDefault();
    if (grid.current) cellAt(grid.current, to)?.focus();
  };
  const onFocus = (e: FocusEvent<HTMLTableElement>) => {
    const { row, column } = e.target.dataset;
    if (row !== undefined && column !== undefined) setAt({ row: Number(row), column: Number(column) });
  };
  return (
    <table
      ref={grid}
      role="grid"
      aria-labelledby="marks-table"
      aria-describedby="marks-keys"
      className="w-full border-collapse text-[13.5px]"
      onKeyDown={onKey}
      onFocus={onFocus}
    >
      {children}
      <tbody>
        {rows.map((row, i) => (
          <GridRow key={row.id} table={table} row={row} index={i} column={at.row === i ? at.column : null} />
        ))}
      </tbody>
    </table>
  );
}
