import type { OfficeBlock, OfficeRun } from '@/core/document/kind';
import type { BlockShape, Doc, PlainMark } from '@/core/document/nodes';
import { officeOf } from '@/core/formats/to-office';
import type { TravellingPicture } from '../travelling';

type Of<B extends OfficeBlock['block']> = Extract<OfficeBlock, { block: B }>;
/** Where a block stands: in which list and how deep, in a quotation, in a cell of a table. */
type Setting = { quote: boolean; list: number | null; level: number; cell: boolean };

const OUTSIDE: Setting = { quote: false, list: null, level: -1, cell: false };
/** Twentieths of a point. */
const STEP = 360;
const PAGE_TWIPS = 9_000;
const TWIPS_PER_PIXEL = 15;

/** The styles by their numbers, named as Word and LibreOffice name their own of that kind. */
const STYLES = {
  normal: [0, 'Normal', '\\fs24'],
  title: [1, 'Title', '\\b\\fs40'],
  heading2: [2, 'heading 2', '\\b\\fs32'],
  heading3: [3, 'heading 3', '\\b\\fs28'],
  heading4: [4, 'heading 4', '\\b\\fs26'],
  quote: [5, 'Quote', '\\li720\\ri720\\fs24'],
  code: [6, 'Preformatted Text', '\\f1\\fs22'],
  caption: [7, 'caption', '\\i\\fs22'],
  note: [8, 'footnote text', '\\fs20'],
} as const;
type Style = keyof typeof STYLES;

const MARKS: Record<PlainMark, string> = {
  bold: '\\b',
  italic: '\\i',
  underline: '\\ul',
  strike: '\\strike',
  subscript: '\\sub',
  superscript: '\\super',
  code: '\\cs9\\f1',
};
const ALIGNMENTS = { center: '\\qc', right: '\\qr', justify: '\\qj' } as const;

/** Text in RTF: its own signs escaped, and what is not ASCII by its number, in UTF-16 as the format wants it. */
const textOf = (text: string) =>
  text
    .replace(/[\\{}]/gu, '\\$&')
    .replace(/\n/gu, '\\line ')
    .replace(/\t/gu, '\\tab ')
    .replace(/[\u0000-\u001f]/gu, '')
    .replace(/[^\u0000-\u007f]/gu, (letter) =>
      Array.from({ length: letter.length }, (_, i) => {
        const unit = letter.charCodeAt(i);
        return `\\u${unit > 32_767 ? unit - 65_536 : unit}?`;
      }).join(''),
    );

class Writer {
  private readonly colours: string[] = [];
  private readonly lists: { start: number | null }[] = [];

  constructor(private readonly pictures: ReadonlyMap<string, TravellingPicture>) {}

  private run(run: OfficeRun): string {
    switch (run.run) {
      case 'break':
        return '\\line ';
      case 'formula':
        return textOf(`$${run.latex}$`);
      case 'note':
        return `{\\super\\chftn}{\\footnote\\pard\\plain\\s${STYLES.note[0]}\\fs20 {\\super\\chftn} ${textOf(run.text)}}`;
      case 'text': {
        if (run.colour && !this.colours.includes(run.colour)) this.colours.push(run.colour);
        const looks = [
          ...run.marks.map((mark) => MARKS[mark]),
          ...(run.colour ? [`\\cf${this.colours.indexOf(run.colour) + 1}`] : []),
        ].join('');
        const words = looks ? `{${looks} ${textOf(run.text)}}` : textOf(run.text);
        if (!run.href) return words;
        return `{\\field{\\*\\fldinst{HYPERLINK "${textOf(run.href)}"}}{\\fldrslt{\\ul ${words}}}}`;
      }
    }
  }

