import type { OfficeBlock, OfficeRun } from '@/core/document/kind';
import type { BlockShape, Doc, PlainMark } from '@/core/document/nodes';
import { escapeHtml } from '@/core/document/written';
import { officeOf } from '@/core/formats/to-office';
import { mathmlOf } from './mathml';
import type { TravellingPicture } from './travelling';
import { zipped } from './zip';

const MIME = 'application/vnd.oasis.opendocument.text';
const FORMULA = 'application/vnd.oasis.opendocument.formula';
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
  escapeHtml(text)
    .replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f]/gu, '')
    .replace(/\t/gu, '<text:tab/>')
    .replace(/\n/gu, '<text:line-break/>')
    .replace(/ {2,}/gu, (run) => ` <text:s text:c="${run.length - 1}"/>`);

const PROPERTIES: Record<PlainMark, string> = {
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

/** The styles of lines that have one of their own; the others have that of where they stand. */
const LINE_STYLES: { [as in Of<'line'>['as']]?: string } = {
  question: 'Question',
  code: 'Preformatted_20_Text',
};
type Of<B extends OfficeBlock['block']> = Extract<OfficeBlock, { block: B }>;

class Writer {
  private readonly spans = new Map<string, string>();
  private readonly lists: string[] = [];
  private readonly stands = new Map<string, { name: string; style: string; key: string }>();
  readonly used = new Map<string, TravellingPicture>();
  /** Formulas, each an object of its own. */
  readonly formulas: string[] = [];
  private notes = 0;

  constructor(private readonly pictures: ReadonlyMap<string, TravellingPicture>) {}

  private spanStyle({ marks, colour }: Extract<OfficeRun, { run: 'text' }>): string {
    if (marks.length === 1 && marks[0] === 'code' && !colour) return CODE;
    const key = [...marks.map((mark) => PROPERTIES[mark]), ...(colour ? [`fo:color="${colour}"`] : [])]
      .sort()
      .join(' ');
    if (!key) return '';
    const known = this.spans.get(key) ?? `T${this.spans.size + 1}`;
    this.spans.set(key, known);
    return known;
  }

  private run(run: OfficeRun): string {
    switch (run.run) {
      case 'break':
        return '<text:line-break/>';
      case 'formula':
        return this.formula(run.latex, false);
      case 'note': {
        this.notes += 1;
        const text = `<text:p text:style-name="Footnote">${textOf(run.text)}</text:p>`;
        return `<text:note text:id="ftn${this.notes}" text:note-class="footnote"><text:note-citation>${this.notes}</text:note-citation><text:note-body>${text}</text:note-body></text:note>`;
      }
      case 'text': {
        const style = this.spanStyle(run);
        const text = style
          ? `<text:span text:style-name="${style}">${textOf(run.text)}</text:span>`
          : textOf(run.text);
        return run.href
          ? `<text:a xlink:type="simple" xlink:href="${escapeHtml(run.href)}">${text}</text:a>`
          : text;
      }
    }
  }

  private formula(latex: string, display: boolean): string {
    const mathml = mathmlOf(latex, display);
    if (mathml === null) return textOf(display ? `$$${latex}$$` : `$${latex}$`);
    const name = `Object ${this.formulas.push(mathml)}`;
    return `<draw:frame text:anchor-type="as-char"><draw:object xlink:href="./${name}" xlink:type="simple" xlink:show="embed" xlink:actuate="onLoad"/><svg:desc>${escapeHtml(latex)}</svg:desc></draw:frame>`;
  }

  private inline(runs: readonly OfficeRun[]): string {
    return runs.map((run) => this.run(run)).join('');
  }

  /** The style of a block that stands otherwise than usual: one of its own, which rests on the usual. */
  private standing(style: string, { textAlign, indent }: BlockShape = {}): string {
    const key = [
      ...(textAlign ? [`fo:text-align="${textAlign === 'right' ? 'end' : textAlign}"`] : []),
      ...(indent ? [`fo:margin-left="${indent * 1.2}cm"`] : []),
    ].join(' ');
    if (!key) return style;
    const known = this.stands.get(`${style} ${key}`) ?? { name: `P${this.stands.size + 1}`, style, key };
    this.stands.set(`${style} ${key}`, known);
    return known.name;
  }

  private paragraph(style: string, inner: string) {
    return `<text:p text:style-name="${style}">${inner}</text:p>`;
  }

  private picture({ picture, words }: Of<'picture'>, style: string): string {
    const { file, width, height, alt, caption, size } = picture.attrs;
    const found = this.pictures.get(file);
    if (!found) return this.paragraph(style, textOf(words));
    this.used.set(found.name, found);
    const wide = size ? (PAGE_CM * size) / 100 : Math.min(PAGE_CM, width * CM_PER_PIXEL);
    const cm = (n: number) => `${n.toFixed(2)}cm`;
    const frame = `<draw:frame text:anchor-type="as-char" svg:width="${cm(wide)}" svg:height="${cm((wide * height) / width)}"><draw:image xlink:href="Pictures/${found.name}" xlink:type="simple" xlink:show="embed" xlink:actuate="onLoad"/><svg:desc>${escapeHtml(alt)}</svg:desc></draw:frame>`;
    return this.paragraph(style, frame) + (caption ? this.paragraph('Caption', textOf(caption)) : '');
  }

  private list(list: Of<'list'>): string {
    const start = list.start ?? 1;
    const name = `L${this.lists.length + 1}`;
    const levels = Array.from({ length: 10 }, (_, i) => {
      const props = `<style:list-level-properties text:space-before="${(i + 1) * 0.6}cm" text:min-label-width="0.6cm"/>`;
      return list.start === null
        ? `<text:list-level-style-bullet text:level="${i + 1}" text:bullet-char="•">${props}</text:list-level-style-bullet>`
        : `<text:list-level-style-number text:level="${i + 1}" style:num-format="1" style:num-suffix="."${i === 0 && start !== 1 ? ` text:start-value="${start}"` : ''}>${props}</text:list-level-style-number>`;
    }).join('');
    this.lists.push(`<text:list-style style:name="${name}">${levels}</text:list-style>`);
    const items = list.items.map((item, i) => {
      const from = i === 0 && start !== 1 ? ` text:start-value="${start}"` : '';
      return `<text:list-item${from}>${this.blocks(item)}</text:list-item>`;
    });
    return `<text:list text:style-name="${name}">${items.join('')}</text:list>`;
  }

  private table({ rows }: Of<'table'>): string {
    const width = Math.max(...rows.map((row) => row.length));
    const written = rows.map((row) => {
      const cells = row.map(
        (cell) =>
          `<table:table-cell table:style-name="Cell" office:value-type="string">${this.blocks(cell.blocks) || '<text:p/>'}</table:table-cell>`,
      );
      return `<table:table-row>${cells.join('')}</table:table-row>`;
    });
    const [first = '', ...rest] = written;
    const isHead = rows[0]?.every((cell) => cell.head);
    const head = isHead ? `<table:table-header-rows>${first}</table:table-header-rows>` : first;
    return `<table:table><table:table-column table:number-columns-repeated="${width}"/>${head}${rest.join('')}</table:table>`;
  }

  private block(block: OfficeBlock, style: string): string {
    switch (block.block) {
      case 'line':
        return this.paragraph(
          this.standing(LINE_STYLES[block.as] ?? style, block.shape),
          // A space that begins a line of code is one; elsewhere such a space says nothing.
          block.as === 'code' ? this.inline(block.runs).replace(/^ /u, '<text:s/>') : this.inline(block.runs),
        );
      case 'heading':
        return `<text:h text:style-name="${this.standing(`Heading_20_${block.level}`, block.shape)}" text:outline-level="${block.level}">${this.inline(block.runs)}</text:h>`;
      case 'rule':
        return this.paragraph('Horizontal_20_Line', '');
      case 'formula':
        return this.paragraph(style, this.formula(block.latex, true));
      case 'picture':
        return this.picture(block, style);
      case 'quotation':
        return this.blocks(block.blocks, 'Quotations');
      case 'table':
        return this.table(block);
      case 'list':
        return this.list(block);
    }
  }

  blocks(blocks: readonly OfficeBlock[], style = 'Text_20_body'): string {
    return blocks.map((block) => this.block(block, style)).join('');
  }

  styles(): string {
    const spans = [...this.spans].map(
      ([properties, name]) =>
        `<style:style style:name="${name}" style:family="text"><style:text-properties ${properties}/></style:style>`,
    );
    const cell =
      '<style:style style:name="Cell" style:family="table-cell"><style:table-cell-properties fo:border="0.5pt solid #888888" fo:padding="0.1cm"/></style:style>';
    const stands = [...this.stands.values()].map(
      (s) =>
        `<style:style style:name="${s.name}" style:family="paragraph" style:parent-style-name="${s.style}"><style:paragraph-properties ${s.key}/></style:style>`,
    );
    return [...spans, ...stands, cell, ...this.lists].join('');
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
  const body = heading + writer.blocks(officeOf(doc));
  const content = `${HEAD}<office:document-content ${NAMESPACES} office:version="1.3"><office:automatic-styles>${writer.styles()}</office:automatic-styles><office:body><office:text>${body}</office:text></office:body></office:document-content>`;
  const listed = [
    ['/', MIME],
    ['content.xml', 'text/xml'],
    ['styles.xml', 'text/xml'],
    ...[...writer.used.values()].map((p) => [`Pictures/${p.name}`, p.mediaType]),
    ...writer.formulas.flatMap((_, i) => [
      [`Object ${i + 1}/`, FORMULA],
      [`Object ${i + 1}/content.xml`, 'text/xml'],
    ]),
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
      ...writer.formulas.map(
        (mathml, i) => [`Object ${i + 1}/content.xml`, bytes(`${HEAD}${mathml}`)] as const,
      ),
    ]),
    true,
  );
}
