'use client';

import { useRef, useState, type KeyboardEvent } from 'react';

/** What can be said in a cell: one of some choices, each by its digit too, or any number of points. */
export type CellKind = { choices: { text: string; value: number }[] } | 'number';

/** A cell of the table that is written in: by digits and Delete as it stands, by Enter or a press in a field of its own. */
export function GridCell({
  name,
  kind,
  value,
  shown,
  current,
  closed,
  at,
  say,
}: {
  name: string;
  kind: CellKind;
  value: number | null;
  shown: string;
  /** The arrows are here. */
  current: boolean;
  /** It is read, and not written in. */
  closed: boolean;
  at: { row: number; column: number };
  say: (value: number | null) => void;
}) {
  const [open, setOpen] = useState<string | null>(null);
  // The field was left by a key: what leaving it would say has been said, or is not meant.
  const left = useRef(false);
  const edit = (text: string) => {
    left.current = false;
    setOpen(text);
  };
  /** Back to the cell, or with Enter on to the one below. */
  const close = (field: Element, below: boolean) => {
    left.current = true;
    setOpen(null);
    const cell = field.closest('td');
    const next = below
      ? field
          .closest('table')
          ?.querySelector<HTMLElement>(`[data-row="${at.row + 1}"][data-column="${at.column}"]`)
      : null;
    (next ?? cell)?.focus();
  };
  const asText = value === null ? '' : String(value);
  const onKey = (e: KeyboardEvent<HTMLTableCellElement>) => {
    if (e.ctrlKey || e.metaKey || e.altKey || open !== null || closed) return;
    if (e.key === 'Enter' || e.key === 'F2') edit(asText);
    else if (e.key === 'Delete' || e.key === 'Backspace') say(null);
    else if (/^[0-9]$/u.test(e.key)) {
      if (kind === 'number') edit(e.key);
      else if (kind.choices[Number(e.key) - 1]) say(Number(e.key) - 1);
    } else return;
    e.preventDefault();
  };
  const commit = (text: string) => {
    const n = Number(text.replace(',', '.'));
    if (text.trim() === '') say(null);
    else if (Number.isFinite(n) && n >= 0) say(n);
  };
  const field = {
    autoFocus: true,
    'aria-label': name,
    className: 'field w-full min-w-20 !px-1.5 !py-0.5',
    onKeyDown: (e: KeyboardEvent<HTMLElement>) => {
      e.stopPropagation();
      if (e.key !== 'Escape' && e.key !== 'Enter') return;
      e.preventDefault();
      const typed =
        e.key === 'Enter' && e.currentTarget instanceof HTMLInputElement ? e.currentTarget.value : null;
      if (typed !== null) commit(typed);
      close(e.currentTarget, typed !== null);
    },
  };
  return (
    <td
      role="gridcell"
      tabIndex={current ? 0 : -1}
      data-row={at.row}
      data-column={at.column}
      aria-label={open === null ? `${name}: ${shown}` : undefined}
      className={`${closed ? '' : 'cursor-cell'} px-3 py-1.5 tabular-nums focus-visible:outline-2 focus-visible:-outline-offset-2 focus-visible:outline-pine`}
      onKeyDown={onKey}
      onClick={() => (open === null && !closed ? edit(asText) : undefined)}
    >
      {open === null ? (
        shown
      ) : kind !== 'number' ? (
        <select
          {...field}
          value={open}
          onChange={(e) => {
            say(e.target.value === '' ? null : Number(e.target.value));
            close(e.currentTarget, false);
          }}
          onBlur={() => setOpen(null)}
        >
          <option value="">–</option>
          {kind.choices.map((c) => (
            <option key={c.value} value={c.value}>
              {c.text}
            </option>
          ))}
        </select>
      ) : (
        <input
          {...field}
          inputMode="decimal"
          value={open}
          onChange={(e) => setOpen(e.target.value)}
          onBlur={(e) => {
            if (!left.current) commit(e.currentTarget.value);
            setOpen(null);
          }}
        />
      )}
    </td>
  );
}
