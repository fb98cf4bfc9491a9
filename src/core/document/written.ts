/**
 * Text as it stands in HTML and in XML.
 * @example escapeHtml('a < b') // 'a &lt; b'
 */
export const escapeHtml = (text: string) =>
  text.replace(/&/gu, '&amp;').replace(/</gu, '&lt;').replace(/>/gu, '&gt;').replace(/"/gu, '&quot;');

/**
 * Paragraphs of plain text as HTML; a line that ends within one is kept.
 * @example paragraphsHtml(['a < b']) // '<p>a &lt; b</p>'
 */
export const paragraphsHtml = (texts: readonly string[]) =>
  texts.map((text) => `<p>${escapeHtml(text).replace(/\n/gu, '<br>')}</p>`).join('');

/**
 * Text in Markdown without what would be read as a mark.
 * @example escapeMarkdown('*a*') // '\\*a\\*'
 */
export const escapeMarkdown = (text: string) => text.replace(/[\\`*_[\]<>$]/gu, '\\$&');

/**
 * The same for what is a mark only where a line begins.
 * @example escapeLineStarts('# a') // '\\# a'
 */
export const escapeLineStarts = (text: string) =>
  text.replace(/^(\s*)([#>+-])/gmu, '$1\\$2').replace(/^(\s*\d+)([.)])/gmu, '$1\\$2');

/**
 * Markdown's marks go around the words and not around the space beside them, or they are not read as marks.
 * @example wrapped(' a ', '**') // ' **a** '
 */
export function wrapped(text: string, sign: string): string {
  const [, before = '', words = '', after = ''] = /^(\s*)([\s\S]*?)(\s*)$/u.exec(text) ?? [];
  return words ? `${before}${sign}${words}${sign}${after}` : text;
}

/**
 * More backticks than stand anywhere in a text, and at least so many.
 * @example fenceAround('a ``` b', 3) // '````'
 */
export const fenceAround = (text: string, least: number) =>
  '`'.repeat(Math.max(least - 1, ...[...text.matchAll(/`+/gu)].map((m) => m[0].length)) + 1);

/**
 * Every line but the first set in.
 * @example indented('a\nb', '  ') // 'a\n  b'
 */
export const indented = (text: string, by: string) => text.replace(/\n(?=[^\n])/gu, `\n${by}`);