  private paragraph(
    style: Style,
    inner: string,
    setting: Setting,
    shape: BlockShape = {},
    mark = '',
  ): string {
    const [number, , looks] = STYLES[style];
    const list = setting.list === null ? '' : `\\ls${setting.list}\\ilvl${setting.level}`;
    const left =
      (setting.level + 1) * 2 * STEP + (shape.indent ?? 0) * 2 * STEP + (style === 'quote' ? 720 : 0);
    const stands = [
      '\\pard\\plain',
      `\\s${number}`,
      ...(style.startsWith('heading') ? [`\\outlinelevel${number - 1}\\keepn`] : []),
      ...(setting.cell ? ['\\intbl'] : []),
      shape.textAlign ? ALIGNMENTS[shape.textAlign] : '\\ql',
      ...(setting.list === null ? [] : [`\\fi-${STEP}`]),
      ...(left ? [`\\li${left}`] : []),
      list,
      looks.replace(/\\[lr]i\d+/gu, ''),
    ].join('');
    return `${stands} ${mark}${inner}`;
  }

  /** Every paragraph is ended, but the last of a cell, which the cell ends. */
  private ended(lines: readonly string[], cell: boolean): string {
    return cell ? lines.join('\\par\n') : lines.map((line) => `${line}\\par\n`).join('');
  }

  private picture({ picture, words }: Of<'picture'>, setting: Setting): string[] {
    const { file, width, height, alt, caption, size } = picture.attrs;
    const found = this.pictures.get(file);
    if (!found) return [this.paragraph('normal', textOf(words), setting)];
    const wide = size ? (PAGE_TWIPS * size) / 100 : Math.min(PAGE_TWIPS, width * TWIPS_PER_PIXEL);
    const goal = `\\picw${width}\\pich${height}\\picwgoal${Math.round(wide)}\\pichgoal${Math.round((wide * height) / width)}`;
    const described = `{\\*\\picprop{\\sp{\\sn wzDescription}{\\sv ${textOf(alt)}}}}`;
    const kind = found.kind === 'png' ? '\\pngblip' : '\\jpegblip';
    const image = `{\\*\\shppict{\\pict${described}${kind}${goal}\n${Buffer.from(found.content).toString('hex')}}}`;
    return [
      this.paragraph('normal', image, setting),
      ...(caption ? [this.paragraph('caption', textOf(caption), setting)] : []),
    ];
  }

  private table({ rows }: Of<'table'>): string {
    const width = Math.max(...rows.map((row) => row.length));
    const edge = (i: number) => Math.round((PAGE_TWIPS * (i + 1)) / width);
    const border = ['t', 'l', 'b', 'r'].map((side) => `\\clbrdr${side}\\brdrs`).join('');
    return rows
      .map((row) => {
        const cells = row.map((_, i) => `${border}\\cellx${edge(i)}`).join('');
        const head = row.every((cell) => cell.head) ? '\\trhdr' : '';
        const written = row.map(({ blocks }) => {
          const lines = this.lines(blocks, { ...OUTSIDE, cell: true });
          return `${this.ended(lines.length ? lines : [this.paragraph('normal', '', { ...OUTSIDE, cell: true })], true)}\\cell\n`;
        });
        return `\\trowd${head}${cells}\n${written.join('')}\\row\n`;
      })
      .join('');
  }

  private list(list: Of<'list'>, setting: Setting): string[] {
    const number = this.lists.push({ start: list.start });
    const level = Math.min(8, setting.level + 1);
    return list.items.flatMap((item, i) => {
      const said = list.start === null ? '\\u8226?' : `${list.start + i}.`;
      const mark = `{\\listtext\\tab ${said}\\tab }`;
      return item.flatMap((block, n) =>
        this.block(block, { ...setting, level, list: n === 0 ? number : null }, n === 0 ? mark : ''),
      );
    });
  }

