import type { Evidence } from '@/core/checks/types';
import { Extension, type Editor } from '@tiptap/core';
import { Plugin, PluginKey } from '@tiptap/pm/state';
import { Decoration, DecorationSet } from '@tiptap/pm/view';
import { whereNow } from './text-versions';

const key = new PluginKey<DecorationSet>('evidence');

/** Marks a check's evidence in the text: decorations only, the document stays as it is. */
export const EvidenceMarks = Extension.create({
  name: 'evidenceMarks',
  addProseMirrorPlugins() {
    return [
      new Plugin<DecorationSet>({
        key,
        state: {
          init: () => DecorationSet.empty,
          apply(tr, marks) {
            const next = tr.getMeta(key) as Evidence[] | undefined;
            if (!next) return marks.map(tr.mapping, tr.doc);
            return DecorationSet.create(
              tr.doc,
              next.map((e) =>
                Decoration.inline(e.from, e.to, {
                  class: 'evidence',
                  ...(e.note ? { title: e.note } : {}),
                }),
              ),
            );
          },
        },
        props: { decorations: (state) => key.getState(state) },
      }),
    ];
  },
});

/**
 * Marks in the text of now what was found in an earlier one (see text-versions): it stands on the words it was found in, wherever
 * they are by now.
 */
export function markEvidence(editor: Editor, found: readonly Evidence[], version: number): void {
  if (editor.isDestroyed) return;
  const { state } = editor;
  editor.view.dispatch(state.tr.setMeta(key, whereNow(state, found, version)));
}
