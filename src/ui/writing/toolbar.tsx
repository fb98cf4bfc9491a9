'use client';

import type { Part } from '@/core/brief/brief';
import { withPartHeadings } from '@/core/posts/compose';
import type { Editor } from '@tiptap/core';
import { useEditorState } from '@tiptap/react';
import {
  Bold,
  Heading,
  Italic,
  Link as LinkIcon,
  List,
  ListOrdered,
  Quote,
  Redo2,
  Rows3,
  Undo2,
} from 'lucide-react';
import { useState, type ReactNode } from 'react';
import { toDocument } from './to-document';

function Tool(props: {
  label: string;
  on?: boolean;
  disabled?: boolean;
  run: () => void;
  children: ReactNode;
}) {
  return (
    <button
      type="button"
      aria-label={props.label}
      title={props.label}
      aria-pressed={props.on}
      disabled={props.disabled}
      onMouseDown={(e) => e.preventDefault()}
      onClick={props.run}
      className={`grid size-8 place-items-center rounded-[5px] disabled:opacity-40 ${
        props.on ? 'bg-pine-tint text-pine-ink' : 'text-ink-2 hover:bg-page-2'
      }`}
    >
      {props.children}
    </button>
  );
}

/** The editor's tools. The link is asked for in the bar itself, so that nothing covers the text. */
export function Toolbar({ editor, parts, label }: { editor: Editor; parts: Part[]; label: string }) {
  const [href, setHref] = useState<string | null>(null);
  const on = useEditorState({
    editor,
    selector: ({ editor: e }) => ({
      bold: e.isActive('bold'),
      italic: e.isActive('italic'),
      heading: e.isActive('heading'),
      bullets: e.isActive('bulletList'),
      numbers: e.isActive('orderedList'),
      quote: e.isActive('blockquote'),
      link: e.isActive('link'),
      undo: e.can().undo(),
      redo: e.can().redo(),
      placed: e.state.doc.children.filter((n) => n.type.name === 'partHeading').length,
    }),
  });
  const run = () => editor.chain().focus();
  const setLink = () => {
    const text = (href ?? '').trim();
    const address = text && !/^[a-z]+:/iu.test(text) ? `https://${text}` : text;
    if (address) run().extendMarkRange('link').setLink({ href: address }).run();
    else run().extendMarkRange('link').unsetLink().run();
    setHref(null);
  };
  return (
    <div role="toolbar" aria-label={label} className="flex flex-wrap items-center gap-0.5">
      <Tool label="Bold" on={on.bold} run={() => run().toggleBold().run()}>
        <Bold size={16} aria-hidden />
      </Tool>
      <Tool label="Italics" on={on.italic} run={() => run().toggleItalic().run()}>
        <Italic size={16} aria-hidden />
      </Tool>
      <Tool label="Heading" on={on.heading} run={() => run().toggleHeading({ level: 3 }).run()}>
        <Heading size={16} aria-hidden />
      </Tool>
      <Tool label="List" on={on.bullets} run={() => run().toggleBulletList().run()}>
        <List size={16} aria-hidden />
      </Tool>
      <Tool label="Numbered list" on={on.numbers} run={() => run().toggleOrderedList().run()}>
        <ListOrdered size={16} aria-hidden />
      </Tool>
      <Tool label="Quotation" on={on.quote} run={() => run().toggleBlockquote().run()}>
        <Quote size={16} aria-hidden />
      </Tool>
      <Tool
        label="Link"
        on={on.link}
        run={() => setHref(href === null ? String(editor.getAttributes('link').href ?? '') : null)}
      >
        <LinkIcon size={16} aria-hidden />
      </Tool>
      <Tool label="Undo" disabled={!on.undo} run={() => run().undo().run()}>
        <Undo2 size={16} aria-hidden />
      </Tool>
      <Tool label="Redo" disabled={!on.redo} run={() => run().redo().run()}>
        <Redo2 size={16} aria-hidden />
      </Tool>
      {parts.length > on.placed ? (
        <button
          type="button"
          className="ml-1 inline-flex min-h-8 items-center gap-1.5 rounded-[5px] px-2 text-[12.5px] font-semibold text-ochre-ink hover:bg-page-2"
          onClick={() =>
            editor.commands.setContent(withPartHeadings(parts, toDocument(editor.getJSON())), {
              emitUpdate: true,
            })
          }
        >
          <Rows3 size={15} aria-hidden /> Bring back the questions
        </button>
      ) : null}
      {href !== null ? (
        <span className="flex w-full items-center gap-2 pt-1">
          <label className="sr-only" htmlFor="link-address">
            Address of the link
          </label>
          <input
            id="link-address"
            className="field"
            autoFocus
            placeholder="https://… (empty takes the link away)"
            value={href}
            onChange={(e) => setHref(e.target.value)}
            onKeyDown={(e) => {
              if (e.key === 'Enter') {
                e.preventDefault();
                setLink();
              } else if (e.key === 'Escape') setHref(null);
            }}
          />
          <button type="button" className="btn" onClick={setLink}>
            Set link
          </button>
        </span>
      ) : null}
    </div>
  );
}
