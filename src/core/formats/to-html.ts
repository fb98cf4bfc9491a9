import type { BlockNode, Doc, InlineNode } from '../posts/document';

const escape = (text: string) =>
  text.replace(/&/gu, '&amp;').replace(/</gu, '&lt;').replace(/>/gu, '&gt;').replace(/"/gu, '&quot;');

/** The element that says what a mark says; an ink, a name and a post's number are their words. */
const TAGS = {
  bold: 'strong',
  italic: 'em',
  underline: 'u',
  strike: 's',
  code: 'code',
  subscript: 'sub',
  superscript: 'sup',
} as const;

const inline = (content: InlineNode[] | undefined): string =>
  (content ?? [])
    .map((node) => {
      if (node.type === 'hardBreak') return '<br>';
      if (node.type === 'inlineMath') return escape(`\\(${node.attrs.latex}\\)`);
      return (node.marks ?? []).reduce((text, mark) => {
        if (mark.type === 'link') return `<a href="${escape(mark.attrs.href)}">${text}</a>`;
        const tag = mark.type in TAGS ? TAGS[mark.type as keyof typeof TAGS] : null;
        return tag ? `<${tag}>${text}</${tag}>` : text;
      }, escape(node.text));
    })
    .join('');

function block(node: BlockNode): string {
  switch (node.type) {
    case 'partHeading':
      return `<p><strong>${escape(node.attrs.part)}. ${escape(node.attrs.text)}</strong></p>`;
    case 'paragraph':
      return node.content?.length ? `<p>${inline(node.content)}</p>` : '';
    case 'heading':
      return `<h${node.attrs.level}>${inline(node.content)}</h${node.attrs.level}>`;
    case 'horizontalRule':
      return '<hr>';
    case 'codeBlock':
      return `<pre><code>${escape((node.content ?? []).map((c) => c.text).join(''))}</code></pre>`;
    case 'picture':
      return `<p>[Picture: ${escape(node.attrs.caption || node.attrs.alt)}]</p>`;
    case 'file':
      return `<p>[File: ${escape(node.attrs.name)}]</p>`;
    case 'blockMath':
      return `<p>${escape(`\\[${node.attrs.latex}\\]`)}</p>`;
    case 'blockquote':
      return `<blockquote>${blocks(node.content)}</blockquote>`;
    case 'table':
      return `<table>${node.content
        .map(
          (row) =>
            `<tr>${row.content
              .map((cell) => {
                const tag = cell.type === 'tableHeader' ? 'th' : 'td';
                return `<${tag}>${blocks(cell.content)}</${tag}>`;
              })
              .join('')}</tr>`,
        )
        .join('')}</table>`;
    default: {
      const items = node.content.map((item) => `<li>${blocks(item.content)}</li>`).join('');
      if (node.type === 'bulletList') return `<ul>${items}</ul>`;
      const start = node.attrs?.start ?? 1;
      return `<ol${start === 1 ? '' : ` start="${start}"`}>${items}</ol>`;
    }
  }
}

const blocks = (nodes: BlockNode[]) => nodes.map(block).join('');

/** A document as clean HTML: what it says and how it is built, with no class, style or script. Empty paragraphs fall away. */
export const htmlOf = (doc: Doc): string => blocks(doc.content);
