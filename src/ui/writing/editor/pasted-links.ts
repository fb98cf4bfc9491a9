import { readingLink, type LinkRead } from '@/contract/links';
import { call } from '../../request/call';
import { pastedAddress } from '@/core/embeds/address';
import { LIMITS } from '@/core/document/limits';
import { Extension } from '@tiptap/core';
import type { Node } from '@tiptap/pm/model';
import { Plugin, PluginKey } from '@tiptap/pm/state';
import type { EditorView } from '@tiptap/pm/view';

/** What is behind a link, as the server says it; null where nobody answers. */
async function readLink(url: string): Promise<LinkRead | null> {
  const answer = await call(readingLink, {}, { url });
  return answer.ok ? answer.value : null;
}

/** Where the link that was pasted still stands as it was pasted. */
function placeOf(doc: Node, url: string): { pos: number; alone: boolean } | null {
  let found: { pos: number; alone: boolean } | null = null;
  doc.descendants((node, pos, parent) => {
    if (found || !node.isText || node.text !== url) return;
    if (node.marks.some((m) => m.type.name === 'link' && m.attrs.href === url))
      found = { pos, alone: parent?.type.name === 'paragraph' && parent.childCount === 1 };
  });
  return found;
}

/** Makes of a pasted link what it is: a player on a line of its own, or the page's title. One that was changed meanwhile stays. */
function become(view: EditorView, url: string, read: LinkRead) {
  const { state } = view;
  const place = placeOf(state.doc, url);
  if (!place) return;
  const { pos, alone } = place;
  const { tr } = state;
  if (read.kind === 'player') {
    const player = state.schema.nodes.embed?.create({
      url,
      title: read.title.slice(0, LIMITS.titleLength),
      site: read.site,
    });
    if (!player) return;
    const line = state.doc.resolve(pos);
    if (alone && line.depth === 1)
      tr.replaceWith(line.before(1), line.after(1), [player, state.schema.node('paragraph')]);
    else tr.insert(line.after(1), player);
  } else if (read.title) {
    const marks = state.doc.nodeAt(pos)?.marks ?? [];
    tr.replaceWith(pos, pos + url.length, state.schema.text(read.title, marks));
  }
  if (tr.docChanged) view.dispatch(tr);
}

/** A pasted link, or the address in pasted embed code, becomes a player or a link with a title. The code itself is dropped. */
export const PastedLinks = Extension.create({
  name: 'pastedLinks',
  // Before the reader of HTML: a copied link brings some of its own.
  priority: 200,
  addProseMirrorPlugins: () => [
    new Plugin({
      key: new PluginKey('pastedLinks'),
      props: {
        handlePaste(view, event) {
          const { state } = view;
          const url = pastedAddress(event.clipboardData?.getData('text/plain') ?? '');
          const link = state.schema.marks.link;
          // Onto selected words an address is put as their link.
          if (!url || !link || !state.selection.empty || state.selection.$from.parent.type.spec.code)
            return false;
          const text = state.schema.text(url, [link.create({ href: url })]);
          view.dispatch(state.tr.replaceSelectionWith(text, false).removeStoredMark(link).scrollIntoView());
          void readLink(url).then((read) => {
            if (read && !view.isDestroyed) become(view, url, read);
          });
          return true;
        },
      },
    }),
  ],
});
