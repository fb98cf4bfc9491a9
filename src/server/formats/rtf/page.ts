import { escapeHtml } from '@/core/document/written';

/** How a paragraph stands: its style by number, its level in an outline or a list, and whether in a table. */
export type Paragraph = { style: number; outline: number; list: number; level: number; inTable: boolean };
/** How words look. */
export type Look = {
  bold: boolean;
  italic: boolean;
  underline: boolean;
  strike: boolean;
  raised: '' | 'sup' | 'sub';
  code: boolean;
  href: string;
};

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
  private rows = '';

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
    const marked = tags.reduce((inner, tag) => `<${tag}>${inner}</${tag}>`, words);
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

  private block({ style, outline, list, level }: Paragraph): string {
    const { line } = this;
    if (!line) return '';
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
    if (/^(?:preformatted text|html preformatted)$/iu.test(name)) return `<pre>${line}</pre>`;
    if (/^caption$/iu.test(name)) return `<figcaption>${line}</figcaption>`;
    return `<p>${line}</p>`;
  }

  endParagraph(paragraph: Paragraph) {
    const block = this.block(paragraph);
    this.line = '';
    this.mark = '';
    if (paragraph.inTable) this.cell += block;
    else {
      this.endTable();
      this.html += block;
    }
  }

  private endTable() {
    if (this.rows) this.html += `<table>${this.rows}</table>`;
    this.rows = '';
  }

  endCell(paragraph: Paragraph) {
    this.endParagraph({ ...paragraph, inTable: true });
    this.cells.push(this.cell);
    this.cell = '';
  }

  endRow() {
    const tag = this.isHead ? 'th' : 'td';
    const cells = this.cells.map((c) => `<${tag}>${c}</${tag}>`);
    if (cells.length) this.rows += `<tr>${cells.join('')}</tr>`;
    this.cells = [];
  }

  end(paragraph: Paragraph): string {
    if (this.line) this.endParagraph({ ...paragraph, inTable: false });
    this.endRow();
    this.endTable();
    return this.html;
  }
}
