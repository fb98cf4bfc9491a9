import {
  AlignmentType,
  Document,
  ExternalHyperlink,
  FootnoteReferenceRun,
  HeadingLevel,
  ImageRun,
  ImportedXmlComponent,
  LevelFormat,
  Packer,
  Paragraph,
  Table,
  TableCell,
  TableRow,
  TextRun,
  WidthType,
  type ParagraphChild,
} from 'docx';
import type { OfficeBlock, OfficeRun } from '@/core/document/kind';
import type { BlockShape, Doc, PlainMark } from '@/core/document/nodes';
import { officeOf } from '@/core/formats/to-office';
import { ommlOf } from './omml';
import type { TravellingPicture } from './travelling';
import { unzipped, zipped } from './zip';

type Setting = { quote: boolean; list: { reference: string; level: number; instance: number } | null };

const HEADINGS = { 2: HeadingLevel.HEADING_2, 3: HeadingLevel.HEADING_3, 4: HeadingLevel.HEADING_4 } as const;
const INDENT = 360;
/** How wide a page's text is, at 96 to the inch. */
const PAGE_PIXELS = 600;
const ALIGNMENTS = {
  center: AlignmentType.CENTER,
  right: AlignmentType.RIGHT,
  justify: AlignmentType.JUSTIFIED,
} as const;

/** How a paragraph stands on the page, where it is not as usual. */
const standing = (attrs: BlockShape | undefined) => ({
  ...(attrs?.textAlign ? { alignment: ALIGNMENTS[attrs.textAlign] } : {}),
  ...(attrs?.indent ? { indent: { left: attrs.indent * 2 * INDENT } } : {}),
});

/** A formula as Word has them; one that cannot be read stands there as it is written. */
function formula(latex: string, display: boolean): ParagraphChild {
  const omml = ommlOf(latex, display);
  if (omml === null) return new TextRun({ text: latex, italics: true });
  // The library gives what it was given within an element without a name.
  const inside: unknown = Reflect.get(ImportedXmlComponent.fromXmlString(omml), 'root');
  return (inside as ParagraphChild[])[0] ?? new TextRun({ text: latex, italics: true });
}

function runs(said: readonly OfficeRun[], notes: string[]): ParagraphChild[] {
  return said.map((run) => {
    switch (run.run) {
      case 'break':
        return new TextRun({ break: 1 });
      case 'note':
        return new FootnoteReferenceRun(notes.push(run.text));
      case 'formula':
        return formula(run.latex, false);
      case 'text': {
        const has = (mark: PlainMark) => run.marks.includes(mark);
        const words = new TextRun({
          text: run.text,
          // Written only where it is so: what is denied here would take a heading's own weight.
          ...(has('bold') ? { bold: true } : {}),
          ...(has('italic') ? { italics: true } : {}),
          ...(has('strike') ? { strike: true } : {}),
          ...(has('subscript') ? { subScript: true } : {}),
          ...(has('superscript') ? { superScript: true } : {}),
          ...(has('underline') ? { underline: {} } : {}),
          ...(has('code') ? { style: 'SourceText' } : {}),
          ...(run.colour ? { color: run.colour.slice(1) } : {}),
          ...(run.href ? { style: 'Hyperlink' } : {}),
        });
        return run.href ? new ExternalHyperlink({ link: run.href, children: [words] }) : words;
      }
    }
  });
}

const paragraphStyle = (id: string, name: string, run: object, paragraph: object = {}) => ({
  id,
  name,
  basedOn: 'Normal',
  quickFormat: true,
  run,
  paragraph,
});
/** Named as Word and LibreOffice name them, so that each is the program's own style of that kind. */
const STYLES = {
  default: Object.fromEntries(
    [2, 3, 4].map((level) => [
      `heading${level}`,
      { run: { bold: true, size: 40 - 4 * level }, paragraph: { outlineLevel: level - 1, keepNext: true } },
    ]),
  ),
  paragraphStyles: [
    // Upright: a slant of the style would come back from other programs as one of its words.
    paragraphStyle('Quote', 'Quote', {}, { indent: { left: 2 * INDENT } }),
    paragraphStyle('Caption', 'caption', { italics: true }),
    paragraphStyle('PreformattedText', 'Preformatted Text', { font: 'Courier New' }),
  ],
  characterStyles: [{ id: 'SourceText', name: 'Source Text', run: { font: 'Courier New' } }],
};

/** The numbering of lists that begin with a number. */
const numbersFrom = (start: number) => `numbers from ${start}`;

/** Numbered lists each count from their own beginning: every list is an instance of the numbering. */
class Writer {
  private instances = 0;
  readonly notes: string[] = [];
  /** The numbers that lists begin with. */
  readonly starts = new Set<number>();

  constructor(private readonly pictures: ReadonlyMap<string, TravellingPicture>) {}

  private picture(
    { picture, words }: Extract<OfficeBlock, { block: 'picture' }>,
    shape: object,
  ): Paragraph[] {
    const { file, width, height, alt, caption, size } = picture.attrs;
    const found = this.pictures.get(file);
    if (!found) return [new Paragraph({ ...shape, children: [new TextRun(words)] })];
    const wide = Math.round(size ? (PAGE_PIXELS * size) / 100 : Math.min(PAGE_PIXELS, width));
    const image = new ImageRun({
      type: found.kind,
      data: found.content,
      transformation: { width: wide, height: Math.max(1, Math.round((wide * height) / width)) },
      altText: { name: 'Picture', title: '', description: alt },
    });
    return [
      new Paragraph({ ...shape, children: [image], keepNext: Boolean(caption) }),
      ...(caption ? [new Paragraph({ style: 'Caption', children: [new TextRun(caption)] })] : []),
    ];
  }

