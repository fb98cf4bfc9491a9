'use client';

import type { Part } from '@/core/brief/brief';
import { withPartHeadings } from '@/core/document/compose';
import type { Editor } from '@tiptap/core';
import { redoDepth, undoDepth } from '@tiptap/pm/history';
import { useEditorState } from '@tiptap/react';
import {
  Bold,
  Ellipsis,
  Heading,
  Italic,
  Link as LinkIcon,
  List,
  ListOrdered,
  Maximize2,
  Minimize2,
  Quote,
  Redo2,
  Rows3,
  Underline,
  Undo2,
  Video,
} from 'lucide-react';
import { Toolbar as Bar } from 'radix-ui';
import { memo, useEffect, useState, type ReactNode } from 'react';
import { moveAtOnce } from '../../frame/move-at-once';
import { AttachTool } from '../../attachments/attach-tool';
import type { SendingFiles } from '../../attachments/sending';
import { FormulaField, LinkField, NoteField, type FormulaAsked, type NoteAsked } from './fields';
import { MoreTools, moreState } from './more-tools';
import { documentOf } from './to-document';
import { Tool, ToolMenu } from './tool';

const HEADINGS = [
  [2, 'Heading'],
  [3, 'Smaller heading'],
  [4, 'Smallest heading'],
] as const;

/**
 * The editor's tools: one stop of the Tab key, arrow keys within. Those one needs less often fold out. `formula` and
 * `note` are those of the text that were pressed.
 */
