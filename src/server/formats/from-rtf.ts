import { escapeHtml } from '@/core/document/written';
import type { Written } from './written';

/** Where the words of a group go: into the text, into something that is kept aside, or nowhere. */
type Place = 'text' | 'styles' | 'note' | 'mark' | 'link' | 'picture' | 'said' | 'property' | 'nowhere';
type State = {
  place: Place;
  bold: boolean;
  italic: boolean;
  underline: boolean;
  strike: boolean;
  raised: '' | 'sup' | 'sub';
  code: boolean;
  deleted: boolean;
  /** How many characters stand in for one of `\u`. */
  stands: number;
  paragraph: Paragraph;
  href: string;
};
type Paragraph = { style: number; outline: number; list: number; level: number; inTable: boolean };

const DEEPEST = 200;
const PLAIN: Paragraph = { style: 0, outline: -1, list: 0, level: 0, inTable: false };
/** Groups whose words nobody reads as the text. */
const ASIDE: Record<string, Place> = {
  ...Object.fromEntries(
    'fonttbl colortbl info header headerl headerr headerf footer footerl footerr footerf listtable listoverridetable rsidtbl xmlnstbl themedata datastore nonshppict objdata generator annotation atnid atnauthor pntext template filetbl revtbl shpinst shp background do'
      .split(' ')
      .map((name) => [name, 'nowhere']),
  ),
  stylesheet: 'styles',
  footnote: 'note',
  listtext: 'mark',
  fldinst: 'link',
  pict: 'picture',
  sn: 'property',
  sv: 'said',
};
/** Groups that a reader who did not know them would leave out, and that hold what we read. */
const OPEN = new Set(['shppict', 'picprop', 'sp']);
const CHARACTERS: Record<string, string> = {
  tab: ' ',
  line: '\n',
  emdash: '—',
  endash: '–',
  lquote: '‘',
  rquote: '’',
  ldblquote: '“',
  rdblquote: '”',
  bullet: '•',
  emspace: ' ',
  enspace: ' ',
  '~': '\u00a0',
  _: '\u2011',
};

const decoder = (page: number) => {
  try {
    return new TextDecoder(page === 65001 ? 'utf-8' : `windows-${page}`);
  } catch {
    return new TextDecoder('windows-1252');
  }
};

class Reader {
  readonly pictures = new Map<string, Uint8Array>();
  readonly left: Written['left'] = {};
  private html = '';
  private line = '';
  private note = '';
  private mark = '';
  private link = '';
  private property = '';
  private said = '';
  private hex = '';
  private styleName = '';
  private readonly styleNames = new Map<number, string>();
  private cells: string[] = [];
  private cell = '';
  private rows = '';
  private isHead = false;
  private decode = decoder(1252);
  private bytes: number[] = [];
  private skip = 0;
  private pictureKind = '';
  private readonly stack: State[] = [];
  private state: State = {
    place: 'text',
    bold: false,
    italic: false,
    underline: false,
    strike: false,
    raised: '',
    code: false,
    deleted: false,
    stands: 1,
    paragraph: PLAIN,
    href: '',
  };

  /** Bytes of a code page that were written one by one are characters together. */
  private settle() {
    if (this.bytes.length === 0) return;
    const said = this.decode.decode(new Uint8Array(this.bytes));
    this.bytes = [];
    this.say(said);
  }

  private say(text: string) {
    const { state } = this;
    if (state.deleted) return;
    switch (state.place) {
      case 'text': {
        const tags = [
          state.bold && 'b',
          state.italic && 'i',
          state.underline && !state.href && 'u',
          state.strike && 's',
          state.raised,
          state.code && 'code',
        ].filter((t): t is string => Boolean(t));
        const words = escapeHtml(text).replace(/\n/gu, '<br>');
        const marked = tags.reduce((inner, tag) => `<${tag}>${inner}</${tag}>`, words);
        this.line += state.href ? `<a href="${escapeHtml(state.href)}">${marked}</a>` : marked;
        break;
      }
      case 'note':
        this.note += text;
        break;
      case 'mark':
        this.mark += text;
        break;
      case 'link':
        this.link += text;
        break;
      case 'picture':
        this.hex += text;
        break;
      case 'property':
        this.property += text;
        break;
      case 'said':
        this.said += text;
        break;
      case 'styles':
        this.styleName += text;
        break;
      default:
    }
  }

