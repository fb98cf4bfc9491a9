import type { BlockNode, Doc, InlineNode, Mark, Picture } from '@/core/posts/document';
import { asLink } from '@/core/embeds/address';
import { standInWords } from '@/core/posts/carried';
import type { TravellingPicture } from './travelling';
import { escaped } from './written';
import { zipped } from './zip';

const MIME = 'application/vnd.oasis.opendocument.text';
const NAMESPACES = [
  ['office', 'office'],
  ['style', 'style'],
  ['text', 'text'],
  ['table', 'table'],
  ['draw', 'drawing'],
  ['fo', 'xsl-fo-compatible'],
  ['svg', 'svg-compatible'],
]
  .map(([prefix, name]) => `xmlns:${prefix}="urn:oasis:names:tc:opendocument:xmlns:${name}:1.0"`)
  .concat('xmlns:xlink="http://www.w3.org/1999/xlink"')
  .join(' ');
const HEAD = '<?xml version="1.0" encoding="UTF-8"?>';

const PAGE_CM = 16;
const CM_PER_PIXEL = 2.54 / 96;

/** Spaces beyond one and what has a sign of its own in OpenDocument. */
const textOf = (text: string) =>
  escaped(text)
    .replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f]/gu, '')
    .replace(/\t/gu, '<text:tab/>')
    .replace(/\n/gu, '<text:line-break/>')
    .replace(/ {2,}/gu, (run) => ` <text:s text:c="${run.length - 1}"/>`);

const PROPERTIES: Partial<Record<Mark['type'], string>> = {
  bold: 'fo:font-weight="bold"',
  italic: 'fo:font-style="italic"',
  underline:
    'style:text-underline-style="solid" style:text-underline-width="auto" style:text-underline-color="font-color"',
  strike: 'style:text-line-through-style="solid"',
  subscript: 'style:text-position="sub 58%"',
  superscript: 'style:text-position="super 58%"',
  code: 'style:font-name="Courier New" fo:font-family="&apos;Courier New&apos;"',
};
const CODE = 'Source_20_Text';

class Writer {
  private readonly spans = new Map<string, string>();
  private readonly lists: string[] = [];
  readonly used = new Map<string, TravellingPicture>();
  private notes = 0;

  constructor(private readonly pictures: ReadonlyMap<string, TravellingPicture>) {}

  private spanStyle(marks: readonly Mark[]): string {
    const kinds = marks.map((m) => m.type).filter((t) => PROPERTIES[t]);
    if (kinds.length === 1 && kinds[0] === 'code') return CODE;
    const key = kinds
      .map((t) => PROPERTIES[t])
      .sort()
      .join(' ');
    if (!key) return '';
    const known = this.spans.get(key) ?? `T${this.spans.size + 1}`;
    this.spans.set(key, known);
    return known;
  }

  private inline(content: readonly InlineNode[] | undefined): string {
    return (content ?? [])
      .map((node) => {
        if (node.type === 'hardBreak') return '<text:line-break/>';
        if (node.type === 'inlineMath') return `<text:span>${textOf(`$${node.attrs.latex}$`)}</text:span>`;
        if (node.type === 'note') {
          this.notes += 1;
          return `<text:note text:id="ftn${this.notes}" text:note-class="footnote"><text:note-citation>${this.notes}</text:note-citation><text:note-body><text:p text:style-name="Footnote">${textOf(node.attrs.text)}</text:p></text:note-body></text:note>`;
        }
        const style = this.spanStyle(node.marks ?? []);
        const text = style
          ? `<text:span text:style-name="${style}">${textOf(node.text)}</text:span>`
          : textOf(node.text);
        const link = node.marks?.find((m) => m.type === 'link');
        return link
          ? `<text:a xlink:type="simple" xlink:href="${escaped(link.attrs.href)}">${text}</text:a>`
          : text;
      })
      .join('');
  }

  private paragraph(style: string, inner: string) {
    return `<text:p text:style-name="${style}">${inner}</text:p>`;
  }

