import {
  INKS,
  LIMITS,
  safeHref,
  type BlockNode,
  type BlockShape,
  type Doc,
  type Ink,
  type InlineNode,
  type ListItem,
  type Mark,
  type TableRow,
} from '@/core/posts/document';
import type { Editor, JSONContent } from '@tiptap/core';
import type { Node } from '@tiptap/pm/model';

/** Whatever a page that somebody copied from has written into an attribute. */
const UUID = /^[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}$/iu;
const BARE = new Set(['bold', 'italic', 'underline', 'strike', 'code', 'subscript', 'superscript']);

function mark(m: NonNullable<JSONContent['marks']>[number]): Mark[] {
  if (BARE.has(m.type)) return [{ type: m.type } as Mark];
  const attrs = m.attrs ?? {};
  switch (m.type) {
    case 'link': {
      const href = String(attrs.href ?? '');
      return safeHref.safeParse(href).success ? [{ type: 'link', attrs: { href } }] : [];
    }
    case 'ink':
      return INKS.includes(attrs.name as Ink) ? [{ type: 'ink', attrs: { name: attrs.name as Ink } }] : [];
    case 'mention':
      return UUID.test(String(attrs.person))
        ? [{ type: 'mention', attrs: { person: String(attrs.person) } }]
        : [];
    case 'postReference':
      return Number.isSafeInteger(attrs.post) && Number(attrs.post) > 0
        ? [{ type: 'postReference', attrs: { post: Number(attrs.post) } }]
        : [];
    default:
      return [];
  }
}

/** The editor's inline JSON reduced to what a post may hold; attributes the editor adds for itself are left out. */
function inline(content: JSONContent[] | undefined): InlineNode[] | undefined {
  const nodes = (content ?? []).flatMap((n): InlineNode[] => {
    if (n.type === 'hardBreak') return [{ type: 'hardBreak' }];
    if (n.type === 'inlineMath') return [{ type: 'inlineMath', attrs: { latex: String(n.attrs?.latex) } }];
    if (n.type === 'note') {
      const text = String(n.attrs?.text ?? '').trim();
      return text ? [{ type: 'note', attrs: { text: text.slice(0, LIMITS.noteLength) } }] : [];
    }
    if (n.type !== 'text' || !n.text) return [];
    const marks = (n.marks ?? []).flatMap(mark);
    return [{ type: 'text', text: n.text, ...(marks.length ? { marks } : {}) }];
  });
  return nodes.length ? nodes : undefined;
}

const withContent = <T extends object>(node: T, content: InlineNode[] | undefined) =>
  content ? { ...node, content } : node;

/** How a block stands, as far as it differs from the usual. */
function shape(n: JSONContent): BlockShape {
  const { textAlign, indent } = n.attrs ?? {};
  return {
    ...(textAlign && textAlign !== 'left' ? { textAlign: textAlign as BlockShape['textAlign'] } : {}),
    ...(indent ? { indent: Number(indent) } : {}),
  };
}

function blocks(content: JSONContent[] | undefined): BlockNode[] {
  const nodes = (content ?? []).flatMap((n): BlockNode[] => {
    switch (n.type) {
      case 'partHeading':
        return [{ type: 'partHeading', attrs: { part: String(n.attrs?.part), text: String(n.attrs?.text) } }];
      case 'heading':
        return [
          withContent(
            { type: 'heading' as const, attrs: { level: Number(n.attrs?.level ?? 3), ...shape(n) } },
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
      case 'table':
        return [{ type: 'table', content: rows(n.content) }];
      case 'horizontalRule':
        return [{ type: 'horizontalRule' }];
      case 'picture': {
        const { file, width, height, alt, caption, size, place } = n.attrs ?? {};
        if (!UUID.test(String(file)) || !(Number(width) > 0) || !(Number(height) > 0)) return [];
        return [
          {
            type: 'picture',
            attrs: {
              file: String(file),
              width: Number(width),
              height: Number(height),
              alt: String(alt ?? ''),
              ...(caption ? { caption: String(caption) } : {}),
              ...(size ? { size: Number(size) } : {}),
              ...(place === 'center' || place === 'right' ? { place } : {}),
            },
          },
        ];
      }
      case 'file': {
        const { file, name, mediaType, bytes } = n.attrs ?? {};
        if (!UUID.test(String(file))) return [];
        return [
          {
            type: 'file',
            attrs: {
              file: String(file),
              name: String(name),
              mediaType: String(mediaType),
              bytes: Number(bytes),
            },
          },
        ];
      }
      case 'embed': {
        const { url, title, site } = n.attrs ?? {};
        if (!safeHref.safeParse(url).success) return [];
        return [{ type: 'embed', attrs: { url: String(url), title: String(title), site: String(site) } }];
      }
      case 'clip': {
        const { file, title, ms, video } = n.attrs ?? {};
        if (!UUID.test(String(file))) return [];
        const length = Math.min(LIMITS.clipMs, Math.max(0, Math.round(Number(ms)) || 0));
        return [
          {
            type: 'clip',
            attrs: { file: String(file), title: String(title ?? ''), ms: length, video: Boolean(video) },
          },
        ];
      }
      case 'blockMath':
        return [{ type: 'blockMath', attrs: { latex: String(n.attrs?.latex) } }];
      case 'codeBlock': {
        const text = (n.content ?? []).map((c) => c.text ?? '').join('');
        return [{ type: 'codeBlock', ...(text ? { content: [{ type: 'text', text }] } : {}) }];
      }
      default: {
        const attrs = shape(n);
        return [
          withContent(
            { type: 'paragraph' as const, ...(Object.keys(attrs).length ? { attrs } : {}) },
            inline(n.content),
          ),
        ];
      }
    }
  });
  return nodes.length ? nodes : [{ type: 'paragraph' }];
}

const items = (content: JSONContent[] | undefined): ListItem[] =>
  (content ?? []).map((n) => ({ type: 'listItem', content: blocks(n.content) }));

const rows = (content: JSONContent[] | undefined): TableRow[] =>
  (content ?? []).map((row) => ({
    type: 'tableRow',
    content: (row.content ?? []).map((cell) => ({
      type: cell.type === 'tableHeader' ? 'tableHeader' : 'tableCell',
      content: blocks(cell.content),
    })),
  }));

/**
 * What each block of an editor became. The editor never changes a block, it puts another in its place: so of a long text
 * only the block that is being typed in is made anew at a key.
 */
const made = new WeakMap<Node, BlockNode[]>();

function madeOf(node: Node): BlockNode[] {
  const known = made.get(node);
  if (known) return known;
  const fresh = blocks([node.toJSON() as JSONContent]);
  made.set(node, fresh);
  return fresh;
}

/** The editor's content as a document of ours. Positions stay the same, so evidence found in it fits the editor. */
export const documentOf = (editor: Editor): Doc => ({
  type: 'doc',
  content: editor.state.doc.children.flatMap(madeOf),
});
