/** Longer than this a text is read as paragraphs: nobody has set so much by hand, and signs are looked for in all of it. */
const MOST_MARKED = 300_000;
const DEEPEST = 16;
const MOST_SIGNS = 150;

const CONTAINERS = /^(?:[ \t]*(?:>|[-+*][ \t]|\d{1,9}[.)][ \t]))+/u;
const ONE_CONTAINER = /[ \t]*(?:>|[-+*][ \t]|\d{1,9}[.)][ \t])/gu;

/** A line that begins no more lists and quotations in each other than anybody can read. */
function shallow(line: string): string {
  const space = /^[ \t]*/u.exec(line)?.[0] ?? '';
  const set = space.length > 4 * DEEPEST ? `${' '.repeat(4 * DEEPEST)}${line.slice(space.length)}` : line;
  const opened = CONTAINERS.exec(set)?.[0];
  if (!opened) return set;
  const each = opened.match(ONE_CONTAINER) ?? [];
  return each.length > DEEPEST ? each.slice(0, DEEPEST).join('') + set.slice(opened.length) : set;
}

/** A paragraph with more signs of one kind than a paragraph has holds none of that kind: they are the text's own. */
function calm(paragraph: string): string {
  const escaped = (signs: RegExp) => (text: string) =>
    (text.match(signs)?.length ?? 0) > MOST_SIGNS
      ? text.replace(signs, (run) => run.replace(/./gu, '\\$&'))
      : text;
  return [/(?<!\\)[*_~]+/gu, /(?<!\\)[[\]!]/gu, /(?<!\\)`+/gu, /(?<!\\)</gu]
    .map(escaped)
    .reduce((text, tame) => tame(text), paragraph);
}

/**
 * The same Markdown without what takes its reader time that grows faster than the text: thousands of lists in each other,
 * tens of thousands of stars in one paragraph. Null for a text so long that it is to be read as plain paragraphs.
 *
 * @example tamedMarkdown('a *b*') // 'a *b*'
 */
export function tamedMarkdown(source: string): string | null {
  if (source.length > MOST_MARKED) return null;
  return source
    .split('\n')
    .map(shallow)
    .join('\n')
    .split(/(\n[ \t]*\n)/u)
    .map(calm)
    .join('');
}
