import type { Written } from '../written';
import { Page, type Look, type Paragraph } from './page';
import { ASIDE, CHARACTERS, decoder, OPEN, type Place } from './words';

type State = Look & {
  place: Place;
  deleted: boolean;
  /** How many characters stand in for one of `\\u`. */
  stands: number;
  paragraph: Paragraph;
};

const DEEPEST = 200;
const PLAIN: Paragraph = {
  style: 0,
  outline: -1,
  list: 0,
  level: 0,
  inTable: false,
  align: '',
  left: 0,
  hanging: 0,
  ruled: false,
};
const ALIGNED: Record<string, Paragraph['align']> = { ql: '', qc: 'center', qr: 'right', qj: 'justify' };
/** More colours no text has that anybody wrote. */
const MOST_COLOURS = 300;
const BARE: Look = {
  bold: false,
  italic: false,
  underline: false,
  strike: false,
  raised: '',
  code: false,
  colour: '',
  href: '',
};
/** The groups and control words of a text, each put where it belongs. */
class Reader {
  readonly page = new Page();
  readonly left: Written['left'] = {};
  /** What is read beside the text, until its group ends. */
  private readonly aside = {
    note: '',
    link: '',
    property: '',
    said: '',
    picture: '',
    styles: '',
    colours: '',
  };
  private readonly colours: string[] = [];
  private colour: Record<string, number> = {};
  private described = '';
  private decode = decoder(1252);
  private bytes: number[] = [];
  private skip = 0;
  private pictureKind = '';
  private readonly stack: State[] = [];
  private state: State = { ...BARE, place: 'text', deleted: false, stands: 1, paragraph: PLAIN };

  /** Bytes of a code page that were written one by one are characters together. */
  private settle() {
    if (this.bytes.length === 0) return;
    const said = this.decode.decode(new Uint8Array(this.bytes));
    this.bytes = [];
    this.say(said);
  }

  private say(text: string) {
    const { state } = this;
    if (state.deleted || state.place === 'nowhere') return;
    if (state.place === 'text') this.page.words(text, state);
    else if (state.place === 'mark') this.page.itemMark(text);
    else if (state.place === 'colours') this.endColour(text);
    else this.aside[state.place] += text;
  }

  /** Each colour of the table ends with a semicolon; the first is the usual one and names nothing. */
  private endColour(text: string) {
    if (!text.includes(';') || this.colours.length > MOST_COLOURS) return;
    const parts = ['red', 'green', 'blue'].map((name) => this.colour[name]);
    const hex = parts.map((n = 0) => Math.min(255, Math.max(0, n)).toString(16).padStart(2, '0'));
    this.colours.push(parts.some((n) => n !== undefined) ? `#${hex.join('')}` : '');
    this.colour = {};
  }

  /** What was read aside, once. */
  private taken(place: keyof Reader['aside']): string {
    const said = this.aside[place];
    this.aside[place] = '';
    return said;
  }

  private endPicture() {
    const hex = this.taken('picture').replace(/[^0-9a-f]/giu, '');
    if (!/^(?:png|jpeg)blip$/u.test(this.pictureKind)) {
      this.left['unread-pictures'] = (this.left['unread-pictures'] ?? 0) + 1;
      return;
    }
    this.page.picture(new Uint8Array(Buffer.from(hex, 'hex')), this.described);
    this.described = '';
  }

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
    if (ended.place === 'styles') {
      const name = this.taken('styles').replace(/;.*/u, '').trim();
      if (name) this.page.styleNames.set(ended.paragraph.style, name);
    }
    this.state = { ...before, paragraph: ended.place === before.place ? ended.paragraph : before.paragraph };
    if (ended.place === before.place) return;
    if (ended.place === 'note' && before.place === 'text') this.page.note(this.taken('note'));
    if (ended.place === 'link')
      this.state.href = /HYPERLINK\s+(?:\\[a-z]\s+)*"?([^"\s]+)/iu.exec(this.taken('link'))?.[1] ?? '';
    if (ended.place === 'picture' && before.place !== 'nowhere') this.endPicture();
    if (ended.place === 'said') {
      const said = this.taken('said').trim();
      if (this.taken('property').trim() === 'wzDescription') this.described = said;
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
      // A formula in rich text is written in signs of that format alone.
      if (name === 'mmath') this.left.objects = (this.left.objects ?? 0) + 1;
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
    if (state.place === 'colours' && n !== null) this.colour[name] = n;
    // The paragraphs of a note are read as one.
    if (state.place === 'note' && name === 'par') this.say(' ');
    this.look(name, n, on);
    if (state.place === 'text' || state.place === 'styles') this.layout(name, n);
  }

  private look(name: string, n: number | null, on: boolean) {
    const { state } = this;
    if (name === 'b') state.bold = on;
    else if (name === 'i') state.italic = on;
    else if (name === 'ul') state.underline = on;
    else if (name === 'ulnone') state.underline = false;
    else if (name === 'cf') state.colour = this.colours[n ?? 0] ?? '';
    else if (name === 'strike') state.strike = on;
    else if (name === 'super') state.raised = 'sup';
    else if (name === 'sub') state.raised = 'sub';
    else if (name === 'nosupersub') state.raised = '';
    else if (name === 'deleted') {
      state.deleted = on;
      this.left.deleted = (this.left.deleted ?? 0) + 1;
    } else if (name === 'uc' && n !== null) state.stands = Math.max(0, n);
    else if (name === 'ansicpg' && n) this.decode = decoder(n);
    else if (name === 'cs') state.code = /^source text$/iu.test(this.page.styleNames.get(n ?? -1) ?? '');
    else if (name.endsWith('blip') || name === 'wmetafile' || name === 'dibitmap') this.pictureKind = name;
    else if (name === 'plain') Object.assign(state, { ...BARE, href: state.href });
  }

  private layout(name: string, n: number | null) {
    const { state } = this;
    const set = (change: Partial<Paragraph>) => (state.paragraph = { ...state.paragraph, ...change });
    if (name === 'par') this.page.endParagraph(state.paragraph);
    else if (name === 'pard') state.paragraph = PLAIN;
    else if (name === 's' || (name === 'cs' && state.place === 'styles')) set({ style: n ?? 0 });
    else if (name === 'outlinelevel') set({ outline: n !== null && n < 9 ? n : -1 });
    else if (name === 'ls') set({ list: n ?? 0 });
    else if (name === 'ilvl') set({ level: n ?? 0 });
    else if (name in ALIGNED) set({ align: ALIGNED[name] ?? '' });
    else if (name === 'li') set({ left: n ?? 0 });
    else if (name === 'fi') set({ hanging: Math.max(0, -(n ?? 0)) });
    else if (name === 'brdrb') set({ ruled: true });
    else if (name === 'cellx') this.page.edges.push(n ?? 0);
    else if (name === 'intbl') set({ inTable: true });
    else if (name === 'cell' || name === 'nestcell') {
      set({ inTable: true });
      this.page.endCell(state.paragraph);
    } else if (name === 'trowd') {
      this.page.isHead = false;
      this.page.edges = [];
    } else if (name === 'trhdr') this.page.isHead = true;
    else if (name === 'row' || name === 'nestrow') this.page.endRow();
  }

  end(): string {
    this.settle();
    return this.page.end(this.state.paragraph);
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
  return { html: reader.end(), pictures: reader.page.pictures, left: reader.left };
}
