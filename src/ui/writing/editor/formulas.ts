import { LIMITS } from '@/core/document/limits';
import { nodeOf } from './from-core';
import { InputRule, Node, type NodeViewRenderer } from '@tiptap/core';

/** Opens a formula of the text for changing. */
export type OpenFormula = (formula: { pos: number; latex: string; ownLine: boolean }) => void;

const latexAttribute = {
  latex: {
    default: '',
    parseHTML: (el: HTMLElement) => (el.getAttribute('data-latex') ?? '').slice(0, LIMITS.latexLength),
    renderHTML: ({ latex }: Record<string, unknown>) => ({ 'data-latex': String(latex) }),
  },
};

/** Shows a formula set, and opens it when it is pressed. KaTeX comes when the first formula does. */
const view =
  (ownLine: boolean, open: OpenFormula): NodeViewRenderer =>
  ({ node, getPos }) => {
    const latex = String(node.attrs.latex);
    const dom = document.createElement(ownLine ? 'div' : 'span');
    dom.className = ownLine ? 'formula' : 'formula-inline';
    dom.textContent = latex;
    dom.title = 'Formula: press to change it';
    dom.addEventListener('click', () => {
      const pos = getPos();
      if (pos !== undefined) open({ pos, latex, ownLine });
    });
    void import('../../math/styled').then(({ typeset }) => {
      const html = typeset(latex, ownLine);
      // KaTeX escapes all it is given; nothing but its own markup comes out of it.
      if (html !== null) dom.innerHTML = html;
    });
    return { dom };
  };

/** A formula among words: `$…$` as it is typed in most programs that set mathematics. */
export const InlineMath = Node.create<{ open: OpenFormula }>({
  ...nodeOf('inlineMath'),
  addOptions: () => ({ open: () => {} }),
  addAttributes: () => latexAttribute,
  parseHTML: () => [{ tag: 'span[data-latex]' }],
  renderHTML: ({ HTMLAttributes }) => ['span', HTMLAttributes],
  addNodeView() {
    return view(false, this.options.open);
  },
  addInputRules() {
    return [
      new InputRule({
        // Not a price: "$5 and $6" has a space before the second sign.
        find: /(?<![\w$\\])\$([^\s$](?:[^$\n]{0,998}[^\s$\\])?)\$$/u,
        handler: ({ state, range, match }) => {
          const latex = match[1];
          if (latex) state.tr.replaceWith(range.from, range.to, this.type.create({ latex }));
        },
      }),
    ];
  },
});

/** A formula on a line of its own. */
export const BlockMath = Node.create<{ open: OpenFormula }>({
  ...nodeOf('blockMath'),
  addOptions: () => ({ open: () => {} }),
  addAttributes: () => latexAttribute,
  parseHTML: () => [{ tag: 'div[data-latex]' }],
  renderHTML: ({ HTMLAttributes }) => ['div', HTMLAttributes],
  addNodeView() {
    return view(true, this.options.open);
  },
});
