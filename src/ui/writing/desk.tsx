'use client';

import type { Part } from '@/core/brief/brief';
import { LIMITS } from '@/core/document/limits';
import { EditorContent } from '@tiptap/react';
import { useState, useSyncExternalStore, type ReactNode, type Ref } from 'react';
import { LeftOutLine, SendingList } from '../attachments/sending-list';
import { Recorder } from '../clips/recorder';
import { ProofreadPanel } from '../proofread/panel';
import { TextMenu } from '../formats/text-menu';
import { HistoryDialog } from '../history/history-dialog';
import { DocumentView } from '../document/document-view';
import { SourceShelf } from '../sources/shelf';
import { RECORDER_OPEN } from '../words/clips';
import { shareFailureText } from '../words/failures';
import { CheckFooting } from './check-footing';
import { HandOver } from './hand-over';
import { KeepingLine } from './keeping-line';
import { OtherWindow } from './other-window';
import { PlainForm, type PlainTarget } from './plain-form';
import { NameList } from './editor/name-list';
import { ClipField } from './editor/clip-field';
import { PictureField } from './editor/picture-field';
import { Preview } from './preview';
import { SubstanceFooting } from './substance-footing';
import { Toolbar } from './editor/toolbar';
import { useWide } from './use-wide';
import type { OpenDraft } from '@/contract/discussion';
import type { Place } from './draft-keeper';
import type { ShareState } from './use-share';
import type { WritingState } from './use-writing';

/**
 * The page one writes on: tools, title, text, checks, and what sharing will do. Response and reply differ in what
 * stands above the text and beside the button; both use this.
 */
