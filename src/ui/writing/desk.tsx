'use client';

import { ChevronDown } from 'lucide-react';
import { useEffect, useState, useSyncExternalStore, type Ref } from 'react';
import { SendingList } from '../attachments/sending-list';
import { Recorder } from '../clips/recorder';
import { ProofreadPanel } from '../proofread/panel';
import { TextMenu } from '../formats/text-menu';
import { HistoryDialog } from '../history/history-dialog';
import { DocumentView } from '../document/document-view';
import { PullDown } from '../discussion/facing-pages';
import { useNarrow } from '../frame/use-narrow';
import type { DeskProps } from './desk-props';
import { Foot } from './foot';
import { HandOver } from './hand-over';
import { KeepingLine } from './keeping-line';
import { OtherWindow } from './other-window';
import { PlainForm } from './plain-form';
import { ClipField } from './editor/clip-field';
import { Paper } from './paper';
import { PictureField } from './editor/picture-field';
import { Toolbar } from './editor/toolbar';
import { useKeyboard } from './use-keyboard';
import { useWide } from './use-wide';

/** How much of the page the head and the foot lie over on a phone, in pixels. */
const OVER = { top: 100, bottom: 150, left: 5, right: 5 };

/**
 * The page one writes on: tools, title, text, checks, and what sharing will do. Response and reply differ in what
 * stands above the text and beside the button; both use this.
 */
export function Desk({ form, ...props }: DeskProps & { form: Ref<HTMLFormElement> }) {
  const { writing, zone } = props;
  const { editor, keeper, title } = writing;
  const narrow = useNarrow();
  useKeyboard();
  useEffect(() => {
    // What is written stays clear of the head and of the foot, which lie over the page on a phone.
    const clear = narrow ? OVER : 0;
    editor?.setOptions({
      editorProps: { ...editor.options.editorProps, scrollMargin: clear || 5, scrollThreshold: clear },
    });
  }, [editor, narrow]);
  const other = useSyncExternalStore(keeper.subscribe, keeper.other, keeper.other);
  const [wide, setWide] = useWide();
  const [proofreading, setProofreading] = useState(false);
  const [recording, setRecording] = useState(false);
  if (!editor) {
    return (
      <>
        {props.needs}
        {props.above}
        {props.refused ? (
          <p className="m-4 rounded-control bg-ochre-tint px-3 py-2 font-medium">{props.refused}</p>
        ) : null}
        {props.refused && props.handsOver ? (
          <div className="mx-4">
            <HandOver place={props.place} />
          </div>
        ) : null}
        {props.plainButton === null ? (
          <div className="grow overflow-auto px-4 py-4 sm:px-8" tabIndex={0}>
            <DocumentView doc={props.draft.doc} />
          </div>
        ) : null}
        {props.plainButton === null ? null : (
          <PlainForm
            ref={form}
            slug={props.place.slug}
            kind={props.place.kind}
            parent={props.place.parent}
            draft={props.draft}
            parts={props.parts}
            withTitle={props.withTitle}
            disabled={props.refused !== null}
            button={props.plainButton}
            change={props.change}
            to={props.plainTo}
          />
        )}
      </>
    );
  }
  const tools = (
    <Toolbar
      editor={editor}
      parts={props.parts}
      label={`Tools for ${props.label.toLowerCase()}`}
      sending={writing.sending}
      formula={writing.formula}
      setFormula={writing.setFormula}
      note={writing.note}
      setNote={writing.setNote}
      recording={recording}
      setRecording={setRecording}
      thumb={narrow}
      end={
        <PullDown className="inline-flex min-h-11 grow items-center justify-center gap-1 px-1 text-[12.5px] font-semibold text-ink-2">
          {props.place.kind === 'reply' ? 'Post' : 'Prompt'} <ChevronDown size={14} aria-hidden />
        </PullDown>
      }
      wide={wide}
      setWide={setWide}
    />
  );
  const keeping = <KeepingLine keeper={keeper} zone={zone} restored={writing.restored} />;
  const ways = (
    <>
      <HistoryDialog
        place={props.place}
        zone={zone}
        now={writing.text}
        restore={(version) => void writing.restore(version)}
      />
      <TextMenu
        text={writing.text}
        name={title || props.label}
        by={props.author}
        into={{
          course: props.place.course,
          discussion: props.place.slug,
          take: (brought, how) => void writing.bringIn(brought, how),
        }}
      />
    </>
  );
  return (
    <>
      {narrow ? null : props.needs}
      {props.above}
      {narrow ? null : (
        <div className="flex flex-wrap items-center gap-x-3 border-b border-rule-soft px-3 py-1.5 sm:px-4">
          {tools}
          <span className="ml-auto flex flex-wrap items-center justify-end gap-x-3 py-1">
            {keeping}
            {ways}
          </span>
        </div>
      )}
      <PictureField editor={editor} sending={writing.sending} />
      <ClipField editor={editor} />
      <SendingList sending={writing.sending} />
      {recording ? (
        <Recorder
          course={props.place.course}
          close={() => setRecording(false)}
          put={(file, called) => {
            writing.sending.putClip(file, called);
            setRecording(false);
          }}
        />
      ) : null}
      {other ? (
        <OtherWindow
          other={other}
          mine={writing.text()}
          zone={zone}
          takeMine={() => void keeper.takeMine()}
          takeTheirs={() => void writing.takeOther()}
          takeBoth={() => void writing.takeBoth()}
        />
      ) : null}
      <Paper writing={writing} editor={editor} withTitle={props.withTitle} titleHint={props.titleHint} />
      {proofreading ? (
        <ProofreadPanel
          slug={props.place.slug}
          parts={props.parts}
          editor={editor}
          text={writing.text}
          live={writing.live}
          staff={props.staff}
          close={() => {
            setProofreading(false);
            editor.commands.focus();
          }}
        />
      ) : null}
      {/* On a phone it stays in sight, over the keyboard. */}
      <div className="bg-page-2 max-lg:sticky max-lg:bottom-[var(--keyboard,0px)] max-lg:z-20" data-foot="">
        <Foot
          desk={props}
          editor={editor}
          narrow={narrow}
          keeping={keeping}
          ways={ways}
          recording={recording}
          proofreading={proofreading}
          proofread={() => setProofreading(!proofreading)}
        />
        {narrow ? <div className="border-t border-rule-soft">{tools}</div> : null}
      </div>
    </>
  );
}
