import { DOMParser, XMLSerializer, type Element, type Node } from '@xmldom/xmldom';
import { mml2omml } from 'mathml2omml';
import { escapeHtml } from '@/core/document/written';
import { mathmlOf, NAMES } from './mathml';

const NAMESPACE = 'http://schemas.openxmlformats.org/officeDocument/2006/math';
const OMML = `xmlns:m="${NAMESPACE}"`;

const parsed = (xml: string) => new DOMParser({ onError: () => {} }).parseFromString(xml, 'text/xml');

/** The writer leaves signs behind a sum or an integral bare: they are put into runs, as all letters are. */
function withRuns(omml: string): string {
  const xml = parsed(omml);
  const stack: Element[] = elements(xml.documentElement ?? undefined);
  for (let next = stack.pop(); next; next = stack.pop()) {
    stack.push(...elements(next));
    if (next.localName === 't') continue;
    for (const child of Array.from(next.childNodes)) {
      const text = child.nodeType === 3 ? (child.nodeValue ?? '') : '';
      if (!text.trim()) continue;
      const [run, letters] = ['m:r', 'm:t'].map((name) => xml.createElementNS(NAMESPACE, name));
      if (!run || !letters) continue;
      letters.appendChild(xml.createTextNode(text));
      run.appendChild(letters);
      next.replaceChild(run, child);
    }
  }
  return new XMLSerializer().serializeToString(xml);
}

/** A formula as Word's own (Office Math, ECMA-376 part 1, 22.1); null where it cannot be read. */
export function ommlOf(latex: string, display: boolean): string | null {
  const mathml = mathmlOf(latex, display)?.replace(/<annotation[\s\S]*?<\/annotation>/u, '');
  if (mathml === undefined) return null;
  try {
    const omml = withRuns(mml2omml(mathml));
    return display ? `<m:oMathPara ${OMML}>${omml}</m:oMathPara>` : omml;
  } catch {
    return null;
  }
}

const DEPTH = 60;
const elements = (node: Element | undefined): Element[] => {
  const found: Element[] = [];
  for (let child: Node | null = node?.firstChild ?? null; child; child = child.nextSibling)
    if (child.nodeType === 1) found.push(child as Element);
  return found;
};
const part = (node: Element, name: string) => elements(node).find((el) => el.localName === name);
/** A value of a thing's properties: `<m:naryPr><m:chr m:val="∑"/></m:naryPr>`. */
const property = (node: Element, name: string) => {
  const properties = elements(node).find((el) => el.localName?.endsWith('Pr'));
  const found = properties && part(properties, name);
  return found ? (found.getAttribute('m:val') ?? '') : null;
};

const isOn = (value: string | null) => value !== null && !/^(?:0|off|false)$/u.test(value);

const PIECES = new RegExp(String.raw`${NAMES}|\p{L}|\d+(?:[.,]\d+)*|[^\s\u2061]`, 'gu');

/** Letters are names, figures numbers, all else signs. */
function lettersOf(run: Element): string {
  const text = elements(run)
    .filter((el) => el.localName === 't')
    .map((el) => el.textContent ?? '')
    .join('');
  if (part(run, 'rPr') && property(run, 'nor') !== null) return `<mtext>${escapeHtml(text)}</mtext>`;
  return (text.match(PIECES) ?? [])
    .map((piece) => {
      const tag = /^\p{L}/u.test(piece) ? 'mi' : /^\d/u.test(piece) ? 'mn' : 'mo';
      return `<${tag}>${escapeHtml(piece)}</${tag}>`;
    })
    .join('');
}

const fenced = (node: Element, depth: number) => {
  const sign = (name: string, usual: string) => `<mo>${escapeHtml(property(node, name) ?? usual)}</mo>`;
  const inside = elements(node)
    .filter((el) => el.localName === 'e')
    .map((el) => row(el, depth));
  return `<mrow>${sign('begChr', '(')}${inside.join(sign('sepChr', '|'))}${sign('endChr', ')')}</mrow>`;
};

function piece(node: Element, depth: number): string {
  if (depth > DEPTH) return `<mtext>${escapeHtml(node.textContent ?? '')}</mtext>`;
  const of = (name: string) => row(part(node, name), depth + 1);
  switch (node.localName) {
    case 'r':
      return lettersOf(node);
    case 'f':
      return `<mfrac${property(node, 'type') === 'noBar' ? ' linethickness="0"' : ''}>${of('num')}${of('den')}</mfrac>`;
    case 'sSup':
      return `<msup>${of('e')}${of('sup')}</msup>`;
    case 'sSub':
      return `<msub>${of('e')}${of('sub')}</msub>`;
    case 'sSubSup':
      return `<msubsup>${of('e')}${of('sub')}${of('sup')}</msubsup>`;
    case 'rad':
      return part(node, 'deg')?.firstChild && !isOn(property(node, 'degHide'))
        ? `<mroot>${of('e')}${of('deg')}</mroot>`
        : `<msqrt>${of('e')}</msqrt>`;
    case 'nary': {
      const sign = `<mo>${escapeHtml(property(node, 'chr') || '∫')}</mo>`;
      return `<msubsup>${sign}${of('sub')}${of('sup')}</msubsup>${of('e')}`;
    }
    case 'd':
      return fenced(node, depth + 1);
    case 'func':
      return `${of('fName')}${of('e')}`;
    case 'limLow':
      return `<munder>${of('e')}${of('lim')}</munder>`;
    case 'limUpp':
      return `<mover>${of('e')}${of('lim')}</mover>`;
    case 'acc':
      return `<mover accent="true">${of('e')}<mo>${escapeHtml(property(node, 'chr') || '\u0302')}</mo></mover>`;
    case 'bar':
      return `<mover>${of('e')}<mo>¯</mo></mover>`;
    case 'm':
    case 'eqArr': {
      const rows = node.localName === 'm' ? elements(node).filter((el) => el.localName === 'mr') : [node];
      const cells = (el: Element) => elements(el).filter((e) => e.localName === 'e');
      const lines = node.localName === 'm' ? rows.map(cells) : cells(node).map((e) => [e]);
      return `<mtable>${lines
        .map((line) => `<mtr>${line.map((e) => `<mtd>${row(e, depth + 1)}</mtd>`).join('')}</mtr>`)
        .join('')}</mtable>`;
    }
    default:
      return node.localName?.endsWith('Pr') ? '' : row(node, depth + 1);
  }
}

const row = (node: Element | undefined, depth: number): string =>
  `<mrow>${elements(node)
    .map((el) => piece(el, depth))
    .join('')}</mrow>`;

/** A formula of Word's as MathML; null where it cannot be read. */
export function mathmlOfOmml(omml: string): string | null {
  try {
    const [math] = elements(parsed(`<x ${OMML}>${omml}</x>`).documentElement ?? undefined);
    if (!math) return null;
    const display = math.localName === 'oMathPara' ? ' display="block"' : '';
    return `<math${display}>${row(math, 0)}</math>`;
  } catch {
    // The XML reader throws where something is cut off.
    return null;
  }
}
