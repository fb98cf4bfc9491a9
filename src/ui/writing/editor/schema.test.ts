import { getSchema } from '@tiptap/core';
import type { ContentMatch, NodeType } from '@tiptap/pm/model';
import { schema } from '@/core/document/schema';
import { SendingFiles } from '../../attachments/sending';
import { extensions } from './extensions';
import { NameStore } from './suggest';

const editor = getSchema(
  extensions({
    placeholder: '',
    openFormula: () => {},
    openNote: () => {},
    names: new NameStore(() => Promise.resolve({ people: [], posts: [] })),
    sending: new SendingFiles('GEO 115'),
  }),
);

/** What may come first within a node, and what after each of those: as names, so that two schemas can be compared. */
function content(match: ContentMatch, depth = 2): unknown {
  if (depth === 0) return '…';
  const edges = Array.from({ length: match.edgeCount }, (_, i) => match.edge(i));
  return {
    ends: match.validEnd,
    ...Object.fromEntries(
      edges
        .map((e): [string, unknown] => [e.type.name, content(e.next, depth - 1)])
        .sort(([a], [b]) => a.localeCompare(b)),
    ),
  };
}
const marksOf = (type: NodeType, all: typeof schema) =>
  Object.values(all.marks)
    .filter((mark) => type.allowsMarkType(mark))
    .map((mark) => mark.name)
    .sort();

test('the editor has the kinds of nodes and marks that a document has, and no other', () => {
  expect(Object.keys(editor.nodes).sort()).toEqual(Object.keys(schema.nodes).sort());
  expect(Object.keys(editor.marks).sort()).toEqual(Object.keys(schema.marks).sort());
});

test.each(Object.keys(schema.nodes))('%s nests in the editor as core says', (name) => {
  const [ours, theirs] = [schema.nodes[name], editor.nodes[name]];
  if (!ours || !theirs) throw new Error(`There is no ${name} in one of them.`);
  expect(content(theirs.contentMatch)).toEqual(content(ours.contentMatch));
  expect(marksOf(theirs, editor)).toEqual(marksOf(ours, schema));
  const kinds = ({ isInline, isLeaf, isTextblock, isAtom }: NodeType) => ({
    isInline,
    isLeaf,
    isTextblock,
    isAtom,
  });
  expect(kinds(theirs)).toEqual(kinds(ours));
  // One without a usual value is always said.
  for (const [attribute, said] of Object.entries(ours.spec.attrs ?? {})) {
    expect(Object.keys(theirs.spec.attrs ?? {})).toContain(attribute);
    if ('default' in said)
      expect([attribute, theirs.spec.attrs?.[attribute]?.default]).toEqual([attribute, said.default]);
  }
});

test.each(Object.keys(schema.marks))('%s goes with other marks in the editor as core says', (name) => {
  const [ours, theirs] = [schema.marks[name], editor.marks[name]];
  if (!ours || !theirs) throw new Error(`There is no ${name} in one of them.`);
  const others = Object.values(schema.marks)
    .filter((other) => ours.excludes(other))
    .map((other) => other.name);
  const excluded = Object.values(editor.marks).filter((other) => theirs.excludes(other));
  expect(excluded.map((other) => other.name).sort()).toEqual(others.sort());
  expect(theirs.spec.inclusive ?? true).toBe(ours.spec.inclusive ?? true);
});