  private block(block: OfficeBlock, setting: Setting, mark = ''): string[] {
    switch (block.block) {
      case 'line': {
        const inner = block.runs.map((run) => this.run(run)).join('');
        const style = block.as === 'code' ? 'code' : setting.quote ? 'quote' : 'normal';
        const words = block.as === 'question' ? `{\\b ${inner}}` : inner;
        return [this.paragraph(style, words, setting, block.shape, mark)];
      }
      case 'heading': {
        const inner = block.runs.map((run) => this.run(run)).join('');
        return [this.paragraph(`heading${block.level as 2 | 3 | 4}`, inner, setting, block.shape)];
      }
      case 'formula':
        return [this.paragraph('normal', textOf(`$$${block.latex}$$`), setting, { textAlign: 'center' })];
      case 'rule':
        return [
          this.paragraph('normal', '', setting).replace(
            '\\pard\\plain',
            '\\pard\\plain\\brdrb\\brdrs\\brdrw10',
          ),
        ];
      case 'picture':
        return this.picture(block, setting);
      case 'quotation':
        return this.lines(block.blocks, { ...setting, quote: true, list: null });
      case 'table':
        // A table within a cell or an item is written after what stands before it.
        return setting.cell
          ? block.rows.flat().flatMap((c) => this.lines(c.blocks, setting))
          : [`\u0000${this.table(block)}`];
      case 'list':
        return this.list(block, setting);
    }
  }

  private lines(blocks: readonly OfficeBlock[], setting: Setting): string[] {
    return blocks.flatMap((block) => this.block(block, setting));
  }

  /** The whole text; a table among its lines ends by itself. */
  body(blocks: readonly OfficeBlock[], title: string): string {
    const heading = title ? [this.paragraph('title', textOf(title), OUTSIDE)] : [];
    return [...heading, ...this.lines(blocks, OUTSIDE)]
      .map((line) => (line.startsWith('\u0000') ? `${line.slice(1)}\\pard\\plain ` : `${line}\\par\n`))
      .join('');
  }

  /** What a text begins with: its fonts, colours, styles and lists. */
  head(): string {
    const colours = this.colours.map((colour) => {
      const [red, green, blue] = [1, 3, 5].map((at) => parseInt(colour.slice(at, at + 2), 16));
      return `\\red${red}\\green${green}\\blue${blue};`;
    });
    const styles = Object.values(STYLES).map(([n, name, looks]) => `{\\s${n}${looks} ${name};}`);
    const levels = (start: number | null) =>
      Array.from({ length: 9 }, (_, level) => {
        const sign =
          start === null
            ? "{\\leveltext\\'01\\u8226?;}{\\levelnumbers;}"
            : `{\\leveltext\\'02\\'0${level}.;}{\\levelnumbers\\'01;}`;
        return `{\\listlevel\\levelnfc${start === null ? 23 : 0}\\levelstartat${start ?? 1}\\levelfollow0${sign}\\fi-${STEP}\\li${(level + 1) * 2 * STEP}}`;
      }).join('');
    const lists = this.lists.map(
      ({ start }, i) => `{\\list\\listtemplateid${i + 1}${levels(start)}\\listid${i + 1}}\n`,
    );
    const overrides = this.lists.map(
      (_, i) => `{\\listoverride\\listid${i + 1}\\listoverridecount0\\ls${i + 1}}`,
    );
    return [
      '{\\rtf1\\ansi\\ansicpg1252\\uc1\\deff0',
      '{\\fonttbl{\\f0\\froman Georgia;}{\\f1\\fmodern Courier New;}}',
      `{\\colortbl;${colours.join('')}}`,
      `{\\stylesheet${styles.join('')}{\\*\\cs9\\f1 Source Text;}}`,
      ...(lists.length
        ? [`{\\*\\listtable${lists.join('')}}`, `{\\*\\listoverridetable${overrides.join('')}}`]
        : []),
      '{\\*\\generator Pulpit;}',
      '',
    ].join('\n');
  }
}

/** A text as Rich Text Format (version 1.9), with the pictures that travel with it. Formulas stand there in LaTeX. */
export function rtfOf(title: string, doc: Doc, pictures: ReadonlyMap<string, TravellingPicture>): Uint8Array {
  const writer = new Writer(pictures);
  const body = writer.body(officeOf(doc), title);
  return Buffer.from(`${writer.head()}${body}}\n`, 'latin1');
}
