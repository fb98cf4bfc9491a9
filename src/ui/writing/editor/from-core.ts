import { schema } from '@/core/document/schema';
import type { MarkConfig, NodeConfig } from '@tiptap/core';

/** How a kind of node nests, as core says it, in the terms of the editor's packages. */
export function nodeOf(name: string): Pick<NodeConfig, 'name'> & Partial<NodeConfig> {
  const spec = schema.nodes[name]?.spec ?? {};
  return {
    name,
    group: spec.group,
    inline: spec.inline,
    atom: spec.atom,
    ...(spec.selectable === false ? { selectable: false } : {}),
    ...(spec.draggable ? { draggable: true } : {}),
  };
}

/** How a kind of mark goes together with others, as core says it. */
export function markOf(name: string): Pick<MarkConfig, 'name'> & Partial<MarkConfig> {
  const { inclusive, excludes } = schema.marks[name]?.spec ?? {};
  return {
    name,
    ...(inclusive === undefined ? {} : { inclusive }),
    ...(excludes === undefined ? {} : { excludes }),
  };
}

/** What an attribute is where nobody has set it. */
export const usual = (name: string, attribute: string): unknown =>
  (schema.nodes[name] ?? schema.marks[name])?.spec.attrs?.[attribute]?.default;
