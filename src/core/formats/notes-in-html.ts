import { defaultTreeAdapter, type DefaultTreeAdapterTypes } from 'parse5';

type Element = DefaultTreeAdapterTypes.Element;
type Parent = DefaultTreeAdapterTypes.ParentNode;
type Node = DefaultTreeAdapterTypes.ChildNode;

/** More marks than this no text that anybody wrote has. */
const MOST_NOTES = 2_000;
/** How far a mark's address may stand from the mark itself. */
const NEAR = 4;
const HOLDERS = new Set(['p', 'li', 'div', 'aside', 'dd', 'td', 'section']);

const attribute = (node: Element, name: string) => node.attrs.find((a) => a.name === name)?.value;
const parentOf = (node: Node): Element | null => {
  const { parentNode } = node as { parentNode: Parent | null };
  return parentNode && defaultTreeAdapter.isElementNode(parentNode as Node) ? (parentNode as Element) : null;
};
const isWithin = (node: Element, holder: Element) => {
  for (let at: Element | null = node; at; at = parentOf(at)) if (at === holder) return true;
  return false;
};

/**
 * Puts what stands in an element onto a stack, the first on top. One by one: a page may have more than a call may.
 * @example of `<p>a<b>c</b></p>` the stack's top is "a", and `<b>` beneath it
 */
export function pushChildren(stack: Node[], node: Parent) {
  for (let i = node.childNodes.length - 1; i >= 0; i -= 1) stack.push(node.childNodes[i] as Node);
}

/**
 * The text of an element without what `leaves` says.
 * @example textOf of `<p>a <b>b</b></p>`, where `<b>` is left out, is 'a'
 */
export function textOf(node: Element, leaves: (el: Element) => boolean = () => false): string {
  let text = '';
  const stack: Node[] = [node];
  for (let next = stack.pop(); next; next = stack.pop()) {
    if (defaultTreeAdapter.isTextNode(next)) text += next.value;
    if (!defaultTreeAdapter.isElementNode(next) || (next !== node && leaves(next))) continue;
    if (next !== node && HOLDERS.has(next.tagName)) text += ' ';
    pushChildren(stack, next);
  }
  return text.replace(/\s+/gu, ' ').trim();
}

type Links = { links: Element[]; named: Map<string, Element>; order: Map<Element, number> };

/** The links of a page that lead within it, and what they can lead to. */
function linksOf(root: Parent): Links {
  const found: Links = { links: [], named: new Map(), order: new Map() };
  const stack: Node[] = [];
  pushChildren(stack, root);
  for (let next = stack.pop(); next; next = stack.pop()) {
    if (!defaultTreeAdapter.isElementNode(next)) continue;
    found.order.set(next, found.order.size);
    for (const name of [attribute(next, 'id'), attribute(next, 'name')])
      if (name && !found.named.has(name)) found.named.set(name, next);
    if (next.tagName === 'a' && attribute(next, 'href')?.startsWith('#')) found.links.push(next);
    pushChildren(stack, next);
  }
  return found;
}

const targetOf = (link: Element, named: Links['named']) => {
  const name = (attribute(link, 'href') ?? '').slice(1);
  const decoded = /%[0-9a-f]{2}/iu.test(name) ? name.replace(/%20/gu, ' ') : name;
  return named.get(name) ?? named.get(decoded);
};

/** What a link may be called by: itself, what stands in it, and what it stands in. */
function callings(link: Element): Element[] {
  const around: Element[] = [];
  for (let at: Element | null = link; at && around.length < NEAR; at = parentOf(at)) around.push(at);
  return [...around, ...link.childNodes.filter(defaultTreeAdapter.isElementNode).slice(0, NEAR)];
}

/** The whole of a note: what its link back stands in, and no words of anything else. */
function holderOf(back: Element, target: Element, mark: Element): Element | null {
  let holder: Element | null = target;
  if (!HOLDERS.has(target.tagName) || !isWithin(back, target)) {
    holder = back;
    while (holder && !HOLDERS.has(holder.tagName)) holder = parentOf(holder);
  }
  if (!holder || isWithin(mark, holder)) return null;
  const words = textOf(holder);
  for (let step = 0; step < NEAR; step += 1) {
    const parent = parentOf(holder);
    if (!parent || !HOLDERS.has(parent.tagName) || isWithin(mark, parent) || textOf(parent) !== words) break;
    holder = parent;
  }
  return holder;
}

const CALLED_NOTES = /^(?:foot|end)?notes:?$/iu;

/** A line or a heading that stands before the first note and says only that notes follow. */
function announcements(holder: Element): Element[] {
  const found: Element[] = [];
  let at: Element | null = holder;
  for (let step = 0; at && step < NEAR; step += 1, at = parentOf(at)) {
    const parent = parentOf(at);
    const before = parent ? parent.childNodes.slice(0, parent.childNodes.indexOf(at)).reverse() : [];
    for (const node of before) {
      if (defaultTreeAdapter.isTextNode(node) && node.value.trim() === '') continue;
      if (!defaultTreeAdapter.isElementNode(node)) break;
      const says = node.tagName === 'hr' || node.tagName === 'br' || CALLED_NOTES.test(textOf(node));
      if (!says) return found;
      found.push(node);
    }
    if (before.some(defaultTreeAdapter.isElementNode) || !parent || parent.tagName === 'body') break;
  }
  return found;
}

/**
 * Footnotes and endnotes of a page: a mark that leads to a note which leads back to it. Word processors, web pages and
 * Markdown all write them so, under different names. Gives each mark's note, and what is to be left out of the text because
 * the notes now hold it.
 *
 * @example a mark "1" that leads to "1 See Holt. ↩" has the note 'See Holt.'
 */
export function notesInHtml(root: Parent): { marks: Map<Element, string>; gone: Set<Element> } {
  const { links, named, order } = linksOf(root);
  const marks = new Map<Element, string>();
  const gone = new Set<Element>();
  const backTo = new Map<Element, Element[]>();
  for (const link of links) {
    const target = targetOf(link, named);
    if (target) backTo.set(target, [...(backTo.get(target) ?? []).slice(0, NEAR), link]);
  }
  for (const mark of links.slice(0, MOST_NOTES)) {
    const target = targetOf(mark, named);
    if (!target || (order.get(target) ?? 0) <= (order.get(mark) ?? 0)) continue;
    const backs = callings(mark).flatMap((called) => backTo.get(called) ?? []);
    const back = backs.find(
      (b) => b !== mark && (isWithin(b, target) || isWithin(target, b) || parentOf(b) === parentOf(target)),
    );
    const holder = back ? holderOf(back, target, mark) : null;
    if (!back || !holder) continue;
    const text = textOf(holder, (el) => backs.includes(el));
    if (!text) continue;
    marks.set(mark, text);
    if (gone.size === 0) for (const el of announcements(holder)) gone.add(el);
    gone.add(holder);
  }
  return { marks, gone };
}