  private picture(node: Picture, style: string): string {
    const { file, width, height, alt, caption, size } = node.attrs;
    const found = this.pictures.get(file);
    if (!found) return this.paragraph(style, textOf(standInWords(node)));
    this.used.set(found.name, found);
    const wide = size ? (PAGE_CM * size) / 100 : Math.min(PAGE_CM, width * CM_PER_PIXEL);
    const cm = (n: number) => `${n.toFixed(2)}cm`;
    const frame = `<draw:frame text:anchor-type="as-char" svg:width="${cm(wide)}" svg:height="${cm((wide * height) / width)}"><draw:image xlink:href="Pictures/${found.name}" xlink:type="simple" xlink:show="embed" xlink:actuate="onLoad"/><svg:desc>${escaped(alt)}</svg:desc></draw:frame>`;
    return this.paragraph(style, frame) + (caption ? this.paragraph('Caption', textOf(caption)) : '');
  }

  private list(node: Extract<BlockNode, { type: 'bulletList' | 'orderedList' }>): string {
    const start = node.type === 'orderedList' ? (node.attrs?.start ?? 1) : 1;
    const name = `L${this.lists.length + 1}`;
    const levels = Array.from({ length: 10 }, (_, i) => {
      const props = `<style:list-level-properties text:space-before="${(i + 1) * 0.6}cm" text:min-label-width="0.6cm"/>`;
      return node.type === 'bulletList'
        ? `<text:list-level-style-bullet text:level="${i + 1}" text:bullet-char="•">${props}</text:list-level-style-bullet>`
        : `<text:list-level-style-number text:level="${i + 1}" style:num-format="1" style:num-suffix="."${i === 0 && start !== 1 ? ` text:start-value="${start}"` : ''}>${props}</text:list-level-style-number>`;
    }).join('');
    this.lists.push(`<text:list-style style:name="${name}">${levels}</text:list-style>`);
    const items = node.content.map((item, i) => {
      const from = i === 0 && start !== 1 ? ` text:start-value="${start}"` : '';
      return `<text:list-item${from}>${this.blocks(item.content)}</text:list-item>`;
    });
    return `<text:list text:style-name="${name}">${items.join('')}</text:list>`;
  }

  private table(node: Extract<BlockNode, { type: 'table' }>): string {
    const width = Math.max(...node.content.map((row) => row.content.length));
    const rows = node.content.map((row) => {
      const cells = row.content.map(
        (cell) =>
          `<table:table-cell table:style-name="Cell" office:value-type="string">${this.blocks(cell.content) || '<text:p/>'}</table:table-cell>`,
      );
      return `<table:table-row>${cells.join('')}</table:table-row>`;
    });
    const isHead = node.content[0]?.content.every((cell) => cell.type === 'tableHeader');
    const [first = '', ...rest] = rows;
    const head = isHead ? `<table:table-header-rows>${first}</table:table-header-rows>` : first;
    return `<table:table><table:table-column table:number-columns-repeated="${width}"/>${head}${rest.join('')}</table:table>`;
  }

  private block(node: BlockNode, style: string): string {
    switch (node.type) {
      case 'partHeading':
        return this.paragraph('Question', textOf(`${node.attrs.part}. ${node.attrs.text}`));
      case 'paragraph':
        return node.content?.length ? this.paragraph(style, this.inline(node.content)) : '';
      case 'heading':
        return `<text:h text:style-name="Heading_20_${node.attrs.level}" text:outline-level="${node.attrs.level}">${this.inline(node.content)}</text:h>`;
      case 'horizontalRule':
        return this.paragraph('Horizontal_20_Line', '');
      case 'codeBlock':
        return (node.content ?? [])
          .map((c) => c.text)
          .join('')
          .split('\n')
          .map((line) => this.paragraph('Preformatted_20_Text', textOf(line)))
          .join('');
      case 'blockMath':
        return this.paragraph(style, textOf(`$$${node.attrs.latex}$$`));
      case 'picture':
        return this.picture(node, style);
      case 'embed':
        return this.block(asLink(node), style);
      case 'file':
      case 'clip':
        return this.paragraph(style, textOf(standInWords(node)));
      case 'blockquote':
        return this.blocks(node.content, 'Quotations');
      case 'table':
        return this.table(node);
      default:
        return this.list(node);
    }
  }

