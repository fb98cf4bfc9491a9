import { defaultTreeAdapter, parse, serializeOuter, type DefaultTreeAdapterTypes } from 'parse5';
import { LIMITS, safeHref } from '../document/limits';
import type { BlockNode, Doc, InlineNode, ListItem, Mark, Picture } from '../document/nodes';
import { depthOf, leavesOf } from '../document/blocks';
import { inkOfColour } from '../document/kinds/ink';
import { tidyShape } from '../document/kinds/shape';
import { MARK_OF_ELEMENT } from '../document/marks';
import { cellsOf, gridOf } from './html-tables';
import { notesInHtml, pushChildren, textOf } from './notes-in-html';
import { makeWordLists } from './word-lists';

type Node = DefaultTreeAdapterTypes.ChildNode;
type Element = DefaultTreeAdapterTypes.Element;

/** Nothing of these is text that anybody reads. */
const SILENT = new Set(
  'head script style template title noscript object embed svg select button input textarea form-control nav'.split(
    ' ',
  ),
);
const BLOCKS = new Set(
  'address article aside body center dd details div dl dt fieldset figcaption figure footer form header hgroup hr html legend main p pre section summary'.split(
    ' ',
  ),
);
/** Deeper than this the tree is read as if it were flat: no page that anybody wrote is. */
const DEPTH = 200;

const attribute = (node: Element, name: string) => node.attrs.find((a) => a.name === name)?.value;

const isHidden = (node: Element) =>
  attribute(node, 'hidden') !== undefined || /display\s*:\s*none/iu.test(attribute(node, 'style') ?? '');

