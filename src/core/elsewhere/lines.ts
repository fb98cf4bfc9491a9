import { escapeHtml, paragraphsHtml } from '../document/written';
import { countWords } from '../text/words';
import { nameIn } from './names';
import { defaultTreeAdapter, parse, serialize, type DefaultTreeAdapterTypes } from 'parse5';

type Node = DefaultTreeAdapterTypes.ChildNode;
type Element = DefaultTreeAdapterTypes.Element;
type Parent = DefaultTreeAdapterTypes.ParentNode;

/** An element of a page, or of a text, with what it stands in. */
export type Box = {
  parent: number | null;
  /** Its kind, by which it is known as one of several alike: its name and its classes without their numbers. */
  kind: string;
  /** The first and the last line in it; the last is before the first where it holds none. */
  first: number;
  last: number;
  /** Its name on the page, which links lead to. */
  id: string;
  /** Spaces in it that are there to push something in. */
  pad: number;
};

/** A line of a page: what a reader sees as one. */
export type Line = {
  text: string;
  /** The box it stands in directly. */
  box: number;
  /** Its rank as a heading; 0 for none. */
  heading: number;
  /** A moment that is marked as one for machines. */
  marked: string | null;
  /** It is marked as the author, for machines. */
  author: boolean;
  /** Where its links lead to on the same page. */
  refs: string[];
  /** How far in it stands, in steps. */
  indent: number;
  /** How often over it is quoted; 0 for what is not. */
  quoted: number;
  /** It goes on where the line before it was broken. */
  joins: boolean;
  nodes: Node[];
};

export type Page = { title: string; lines: Line[]; boxes: Box[]; data: string[]; root: Parent };

const SILENT = new Set(
  'script style template noscript object embed svg math select button input textarea iframe'.split(' '),
);
const INLINE = new Set(
  'a abbr b bdi bdo cite code data dfn em font i img ins kbd label mark q s samp small span strike strong sub sup time tt u var del'.split(
    ' ',
  ),
);
const CHROME = new Set(
  'navigation banner search menu menubar toolbar button tablist dialog alertdialog'.split(' '),
);
const DEPTH = 200;
const MOST_LINES = 12_000;
const MOST_BOXES = 60_000;
/** Of a longer line the beginning is read. */
const MOST_LETTERS = 20_000;
const STEP_PX = 20;

const get = (el: Element, name: string) => el.attrs.find((a) => a.name === name)?.value;
const px = (style: string) =>
  [...style.matchAll(/(?:margin|padding)-(?:inline-start|left)\s*:\s*([\d.]+)(px|em|rem|%)?/giu)].reduce(
    (sum, m) => sum + Number(m[1]) * (m[2] === 'em' || m[2] === 'rem' ? 16 : m[2] === '%' ? 4 : 1),
    0,
  );

/** How far in the classes of a page's own style sheets stand, by class. */
function marginsOf(css: string): Map<string, number> {
  const margins = new Map<string, number>();
  for (const m of css.slice(0, 400_000).matchAll(/([^{}]{1,300})\{([^{}]{1,1000})\}/gu)) {
    const far = px(m[2] ?? '');
    if (far >= 12)
      for (const c of (m[1] ?? '').matchAll(/\.([\w-]+)\s*(?:,|$)/gu)) margins.set(c[1] ?? '', far);
  }
  return margins;
}

/** Words by which lists say that something is an even, a new or the last of its kind. */
const PASSING =
  /^(?:odd|even|first|last|new|unread|read|active|selected|open|collapsed|expanded|mine|own)$/iu;

function kindOf(el: Element): string {
  const classes = (get(el, 'class') ?? '').split(/\s+/u).filter((c) => c && !PASSING.test(c));
  return `${el.tagName} ${classes
    .map((c) => c.replace(/\d+/gu, '#'))
    .sort()
    .join(' ')} ${get(el, 'role') ?? ''}`.trim();
}

/** A level that an element says of itself, in words that any author of a page would use. */
function levelOf(el: Element): number | null {
  for (const name of ['aria-level', 'data-level', 'data-depth', 'data-indent']) {
    const said = Number(get(el, name));
    if (get(el, name) !== undefined && Number.isFinite(said)) return said;
  }
  const m = /(?:^|[\s_-])(?:level|depth|indent|lvl|nest(?:ed|ing)?|tier)[-_]?(\d{1,2})(?:\s|$)/iu.exec(
    get(el, 'class') ?? '',
  );
  return m ? Number(m[1]) : null;
}

/** What folds the text under it is a heading of it. */
const isFold = (el: Element) => get(el, 'aria-expanded') !== undefined;

