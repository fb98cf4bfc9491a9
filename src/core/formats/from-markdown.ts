import { micromark } from 'micromark';
import { gfmFootnote, gfmFootnoteHtml } from 'micromark-extension-gfm-footnote';
import { gfmStrikethrough, gfmStrikethroughHtml } from 'micromark-extension-gfm-strikethrough';
import { gfmTable, gfmTableHtml } from 'micromark-extension-gfm-table';
import type { Doc } from '../document/nodes';
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

const escape = (text: string) => text.replace(/&/gu, '&amp;').replace(/</gu, '&lt;');

/** A text as its paragraphs and lines, whatever signs stand in it. */
const plainHtml = (text: string) =>
  text
    .split(/\n[ \t]*\n\s*/u)
    .map((paragraph) => `<p>${escape(paragraph).replace(/\n/gu, '<br>')}</p>`)
    .join('');

/**
 * A text as somebody typed it, or CommonMark with tables, as a document. A line that ends is kept as a line: in a
 * pasted prompt "Due: Thursday" and "Replies: two" stand on lines of their own for a reason.
 *
 * @example documentFromMarkdown('Due: Thursday\n\n1. Why?\n2. How?') // a paragraph and a numbered list
 */
export const documentFromMarkdown = (text: string): Doc => documentFromHtml(htmlFromMarkdown(text));

/**
 * The same on its way: the HTML that the document is read from.
 * @example htmlFromMarkdown('# a') // '<h1>a</h1>'
 */
export function htmlFromMarkdown(text: string): string {
  const clean = text.replace(/\r\n?/gu, '\n').replace(/[\u0000\u000c]/gu, '');
  const source = tamedMarkdown(tabbedTables(clean));
  if (source === null) return plainHtml(clean);
  // Two spaces before the end of a line keep it as a line.
  return micromark(source.replace(/([^\s\\])[ \t]*\n(?=[^\n]*\S)/gu, '$1  \n'), {
    // Indented text is code to Markdown; in prose somebody has set it in.
    extensions: [
      gfmTable(),
      gfmFootnote(),
      gfmStrikethrough({ singleTilde: false }),
      { disable: { null: ['codeIndented'] } },
    ],
    htmlExtensions: [gfmTableHtml(), gfmFootnoteHtml(), gfmStrikethroughHtml()],
  });
}