  blocks(nodes: readonly BlockNode[], style = 'Text_20_body'): string {
    return nodes.map((node) => this.block(node, style)).join('');
  }

  styles(): string {
    const spans = [...this.spans].map(
      ([properties, name]) =>
        `<style:style style:name="${name}" style:family="text"><style:text-properties ${properties}/></style:style>`,
    );
    const cell =
      '<style:style style:name="Cell" style:family="table-cell"><style:table-cell-properties fo:border="0.5pt solid #888888" fo:padding="0.1cm"/></style:style>';
    return [...spans, cell, ...this.lists].join('');
  }
}

const style = (name: string, family: string, more: string, parent = 'Standard') =>
  `<style:style style:name="${name.replace(/ /gu, '_20_')}" style:display-name="${name}" style:family="${family}"${
    family === 'paragraph' && name !== 'Standard'
      ? ` style:parent-style-name="${parent.replace(/ /gu, '_20_')}"`
      : ''
  }>${more}</style:style>`;
const text = (properties: string) => `<style:text-properties ${properties}/>`;
const space = (properties: string) => `<style:paragraph-properties ${properties}/>`;

const STYLES = `${HEAD}<office:document-styles ${NAMESPACES} office:version="1.3"><office:styles>${[
  style('Standard', 'paragraph', ''),
  style('Text body', 'paragraph', space('fo:margin-bottom="0.25cm"')),
  style('Title', 'paragraph', text('fo:font-size="20pt" fo:font-weight="bold"')),
  ...[2, 3, 4].map((level) =>
    style(`Heading ${level}`, 'paragraph', text(`fo:font-size="${20 - 2 * level}pt" fo:font-weight="bold"`)),
  ),
  style('Question', 'paragraph', text('fo:font-weight="bold"')),
  style('Quotations', 'paragraph', space('fo:margin-left="1cm" fo:margin-right="1cm"')),
  style('Preformatted Text', 'paragraph', text('fo:font-family="&apos;Courier New&apos;"')),
  style('Caption', 'paragraph', text('fo:font-style="italic"')),
  style('Footnote', 'paragraph', text('fo:font-size="10pt"')),
  style('Horizontal Line', 'paragraph', space('fo:border-bottom="0.5pt solid #888888"')),
  style('Source Text', 'text', text('fo:font-family="&apos;Courier New&apos;"')),
].join('')}</office:styles></office:document-styles>`;

const bytes = (said: string) => new TextEncoder().encode(said);

/** A text as an OpenDocument text (ISO/IEC 26300), with the pictures that travel with it. */
export function odtOf(title: string, doc: Doc, pictures: ReadonlyMap<string, TravellingPicture>): Uint8Array {
  const writer = new Writer(pictures);
  const heading = title ? `<text:p text:style-name="Title">${textOf(title)}</text:p>` : '';
  const body = heading + writer.blocks(doc.content);
  const content = `${HEAD}<office:document-content ${NAMESPACES} office:version="1.3"><office:automatic-styles>${writer.styles()}</office:automatic-styles><office:body><office:text>${body}</office:text></office:body></office:document-content>`;
  const listed = [
    ['/', MIME],
    ['content.xml', 'text/xml'],
    ['styles.xml', 'text/xml'],
    ...[...writer.used.values()].map((p) => [`Pictures/${p.name}`, p.mediaType]),
  ];
  const manifest = `${HEAD}<manifest:manifest xmlns:manifest="urn:oasis:names:tc:opendocument:xmlns:manifest:1.0" manifest:version="1.3">${listed
    .map(
      ([path, type]) => `<manifest:file-entry manifest:full-path="${path}" manifest:media-type="${type}"/>`,
    )
    .join('')}</manifest:manifest>`;
  return zipped(
    new Map([
      ['mimetype', bytes(MIME)],
      ['META-INF/manifest.xml', bytes(manifest)],
      ['content.xml', bytes(content)],
      ['styles.xml', bytes(STYLES)],
      ...[...writer.used.values()].map((p) => [`Pictures/${p.name}`, p.content] as const),
    ]),
    true,
  );
}
