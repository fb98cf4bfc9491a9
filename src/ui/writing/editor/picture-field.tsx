'use client';

import { LIMITS } from '@/core/document/limits';
import type { Picture } from '@/core/document/nodes';
import type { Editor } from '@tiptap/core';
import { closeHistory } from '@tiptap/pm/history';
import { NodeSelection } from '@tiptap/pm/state';
import { useEditorState } from '@tiptap/react';
import { useSyncExternalStore } from 'react';
import type { SendingFiles } from '../../attachments/sending';

const SIZES = [
  ['', 'Width as it is'],
  ['33', 'Small'],
  ['50', 'Half width'],
  ['100', 'Full width'],
] as const;
/** Chosen first when it is to be another width: none of the above. */
const OTHER_SIZE = 75;
const PLACES = [
  ['', 'On the left'],
  ['center', 'In the middle'],
  ['right', 'On the right'],
] as const;
const SMALL = 'btn !min-h-9 !px-2.5 !py-1 !text-[13px]';

type Chosen = { pos: number; attrs: Picture['attrs']; selected: boolean };

/** The picture that is selected, else the one that has just arrived. */
function chosenPicture(editor: Editor, asked: string | null): Chosen | null {
  const { selection, doc } = editor.state;
  if (selection instanceof NodeSelection && selection.node.type.name === 'picture')
    return { pos: selection.from, attrs: selection.node.attrs as Picture['attrs'], selected: true };
  let found: Chosen | null = null;
  if (asked !== null)
    doc.descendants((node, pos) => {
      if (node.type.name === 'picture' && node.attrs.file === asked)
        found = { pos, attrs: node.attrs as Picture['attrs'], selected: false };
    });
  return found;
}

/** What is told about a picture, and how it stands. Beneath the tools, so that nothing covers it. */
export function PictureField({ editor, sending }: { editor: Editor; sending: SendingFiles }) {
  const asked = useSyncExternalStore(sending.subscribe, sending.asked, sending.asked);
  const chosen = useEditorState({ editor, selector: ({ editor: e }) => chosenPicture(e, asked) });
  if (!chosen) return null;
  const { pos, attrs, selected } = chosen;
  const set = (change: Partial<Record<keyof Picture['attrs'], string | number | null>>) => {
    const { tr } = editor.state;
    tr.setNodeMarkup(pos, undefined, { ...attrs, ...change });
    if (selected) tr.setSelection(NodeSelection.create(tr.doc, pos));
    editor.view.dispatch(tr);
  };
  const done = () => {
    sending.ask(null);
    if (selected)
      editor
        .chain()
        .setTextSelection(pos + 1)
        .focus()
        .run();
    else editor.commands.focus();
  };
  const back = (e: React.KeyboardEvent) => {
    if (e.key !== 'Escape' && e.key !== 'Enter') return;
    e.preventDefault();
    e.stopPropagation();
    done();
  };
  const other = attrs.size && !SIZES.some(([n]) => n === String(attrs.size));
  return (
    <div
      role="group"
      aria-label="This picture"
      className="grid gap-x-3 gap-y-1.5 border-b border-rule-soft bg-page-2 px-4 py-2 text-[13px] sm:grid-cols-2"
    >
      <label className="block">
        <b>What it shows</b>
        <input
          className="field mt-0.5"
          maxLength={LIMITS.altLength}
          placeholder="For those who cannot see it"
          value={attrs.alt}
          onChange={(e) => set({ alt: e.target.value })}
          onKeyDown={back}
        />
      </label>
      <label className="block">
        <b>Caption</b>
        <input
          className="field mt-0.5"
          maxLength={LIMITS.captionLength}
          placeholder="Read by everybody beneath it"
          value={attrs.caption ?? ''}
          onChange={(e) => set({ caption: e.target.value || null })}
          onKeyDown={back}
        />
      </label>
      <span className="flex flex-wrap items-center gap-2 sm:col-span-2">
        <select
          aria-label="Width"
          className="field !w-auto"
          value={other ? 'other' : (attrs.size ?? '')}
          onChange={(e) => {
            const { value } = e.target;
            set({ size: value === 'other' ? OTHER_SIZE : value ? Number(value) : null });
          }}
        >
          {SIZES.map(([n, name]) => (
            <option key={n} value={n}>
              {name}
            </option>
          ))}
          <option value="other">Other width</option>
        </select>
        {other ? (
          <label className="flex items-center gap-1">
            <input
              type="number"
              className="field !w-[68px]"
              aria-label="Width in hundredths of the page"
              min={10}
              max={100}
              defaultValue={attrs.size}
              onChange={(e) => {
                const n = Math.round(Number(e.target.value));
                if (n >= 10 && n <= 100) set({ size: n });
              }}
              onKeyDown={back}
            />
            %
          </label>
        ) : null}
        <select
          aria-label="Place"
          className="field !w-auto"
          value={attrs.place ?? ''}
          onChange={(e) => set({ place: e.target.value || null })}
        >
          {PLACES.map(([n, name]) => (
            <option key={n} value={n}>
              {name}
            </option>
          ))}
        </select>
        <span className="ml-auto flex gap-2">
          <button
            type="button"
            className={SMALL}
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
          <button type="button" className={SMALL} onClick={done}>
            {attrs.alt.trim() ? 'Done' : 'Later'}
          </button>
        </span>
      </span>
    </div>
  );
}
