import { inkOfColour } from '@/core/document/kinds/ink';
import { escapeHtml } from '@/core/document/written';

/** How a paragraph stands: its style by number, its level in an outline or a list, and whether in a table. */
export type Paragraph = {
  style: number;
  outline: number;
  list: number;
  level: number;
  inTable: boolean;
  align: '' | 'center' | 'right' | 'justify';
  /** How far it is set in, and how far its first line stands out before the others, in twentieths of a point. */
  left: number;
  hanging: number;
  /** It is drawn as a line beneath. */
  ruled: boolean;
};
/** How words look. */
export type Look = {
  bold: boolean;
  italic: boolean;
  underline: boolean;
  strike: boolean;
  raised: '' | 'sup' | 'sub';
  code: boolean;
  colour: string;
  href: string;
};
/** A row on its way: its cells and where each ends, from the left. */
type Row = { cells: string[]; edges: number[]; tag: 'th' | 'td' };

const [CODE, CODE_END] = ['<pre><code>', '</code></pre>'];

/** Edges nearer to each other than this are one. */
const NEAR_TWIPS = 40;
/** What stands before an item where a program writes it as words of the line itself. */
const WRITTEN_MARK = /^(?:•|\d{1,3}[.)])(?=[ \u00a0])/u;

/** The rows of a table as HTML: a cell that reaches over the edges of other rows' cells spans their columns. */
function rowsHtml(rows: readonly Row[]): string {
  const edges: number[] = [];
  for (const edge of rows.flatMap((row) => row.edges).sort((a, b) => a - b))
    if (edge - (edges.at(-1) ?? -Infinity) > NEAR_TWIPS) edges.push(edge);
  const column = (edge: number) => edges.filter((e) => e < edge + NEAR_TWIPS).length;
  return rows
    .map(({ cells, edges: own, tag }) => {
      const written = cells.map((cell, i) => {
        const end = own[i];
        const span =
          end === undefined || edges.length > 60 ? 1 : column(end) - (i ? column(own[i - 1] ?? 0) : 0);
        return `<${tag}${span > 1 ? ` colspan="${span}"` : ''}>${cell}</${tag}>`;
      });
      return `<tr>${written.join('')}</tr>`;
    })
    .join('');
}

/** A text on its way to HTML: a line being written, the cells of a row, the rows of a table, and all before them. */
export class Page {
  readonly pictures = new Map<string, Uint8Array>();
  readonly styleNames = new Map<number, string>();
  /** Whether the row being written is a head. */
  isHead = false;
  private html = '';
  private line = '';
  private mark = '';
  private cells: string[] = [];
  private cell = '';
  private rows: Row[] = [];
  /** Where the cells of the row being written end. */
  edges: number[] = [];

  words(text: string, look: Look) {
    const tags = [
      look.bold && 'b',
      look.italic && 'i',
      look.underline && !look.href && 'u',
      look.strike && 's',
      look.raised,
      look.code && 'code',
    ].filter((t): t is string => Boolean(t));
    const words = escapeHtml(text).replace(/\n/gu, '<br>');
    const plain = tags.reduce((inner, tag) => `<${tag}>${inner}</${tag}>`, words);
    const marked = inkOfColour(look.colour) ? `<span style="color:${look.colour}">${plain}</span>` : plain;
    this.line += look.href ? `<a href="${escapeHtml(look.href)}">${marked}</a>` : marked;
  }

  /** What stands before an item: its number or bullet. */
  itemMark(text: string) {
    this.mark += text;
  }

  note(text: string) {
    const said = text.replace(/\s+/gu, ' ').trim();
    if (said) this.line += `<sup data-note="${escapeHtml(said)}"></sup>`;
  }

  picture(content: Uint8Array, described: string) {
    const src = `picture:${this.pictures.size + 1}`;
    this.pictures.set(src, content);
    this.line += `<img src="${src}" alt="${escapeHtml(described)}">`;
  }

  private block(paragraph: Paragraph): string {
    const { style, outline, list, align } = paragraph;
    let { line } = this;
    const isCode = /^(?:preformatted text|html preformatted)$/iu.test(this.styleNames.get(style) ?? '');
    if (isCode) return `${CODE}${line.replace(/<\/?[a-z]+>/gu, '')}${CODE_END}`;
    if (!line) return paragraph.ruled ? '<hr>' : '';
    let { level } = paragraph;
    const written = paragraph.hanging > 0 && !this.mark ? WRITTEN_MARK.exec(line)?.[0] : undefined;
    if (written !== undefined) {
      this.mark = written;
      line = line.slice(written.length).trimStart();
      level = Math.max(0, Math.round(paragraph.left / 360) - 1);
    }
    const name = this.styleNames.get(style) ?? '';
    const heading = outline >= 0 ? outline + 1 : Number(/^heading (\d)/iu.exec(name)?.[1] ?? 0);
    if (/^title$/iu.test(name)) return `<h1>${line}</h1>`;
    if (heading > 0 && heading < 7) return `<h${heading}>${line}</h${heading}>`;
    if (this.mark) {
      // The same that a word processor's clipboard says of an item: it is read by the same reader.
      const sign = `<span style="mso-list:ignore">${escapeHtml(this.mark.trim())}</span>`;
      return `<p style="mso-list:l${list} level${level + 1} lfo${list}">${sign}${line}</p>`;
    }
    if (/^(?:quotations?|quote|intense quote|block text)$/iu.test(name))
      return `<blockquote><p>${line}</p></blockquote>`;
    if (/^caption$/iu.test(name)) return `<figcaption>${line}</figcaption>`;
    return `<p${align ? ` style="text-align:${align}"` : ''}>${line}</p>`;
  }

  endParagraph(paragraph: Paragraph) {
    const block = this.block(paragraph);
    this.line = '';
    this.mark = '';
    if (paragraph.inTable) this.cell += block;
    else {
      this.endTable();
      // A line of code goes on with the code before it.
      if (block.startsWith(CODE) && this.html.endsWith(CODE_END))
        this.html = `${this.html.slice(0, -CODE_END.length)}\n${block.slice(CODE.length)}`;
      else this.html += block;
    }
  }

  private endTable() {
    if (this.rows.length) this.html += `<table>${rowsHtml(this.rows)}</table>`;
    this.rows = [];
  }

  endCell(paragraph: Paragraph) {
    this.endParagraph({ ...paragraph, inTable: true });
    this.cells.push(this.cell);
    this.cell = '';
  }

  endRow() {
    const { cells, edges } = this;
    if (cells.length) this.rows.push({ cells, edges: [...edges], tag: this.isHead ? 'th' : 'td' });
    this.cells = [];
  }

  end(paragraph: Paragraph): string {
    if (this.line) this.endParagraph({ ...paragraph, inTable: false });
    this.endRow();
    this.endTable();
    return this.html;
  }
}
