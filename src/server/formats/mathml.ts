import katex from 'katex';
import { MathMLToLaTeX } from 'mathml-to-latex';
import { escapeHtml } from '@/core/document/written';

/** A formula in LaTeX as MathML, its LaTeX beside it as an annotation; null where it cannot be read. What could reach outside it is off. */
export function mathmlOf(latex: string, display: boolean): string | null {
  try {
    const set = katex.renderToString(latex, {
      displayMode: display,
      output: 'mathml',
      throwOnError: true,
      trust: false,
      strict: 'ignore',
      maxSize: 10,
      maxExpand: 200,
    });
    return /<math[\s\S]*<\/math>/u.exec(set)?.[0] ?? null;
  } catch {
    return null;
  }
}

/** The same for a page: a formula that cannot be read stands there as it is written. */
export const formulaHtml = (latex: string, display: boolean) =>
  mathmlOf(latex, display) ?? escapeHtml(display ? `\\[${latex}\\]` : `\\(${latex}\\)`);

/** What is one name though it has several letters. */
export const NAMES = String.raw`(?:arg|cos|cosh|cot|csc|deg|det|dim|exp|gcd|inf|ker|lim|ln|log|max|min|sec|sin|sinh|sup|tan|tanh)(?!\p{L})`;
const BARE_NAME = new RegExp(String.raw`(?<![\\\p{L}]|\\(?:text|mathrm)\{)(${NAMES}) ?`, 'gu');
/** Signs over a letter, as LaTeX has them. */
const ACCENTS: Record<string, string> = {
  ˉ: '\\bar',
  '¯': '\\bar',
  '^': '\\hat',
  '\u0302': '\\hat',
  '⃗': '\\vec',
  '→': '\\vec',
  '˙': '\\dot',
  '\u0307': '\\dot',
  '~': '\\tilde',
  '\u0303': '\\tilde',
};
const OVER = /\\overset\{([^{}]{1,8})\}\{/gu;

/** A formula without what programs note beside it in forms of their own. */
function withoutNotes(mathml: string): string {
  const at = mathml.indexOf('<annotation');
  const end = mathml.lastIndexOf('</annotation');
  return at >= 0 && end > at ? mathml.slice(0, at) + mathml.slice(mathml.indexOf('>', end) + 1) : mathml;
}

/** MathML of any program as LaTeX; null where it cannot be told. */
export function latexOfMathml(mathml: string): string | null {
  try {
    const latex = MathMLToLaTeX.convert(withoutNotes(mathml).replace(/\u2061/gu, ''))
      .replace(BARE_NAME, (_, name: string) => `\\${name} `)
      .replace(/\\left(\S)\\right\./gu, '$1')
      .replace(/\\left\.\\right(\S)/gu, '$1')
      .replace(/[\^_]\{\}/gu, '')
      .replace(OVER, (whole, over: string) => `${ACCENTS[over] ?? whole.slice(0, -1)}{`);
    return latex.trim() || null;
  } catch {
    return null;
  }
}
