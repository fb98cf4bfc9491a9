/** A content line of an iCalendar file, unfolded, with the number of the line it began on. */
export type ContentLine = {
  name: string;
  params: Map<string, string>;
  value: string;
  raw: string;
  line: number;
};
export type BrokenLine = { line: number };

const START = /^([A-Za-z0-9-]+)(?=[;:])/u;
/** Longer than this is not a line of a calendar but something else. */
const LONGEST = 20_000;

function parameters(text: string): { params: Map<string, string>; rest: string } | null {
  const params = new Map<string, string>();
  let rest = text;
  for (;;) {
    const found = /^;([A-Za-z0-9-]+)=((?:"[^"]*"|[^";:,])*(?:,(?:"[^"]*"|[^";:,])*)*)/u.exec(rest);
    if (!found) break;
    params.set((found[1] ?? '').toUpperCase(), (found[2] ?? '').replace(/^"|"$/gu, ''));
    rest = rest.slice(found[0].length);
  }
  return rest.startsWith(':') ? { params, rest: rest.slice(1) } : null;
}

/**
 * The content lines of a file (RFC 5545 §3.1): a line that begins with a blank goes on with the one before it. A line
 * that is neither a property nor such a continuation (its fold was broken on the way) belongs to nothing: it is named and
 * left out, and what stands around it is still read.
 *
 * @example 'SUMMARY:Sha\r\n ring' is one line of the value 'Sharing'
 */
export function contentLines(text: string): { lines: ContentLine[]; broken: BrokenLine[] } {
  const unfolded: { raw: string; line: number }[] = [];
  text
    .replace(/^\uFEFF/u, '')
    .split(/\r\n|\n|\r/u)
    .forEach((raw, i) => {
      const last = unfolded[unfolded.length - 1];
      if (/^[ \t]/u.test(raw) && last) {
        if (last.raw.length < LONGEST) last.raw += raw.slice(1);
      } else if (raw.trim() !== '') unfolded.push({ raw, line: i + 1 });
    });
  const lines: ContentLine[] = [];
  const broken: BrokenLine[] = [];
  for (const { raw, line } of unfolded) {
    const name = START.exec(raw)?.[1];
    const tail = name === undefined ? null : parameters(raw.slice(name.length));
    if (name === undefined || !tail) broken.push({ line });
    else lines.push({ name: name.toUpperCase(), params: tail.params, value: tail.rest, raw, line });
  }
  return { lines, broken };
}
