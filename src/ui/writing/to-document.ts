import type { BlockNode, Doc, InlineNode, ListItem, Mark } from '@/core/posts/document';
import type { JSONContent } from '@tiptap/core';

const SAFE_HREF = /^(https?:\/\/|mailto:)[^\s<>"'`\\]+$/iu;

/** The editor's inline JSON reduced to what a post may hold; attributes the editor adds for itself are left out. */
function inline(content: JSONContent[] | undefined): InlineNode[] | undefined {
  const nodes = (content ?? []).flatMap((n): InlineNode[] => {
    if (n.type === 'hardBreak') return [{ type: 'hardBreak' }];
    if (n.type !== 'text' || !n.text) return [];
    const marks = (n.marks ?? []).flatMap((m): Mark[] => {
      if (m.type === 'bold' || m.type === 'italic') return [{ type: m.type }];
      const href = String(m.attrs?.href ?? '');
      return m.type === 'link' && SAFE_HREF.test(href) ? [{ type: 'link', attrs: { href } }] : [];
    });
    return [{ type: 'text', text: n.text, ...(marks.length ? { marks } : {}) }];
  });
  return nodes.length ? nodes : undefined;
}

const withContent = <T extends object>(node: T, content: InlineNode[] | undefined) =>
  content ? { ...node, content } : node;

function blocks(content: JSONContent[] | undefined): BlockNode[] {
  const nodes = (content ?? []).flatMap((n): BlockNode[] => {
    switch (n.type) {
      case 'partHeading':
        return [{ type: 'partHeading', attrs: { part: String(n.attrs?.part), text: String(n.attrs?.text) } }];
      case 'heading':
        return [
          withContent(
            { type: 'heading' as const, attrs: { level: Number(n.attrs?.level ?? 3) } },
            inline(n.content),
          ),
        ];
      case 'blockquote':
        return [{ type: 'blockquote', content: blocks(n.content) }];
      case 'bulletList':
        return [{ type: 'bulletList', content: items(n.content) }];
      case 'orderedList': {
        const start = Number(n.attrs?.start ?? 1);
        return [
          { type: 'orderedList', ...(start === 1 ? {} : { attrs: { start } }), content: items(n.content) },
        ];
      }
      default:
        return [withContent({ type: 'paragraph' as const }, inline(n.content))];
    }
  });
  return nodes.length ? nodes : [{ type: 'paragraph' }];
}

const items = (content: JSONContent[] | undefined): ListItem[] =>
  (content ?? []).map((n) => ({ type: 'listItem', content: blocks(n.content) }));

/** The editor's content as a document of ours. Positions stay the same, so evidence found in it fits the editor. */
export const toDocument = (json: JSONContent): Doc => ({ type: 'doc', content: blocks(json.content) });
