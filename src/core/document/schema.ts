import { Schema, type NodeSpec } from '@tiptap/pm/model';
import { INLINES, MARKS } from './kinds/inlines';
import { BLOCKS, PARTS } from './registry';

/**
 * The documents' schema in the editor's own library: whatever asks for a place in a text asks this one. What the editor
 * itself holds is compared with it by a test.
 */
export const schema = new Schema({
  topNode: 'doc',
  nodes: {
    doc: { content: 'block+' },
    ...Object.fromEntries<NodeSpec>(
      [...BLOCKS, ...PARTS, ...INLINES].map((kind): [string, NodeSpec] => [kind.type, kind.spec]),
    ),
    text: { group: 'inline' },
  },
  marks: Object.fromEntries(MARKS.map((kind) => [kind.type, kind.spec])),
});