  private endParagraph() {
    const { paragraph } = this.state;
    const name = this.styleNames.get(paragraph.style) ?? '';
    const level =
      paragraph.outline >= 0 ? paragraph.outline + 1 : Number(/^heading (\d)/iu.exec(name)?.[1] ?? 0);
    let block = `<p>${this.line}</p>`;
    if (/^title$/iu.test(name)) block = `<h1>${this.line}</h1>`;
    else if (level > 0 && level < 7) block = `<h${level}>${this.line}</h${level}>`;
    else if (this.mark && this.line)
      // The same that a word processor's clipboard says of an item: it is read by the same reader.
      block = `<p style="mso-list:l${paragraph.list} level${paragraph.level + 1} lfo${paragraph.list}"><span style="mso-list:ignore">${escapeHtml(this.mark.trim())}</span>${this.line}</p>`;
    else if (/^(?:quotations?|quote|intense quote|block text)$/iu.test(name))
      block = `<blockquote><p>${this.line}</p></blockquote>`;
    else if (/^(?:preformatted text|html preformatted)$/iu.test(name)) block = `<pre>${this.line}</pre>`;
    else if (/^caption$/iu.test(name) && this.line) block = `<figcaption>${this.line}</figcaption>`;
    if (!this.line) block = '';
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

  private endCell() {
    this.state.paragraph = { ...this.state.paragraph, inTable: true };
    this.endParagraph();
    this.cells.push(this.cell);
    this.cell = '';
  }

  private endRow() {
    const tag = this.isHead ? 'th' : 'td';
    if (this.cells.length) this.rows += `<tr>${this.cells.map((c) => `<${tag}>${c}</${tag}>`).join('')}</tr>`;
    this.cells = [];
  }

  private endPicture() {
    const hex = this.hex.replace(/[^0-9a-f]/giu, '');
    this.hex = '';
    if (!/^(?:png|jpeg)blip$/u.test(this.pictureKind)) {
      this.left['unread-pictures'] = (this.left['unread-pictures'] ?? 0) + 1;
      return;
    }
    const src = `picture:${this.pictures.size + 1}`;
    this.pictures.set(src, new Uint8Array(Buffer.from(hex, 'hex')));
    this.line += `<img src="${src}" alt="${escapeHtml(this.described)}">`;
    this.described = '';
  }
  private described = '';

  open(): boolean {
    this.settle();
    if (this.stack.length >= DEEPEST) return false;
    this.stack.push(this.state);
    this.state = { ...this.state };
    return true;
  }

  close() {
    this.settle();
    const ended = this.state;
    const before = this.stack.pop();
    if (!before) return;
    if (ended.place === 'styles' && this.styleName) {
      this.styleNames.set(ended.paragraph.style, this.styleName.replace(/;.*/u, '').trim());
      this.styleName = '';
    }
    this.state = { ...before, paragraph: ended.place === before.place ? ended.paragraph : before.paragraph };
    if (ended.place === before.place) return;
    if (ended.place === 'note' && before.place === 'text') {
      const text = this.note.replace(/\s+/gu, ' ').trim();
      if (text) this.line += `<sup data-note="${escapeHtml(text)}"></sup>`;
      this.note = '';
    }
    if (ended.place === 'link') {
      const href = /HYPERLINK\s+"([^"]*)"/iu.exec(this.link)?.[1] ?? '';
      this.link = '';
      this.state.href = href;
    }
    if (ended.place === 'picture' && before.place !== 'nowhere') this.endPicture();
    if (ended.place === 'said') {
      if (/^(?:wzDescription)$/u.test(this.property.trim())) this.described = this.said.trim();
      this.property = '';
      this.said = '';
    }
  }

  character(text: string) {
    if (this.skip > 0) {
      this.skip -= 1;
      return;
    }
    this.settle();
    this.say(text);
  }

  byte(value: number) {
    if (this.skip > 0) this.skip -= 1;
    else this.bytes.push(value);
  }

  /** A control word; `ignorable` where it names a group that who does not know it leaves out. */
  word(name: string, n: number | null, ignorable: boolean) {
    const { state } = this;
    if (name === 'u' && n !== null) {
      this.settle();
      this.say(String.fromCharCode(n < 0 ? n + 65_536 : n));
      this.skip = state.stands;
      return;
    }
    this.settle();
    const on = n !== 0;
    const place = ASIDE[name];
    if (place) {
      if (name === 'annotation') this.left.comments = (this.left.comments ?? 0) + 1;
      if (state.place !== 'nowhere') state.place = place;
      return;
    }
    if (ignorable && !OPEN.has(name) && !(state.place === 'styles' && name === 'cs')) {
      state.place = 'nowhere';
      return;
    }
    const character = CHARACTERS[name];
    if (character !== undefined) {
      this.say(character);
      return;
    }
    this.look(name, n, on);
    if (state.place === 'text' || state.place === 'styles') this.layout(name, n);
  }

  private look(name: string, n: number | null, on: boolean) {
    const { state } = this;
    if (name === 'b') state.bold = on;
    else if (name === 'i') state.italic = on;
    else if (name === 'ul') state.underline = on;
    else if (name === 'ulnone') state.underline = false;
    else if (name === 'strike') state.strike = on;
    else if (name === 'super') state.raised = 'sup';
    else if (name === 'sub') state.raised = 'sub';
    else if (name === 'nosupersub') state.raised = '';
    else if (name === 'deleted') {
      state.deleted = on;
      this.left.deleted = (this.left.deleted ?? 0) + 1;
    } else if (name === 'uc' && n !== null) state.stands = Math.max(0, n);
    else if (name === 'ansicpg' && n) this.decode = decoder(n);
    else if (name === 'cs') state.code = /^source text$/iu.test(this.styleNames.get(n ?? -1) ?? '');
    else if (name.endsWith('blip') || name === 'wmetafile' || name === 'dibitmap') this.pictureKind = name;
    else if (name === 'plain')
      Object.assign(state, {
        bold: false,
        italic: false,
        underline: false,
        strike: false,
        raised: '',
        code: false,
      });
  }

  private layout(name: string, n: number | null) {
    const { state } = this;
    const set = (change: Partial<Paragraph>) => (state.paragraph = { ...state.paragraph, ...change });
    if (name === 'par') this.endParagraph();
    else if (name === 'pard') state.paragraph = PLAIN;
    else if (name === 's' || (name === 'cs' && state.place === 'styles')) set({ style: n ?? 0 });
    else if (name === 'outlinelevel') set({ outline: n !== null && n < 9 ? n : -1 });
    else if (name === 'ls') set({ list: n ?? 0 });
    else if (name === 'ilvl') set({ level: n ?? 0 });
    else if (name === 'intbl') set({ inTable: true });
    else if (name === 'cell' || name === 'nestcell') this.endCell();
    else if (name === 'trowd') this.isHead = false;
    else if (name === 'trhdr') this.isHead = true;
    else if (name === 'row' || name === 'nestrow') this.endRow();
  }

  end(): string {
    this.settle();
    if (this.line) {
      this.state.paragraph = { ...this.state.paragraph, inTable: false };
      this.endParagraph();
    }
    this.endRow();
    this.endTable();
    return this.html;
  }
}