function isSilent(el: Element): boolean {
  const style = get(el, 'style') ?? '';
  return (
    (SILENT.has(el.tagName) && !isFold(el)) ||
    get(el, 'hidden') !== undefined ||
    get(el, 'aria-hidden') === 'true' ||
    /display\s*:\s*none|visibility\s*:\s*hidden/iu.test(style) ||
    (CHROME.has(get(el, 'role') ?? '') && !isFold(el)) ||
    el.tagName === 'nav' ||
    el.tagName === 'aside'
  );
}

/** "Author:" in a cell before the one with the name is one line with it. */
function isLabelOf(label: Line, line: Line, boxes: readonly Box[]): boolean {
  const [a, b] = [boxes[label.box], boxes[line.box]];
  return (
    /^\p{L}[\p{L} ]{1,18}:$/u.test(label.text) &&
    a !== undefined &&
    b !== undefined &&
    a.parent === b.parent &&
    /^t[hd]|^d[td]/u.test(a.kind)
  );
}

/** A bold name with a colon before a text is a line of its own. */
function withoutName(line: Line): Line[] {
  const [first, ...rest] = line.nodes;
  const within = first?.parentNode;
  if (!first || !rest.length || !within || !/^(?:b|strong|cite|a|span)$/u.test(within.nodeName))
    return [line];
  const name = 'value' in first ? first.value.replace(/\s+/gu, ' ').trim() : '';
  const after = line.text.slice(name.length).trim();
  if (
    name.length > 60 ||
    !line.text.startsWith(name) ||
    !(name.endsWith(':') || after.startsWith(':')) ||
    countWords(after) < 3 ||
    !nameIn(name)
  )
    return [line];
  return [
    { ...line, text: name.endsWith(':') ? name : `${name}:`, nodes: [first] },
    { ...line, text: after.replace(/^:\s*/u, ''), nodes: rest },
  ];
}

type State = {
  box: number;
  depth: number;
  indent: number;
  level: number;
  quoted: number;
  heading: number;
  author: boolean;
  marked: string | null;
  refs: string[];
  pre: boolean;
};

/**
 * The lines of a page of HTML with the boxes they stand in; what nobody sees, and what one presses, is not among them.
 * @example linesOfHtml('<p>One<p>Two').lines.length // 2
 */
