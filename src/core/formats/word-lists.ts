import { defaultTreeAdapter as tree, html, type DefaultTreeAdapterTypes } from 'parse5';
import { pushChildren, textOf } from './notes-in-html';

type Element = DefaultTreeAdapterTypes.Element;
type Parent = DefaultTreeAdapterTypes.ParentNode;
type Node = DefaultTreeAdapterTypes.ChildNode;

const DEEPEST = 9;
const styleOf = (node: Element) => node.attrs.find((a) => a.name === 'style')?.value ?? '';

/** Of a paragraph that a word processor sets as an item of a list: how deep it stands (from 1), and its list. */
function itemOf(node: Node): { level: number; list: string } | null {
  if (!tree.isElementNode(node) || node.tagName !== 'p') return null;
  const said = /mso-list:\s*(l\d+)\s+level(\d)\s*(lfo\d+)?/iu.exec(styleOf(node));
  if (!said) return null;
  return { level: Math.min(DEEPEST, Math.max(1, Number(said[2]))), list: `${said[1]} ${said[3] ?? ''}` };
}

const isMark = (node: Element) => /mso-list:\s*ignore/iu.test(styleOf(node));

/** Takes the written bullet or number out of an item, and gives it. */
function takeReaction(item: Element): string {
  const stack: Node[] = [item];
  for (let next = stack.pop(); next; next = stack.pop()) {
    if (!tree.isElementNode(next)) continue;
    if (isMark(next)) {
      const mark = textOf(next);
      tree.detachNode(next);
      return mark;
    }
    pushChildren(stack, next);
  }
  return '';
}

const element = (name: string, attrs: { name: string; value: string }[] = []) =>
  tree.createElement(name, html.NS.HTML, attrs);

/** A list for an item of this mark: "a)" and "iv." number as "1." does, and the number it begins with is kept. */
function listFor(mark: string): Element {
  if (!/^\(?(?:\d+|[a-z]{1,4})[.)]/iu.test(mark)) return element('ul');
  const first = Number(/\d+/u.exec(mark)?.[0] ?? 1);
  return element('ol', first > 1 ? [{ name: 'start', value: String(first) }] : []);
}

/** Puts the items that begin at one of a parent's children into lists of their own; gives how many there were. */
function gather(parent: Parent, from: number): number {
  const run: Element[] = [];
  const first = itemOf(parent.childNodes[from] as Node);
  for (const node of parent.childNodes.slice(from)) {
    if (tree.isTextNode(node) && node.value.trim() === '') continue;
    const item = itemOf(node);
    // What stands deeper may be a list of its own within this one.
    if (!item || !first || (item.list !== first.list && item.level <= first.level)) break;
    run.push(node as Element);
  }
  const open: { list: Element; level: number; last: Element | null }[] = [];
  for (const node of run) {
    const level = itemOf(node)?.level ?? 1;
    const mark = takeReaction(node);
    while (open.length > 1 && (open[open.length - 1]?.level ?? 0) > level) open.pop();
    let at = open[open.length - 1];
    if (!at || at.level < level) {
      const made = { list: listFor(mark), level, last: null };
      if (at?.last) tree.appendChild(at.last, made.list);
      else tree.insertBefore(parent as Element, made.list, node);
      open.push(made);
      at = made;
    }
    const item = element('li');
    tree.detachNode(node);
    for (const child of [...node.childNodes]) {
      tree.detachNode(child);
      tree.appendChild(item, child);
    }
    tree.appendChild(at.list, item);
    at.last = item;
  }
  return run.length;
}

/**
 * Paragraphs that a word processor's clipboard only dresses as a list (with a written bullet and a note of the level in
 * their style) become lists, nested as they stood. Changes the tree.
 *
 * @example two paragraphs dressed as items of one list become a `<ul>` of two
 */
export function makeWordLists(root: Parent): void {
  const stack: Parent[] = [root];
  for (let next = stack.pop(); next; next = stack.pop()) {
    for (let i = 0; i < next.childNodes.length; i += 1) {
      const child = next.childNodes[i] as Node;
      if (itemOf(child)) gather(next, i);
      else if (tree.isElementNode(child)) stack.push(child);
    }
  }
}
