import { DOMParser, XMLSerializer, type Element, type Node } from '@xmldom/xmldom';
import { inkOfColour } from '@/core/document/kinds/ink';
import { escapeHtml } from '@/core/document/written';
import type { Written } from './written';
import { unzipped } from './zip';

type Looks = {
  bold: boolean;
  italic: boolean;
  underline: boolean;
  strike: boolean;
  raised: string;
  colour: string;
};
type Style = { parent: string | null; looks: Partial<Looks>; align: string };
/** Styles by their names; the lists that are numbered, with what their first level begins with. */
type Styles = { named: Map<string, Style>; numbered: Set<string>; starts: Map<string, number> };

const DEPTH = 60;
const PLAIN: Looks = {
  bold: false,
  italic: false,
  underline: false,
  strike: false,
  raised: '',
  colour: '',
};
const elements = (node: Element): Element[] => {
  const found: Element[] = [];
  for (let child = node.firstChild; child; child = child.nextSibling)
    if (child.nodeType === 1) found.push(child as Element);
  return found;
};
const attr = (node: Element, name: string) => node.getAttribute(name) ?? '';

function looksOf(style: Element): Partial<Looks> {
  const looks: Partial<Looks> = {};
  for (const p of elements(style).filter((e) => e.tagName === 'style:text-properties')) {
    const weight = attr(p, 'fo:font-weight');
    if (weight) looks.bold = weight === 'bold' || Number(weight) >= 600;
    const slant = attr(p, 'fo:font-style');
    if (slant) looks.italic = slant !== 'normal';
    const under = attr(p, 'style:text-underline-style');
    if (under) looks.underline = under !== 'none';
    const through = attr(p, 'style:text-line-through-style');
    if (through) looks.strike = through !== 'none';
    const colour = attr(p, 'fo:color');
    if (colour) looks.colour = colour;
    const position = attr(p, 'style:text-position');
    if (position)
      looks.raised = /^(?:super|[1-9])/u.test(position) ? 'sup' : /^(?:sub|-)/u.test(position) ? 'sub' : '';
  }
  return looks;
}

const ALIGNED: Record<string, string> = {
  center: 'center',
  end: 'right',
  right: 'right',
  justify: 'justify',
};
function alignOf(style: Element): string {
  const properties = elements(style).find((e) => e.tagName === 'style:paragraph-properties');
  return (properties && ALIGNED[attr(properties, 'fo:text-align')]) ?? '';
}

/** The letters of a line of code, its spaces as they are. */
function lettersOf(node: Node, depth: number): string {
  let out = '';
  for (let child = node.firstChild; child; child = child.nextSibling) {
    if (child.nodeType === 3) out += child.nodeValue ?? '';
    if (child.nodeType !== 1 || depth > DEPTH) continue;
    const el = child as Element;
    if (el.tagName === 'text:s')
      out += ' '.repeat(Math.min(200, Math.max(1, Number(attr(el, 'text:c')) || 1)));
    else if (el.tagName === 'text:tab') out += '\t';
    else if (el.tagName === 'text:line-break') out += '\n';
    else out += lettersOf(el, depth + 1);
  }
  return out;
}

function stylesOf(roots: readonly Element[]): Styles {
  const styles: Styles = { named: new Map(), numbered: new Set(), starts: new Map() };
  for (const root of roots) {
    for (const style of Array.from(root.getElementsByTagName('style:style')))
      styles.named.set(attr(style, 'style:name'), {
        parent: attr(style, 'style:parent-style-name') || null,
        looks: looksOf(style),
        align: alignOf(style),
      });
    for (const list of Array.from(root.getElementsByTagName('text:list-style')))
      if (elements(list)[0]?.tagName === 'text:list-level-style-number') {
        const name = attr(list, 'style:name');
        styles.numbered.add(name);
        const start = attr(elements(list)[0] ?? list, 'text:start-value');
        if (start) styles.starts.set(name, Number(start));
      }
  }
  return styles;
}

