import {
  AlignmentType,
  Document,
  ExternalHyperlink,
  HeadingLevel,
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
import type { BlockNode, BlockShape, Doc, InlineNode } from '@/core/posts/document';

type Setting = { quote: boolean; list: { reference: string; level: number; instance: number } | null };

const HEADINGS = { 2: HeadingLevel.HEADING_2, 3: HeadingLevel.HEADING_3, 4: HeadingLevel.HEADING_4 } as const;
const INDENT = 360;
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

function runs(content: InlineNode[] | undefined): ParagraphChild[] {
  return (content ?? []).map((node) => {
    if (node.type === 'hardBreak') return new TextRun({ break: 1 });
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
      ...(has('code') ? { font: 'Courier New' } : {}),
      ...(link ? { style: 'Hyperlink' } : {}),
    });
    return link ? new ExternalHyperlink({ link: link.attrs.href, children: [run] }) : run;
  });
}

/** Numbered lists each count from their own beginning: every list is an instance of the numbering. */
class Writer {
  private instances = 0;

  blocks(nodes: BlockNode[], setting: Setting): (Paragraph | Table)[] {
    return nodes.flatMap((node, i) =>
      this.block(node, i === 0 ? setting : { ...setting, list: null }, setting),
    );
  }

  private block(node: BlockNode, setting: Setting, outer: Setting): (Paragraph | Table)[] {
    const shape = {
      ...(setting.quote ? { style: 'IntenseQuote', indent: { left: 2 * INDENT } } : {}),
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
          ? [new Paragraph({ ...shape, ...standing(node.attrs), children: runs(node.content) })]
          : [];
      case 'heading':
        return [
          new Paragraph({
            heading: HEADINGS[node.attrs.level as 2 | 3 | 4],
            ...standing(node.attrs),
            children: runs(node.content),
          }),
        ];
      case 'horizontalRule':
        return [new Paragraph({ thematicBreak: true })];
      case 'picture':
      case 'file': {
        const words =
          node.type === 'file'
            ? `[File: ${node.attrs.name}]`
            : `[Picture: ${node.attrs.caption || node.attrs.alt}]`;
        return [new Paragraph({ ...shape, children: [new TextRun(words)] })];
      }
      case 'blockMath':
        return [
          new Paragraph({
            alignment: AlignmentType.CENTER,
            children: [new TextRun({ text: node.attrs.latex, italics: true })],
          }),
        ];
      case 'codeBlock':
        return [
          new Paragraph({
            ...shape,
            children: (node.content ?? []).flatMap((c) =>
              c.text
                .split('\n')
                .map((text, i) => new TextRun({ text, font: 'Courier New', ...(i > 0 ? { break: 1 } : {}) })),
            ),
          }),
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
export async function docxOf(title: string, doc: Doc): Promise<Buffer> {
  const file = new Document({
    creator: 'Pulpit',
    title: title || 'Text',
    numbering: {
      config: [
        { reference: 'bullets', levels: levels(LevelFormat.BULLET, () => '•') },
        { reference: 'numbers', levels: levels(LevelFormat.DECIMAL, (level) => `%${level + 1}.`) },
      ],
    },
    sections: [
      {
        children: [
          ...(title ? [new Paragraph({ text: title, heading: HeadingLevel.HEADING_1 })] : []),
          ...new Writer().blocks(doc.content, { quote: false, list: null }),
        ],
      },
    ],
  });
  return Packer.toBuffer(file);
}
