import { micromark } from 'micromark';
import { gfmFootnote, gfmFootnoteHtml } from 'micromark-extension-gfm-footnote';
import { gfmStrikethrough, gfmStrikethroughHtml } from 'micromark-extension-gfm-strikethrough';
import { gfmTable, gfmTableHtml } from 'micromark-extension-gfm-table';
import { documentFromText } from '../document/compose';
import type { Doc } from '../document/nodes';
import { escapeHtml, paragraphsHtml } from '../document/written';
import { documentFromHtml } from './from-html';
import { tamedMarkdown } from './tamed-markdown';

/** Lines of cells with tabs between them, as they come out of a spreadsheet, as a table. */
const tabbedTables = (text: string) =>
  text.replace(/(?:^|(?<=\n))(?:[^\n]*\S[ ]*\t[^\n]*\S[^\n]*(?:\n|$)){2,}/gu, (rows) => {
    const lines = rows
      .trimEnd()
      .split('\n')
      .map((row) => `| ${row.replace(/\|/gu, '\\|').split('\t').join(' | ')} |`);
    const width = lines[0]?.match(/(?<!\\)\|/gu)?.length ?? 2;
    return `\n${[lines[0], `|${' --- |'.repeat(width - 1)}`, ...lines.slice(1)].join('\n')}\n\n`;
  });

/** What some programs write over a text for themselves: names and values between two lines of dashes. */
const FRONT_MATTER =
  /^---[ \t]*\n(?:[\w-]+[ \t]*:[^\n]*\n|[ \t]+[^\s][^\n]*\n|[ \t]*\n|-[ \t][^\n]*\n)*?(?:---|\.\.\.)[ \t]*(?:\n|$)/u;

/**
 * Tags of HTML that stand in Markdown for what it has no sign of: a break, and pairs around words. A tag that closes nothing, or is escaped, says what
 * it says.
 */
const BREAK = /(?<!\\)<(br ?\/?)>/giu;
const PAIR = /(?<!\\)<(b|i|u|s|em|strong|sub|sup|mark|kbd|small|del|ins)>([^<>\n]{1,400})<(\/\1)>/giu;
// Letters for private use (Unicode, 23.5) stand for such tags on the way through the reader of Markdown.
const [OPEN, CLOSE] = ['\uE0F1', '\uE0F2'];

const withTagsHeld = (text: string) =>
  text
    .replace(/[\uE0F1\uE0F2]/gu, '')
    .replace(BREAK, `${OPEN}$1${CLOSE}`)
    .replace(PAIR, `${OPEN}$1${CLOSE}$2${OPEN}$3${CLOSE}`);

/** The tags again; in code they are what is written there. */
const withTags = (html: string) =>
  html
    .split(/(<pre>[\s\S]*?<\/pre>|<code>[\s\S]*?<\/code>)/u)
    .map((part, i) =>
      i % 2
        ? part.replaceAll(OPEN, '&lt;').replaceAll(CLOSE, '&gt;')
        : part.replaceAll(OPEN, '<').replaceAll(CLOSE, '>'),
    )
    .join('');

/**
 * A formula between dollars, as people write it in Markdown: no space stands within beside them, and no letter or figure without, so that sums
 * of money are none, nor is the sign alone, in brackets or before a comma. One that begins with a figure has a sign that only formulas have.
 */