export function linesOfHtml(html: string): Page {
  const root = parse(html);
  const boxes: Box[] = [{ parent: null, kind: 'page', first: 0, last: -1, id: '', pad: 0 }];
  const lines: Line[] = [];
  const data: string[] = [];
  let title = '';
  let open: Line | null = null;
  let css = '';
  const end = () => {
    if (!open) return;
    const text = open.text
      .replace(/[\s\u00a0]+/gu, ' ')
      .trim()
      .slice(0, MOST_LETTERS);
    const last = lines.at(-1);
    if (text && last && isLabelOf(last, open, boxes)) {
      last.text += ` ${text}`;
      last.nodes.push(...open.nodes);
      last.refs.push(...open.refs);
    } else if (text && lines.length < MOST_LINES) lines.push(...withoutName({ ...open, text }));
    open = null;
  };
  const margins = new Map<string, number>();
  type Step = { node: Node; state: State } | { leave: number };
  const first: State = {
    box: 0,
    depth: 0,
    indent: 0,
    level: 0,
    quoted: 0,
    heading: 0,
    author: false,
    marked: null,
    refs: [],
    pre: false,
  };
  const stack: Step[] = [];
  const push = (node: Parent, state: State) => {
    for (let i = node.childNodes.length - 1; i >= 0; i -= 1) {
      const child = node.childNodes[i];
      if (child) stack.push({ node: child, state });
    }
  };
  push(root, first);
  while (stack.length) {
    const step = stack.pop();
    if (!step) break;
    if (!('leave' in step) && (lines.length >= MOST_LINES || boxes.length >= MOST_BOXES)) continue;
    if ('leave' in step) {
      end();
      const box = boxes[step.leave];
      if (box) box.last = lines.length - 1;
      continue;
    }
    const { node, state } = step;
    if (defaultTreeAdapter.isTextNode(node)) {
      const said = state.pre ? node.value : node.value.replace(/[^\S\u00a0]+/gu, ' ');
      const pads = /^[\s\u00a0]*/u.exec(said)?.[0].replace(/[^\u00a0]/gu, '').length ?? 0;
      const box = boxes[state.box];
      if (pads && !open && box) box.pad += pads;
      if (said.trim() === '' && !open) continue;
      open ??= {
        text: '',
        box: state.box,
        heading: state.heading,
        marked: null,
        author: false,
        refs: [],
        indent: state.indent + state.level + pads / 4,
        quoted: state.quoted,
        joins: false,
        nodes: [],
      };
      // Two elements side by side are two words where the second begins anew.
      if (
        /[\p{L}\p{N})]$/u.test(open.text) &&
        /^[\p{Lu}\p{N}(]/u.test(said) &&
        open.nodes.at(-1)?.parentNode !== node.parentNode
      )
        open.text += ' ';
      open.text += said;
      open.nodes.push(node);
      open.marked ??= state.marked;
      if (state.author && said.trim()) open.author = true;
      open.refs.push(...state.refs);
      continue;
    }
    if (!defaultTreeAdapter.isElementNode(node)) continue;
    const { tagName } = node;
    if (tagName === 'title' && title === '') {
      const t = node.childNodes[0];
      title = t && defaultTreeAdapter.isTextNode(t) ? t.value.replace(/\s+/gu, ' ').trim() : '';
    }
    if (tagName === 'style' || (tagName === 'script' && /ld\+json/iu.test(get(node, 'type') ?? ''))) {
      const t = node.childNodes[0];
      if (t && defaultTreeAdapter.isTextNode(t)) {
        if (tagName === 'style') {
          css = t.value;
          marginsOf(css).forEach((far, name) => margins.set(name, far));
        } else data.push(t.value);
      }
    }
    const source = tagName === 'iframe' ? get(node, 'srcdoc') : undefined;
    if (source !== undefined && state.depth < 3) {
      end();
      push(parse(source), { ...state, depth: state.depth + 1 });
      continue;
    }
    if (tagName === 'head') {
      push(node, { ...state });
      continue;
    }
    if (tagName === 'title' || tagName === 'meta' || isSilent(node)) {
      if (open && tagName !== 'title') open.text += ' ';
      continue;
    }
    if (tagName === 'br') {
      end();
      continue;
    }
    const prop = get(node, 'itemprop') ?? '';
    const next: State = {
      ...state,
      depth: state.depth + 1,
      author:
        state.author || /\bauthor\b|\bcreator\b/iu.test(prop) || /\bauthor\b/iu.test(get(node, 'rel') ?? ''),
      marked:
        tagName === 'time'
          ? (get(node, 'datetime') ?? state.marked)
          : /^\d{4}-\d\d-\d\dT/u.test(get(node, 'title') ?? '')
            ? (get(node, 'title') ?? null)
            : /date(?:Created|Published)/iu.test(prop)
              ? (get(node, 'content') ?? get(node, 'datetime') ?? state.marked)
              : state.marked,
    };
    const href = tagName === 'a' ? get(node, 'href') : undefined;
    if (href?.includes('#')) next.refs = [...state.refs, href.slice(href.indexOf('#') + 1)].slice(-4);
    if (INLINE.has(tagName) && get(node, 'id') === undefined) {
      next.indent += Math.round(px(get(node, 'style') ?? '') / STEP_PX);
      if (state.depth < DEPTH) push(node, next);
      continue;
    }
    if (!INLINE.has(tagName)) end();
    if (state.depth >= DEPTH) {
      push(node, { ...next, depth: state.depth });
      continue;
    }
    const id = boxes.length;
    boxes.push({
      parent: state.box,
      kind: kindOf(node),
      first: lines.length,
      last: lines.length - 1,
      id: get(node, 'id') ?? get(node, 'name') ?? '',
      pad: 0,
    });
    const far =
      px(get(node, 'style') ?? '') ||
      Math.max(0, ...(get(node, 'class') ?? '').split(/\s+/u).map((c) => margins.get(c) ?? 0));
    const heading =
      /^h([1-6])$/u.exec(tagName)?.[1] ??
      (get(node, 'role') === 'heading' ? (get(node, 'aria-level') ?? '2') : null);
    const level = levelOf(node);
    stack.push({ leave: id });
    push(node, {
      ...next,
      box: id,
      indent: state.indent + Math.round(far / STEP_PX),
      level: level !== null && get(node, 'role') !== 'heading' ? level : state.level,
      quoted: state.quoted + (tagName === 'blockquote' ? 1 : 0),
      heading: heading ? Number(heading) : state.heading,
      pre: state.pre || tagName === 'pre',
    });
  }
  end();
  const whole = boxes[0];
  if (whole) whole.last = lines.length - 1;
  return { title, lines, boxes, data, root };
}

/** Lines with tabs are a table that was copied; a column that says what is answered says so in each of its cells. */
function tableOf(text: string): string {
  let heads: string[] = [];
  return text
    .split(/\r?\n/u, MOST_LINES / 4)
    .map((line) => {
      const cells = line.split('\t');
      if (cells.length < 3) return `<p>${escapeHtml(line)}</p>`;
      if (!heads.length) {
        heads = cells;
        return '';
      }
      return `<table><tr>${cells.map((c, i) => `<td>${/repl|answer|respon|parent/iu.test(heads[i] ?? '') && c.trim() ? 'in reply to ' : ''}${escapeHtml(c)}</td>`).join('')}</tr></table>`;
    })
    .join('\n');
}