const TOKEN = /([{}])|\\([a-z]+)(-?\d{1,10})? ?|\\'([0-9a-f]{2})|\\([^a-z0-9'])|([^\\{}\r\n]+)|[\r\n]+/giu;

/** An RTF text (version 1.9) as HTML with its pictures beside, or null where it cannot be read. */
export function fromRtf(bytes: Uint8Array): Written | null {
  const source = Buffer.from(bytes).toString('latin1');
  if (!source.startsWith('{\\rtf')) return null;
  const reader = new Reader();
  let ignorable = false;
  for (const [, brace, name, n, hex, sign, text] of source.matchAll(TOKEN)) {
    if (brace === '{') {
      if (!reader.open()) return null;
    } else if (brace === '}') reader.close();
    else if (name !== undefined) reader.word(name, n === undefined ? null : Number(n), ignorable);
    else if (hex !== undefined) reader.byte(parseInt(hex, 16));
    else if (sign !== undefined && sign !== '*') {
      if (sign === '~' || sign === '_') reader.word(sign, null, false);
      else if (sign !== '-') reader.character(sign);
    } else if (text !== undefined) {
      // A character that stands in for one written by number is one character of this text.
      for (const c of text.length > 4 ? [text[0], text.slice(1)] : text) reader.character(c ?? '');
    }
    ignorable = sign === '*';
  }
  return { html: reader.end(), pictures: reader.pictures, left: reader.left };
}
