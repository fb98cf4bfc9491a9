'use client';

import type { Doc } from '@/core/document/nodes';
import type { Editor } from '@tiptap/core';
import { SendingList } from '../attachments/sending-list';
import { Recorder } from '../clips/recorder';
import { TextMenu } from '../formats/text-menu';
import { ClipField } from '../writing/editor/clip-field';
import { PictureField } from '../writing/editor/picture-field';
import { Toolbar } from '../writing/editor/toolbar';
import type { MaterialEditor } from './use-material-editor';

/** Everything above the text of a reading or a prompt while it is written: its tools and what they have open. */
export function MaterialTools(props: {
  writing: MaterialEditor & { editor: Editor };
  label: string;
  /** The course whose files it may carry. */
  course: string;
  name: string;
  author: string;
  text: () => { title: string; doc: Doc };
  bringIn: (doc: Doc, how: 'instead' | 'below') => void;
}) {
  const { writing, course } = props;
  const { editor, sending, recording, setRecording } = writing;
  return (
    <>
      <div className="flex flex-wrap items-center gap-x-3 border-b border-rule-soft px-3 py-1.5 sm:px-4">
        <Toolbar
          editor={editor}
          parts={[]}
          label={props.label}
          sending={sending}
          formula={writing.formula}
          setFormula={writing.setFormula}
          note={writing.note}
          setNote={writing.setNote}
          recording={recording}
          setRecording={setRecording}
        />
        <span className="ml-auto">
          <TextMenu
            text={props.text}
            name={props.name}
            by={props.author}
            into={{ course, discussion: null, take: (brought, how) => props.bringIn(brought.doc, how) }}
          />
        </span>
      </div>
      <PictureField editor={editor} sending={sending} />
      <ClipField editor={editor} />
      <SendingList sending={sending} />
      {recording ? (
        <Recorder
          course={course}
          close={() => setRecording(false)}
          put={(file, called) => {
            sending.putClip(file, called);
            setRecording(false);
          }}
        />
      ) : null}
    </>
  );
}