  blocks(blocks: readonly OfficeBlock[], setting: Setting): (Paragraph | Table)[] {
    return blocks.flatMap((block, i) =>
      this.block(block, i === 0 ? setting : { ...setting, list: null }, setting),
    );
  }

  private line(block: Extract<OfficeBlock, { block: 'line' }>, shape: object): Paragraph {
    if (block.as === 'question') {
      const bold = block.runs.map((run) => (run.run === 'text' ? { ...run, marks: ['bold' as const] } : run));
      return new Paragraph({ children: runs(bold, this.notes), keepNext: true });
    }
    const children = runs(block.runs, this.notes);
    return block.as === 'code'
      ? new Paragraph({ ...shape, style: 'PreformattedText', children })
      : new Paragraph({ ...shape, ...standing(block.shape), children });
  }

  private table({ rows }: Extract<OfficeBlock, { block: 'table' }>): Table {
    const cellOf = (cell: (typeof rows)[number][number]) =>
      new TableCell({ children: this.blocks(cell.blocks, { quote: false, list: null }) });
    return new Table({
      width: { size: 100, type: WidthType.PERCENTAGE },
      rows: rows.map(
        (row) =>
          new TableRow({
            // Written only where it is so: a head that is denied is read as one.
            ...(row.every((cell) => cell.head) ? { tableHeader: true } : {}),
            children: row.map(cellOf),
          }),
      ),
    });
  }

  private block(block: OfficeBlock, setting: Setting, outer: Setting): (Paragraph | Table)[] {
    const shape = {
      ...(setting.quote ? { style: 'Quote', indent: { left: 2 * INDENT } } : {}),
      ...(setting.list ? { numbering: setting.list } : {}),
      ...(!setting.list && outer.list ? { indent: { left: (outer.list.level + 1) * 2 * INDENT } } : {}),
    };
    switch (block.block) {
      case 'line':
        return [this.line(block, shape)];
      case 'heading':
        return [
          new Paragraph({
            heading: HEADINGS[block.level as 2 | 3 | 4],
            ...standing(block.shape),
            children: runs(block.runs, this.notes),
          }),
        ];
      case 'formula':
        return [new Paragraph({ children: [formula(block.latex, true)] })];
      case 'rule':
        return [new Paragraph({ thematicBreak: true })];
      case 'picture':
        return this.picture(block, shape);
      case 'quotation':
        return this.blocks(block.blocks, { quote: true, list: null });
      case 'table':
        return [this.table(block)];
      case 'list': {
        const level = setting.list || outer.list ? ((outer.list?.level ?? 0) + 1) % 5 : 0;
        this.instances += 1;
        if (block.start !== null) this.starts.add(block.start);
        const list = {
          reference: block.start === null ? 'bullets' : numbersFrom(block.start),
          level,
          instance: this.instances,
        };
        return block.items.flatMap((item) => this.blocks(item, { quote: setting.quote, list }));
      }
    }
  }
}

const levels = (
  format: (typeof LevelFormat)[keyof typeof LevelFormat],
  text: (level: number) => string,
  start = 1,
) =>
  Array.from({ length: 5 }, (_, level) => ({
    level,
    format,
    start,
    text: text(level),
    alignment: AlignmentType.LEFT,
    style: { paragraph: { indent: { left: (level + 1) * 2 * INDENT, hanging: INDENT } } },
  }));

/** A text as a Word document (.docx, ECMA-376): its headings, lists, quotations and links as what they are there. */
export async function docxOf(
  title: string,
  doc: Doc,
  pictures: ReadonlyMap<string, TravellingPicture>,
): Promise<Uint8Array> {
  const writer = new Writer(pictures);
  const body = writer.blocks(officeOf(doc), { quote: false, list: null });
  const file = new Document({
    creator: 'Pulpit',
    styles: STYLES,
    footnotes: Object.fromEntries(
      writer.notes.map((note, i) => [
        i + 1,
        { children: [new Paragraph({ children: [new TextRun(note)] })] },
      ]),
    ),
    title: title || 'Text',
    numbering: {
      config: [
        { reference: 'bullets', levels: levels(LevelFormat.BULLET, () => '•') },
        ...[...writer.starts].map((start) => ({
          reference: numbersFrom(start),
          levels: levels(LevelFormat.DECIMAL, (level) => `%${level + 1}.`, start),
        })),
      ],
    },
    sections: [
      {
        children: [...(title ? [new Paragraph({ text: title, heading: HeadingLevel.TITLE })] : []), ...body],
      },
    ],
  });
  return withNormal(await Packer.toBuffer(file));
}

const STYLE_SHEET = 'word/styles.xml';
/** The styles that all others rest on. Other programs look for them, and see no headings where they are not. */
const NORMAL =
  '<w:style w:type="paragraph" w:default="1" w:styleId="Normal"><w:name w:val="Normal"/><w:qFormat/></w:style>' +
  '<w:style w:type="character" w:default="1" w:styleId="DefaultParagraphFont"><w:name w:val="Default Paragraph Font"/></w:style>';

/** The same file with those styles in it, which its writer leaves to whoever reads. */
function withNormal(bytes: Uint8Array): Uint8Array {
  const entries = unzipped(bytes);
  const sheet = entries?.get(STYLE_SHEET);
  if (!entries || !sheet) return bytes;
  const xml = new TextDecoder()
    .decode(sheet)
    .replace(/(<\/w:docDefaults>|<w:styles[^>]*>(?![\s\S]*<\/w:docDefaults>))/u, `$1${NORMAL}`);
  return zipped(new Map(entries).set(STYLE_SHEET, new TextEncoder().encode(xml)), true);
}
