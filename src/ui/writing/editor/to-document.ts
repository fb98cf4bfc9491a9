import { blocksFromEditor } from '@/core/document/from-editor';
import type { BlockNode, Doc } from '@/core/document/nodes';
import type { Editor, JSONContent } from '@tiptap/core';
import type { Node } from '@tiptap/pm/model';

/**
 * What each block of an editor became. The editor never changes a block, it puts another in its place: so of a long text
 * only the block that is being typed in is made anew at a key.
 */
const made = new WeakMap<Node, BlockNode[]>();

function madeOf(node: Node): BlockNode[] {
  const known = made.get(node);
  if (known) return known;
  const fresh = blocksFromEditor(node.toJSON() as JSONContent);
  made.set(node, fresh);
  return fresh;
}

/** The editor's content as a document of ours. Positions stay the same, so evidence found in it fits the editor. */
export function documentOf(editor: Editor): Doc {
  const content = editor.state.doc.children.flatMap(madeOf);
  return { type: 'doc', content: content.length ? content : [{ type: 'paragraph' }] };
}