/** A line that holds all of a post: when, who, perhaps to whom, and after a colon what they say. */
const SAID_AT = /^(\[[^\]]{4,40}\]|\([^)]{4,40}\)|\d[\d/.:, -]{6,24})\s*[-–—]?\s*([^:]{2,70}):\s+(?=\S)/u;

/** Such lines become two: who and when, and the text. */
const apart = (raw: string): string[] => {
  const m = SAID_AT.exec(raw);
  return m ? [`${m[2]} ${m[1]?.replace(/[[\]()]/gu, '') ?? ''}`, raw.slice(m[0].length)] : [raw];
};

/**
 * The lines of a text without any markup: they stand in the page itself, and their own spaces say how far in.
 * @example linesOfText('One\nTwo').lines.length // 2
 */
export function linesOfText(text: string): Page {
  const first = text.split(/\r?\n/u, MOST_LINES);
  if (first.filter((l) => l.includes('\t') && l.split('\t').length >= 3).length >= 3)
    return linesOfHtml(tableOf(text));
  const lines: Line[] = [];
  let broken = false;
  for (const raw of text.replace(/\r\n?/gu, '\n').split('\n').slice(0, MOST_LINES).flatMap(apart)) {
    const marks = /^[ \t]*((?:>[ \t]?)*)/u.exec(raw);
    const quotes = (marks?.[1] ?? '').replace(/[^>]/gu, '').length;
    const bare = raw.slice(marks?.[0].length ?? 0);
    const spaces = /^[ \t]*/u.exec(raw.replace(/>/gu, ''))?.[0] ?? '';
    const far = [...spaces].reduce((n, c) => n + (c === '\t' ? 4 : 1), 0);
    const rank = /^(#{1,6})\s+(?=\S)/u.exec(bare.trim());
    const said = bare.trim().slice(rank?.[0].length ?? 0, MOST_LETTERS);
    if (said)
      lines.push({
        text: said,
        box: 0,
        heading: rank?.[1]?.length ?? 0,
        marked: null,
        author: false,
        refs: [],
        indent: far / 2,
        quoted: quotes,
        joins: broken,
        nodes: [],
      });
    broken = said !== '';
  }
  return {
    title: '',
    lines,
    boxes: [{ parent: null, kind: 'page', first: 0, last: lines.length - 1, id: '', pad: 0 }],
    data: [],
    root: parse(''),
  };
}

/** The paragraphs of a text whose lines were broken to a width. */
function paragraphsOf(lines: readonly Line[]): string[] {
  const paragraphs: string[] = [];
  lines.forEach((line, i) => {
    if (line.joins && i > 0) paragraphs[paragraphs.length - 1] += ` ${line.text}`;
    else paragraphs.push(line.text);
  });
  return paragraphs;
}

/**
 * The HTML of some lines of a page and of nothing beside them, with what marks them up.
 * @example htmlOfLines(linesOfText('One'), linesOfText('One').lines) // '<p>One</p>'
 */
export function htmlOfLines(page: Page, chosen: readonly Line[]): string {
  if (chosen.every((l) => l.nodes.length === 0)) return paragraphsHtml(paragraphsOf(chosen));
  const kept = new Set<Node | Parent>();
  for (const line of chosen)
    for (const leaf of line.nodes) {
      let at: Node | Parent | null = leaf;
      while (at && !kept.has(at)) {
        kept.add(at);
        at = 'parentNode' in at ? at.parentNode : null;
      }
    }
  const copy = parse('<body></body>');
  const body = copy.childNodes
    .flatMap((n) => ('childNodes' in n ? n.childNodes : []))
    .find((n) => n.nodeName === 'body');
  if (!body || !('childNodes' in body)) return '';
  const stack: { from: Node; to: Parent }[] = [];
  const push = (from: Parent, to: Parent) => {
    for (let i = from.childNodes.length - 1; i >= 0; i -= 1) {
      const child = from.childNodes[i];
      if (child && kept.has(child)) stack.push({ from: child, to });
    }
  };
  push(page.root, body);
  while (stack.length) {
    const step = stack.pop();
    if (!step) break;
    const { from, to } = step;
    if (defaultTreeAdapter.isTextNode(from)) defaultTreeAdapter.insertText(to, from.value);
    else if (defaultTreeAdapter.isElementNode(from)) {
      // What frames a page, and no text, goes; its content stays.
      const frames = /^(?:html|head|body|main|table|tbody|thead|tr)$/u.test(from.tagName);
      const name = /^(?:td|th|article|section|header|footer|aside|dl|dd|dt)$/u.test(from.tagName)
        ? 'div'
        : from.tagName;
      const made = frames
        ? null
        : defaultTreeAdapter.createElement(
            name,
            from.namespaceURI,
            from.attrs.filter((a) => a.name === 'href'),
          );
      if (made) defaultTreeAdapter.appendChild(to, made);
      push(from, made ?? to);
    }
  }
  return serialize(body);
}