/** A style and those it rests on, the nearest first. */
function lineage(name: string, { named }: Styles): { name: string; style: Style | undefined }[] {
  const found: { name: string; style: Style | undefined }[] = [];
  for (let at: string | null = name; at && found.length < 12; at = named.get(at)?.parent ?? null)
    found.push({ name: at, style: named.get(at) });
  return found;
}

const rests = (name: string, on: RegExp, styles: Styles) =>
  lineage(name, styles).some((s) => on.test(s.name));

/** How often something stands there, or how far it reaches; more often than this nobody means it. */
const MOST_TIMES = 60;
const times = (el: Element, name: string) =>
  Math.min(MOST_TIMES, Math.max(1, Math.trunc(Number(attr(el, name))) || 1));

class Reader {
  readonly pictures = new Map<string, Uint8Array>();
  readonly left: Record<string, number> = {};

  constructor(
    private readonly styles: Styles,
    private readonly entries: ReadonlyMap<string, Uint8Array>,
  ) {}

  private leave(what: keyof Written['left']) {
    this.left[what] = (this.left[what] ?? 0) + 1;
    return '';
  }

  /** What is written within a paragraph. */
  inline(node: Node, depth: number): string {
    let out = '';
    for (let child = node.firstChild; child; child = child.nextSibling) {
      if (child.nodeType === 3) out += escapeHtml((child.nodeValue ?? '').replace(/[ \t\r\n]+/gu, ' '));
      if (child.nodeType === 1 && depth < DEPTH) out += this.piece(child as Element, depth + 1);
    }
    return out;
  }

  private span(el: Element, depth: number): string {
    const looks = lineage(attr(el, 'text:style-name'), this.styles).reduce<Looks>(
      (all, { style }) => ({ ...(style?.looks ?? {}), ...all }),
      {} as Looks,
    );
    const { bold, italic, underline, strike, raised, colour } = { ...PLAIN, ...looks };
    const code = rests(attr(el, 'text:style-name'), /^Source_20_Text$/u, this.styles);
    const ink = colour && inkOfColour(colour) ? colour : '';
    const tags = [bold && 'b', italic && 'i', underline && 'u', strike && 's', raised, code && 'code'].filter(
      (t): t is string => Boolean(t),
    );
    const text = this.inline(el, depth);
    const marked = tags.reduce((inner, tag) => `<${tag}>${inner}</${tag}>`, text);
    return ink ? `<span style="color:${ink}">${marked}</span>` : marked;
  }

  private piece(el: Element, depth: number): string {
    switch (el.tagName) {
      case 'text:span':
        return this.span(el, depth);
      case 'text:a': {
        const text = elements(el).length || el.textContent ? this.inline(el, depth) : '';
        return `<a href="${escapeHtml(attr(el, 'xlink:href'))}">${text}</a>`;
      }
      case 'text:s':
        return '\u00a0'
          .repeat(Math.min(40, Math.max(1, Number(attr(el, 'text:c')) || 1)))
          .replace(/\u00a0$/u, ' ');
      case 'text:tab':
        return ' ';
      case 'text:line-break':
        return '<br>';
      case 'text:note': {
        const body = elements(el).find((e) => e.tagName === 'text:note-body');
        const text = (body ? elements(body) : [])
          .map((p) => p.textContent ?? '')
          .join(' ')
          .replace(/\s+/gu, ' ')
          .trim();
        return text ? `<sup data-note="${escapeHtml(text)}"></sup>` : '';
      }
      case 'draw:frame':
        return this.frame(el, depth);
      case 'office:annotation':
        return this.leave('comments');
      case 'office:annotation-end':
      case 'text:soft-page-break':
      case 'text:bookmark':
      case 'text:bookmark-start':
      case 'text:bookmark-end':
        return '';
      default:
        return el.tagName.startsWith('draw:') ? this.leave('objects') : this.inline(el, depth);
    }
  }

