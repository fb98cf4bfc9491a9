import {
  AlignmentType,
  Document,
  ExternalHyperlink,
  FootnoteReferenceRun,
  HeadingLevel,
  ImageRun,
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
import { asLink } from '@/core/embeds/address';
import { standInWords } from '@/core/posts/carried';
import type { BlockNode, BlockShape, Doc, InlineNode, Picture } from '@/core/posts/document';
import type { TravellingPicture } from './travelling';

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

function runs(content: InlineNode[] | undefined, notes: string[]): ParagraphChild[] {
  return (content ?? []).map((node) => {
    if (node.type === 'hardBreak') return new TextRun({ break: 1 });
    if (node.type === 'note') return new FootnoteReferenceRun(notes.push(node.attrs.text));
    if (node.type === 'inlineMath') return new TextRun({ text: node.attrs.latex, italics: true });
    const has = (type: string) => node.marks?.some((m) => m.type === type) ?? false;
    const link = node.marks?.find((m) => m.type === 'link');
    const run = new TextRun({
      text: node.text,
      bold: has('bold'),
      italics: has('italic'),
      strike: has('strike'),
      subScript: has('subscript'),
      superScript: has('superscript'),
      ...(has('underline') ? { underline: {} } : {}),
      ...(has('code') ? { style: 'SourceText' } : {}),
      ...(link ? { style: 'Hyperlink' } : {}),
    });
    return link ? new ExternalHyperlink({ link: link.attrs.href, children: [run] }) : run;
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
    paragraphStyle('Quote', 'Quote', { italics: true }, { indent: { left: 2 * INDENT } }),
    paragraphStyle('Caption', 'caption', { italics: true }),
    paragraphStyle('PreformattedText', 'Preformatted Text', { font: 'Courier New' }),
  ],
  characterStyles: [{ id: 'SourceText', name: 'Source Text', run: { font: 'Courier New' } }],
};

/** Numbered lists each count from their own beginning: every list is an instance of the numbering. */
class Writer {
  private instances = 0;
  readonly notes: string[] = [];

  constructor(private readonly pictures: ReadonlyMap<string, TravellingPicture>) {}

  private picture(node: Picture, shape: object): Paragraph[] {
    const { file, width, height, alt, caption, size } = node.attrs;
    const found = this.pictures.get(file);
    if (!found) return [new Paragraph({ ...shape, children: [new TextRun(standInWords(node))] })];
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

  blocks(nodes: BlockNode[], setting: Setting): (Paragraph | Table)[] {
    return nodes.flatMap((node, i) =>
      this.block(node, i === 0 ? setting : { ...setting, list: null }, setting),
    );
  }

  private block(node: BlockNode, setting: Setting, outer: Setting): (Paragraph | Table)[] {
    const shape = {
      ...(setting.quote ? { style: 'Quote', indent: { left: 2 * INDENT } } : {}),
      ...(setting.list ? { numbering: setting.list } : {}),
      ...(!setting.list && outer.list ? { indent: { left: (outer.list.level + 1) * 2 * INDENT } } : {}),
    };
    switch (node.type) {
      case 'partHeading':
        return [
          new Paragraph({
            children: [new TextRun({ text: `${node.attrs.part}. ${node.attrs.text}`, bold: true })],
            keepNext: true,
          }),
        ];
      case 'paragraph':
        return node.content?.length
          ? [new Paragraph({ ...shape, ...standing(node.attrs), children: runs(node.content, this.notes) })]
          : [];
      case 'heading':
        return [
          new Paragraph({
            heading: HEADINGS[node.attrs.level as 2 | 3 | 4],
            ...standing(node.attrs),
            children: runs(node.content, this.notes),
          }),
        ];
      case 'horizontalRule':
        return [new Paragraph({ thematicBreak: true })];
      case 'picture':
        return this.picture(node, shape);
      case 'embed':
        return this.block(asLink(node), setting, outer);
      case 'file':
      case 'clip':
        return [new Paragraph({ ...shape, children: [new TextRun(standInWords(node))] })];
      case 'blockMath':
        return [
          new Paragraph({
            alignment: AlignmentType.CENTER,
            children: [new TextRun({ text: node.attrs.latex, italics: true })],
          }),
        ];
      case 'codeBlock':
        return [
          ...(node.content ?? [])
            .map((c) => c.text)
            .join('')
            .split('\n')
            .map(
              (text) => new Paragraph({ ...shape, style: 'PreformattedText', children: [new TextRun(text)] }),
            ),
        ];
      case 'blockquote':
        return this.blocks(node.content, { quote: true, list: null });
      case 'table':
        return [
          new Table({
            width: { size: 100, type: WidthType.PERCENTAGE },
            rows: node.content.map(
              (row) =>
                new TableRow({
                  // Written only where it is so: a head that is denied is read as one.
                  ...(row.content.every((cell) => cell.type === 'tableHeader') ? { tableHeader: true } : {}),
                  children: row.content.map(
                    (cell) =>
                      new TableCell({
                        children: this.blocks(cell.content, { quote: false, list: null }),
                      }),
                  ),
                }),
            ),
          }),
        ];
      default: {
        const level = setting.list || outer.list ? ((outer.list?.level ?? 0) + 1) % 5 : 0;
        this.instances += 1;
        const list = {
          reference: node.type === 'bulletList' ? 'bullets' : 'numbers',
          level,
          instance: this.instances,
        };
        return node.content.flatMap((item) => this.blocks(item.content, { quote: setting.quote, list }));
      }
    }
  }
}

const levels = (format: (typeof LevelFormat)[keyof typeof LevelFormat], text: (level: number) => string) =>
  Array.from({ length: 5 }, (_, level) => ({
    level,
    format,
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
  const body = writer.blocks(doc.content, { quote: false, list: null });
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
        { reference: 'numbers', levels: levels(LevelFormat.DECIMAL, (level) => `%${level + 1}.`) },
      ],
    },
    sections: [
      {
        children: [...(title ? [new Paragraph({ text: title, heading: HeadingLevel.TITLE })] : []), ...body],
      },
    ],
  });
  return Packer.toBuffer(file);
}