export const Toolbar = memo(function Toolbar(props: {
  editor: Editor;
  parts: Part[];
  label: string;
  sending: SendingFiles;
  formula: FormulaAsked | null;
  setFormula: (asked: FormulaAsked | null) => void;
  note: NoteAsked | null;
  setNote: (asked: NoteAsked | null) => void;
  recording: boolean;
  setRecording: (on: boolean) => void;
  /** Under the thumb there is one line: what one needs less often folds out with the rest. */
  thumb?: boolean;
  /** What stands at the end of the line. */
  end?: ReactNode;
  /** Whether the writing has the whole page, where it can. */
  wide?: boolean;
  setWide?: (wide: boolean) => void;
}) {
  const { editor, parts, formula, setFormula, note, setNote, thumb = false } = props;
  const [more, setMore] = useState(false);
  const [linking, setLinking] = useState(false);
  const on = useEditorState({
    editor,
    selector: ({ editor: e }) => ({
      bold: e.isActive('bold'),
      italic: e.isActive('italic'),
      underline: e.isActive('underline'),
      level: e.isActive('heading') ? Number(e.getAttributes('heading').level) : 0,
      bullets: e.isActive('bulletList'),
      numbers: e.isActive('orderedList'),
      quote: e.isActive('blockquote'),
      link: e.isActive('link'),
      // Asking the editor whether it could builds every command it has.
      undo: undoDepth(e.state) > 0,
      redo: redoDepth(e.state) > 0,
      placed: e.state.doc.children.filter((n) => n.type.name === 'partHeading').length,
      more: moreState(e),
    }),
  });
  const run = () => editor.chain().focus();
  const { wide, setWide } = props;
  useEffect(() => {
    const { dom } = editor.view;
    const keys = (e: KeyboardEvent) => {
      if (e.key === 'F9' && setWide) setWide(!wide);
      else if (e.key.toLowerCase() === 'k' && (e.ctrlKey || e.metaKey) && !e.shiftKey) setLinking(true);
      else return;
      e.preventDefault();
    };
    dom.addEventListener('keydown', keys);
    return () => dom.removeEventListener('keydown', keys);
  }, [editor, wide, setWide]);
  const textTools = (
    <>
      <Tool label="Underline" keys="Ctrl+U" on={on.underline} run={() => run().toggleUnderline().run()}>
        <Underline size={16} aria-hidden />
      </Tool>
      <ToolMenu
        label="Headings"
        sign={<Heading size={16} aria-hidden />}
        on={on.level > 0}
        choices={[
          { label: 'Ordinary text', on: on.level === 0, run: () => run().setParagraph().run() },
          ...HEADINGS.map(([level, label]) => ({
            label,
            on: on.level === level,
            run: () => run().setHeading({ level }).run(),
          })),
        ]}
      />
    </>
  );
  const numbered = (
    <Tool
      label="Numbered list"
      keys="Ctrl+Shift+7"
      on={on.numbers}
      run={() => run().toggleOrderedList().run()}
    >
      <ListOrdered size={16} aria-hidden />
    </Tool>
  );
  const recordAndUndo = (
    <>
      <Tool label="Record a clip" expanded={props.recording} run={() => props.setRecording(!props.recording)}>
        <Video size={16} aria-hidden />
      </Tool>
      <Tool label="Undo" keys="Ctrl+Z" disabled={!on.undo} run={() => run().undo().run()}>
        <Undo2 size={16} aria-hidden />
      </Tool>
      <Tool label="Redo" keys="Ctrl+Y" disabled={!on.redo} run={() => run().redo().run()}>
        <Redo2 size={16} aria-hidden />
      </Tool>
    </>
  );
  return (
    <div className="min-w-0 grow basis-[330px]">
      <Bar.Root
        aria-label={props.label}
        onKeyDownCapture={moveAtOnce('across')}
        // Keys that work in the text stay the text's; Escape goes back to it.
        onKeyDown={(e) => {
          if (e.key === 'Escape' && !e.defaultPrevented) editor.commands.focus();
        }}
        className="flex flex-wrap items-center"
      >
        <Tool label="Bold" keys="Ctrl+B" on={on.bold} run={() => run().toggleBold().run()}>
          <Bold size={16} aria-hidden />
        </Tool>
        <Tool label="Italics" keys="Ctrl+I" on={on.italic} run={() => run().toggleItalic().run()}>
          <Italic size={16} aria-hidden />
        </Tool>
        {thumb ? null : textTools}
        <Tool label="List" keys="Ctrl+Shift+8" on={on.bullets} run={() => run().toggleBulletList().run()}>
          <List size={16} aria-hidden />
        </Tool>
        {thumb ? null : numbered}
        <Tool label="Quotation" keys="Ctrl+Shift+B" on={on.quote} run={() => run().toggleBlockquote().run()}>
          <Quote size={16} aria-hidden />
        </Tool>
        <Tool label="Link" keys="Ctrl+K" on={on.link} expanded={linking} run={() => setLinking(!linking)}>
          <LinkIcon size={16} aria-hidden />
        </Tool>
        <AttachTool sending={props.sending} />
        {thumb ? null : recordAndUndo}
        <Tool label="More tools" expanded={more} run={() => setMore(!more)}>
          <Ellipsis size={16} aria-hidden />
        </Tool>
        {thumb ? props.end : null}
        {setWide && !thumb ? (
          <Tool
            label={wide ? 'Back to facing pages' : 'Only the writing'}
            keys="F9"
            on={wide ?? false}
            run={() => {
              setWide(!wide);
              editor.commands.focus();
            }}
          >
            {wide ? <Minimize2 size={16} aria-hidden /> : <Maximize2 size={16} aria-hidden />}
          </Tool>
        ) : null}
        {more ? (
          <>
            <span className="w-full" aria-hidden />
            {thumb ? (
              <>
                {textTools}
                {numbered}
                {recordAndUndo}
              </>
            ) : null}
            <MoreTools
              editor={editor}
              on={on.more}
              formula={() => setFormula({ pos: null, latex: '', ownLine: false })}
              note={() => setNote({ pos: null, text: '' })}
            />
          </>
        ) : null}
        {parts.length > on.placed ? (
          <Bar.Button
            type="button"
            className="ml-1 inline-flex min-h-8 items-center gap-1.5 rounded-[5px] px-2 text-[12.5px] font-semibold text-ochre-ink hover:bg-page-2"
            onClick={() =>
              editor.commands.setContent(withPartHeadings(parts, documentOf(editor)), {
                emitUpdate: true,
              })
            }
          >
            <Rows3 size={15} aria-hidden /> Bring back the questions
          </Bar.Button>
        ) : null}
      </Bar.Root>
      {linking ? <LinkField editor={editor} close={() => setLinking(false)} /> : null}
      {note ? (
        <NoteField
          key={`${note.pos} ${note.text}`}
          editor={editor}
          asked={note}
          close={() => setNote(null)}
        />
      ) : null}
      {formula ? (
        <FormulaField
          key={`${formula.pos} ${formula.latex}`}
          editor={editor}
          asked={formula}
          close={() => setFormula(null)}
        />
      ) : null}
    </div>
  );
});