/** The mark that an element gives its text, where it gives one that a document may hold. */
function markOf(node: Element): Mark | null {
  const style = attribute(node, 'style') ?? '';
  if (node.tagName === 'a') {
    const href = (attribute(node, 'href') ?? '').trim();
    return safeHref.safeParse(href).success ? { type: 'link', attrs: { href } } : null;
  }
  const type = MARK_OF_ELEMENT.get(node.tagName);
  // Some word processors wrap all they copy in a <b> that is not bold.
  if (type === 'bold' && /(?:^|;)\s*font-weight\s*:\s*(?:normal|400)/iu.test(style)) return null;
  if (type) return { type };
  const ink = inkOfColour(/(?:^|;)\s*color\s*:\s*(#[0-9a-f]{6})/iu.exec(style)?.[1] ?? '');
  if (ink) return { type: 'ink', attrs: { name: ink } };
  if (/(?:^|;)\s*font-weight\s*:\s*(?:bold|[6-9]00)/iu.test(style)) return { type: 'bold' };
  return /(?:^|;)\s*font-style\s*:\s*italic/iu.test(style) ? { type: 'italic' } : null;
}

/** Lines being written: inline content until a block ends. */
class Lines {
  readonly blocks: BlockNode[] = [];
  private line: InlineNode[] = [];

  text(said: string, marks: Mark[], keepsSpace: boolean) {
    const last = this.line[this.line.length - 1];
    let text = keepsSpace ? said : said.replace(/[ \t\r\n\f]+/gu, ' ');
    const opens = !last || last.type === 'hardBreak' || (last.type === 'text' && last.text.endsWith(' '));
    if (!keepsSpace && opens) text = text.replace(/^ /u, '');
    const pieces = keepsSpace ? text.replace(/\r\n?/gu, '\n').split('\n') : [text];
    pieces.forEach((piece, i) => {
      if (i > 0) this.line.push({ type: 'hardBreak' });
      const clean = piece.replace(/[\u0000-\u0008\u000b-\u001f]/gu, '');
      if (!clean) return;
      const before = this.line[this.line.length - 1];
      if (before?.type === 'text' && JSON.stringify(before.marks ?? []) === JSON.stringify(marks))
        before.text += clean;
      else this.line.push({ type: 'text', text: clean, ...(marks.length ? { marks } : {}) });
    });
  }

  note(text: string) {
    this.line.push({ type: 'note', attrs: { text: text.slice(0, LIMITS.noteLength) } });
  }

  formula(latex: string) {
    this.line.push({ type: 'inlineMath', attrs: { latex } });
  }

  isEmpty = () => this.blocks.length === 0 && this.line.length === 0;

  lineBreak() {
    this.line.push({ type: 'hardBreak' });
  }

  end(make: (content: InlineNode[]) => BlockNode = (content) => ({ type: 'paragraph', content })) {
    const line = this.line;
    this.line = [];
    const blank = (n: InlineNode | undefined) =>
      n?.type === 'hardBreak' || (n?.type === 'text' && n.text.trim() === '');
    while (line.length && blank(line[0])) line.shift();
    while (line.length && blank(line[line.length - 1])) line.pop();
    const last = line[line.length - 1];
    if (last?.type === 'text') last.text = last.text.trimEnd();
    if (line.length) this.blocks.push(make(line));
  }

  /** Words that belong below the picture that was put in last; says whether there was one without any. */
  caption(text: string): boolean {
    const last = this.blocks[this.blocks.length - 1];
    if (this.line.length || last?.type !== 'picture' || last.attrs.caption || !text) return false;
    last.attrs = { ...last.attrs, caption: text.slice(0, LIMITS.captionLength) };
    return true;
  }

  block(node: BlockNode) {
    this.end();
    this.blocks.push(node);
  }
}

/** What a picture of a page becomes, by its address: one of the writer's own, or null where it is not to be had. */
export type PictureFinder = (src: string) => Pick<Picture['attrs'], 'file' | 'width' | 'height'> | null;

/** A formula in MathML as LaTeX, for pages that do not say it in LaTeX as well; null where it cannot be told. */
export type FormulaReader = (mathml: string) => string | null;
type Finders = { picture: PictureFinder; formula: FormulaReader };

/** A heading is bold anyway: some word processors say so of its words as well. */
function notAllBold(content: InlineNode[]): InlineNode[] {
  const isBold = (n: InlineNode) => n.type !== 'text' || Boolean(n.marks?.some((m) => m.type === 'bold'));
  if (!content.every(isBold)) return content;
  return content.map((n) => {
    if (n.type !== 'text') return n;
    const marks = (n.marks ?? []).filter((m) => m.type !== 'bold');
    return { type: 'text', text: n.text, ...(marks.length ? { marks } : {}) };
  });
}

/** A link is underlined anyway. */
const isOfLink = (outer: Mark, inner: Mark) => outer.type === 'link' && inner.type === 'underline';

type Context = {
  marks: Mark[];
  depth: number;
  keepsSpace: boolean;
  page: ReturnType<typeof notesInHtml> & Finders & { title: string | null; highest: boolean };
};

/** How wide a picture stands, where the page says it in hundredths. */
function sizeOf(image: Element): number | undefined {
  const said = `${attribute(image, 'width') ?? ''};${attribute(image, 'style') ?? ''}`;
  const percent = Number(
    /^(\d{1,3})(?:\.\d+)?%|(?:^|;)\s*width\s*:\s*(\d{1,3})(?:\.\d+)?%/iu.exec(said)?.slice(1).find(Boolean),
  );
  return percent >= 10 && percent <= 100 ? percent : undefined;
}

function pictureInto(out: Lines, image: Element, caption: string, context: Context) {
  const found = context.page.picture(attribute(image, 'src') ?? '');
  const alt = (attribute(image, 'alt') ?? '').replace(/\s+/gu, ' ').trim();
  if (!found) {
    out.text(alt, context.marks, false);
    return;
  }
  const size = sizeOf(image);
  const said = caption || (attribute(image, 'title') ?? '').trim();
  out.block({
    type: 'picture',
    attrs: {
      ...found,
      alt: alt.slice(0, LIMITS.altLength),
      ...(said ? { caption: said.slice(0, LIMITS.captionLength) } : {}),
      ...(size ? { size } : {}),
    },
  });
}

/** A formula's LaTeX: as its annotation has it, or read out of the MathML itself. */
function latexIn(math: Element, context: Context): string {
  const stack: Element[] = [math];
  for (let next = stack.pop(); next; next = stack.pop()) {
    if (next.tagName === 'annotation' && /tex/iu.test(attribute(next, 'encoding') ?? '')) return textOf(next);
    stack.push(...elements(next));
  }
  return context.page.formula(serializeOuter(math)) ?? '';
}

function formulaInto(out: Lines, math: Element, context: Context) {
  const latex = latexIn(math, context).trim().slice(0, LIMITS.latexLength);
  if (!latex) out.text(textOf(math), context.marks, false);
  else if (attribute(math, 'display') === 'block') out.block({ type: 'blockMath', attrs: { latex } });
  else out.formula(latex);
}

/** What is drawn of a formula for the eye, beside the same in MathML. */
const isDrawnFormula = (node: Element, before: Node | undefined) =>
  attribute(node, 'aria-hidden') === 'true' &&
  before !== undefined &&
  defaultTreeAdapter.isElementNode(before) &&
  (before.tagName === 'math' || elements(before).some((el) => el.tagName === 'math'));

/** How a paragraph or a heading stands, where the page says it of that element itself. */
function shapeOf(node: Element) {
  const style = attribute(node, 'style') ?? '';
  return tidyShape({
    textAlign:
      /(?:^|;)\s*text-align\s*:\s*(\w+)/iu.exec(style)?.[1]?.toLowerCase() ??
      attribute(node, 'align')?.toLowerCase(),
    indent: Number(/(?:^|;)\s*margin-left\s*:\s*(\d{1,2})em/iu.exec(style)?.[1] ?? 0) / 2,
  });
}

/** Of a frame with a player only its address is read. */
function playerInto(out: Lines, frame: Element, context: Context) {
  const href = (attribute(frame, 'src') ?? '').trim().replace(/^\/\//u, 'https://');
  if (!/^https?:/iu.test(href) || !safeHref.safeParse(href).success) return;
  out.text(
    attribute(frame, 'title')?.trim() || href,
    [...context.marks.filter((m) => m.type !== 'link'), { type: 'link', attrs: { href } }],
    false,
  );
}

/** The picture of a figure that holds one, with its caption. */
function figureOf(node: Element): { image: Element; caption: string } | null {
  const inside = elements(node);
  const [image, ...more] = inside.flatMap((el) =>
    el.tagName === 'img' ? [el] : elements(el).filter((e) => e.tagName === 'img'),
  );
  const caption = inside.find((el) => el.tagName === 'figcaption');
  return image && more.length === 0 ? { image, caption: caption ? textOf(caption) : '' } : null;
}

const elements = (node: Element) => node.childNodes.filter(defaultTreeAdapter.isElementNode);
const filled = (blocks: BlockNode[]): BlockNode[] => (blocks.length ? blocks : [{ type: 'paragraph' }]);

function listOf(node: Element, context: Context): BlockNode | null {
  const content: ListItem[] = [];
  for (const child of elements(node)) {
    if (context.page.gone.has(child)) continue;
    const blocks = blocksOf([child], { ...context, depth: context.depth + 1 }, true);
    const before = content[content.length - 1];
    // A list that stands beside the items is meant to stand in the one before it.
    if (['ul', 'ol', 'menu'].includes(child.tagName) && before)
      before.content = [...before.content, ...blocks];
    else if (blocks.length)
      // An item begins with a paragraph, and be it an empty one.
      content.push({
        type: 'listItem',
        content: blocks[0]?.type === 'codeBlock' ? [{ type: 'paragraph' }, ...blocks] : blocks,
      });
  }
  if (content.length === 0) return null;
  if (node.tagName !== 'ol') return { type: 'bulletList', content };
  const start = Number(attribute(node, 'start') ?? 1);
  const usable = Number.isInteger(start) && start >= 0 && start <= 10_000;
  return { type: 'orderedList', attrs: { start: usable ? start : 1 }, content };
}

function tableInto(out: Lines, node: Element, context: Context) {
  const rows = cellsOf(node);
  const inner = { ...context, depth: context.depth + 1 };
  // A document's table has no caption of its own: it is said before it.
  for (const caption of elements(node).filter((el) => el.tagName === 'caption'))
    for (const block of blocksOf(caption.childNodes, inner)) out.block(block);
  // A table of one column is a frame that somebody put around a text.
  if (rows.every((cells) => cells.length <= 1)) {
    for (const cell of rows.flat()) for (const block of blocksOf(cell.childNodes, inner)) out.block(block);
    return;
  }
  const content = gridOf(rows).flatMap((cells) => {
    const isHead = cells.some(Boolean) && cells.every((cell) => cell === null || cell.tagName === 'th');
    return cells.length === 0
      ? []
      : [
          {
            type: 'tableRow' as const,
            content: cells.map((cell) => ({
              type: (cell === null ? isHead : cell.tagName === 'th')
                ? ('tableHeader' as const)
                : ('tableCell' as const),
              content: filled(cell === null ? [] : blocksOf(cell.childNodes, inner)),
            })),
          },
        ];
  });
  if (content.length) out.block({ type: 'table', content });
}

/** All letters in an element as they stand, however deep. */
function lettersOf(node: Element): string {
  let said = '';
  const stack: Node[] = [...node.childNodes].reverse();
  while (stack.length) {
    const next = stack.pop();
    if (!next) break;
    if (defaultTreeAdapter.isTextNode(next)) said += next.value;
    else if (defaultTreeAdapter.isElementNode(next)) {
      if (next.tagName === 'br') said += '\n';
      stack.push(...[...next.childNodes].reverse());
    }
  }
  return said;
}

/** A block of code: what is set as it stands and holds code and nothing else. Other text that is set as it stands is a text. */
function codeIn(node: Element): BlockNode | null {
  const [code, ...more] = elements(node);
  const beside = node.childNodes.some((n) => defaultTreeAdapter.isTextNode(n) && n.value.trim() !== '');
  if (code?.tagName !== 'code' || more.length || beside) return null;
  const text = lettersOf(code)
    .replace(/\r\n?/gu, '\n')
    .replace(/[\u0000-\u0008\u000b-\u001f]/gu, '')
    .replace(/\n$/u, '');
  return { type: 'codeBlock', ...(text ? { content: [{ type: 'text', text }] } : {}) };
}

function walk(nodes: Node[], out: Lines, context: Context) {
  for (const [i, node] of nodes.entries()) {
    if (defaultTreeAdapter.isTextNode(node)) out.text(node.value, context.marks, context.keepsSpace);
    if (!defaultTreeAdapter.isElementNode(node) || SILENT.has(node.tagName) || isHidden(node)) continue;
    if (context.depth > DEPTH || context.page.gone.has(node)) continue;
    if (isDrawnFormula(node, nodes[i - 1])) continue;
    const note =
      context.page.marks.get(node) ?? (node.tagName === 'sup' ? attribute(node, 'data-note') : undefined);
    if (note !== undefined) {
      if (note.trim()) out.note(note.trim());
      continue;
    }
    const { tagName: tag } = node;
    const mark = markOf(node);
    const inner: Context = {
      // The same mark twice is one mark, and a link in a link cannot be.
      marks:
        mark && !context.marks.some((m) => m.type === mark.type || isOfLink(m, mark))
          ? [...context.marks, mark]
          : context.marks,
      depth: context.depth + 1,
      keepsSpace: context.keepsSpace || tag === 'pre',
      page: context.page,
    };
    const code = tag === 'pre' ? codeIn(node) : null;
    if (code) out.block(code);
    else if (tag === 'br') out.lineBreak();
    else if (tag === 'math') formulaInto(out, node, context);
    else if (tag === 'hr') out.block({ type: 'horizontalRule' });
    else if (tag === 'iframe') playerInto(out, node, context);
    else if (tag === 'img') pictureInto(out, node, '', context);
    else if (tag === 'h1' && context.page.title === '' && out.isEmpty()) context.page.title = textOf(node);
    else if (/^h[1-6]$/u.test(tag)) {
      out.end();
      walk(node.childNodes, out, { ...inner, marks: [] });
      const level = Math.min(4, Math.max(2, Number(tag[1]) + (context.page.highest ? 1 : 0)));
      const attrs = { level, ...shapeOf(node) };
      out.end((content) => ({ type: 'heading', attrs, content: notAllBold(content) }));
    } else if (tag === 'blockquote') {
      const content = blocksOf(node.childNodes, inner);
      if (content.length) out.block({ type: 'blockquote', content });
    } else if (['ul', 'ol', 'menu'].includes(tag)) {
      const list = listOf(node, inner);
      if (list) out.block(list);
    } else if (tag === 'table') tableInto(out, node, inner);
    else if (tag === 'figcaption' && out.caption(textOf(node))) continue;
    else if (tag === 'figure' && figureOf(node)) {
      const figure = figureOf(node);
      if (figure) pictureInto(out, figure.image, figure.caption, inner);
    } else if (BLOCKS.has(tag)) {
      out.end();
      walk(node.childNodes, out, inner);
      const attrs = tag === 'p' ? shapeOf(node) : {};
      if (Object.keys(attrs).length) out.end((content) => ({ type: 'paragraph', attrs, content }));
      else out.end();
    } else walk(node.childNodes, out, inner);
  }
}

function blocksOf(nodes: Node[], context: Context, ofItem = false): BlockNode[] {
  const out = new Lines();
  // What stands where an item was due is read as one.
  const [only] = nodes;
  const inside = ofItem && only && defaultTreeAdapter.isElementNode(only) && only.tagName === 'li';
  walk(inside ? only.childNodes : nodes, out, context);
  out.end();
  return out.blocks;
}

/**
 * HTML as a document: headings, paragraphs, lists, quotations, tables, links, formulas, notes, bold and italic; everything else is
 * read as its text. Nothing runs, nothing is fetched, no colour or face comes along but our own inks. What is nested deeper than a document
 * may be is laid flat, so that no words are lost. Of a picture that `picture` does not know its description is read, and of a formula that
 * `formula` does not know its letters.
 *
 * @example documentFromHtml('<p>Write <b>250 words</b>.') // one paragraph, "250 words" in bold
 */
export const documentFromHtml = (
  html: string,
  picture: PictureFinder = () => null,
  formula: FormulaReader = () => null,
): Doc => read(html, { picture, formula }, null).doc;

/**
 * The same where a first heading over everything is the text's title: it is given apart, empty where there is none.
 * @example pageFromHtml('<h1>Walls</h1><p>a</p>') // { title: 'Walls', … }
 */
export const pageFromHtml = (
  html: string,
  picture: PictureFinder = () => null,
  formula: FormulaReader = () => null,
) => read(html, { picture, formula }, '');

/** Whether a page has headings of the highest kind beside its title: then all its headings go down by one, for a text has none of that kind. */
function hasHighest(root: DefaultTreeAdapterTypes.Document, titled: boolean): boolean {
  let found = 0;
  const stack: Node[] = [];
  pushChildren(stack, root);
  for (let next = stack.pop(); next; next = stack.pop()) {
    if (!defaultTreeAdapter.isElementNode(next)) continue;
    if (next.tagName === 'h1' && !isHidden(next)) found += 1;
    pushChildren(stack, next);
  }
  return found > (titled ? 1 : 0);
}

function read(html: string, finders: Finders, title: string | null): { title: string; doc: Doc } {
  const tree = parse(html);
  makeWordLists(tree);
  const page = { ...notesInHtml(tree), ...finders, title, highest: hasHighest(tree, title !== null) };
  const blocks = blocksOf(tree.childNodes as Node[], { marks: [], depth: 0, keepsSpace: false, page });
  return {
    title: page.title ?? '',
    doc: {
      type: 'doc',
      content: filled(blocks.flatMap((b) => (depthOf(b) > LIMITS.depth - 2 ? leavesOf([b]) : [b]))),
    },
  };
}