export function Desk({
  form,
  ...props
}: {
  writing: Omit<WritingState, 'form'>;
  form: Ref<HTMLFormElement>;
  place: Place;
  draft: OpenDraft;
  parts: Part[];
  share: ShareState;
  zone: string;
  withTitle: boolean;
  /** What stands in the title as long as nothing does. */
  titleHint?: string;
  /** Who writes, and whether that is one of the staff. */
  author: string;
  staff: boolean;
  label: string;
  /** Why sharing is not possible now; the draft is still kept. */
  refused: string | null;
  above?: ReactNode;
  /** What the text would count as if it were shared now. */
  forecast: ReactNode;
  buttons: ReactNode;
  /** What the button of the form without scripts says; null where there is no such form. */
  plainButton: string | null;
  /** Where that form is sent, where not to the posts of the discussion. */
  plainTo?: PlainTarget;
  /** Somebody whose course has staff: what cannot be shared can be handed to them. */
  handsOver?: boolean;
  /** The same: what a check means can be asked. */
  asksStaff?: boolean;
  /** The shared post that is changed. */
  change?: { post: number; n: number };
}) {
  const { writing, zone } = props;
  const { editor, keeper, title, live } = writing;
  const other = useSyncExternalStore(keeper.subscribe, keeper.other, keeper.other);
  // Which things are checked is the brief's and does not change while one writes.
  const checked = live.figures().checks.length > 0;
  const [wide, setWide] = useWide();
  const [proofreading, setProofreading] = useState(false);
  const [recording, setRecording] = useState(false);
  const [titleCut, setTitleCut] = useState(false);
  if (!editor) {
    return (
      <>
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
  return (
    <>
      {props.above}
      <div className="flex flex-wrap items-center gap-x-3 border-b border-rule-soft px-3 py-1.5 sm:px-4">
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
          wide={wide}
          setWide={setWide}
        />
        <span className="ml-auto flex flex-wrap items-center justify-end gap-x-3 py-1">
          <KeepingLine keeper={keeper} zone={zone} restored={writing.restored} />
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
        </span>
      </div>
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
      <div
        className="flex min-h-[200px] grow flex-col overflow-auto px-4 py-4 sm:px-8"
        data-writing=""
        // The margins of the page are paper, too.
        onMouseDown={(e) => {
          if (
            e.target !== e.currentTarget ||
            e.clientX > e.currentTarget.clientWidth + e.currentTarget.getBoundingClientRect().left
          )
            return;
          e.preventDefault();
          editor.commands.focus(editor.isFocused ? null : 'end');
        }}
      >
        {props.withTitle ? (
          <textarea
            rows={1}
            aria-label="Title"
            data-title=""
            placeholder={props.titleHint ?? 'Title'}
            aria-describedby={titleCut ? 'title-cut' : undefined}
            value={title}
            onChange={(e) => {
              const typed = e.target.value.replace(/\n/gu, ' ');
              setTitleCut(typed.length > LIMITS.titleLength);
              writing.rename(typed.slice(0, LIMITS.titleLength));
            }}
            onKeyDown={(e) => {
              if (e.key !== 'Enter') return;
              e.preventDefault();
              editor.commands.focus('start');
            }}
            className="mb-3 block w-full resize-none [field-sizing:content] border-b border-dashed border-rule bg-transparent pb-2 font-serif text-[20px] font-semibold placeholder:text-ink-3"
          />
        ) : null}
        {titleCut ? (
          <p id="title-cut" role="status" className="mb-3 text-[12.5px] font-medium text-ochre-ink">
            A title has at most {LIMITS.titleLength} characters: what goes beyond is not taken.
          </p>
        ) : null}
        <EditorContent editor={editor} className="flex grow flex-col [&>.tiptap]:grow" />
        <NameList editor={editor} store={writing.names} />
      </div>
      {proofreading ? (
        <ProofreadPanel
          slug={props.place.slug}
          parts={props.parts}
          editor={editor}
          text={writing.text}
          live={live}
          staff={props.staff}
          close={() => {
            setProofreading(false);
            editor.commands.focus();
          }}
        />
      ) : null}
      {live.judges() ? (
        <div className="border-t border-rule bg-page-2 px-4 pt-2.5 pb-1">
          <SubstanceFooting live={live} selected={writing.selected} select={writing.select} />
        </div>
      ) : null}
      {/* On a phone the checks and the button stay in sight, as long as the keyboard leaves room for words as well. */}
      <div className="bg-page-2 max-lg:tall:sticky max-lg:tall:bottom-12 max-lg:tall:z-20">
        {checked ? (
          <div className="border-t border-rule bg-page-2 px-4 pt-2.5 pb-1">
            <CheckFooting
              live={live}
              selected={writing.selected}
              select={writing.select}
              ask={props.asksStaff ? { course: props.place.course, slug: props.place.slug } : null}
            />
          </div>
        ) : null}
        <div
          className={`bg-page-2 px-4 pt-1 pb-2.5 lg:rounded-br-plate ${checked ? '' : 'border-t border-rule'}`}
        >
          {props.share.state === 'failed' ? (
            <p role="alert" className="mt-2 rounded-control bg-brick-tint px-3 py-2 font-medium">
              {shareFailureText(props.share.failure, zone)}
            </p>
          ) : null}
          {props.handsOver && (props.refused !== null || props.share.state === 'failed') ? (
            <HandOver place={props.place} text={writing.text} />
          ) : null}
          <div className="mt-2 flex flex-wrap items-center gap-2">
            <p className="grow basis-[300px] text-[13px] text-ink-2 max-sm:line-clamp-2" aria-live="polite">
              <LeftOutLine sending={writing.sending} />
              {recording ? `${RECORDER_OPEN} ` : ''}
              {props.refused ?? props.forecast}
            </p>
            {
              <div className="ml-auto flex flex-wrap justify-end gap-2 max-sm:[&_.btn]:!px-2 max-sm:[&_.btn]:!text-[12.5px]">
                <button
                  type="button"
                  className="btn"
                  aria-expanded={proofreading}
                  onClick={() => setProofreading(!proofreading)}
                >
                  Proofread
                </button>
                <SourceShelf slug={props.place.slug} editor={editor} />
                <Preview text={writing.text} author={props.author} kind={props.place.kind} />
                {props.refused ? null : props.buttons}
              </div>
            }
          </div>
        </div>
      </div>
    </>
  );
}