  private frame(frame: Element, depth: number): string {
    const inside = elements(frame);
    const said = (tag: string) => inside.find((e) => e.tagName === tag)?.textContent?.trim() ?? '';
    const box = inside.find((e) => e.tagName === 'draw:text-box');
    // A caption's frame: the picture and the words below it.
    if (box) return this.blocks(box, depth + 1);
    const object = inside.find((e) => e.tagName === 'draw:object');
    const math = object && this.formula(object);
    if (math) return math;
    const image = inside.find((e) => e.tagName === 'draw:image');
    if (!image) return this.leave('objects');
    const href = attr(image, 'xlink:href').replace(/^\.\//u, '');
    const bytes = this.entries.get(href);
    if (!bytes) return this.leave(/^[a-z]+:/iu.test(href) ? 'outside' : 'unread-pictures');
    const src = `picture:${this.pictures.size + 1}`;
    this.pictures.set(src, bytes);
    return `<img src="${src}" alt="${escapeHtml(said('svg:desc') || said('svg:title'))}">`;
  }

  /** A formula that stands in an object of its own, or in the text itself. */
  private formula(object: Element): string | null {
    const inline = elements(object).find((e) => e.localName === 'math');
    const href = attr(object, 'xlink:href').replace(/^\.\//u, '').replace(/\/$/u, '');
    const math = inline ?? (href ? xml(this.entries.get(`${href}/content.xml`)) : null);
    if (math?.localName !== 'math') return null;
    // Programs say of every formula that it stands on its own: it does where nothing stands beside it.
    const paragraph = object.parentNode?.parentNode;
    const alone = paragraph?.nodeName === 'text:p' && (paragraph as Element).childNodes.length === 1;
    math.setAttribute('display', alone ? 'block' : 'inline');
    // Names without a prefix are the ones that pages know.
    return new XMLSerializer().serializeToString(math).replace(/<(\/?)[\w-]+:/gu, '<$1');
  }

  private list(el: Element, outer: string, depth: number): string {
    const style = attr(el, 'text:style-name') || outer;
    const items = elements(el).filter((e) => /^text:list-(?:item|header)$/u.test(e.tagName));
    const said = attr(items[0] ?? el, 'text:start-value');
    const start = said ? Number(said) : (this.styles.starts.get(style) ?? 1);
    const tag = this.styles.numbered.has(style) ? 'ol' : 'ul';
    const inner = items.map((item) => `<li>${this.blocks(item, depth + 1, style)}</li>`).join('');
    return `<${tag}${tag === 'ol' && start !== 1 && Number.isInteger(start) ? ` start="${start}"` : ''}>${inner}</${tag}>`;
  }

  private rows(table: Element, head: boolean, depth: number): string {
    return elements(table)
      .map((row) => {
        if (row.tagName === 'table:table-header-rows') return this.rows(row, true, depth);
        if (row.tagName === 'table:table-rows') return this.rows(row, head, depth);
        if (row.tagName !== 'table:table-row') return '';
        const cells = elements(row).filter((c) => c.tagName === 'table:table-cell');
        const written = `<tr>${cells.map((cell) => this.cell(cell, head ? 'th' : 'td', depth + 1)).join('')}</tr>`;
        return written.repeat(times(row, 'table:number-rows-repeated'));
      })
      .join('');
  }

  private cell(el: Element, tag: 'th' | 'td', depth: number): string {
    const spans = (['columns', 'rows'] as const).map((way) => {
      const n = times(el, `table:number-${way}-spanned`);
      return n > 1 ? ` ${way === 'columns' ? 'colspan' : 'rowspan'}="${n}"` : '';
    });
    const written = `<${tag}${spans.join('')}>${this.blocks(el, depth)}</${tag}>`;
    return written.repeat(times(el, 'table:number-columns-repeated'));
  }

  private paragraph(el: Element, depth: number): string {
    const style = attr(el, 'text:style-name');
    const text = this.inline(el, depth);
    if (rests(style, /^Horizontal_20_Line$/u, this.styles) && !text.trim()) return '<hr>';
    if (rests(style, /^(?:Quotations|Quote|Intense_20_Quote)$/u, this.styles))
      return `<blockquote><p>${text}</p></blockquote>`;
    if (rests(style, /^(?:caption|Caption|Figure|Illustration)$/u, this.styles) && !text.includes('<img'))
      return text.trim() ? `<figcaption>${text}</figcaption>` : '';
    const align = lineage(style, this.styles).find((s) => s.style?.align)?.style?.align;
    const level = lineage(style, this.styles)
      .map((s) => /^Heading_20_([1-6])$/u.exec(s.name)?.[1])
      .find(Boolean);
    if (level) return `<h${level}>${text}</h${level}>`;
    if (rests(style, /^Title$/u, this.styles)) return `<h1>${text}</h1>`;
    return `<p${align ? ` style="text-align:${align}"` : ''}>${text}</p>`;
  }

  private isCode(el: Element | undefined): boolean {
    const style = el?.tagName === 'text:p' ? attr(el, 'text:style-name') : '';
    return rests(style, /^(?:Preformatted_20_Text|HTML_20_Preformatted)$/u, this.styles);
  }

  /** Lines of code that follow each other, as they stand. */
  private code(lines: readonly Element[]): string {
    const text = lines.map((line) => lettersOf(line, 0)).join('\n');
    return `<pre><code>${escapeHtml(text)}</code></pre>`;
  }

  /** What is written one below the other. */
  blocks(node: Element, depth: number, list = ''): string {
    if (depth > DEPTH) return escapeHtml(node.textContent ?? '');
    const all = elements(node);
    return all
      .map((el, i) => {
        if (this.isCode(el)) {
          if (this.isCode(all[i - 1])) return '';
          const end = all.findIndex((next, n) => n > i && !this.isCode(next));
          return this.code(all.slice(i, end < 0 ? all.length : end));
        }
        switch (el.tagName) {
          case 'text:h': {
            const level = Math.min(6, Math.max(1, Number(attr(el, 'text:outline-level')) || 1));
            return `<h${level}>${this.inline(el, depth)}</h${level}>`;
          }
          case 'text:p':
            return this.paragraph(el, depth);
          case 'text:list':
            return this.list(el, list, depth + 1);
          case 'table:table':
            return `<table>${this.rows(el, false, depth + 1)}</table>`;
          case 'text:section':
          case 'text:index-body':
            return this.blocks(el, depth + 1);
          case 'draw:frame':
            return this.frame(el, depth);
          case 'text:tracked-changes':
            this.left.deleted = elements(el).length;
            return '';
          default:
            return '';
        }
      })
      .join('');
  }
}

const xml = (bytes: Uint8Array | undefined): Element | null => {
  if (!bytes) return null;
  const found = new DOMParser({ onError: () => {} }).parseFromString(
    // A document needs no type declared, and what declares one may define entities.
    Buffer.from(bytes)
      .toString('utf8')
      .replace(/<!DOCTYPE[^>[]*(?:\[[\s\S]*?\])?[^>]*>/iu, ''),
    'text/xml',
  );
  return found.documentElement;
};

/** An .odt (OpenDocument, ISO/IEC 26300) as HTML with its pictures beside, or null where it cannot be read. */
export function fromOdt(bytes: Uint8Array): Written | null {
  const entries = unzipped(bytes);
  if (!entries?.has('content.xml')) return null;
  try {
    const content = xml(entries.get('content.xml'));
    const text = content?.getElementsByTagName('office:text')[0];
    if (!content || !text) return null;
    const styles = xml(entries.get('styles.xml'));
    const reader = new Reader(stylesOf(styles ? [styles, content] : [content]), entries);
    const html = reader.blocks(text, 0);
    const macros = [...entries.keys()].some((name) => /^(?:Basic|Scripts)\/./u.test(name));
    return { html, pictures: reader.pictures, left: { ...reader.left, ...(macros ? { macros: 1 } : {}) } };
  } catch {
    // The XML reader throws where a file is cut off or no XML.
    return null;
  }
}
