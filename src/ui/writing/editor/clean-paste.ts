import { documentFromHtml } from '@/core/formats/from-html';
import { Extension } from '@tiptap/core';
import { Slice, type Node } from '@tiptap/pm/model';
import { Plugin, PluginKey } from '@tiptap/pm/state';

/** The editor's own clipboard says so: what it copied comes back as it was. */
const isOwn = (html: string) => html.includes('data-pm-slice');

/** How far a paste's end is open: a paragraph's words join the paragraph they are pasted into. */
const open = (node: Node | null) => (node?.type.name === 'paragraph' ? 1 : 0);

/**
 * What is pasted from a word processor or a page is read as an import is, by the same reader: its lists, tables, links
 * and notes come in, its faces, sizes and colours do not.
 */
export const CleanPaste = Extension.create({
  name: 'cleanPaste',
  addProseMirrorPlugins: () => [
    new Plugin({
      key: new PluginKey('cleanPaste'),
      props: {
        handlePaste(view, event) {
          const html = event.clipboardData?.getData('text/html') ?? '';
          const { state } = view;
          if (!html || isOwn(html) || state.selection.$from.parent.type.spec.code) return false;
          const { content } = state.schema.nodeFromJSON(documentFromHtml(html));
          if (content.size <= 2) return false;
          const slice = new Slice(content, open(content.firstChild), open(content.lastChild));
          view.dispatch(state.tr.replaceSelection(slice).scrollIntoView().setMeta('paste', true));
          return true;
        },
      },
    }),
  ],
});
