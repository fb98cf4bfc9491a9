const MOST = 500;
/** What a BibTeX file holds beside its entries. */
const NO_ENTRY = /^(?:comment|preamble)$/iu;

/**
 * The entries of a BibTeX text, each by itself, so that a broken one spoils no other: what stands before and between them, and comments, are left out.
 * Strings that are defined once for all stand before each. An entry whose braces never close ends where the next one begins.
 * @example bibtexEntries('See: @book{a, title={A}} and @book{b, title={B}}') // ['@book{a, title={A}}', '@book{b, title={B}}']
 */
export function bibtexEntries(text: string): string[] {
  const entries: string[] = [];
  let strings = '';
  const begins = /@\s*([a-z]+)\s*[{(]/giu;
  let m: RegExpExecArray | null;
  while ((m = begins.exec(text)) && entries.length < MOST) {
    const end = endOf(text, begins.lastIndex - 1);
    const entry = text.slice(m.index, end);
    begins.lastIndex = end;
    if (NO_ENTRY.test(m[1] ?? '')) continue;
    if (/^string$/iu.test(m[1] ?? '')) strings += `${entry}\n`;
    else entries.push(strings + entry);
  }
  return entries;
}

/** Where what opens at a place closes again; where the next entry begins a line, if it never does. */
function endOf(text: string, open: number): number {
  let depth = 0;
  for (let i = open; i < text.length; i += 1) {
    const c = text[i];
    if (c === '\\') i += 1;
    else if (c === '{' || (c === '(' && depth === 0)) depth += 1;
    else if (c === '}' || (c === ')' && depth === 1 && text[open] === '(')) {
      depth -= 1;
      if (depth <= 0) return i + 1;
    } else if (c === '@' && text[i - 1] === '\n' && /^@\s*[a-z]+\s*[{(]/iu.test(text.slice(i, i + 40)))
      return i;
  }
  return text.length;
}
