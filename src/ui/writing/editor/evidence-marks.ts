import type { Evidence } from '@/core/checks/types';
import { Extension } from '@tiptap/core';
import { Plugin, PluginKey } from '@tiptap/pm/state';
import { Decoration, DecorationSet } from '@tiptap/pm/view';

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
            const end = tr.doc.content.size;
            return DecorationSet.create(
              tr.doc,
              next
                .filter((e) => e.from < e.to && e.to <= end)
                .map((e) =>
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

export const evidenceKey = key;