const FORMULA =
  /(?<![\\$\p{L}\p{N}])\$(?=[^\s$\d),.;:!?\]}]|\d[^$\n]*[\\^_={}+])([^$\n]{1,500}?)(?<![\s\\([])\$(?![$\p{L}\p{N}])/gu;
const FORMULA_BLOCK = /(?<=^|\n)[ \t]*\$\$[ \t]*\n?([^$]{1,2000}?)\n?[ \t]*\$\$[ \t]*(?=\n|$)/gu;
// As for tags: letters for private use around what no reader of Markdown may touch.
const [FORMULA_OPEN, FORMULA_CLOSE] = ['\uE0F3', '\uE0F4'];
const HELD = /\uE0F3([bi])([0-9a-f]+)\uE0F4/gu;

const asHex = (text: string) =>
  [...new TextEncoder().encode(text)].map((byte) => byte.toString(16).padStart(2, '0')).join('');
const fromHex = (hex: string) =>
  new TextDecoder().decode(Uint8Array.from(hex.match(/../gu) ?? [], (byte) => parseInt(byte, 16)));

const held = (kind: 'b' | 'i', latex: string) =>
  `${FORMULA_OPEN}${kind}${asHex(latex.trim())}${FORMULA_CLOSE}`;
const withFormulasHeld = (text: string) =>
  text
    .replace(/[\uE0F3\uE0F4]/gu, '')
    .replace(FORMULA_BLOCK, (_, latex: string) => `\n${held('b', latex)}\n`)
    .replace(FORMULA, (_, latex: string) => held('i', latex));

/** The formulas again, as pages have them; in code they are what is written there. */
const withFormulas = (html: string) =>
  html
    .split(/(<pre>[\s\S]*?<\/pre>|<code>[\s\S]*?<\/code>)/u)
    .map((part, i) =>
      part.replace(HELD, (_, kind: string, hex: string) => {
        const latex = escapeHtml(fromHex(hex));
        if (i % 2) return kind === 'b' ? `$$\n${latex}\n$$` : `$${latex}$`;
        const display = kind === 'b' ? ' display="block"' : '';
        return `<math${display}><annotation encoding="application/x-tex">${latex}</annotation></math>`;
      }),
    )
    .join('');

const FENCE = /^[ \t]*(?:>[ \t]?)*(?:[-*+][ \t]+|\d+[.)][ \t]+)?(`{3,}|~{3,})/u;

/** A text with each of its stretches that is no fenced code changed, and that left as it stands. */
function outsideFences(text: string, change: (prose: string) => string): string {
  const parts: { code: boolean; lines: string[] }[] = [];
  let fence: string | null = null;
  for (const line of text.split('\n')) {
    const mark = FENCE.exec(line)?.[1] ?? null;
    const opens = fence === null && mark !== null;
    const code = fence !== null || opens;
    const last = parts.at(-1);
    if (last?.code === code) last.lines.push(line);
    else parts.push({ code, lines: [line] });
    if (opens) fence = mark;
    else if (fence !== null && mark?.startsWith(fence) && line.trim().replace(/^[> ]*/u, '') === mark)
      fence = null;
  }
  return parts.map(({ code, lines }) => (code ? lines.join('\n') : change(lines.join('\n')))).join('\n');
}

/** Two spaces before the end of a line keep it as a line. */
const keptLines = (prose: string) => prose.replace(/([^\s\\])[ \t]*\n(?=[^\n]*\S)/gu, '$1  \n');

/**
 * A text as somebody typed it, or CommonMark with tables, as a document. A line that ends is kept as a line: in a
 * pasted prompt "Due: Thursday" and "Replies: two" stand on lines of their own for a reason.
 *
 * @example documentFromMarkdown('Due: Thursday\n\n1. Why?\n2. How?') // a paragraph and a numbered list
 */
export function documentFromMarkdown(text: string): Doc {
  const source = sourceOf(text);
  return source === null ? documentFromText(text) : documentFromHtml(htmlOfSource(source));
}

/**
 * The same on its way: the HTML that the document is read from.
 * @example htmlFromMarkdown('# a') // '<h1>a</h1>'
 */
export function htmlFromMarkdown(text: string): string {
  const source = sourceOf(text);
  return source === null ? paragraphsHtml(text.split(/\n[ \t\r]*\n\s*/u)) : htmlOfSource(source);
}

/** A text as the reader of Markdown can take it; null where it is so long that only its paragraphs are read. */
const sourceOf = (text: string) =>
  tamedMarkdown(
    text
      .replace(/\r\n?/gu, '\n')
      .replace(/[\u0000\u000c]/gu, '')
      .replace(FRONT_MATTER, ''),
  );

function htmlOfSource(source: string): string {
  const html = micromark(
    outsideFences(tabbedTables(source), (prose) => keptLines(withTagsHeld(withFormulasHeld(prose)))),
    {
      // Indented text is code to Markdown; in prose somebody has set it in.
      extensions: [
        gfmTable(),
        gfmFootnote(),
        gfmStrikethrough({ singleTilde: false }),
        { disable: { null: ['codeIndented'] } },
      ],
      htmlExtensions: [gfmTableHtml(), gfmFootnoteHtml(), gfmStrikethroughHtml()],
    },
  );
  return withFormulas(withTags(html));
}
