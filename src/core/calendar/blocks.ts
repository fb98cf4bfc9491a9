import type { ContentLine } from './lines';

/** A component of a calendar file with its own lines; what is nested in it (alarms, observances) is kept apart. */
export type Block = { kind: string; line: number; lines: ContentLine[]; inner: Block[] };
export type OpenBlock = { kind: string; line: number };

/**
 * The components of a file. One that is never closed, because the file was cut off or the next began inside it, is
 * named with its line and left out, since nobody knows what it would still have said.
 *
 * @example the lines of a file with one VEVENT that ends give `{ calendar: true, found: [that event], unclosed: [] }`
 */
export function blocks(lines: readonly ContentLine[]): {
  calendar: boolean;
  found: Block[];
  unclosed: OpenBlock[];
} {
  const found: Block[] = [];
  const unclosed: OpenBlock[] = [];
  const open: Block[] = [];
  let calendar = false;
  const drop = (from: number) => {
    for (const block of open.splice(from)) unclosed.push({ kind: block.kind, line: block.line });
  };
  for (const line of lines) {
    const kind = line.value.trim().toUpperCase();
    if (line.name === 'BEGIN') {
      if (kind === 'VCALENDAR') {
        calendar = true;
        drop(0);
        continue;
      }
      // An event never stands inside another: the one before was not closed.
      if (kind === 'VEVENT') drop(0);
      open.push({ kind, line: line.line, lines: [], inner: [] });
    } else if (line.name === 'END') {
      if (kind === 'VCALENDAR') {
        drop(0);
        continue;
      }
      const at = open.findLastIndex((b) => b.kind === kind);
      if (at < 0) continue;
      drop(at + 1);
      const block = open.pop() as Block;
      const outer = open[open.length - 1];
      if (outer) outer.inner.push(block);
      else found.push(block);
    } else open[open.length - 1]?.lines.push(line);
  }
  drop(0);
  return { calendar, found, unclosed };
}
