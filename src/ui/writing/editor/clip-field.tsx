'use client';

import { LIMITS } from '@/core/document/limits';
import type { Clip } from '@/core/document/nodes';
import type { Editor } from '@tiptap/core';
import { closeHistory } from '@tiptap/pm/history';
import { NodeSelection } from '@tiptap/pm/state';
import { useEditorState } from '@tiptap/react';

/** The clip that is selected. */
function chosenClip(editor: Editor): { pos: number; attrs: Clip['attrs'] } | null {
  const { selection } = editor.state;
  return selection instanceof NodeSelection && selection.node.type.name === 'clip'
    ? { pos: selection.from, attrs: selection.node.attrs as Clip['attrs'] }
    : null;
}

/** What a clip in the text is called. Beneath the tools, so that nothing covers it. */
export function ClipField({ editor }: { editor: Editor }) {
  const chosen = useEditorState({ editor, selector: ({ editor: e }) => chosenClip(e) });
  if (!chosen) return null;
  const { pos, attrs } = chosen;
  const name = (title: string) => {
    const { tr } = editor.state;
    tr.setNodeMarkup(pos, undefined, { ...attrs, title });
    tr.setSelection(NodeSelection.create(tr.doc, pos));
    editor.view.dispatch(tr);
  };
  const done = () =>
    editor
      .chain()
      .setTextSelection(pos + 1)
      .focus()
      .run();
  return (
    <div
      role="group"
      aria-label="This clip"
      className="flex flex-wrap items-end gap-2 border-b border-rule-soft bg-page-2 px-4 py-2 text-[13px]"
    >
      <label className="block grow basis-60">
        <b>Title</b>
        <input
          className="field mt-0.5"
          maxLength={LIMITS.titleLength}
          placeholder="What one hears or sees in it"
          value={attrs.title}
          onChange={(e) => name(e.target.value)}
          onKeyDown={(e) => {
            if (e.key !== 'Escape' && e.key !== 'Enter') return;
            e.preventDefault();
            e.stopPropagation();
            done();
          }}
        />
      </label>
      <button
        type="button"
        className="btn"
        onClick={() =>
          editor
            .chain()
            .focus()
            .command(({ tr }) => Boolean(closeHistory(tr)))
            .deleteRange({ from: pos, to: pos + 1 })
            .run()
        }
      >
        Take it out
      </button>
      <button type="button" className="btn" onClick={done}>
        Done
      </button>
    </div>
  );
}
