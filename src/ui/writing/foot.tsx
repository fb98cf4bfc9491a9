'use client';

import { useId, useState, type ReactNode } from 'react';
import { LeftOutLine } from '../attachments/sending-list';
import { SourceShelf } from '../sources/shelf';
import { RECORDER_OPEN } from '../words/clips';
import { shareFailureText } from '../words/failures';
import { CheckFooting } from './check-footing';
import type { DeskProps } from './desk-props';
import { GistLine } from './gist-line';
import { HandOver } from './hand-over';
import { Preview } from './preview';
import { WaitsForNetwork } from './waits-for-network';
import { SubstanceFooting } from './substance-footing';

/**
 * The foot of the page one writes on: the checks, what the text would count as, and the buttons. On a phone, and under a reply, all of it but the
 * button that shares is one line, which opens.
 */
export function Foot(props: {
  desk: DeskProps;
  editor: NonNullable<DeskProps['writing']['editor']>;
  narrow: boolean;
  /** The line where the words are kept, and the ways to earlier versions and other formats, where they have no place above the text. */
  keeping: ReactNode;
  ways: ReactNode;
  recording: boolean;
  proofreading: boolean;
  proofread: () => void;
}) {
  const { desk, narrow } = props;
  const { writing, place, share } = desk;
  const { live } = writing;
  const folds = narrow || place.kind === 'reply';
  const [opened, setOpened] = useState(false);
  const open = opened || !folds;
  const panel = useId();
  // Which things are checked is the brief's and does not change while one writes.
  const checked = live.figures().checks.length > 0;
  const asked = desk.asksStaff ? { course: place.course, slug: place.slug } : null;
  const waits =
    (share.state === 'failed' && share.failure.code === 'no-answer') ||
    (share.state === 'sharing' && share.again === true);
  const others = (
    <>
      <button
        type="button"
        className="btn"
        aria-expanded={props.proofreading}
        onClick={() => {
          props.proofread();
          setOpened(false);
        }}
      >
        Proofread
      </button>
      <SourceShelf slug={place.slug} editor={props.editor} />
      <Preview text={writing.text} author={desk.author} kind={place.kind} />
    </>
  );
  const forecast = (
    <p className="grow basis-[300px] text-[13px] text-ink-2" aria-live="polite">
      {desk.forecast}
    </p>
  );
  const stands = (
    <>
      <LeftOutLine sending={writing.sending} />
      {props.recording ? `${RECORDER_OPEN} ` : ''}
      {desk.refused ?? (desk.warns ? desk.forecast : '')}
    </>
  );
  return (
    <>
      {open ? (
        <div
          id={panel}
          className={`grid grid-cols-[minmax(0,1fr)] gap-2.5 border-t border-rule px-4 pt-2.5 pb-1 ${folds ? 'max-h-[46dvh] overflow-auto' : ''}`}
        >
          {narrow ? desk.needs : null}
          {live.judges() ? (
            <SubstanceFooting live={live} selected={writing.selected} select={writing.select} />
          ) : null}
          {checked ? (
            <CheckFooting live={live} selected={writing.selected} select={writing.select} ask={asked} />
          ) : null}
          {folds ? (
            <>
              {desk.refused !== null || desk.warns ? null : forecast}
              <div className="flex flex-wrap items-center gap-2 pb-1.5">
                {others}
                {desk.refused ? null : desk.buttons}
                {narrow ? props.ways : null}
              </div>
            </>
          ) : null}
        </div>
      ) : null}
      <div className={`px-4 py-2 lg:rounded-br-plate ${open && !folds ? 'pt-1' : 'border-t border-rule'}`}>
        {waits && desk.waits ? (
          <WaitsForNetwork editor={props.editor} {...desk.waits} />
        ) : share.state === 'failed' ? (
          <p role="alert" className="mb-2 rounded-control bg-brick-tint px-3 py-2 font-medium">
            {shareFailureText(share.failure, desk.zone)}
          </p>
        ) : null}
        {desk.handsOver && (desk.refused !== null || share.state === 'failed') ? (
          <HandOver place={place} text={writing.text} />
        ) : null}
        {folds ? (
          <>
            <p className="text-[13px] text-ink-2" aria-live="polite">
              {stands}
            </p>
            <div className="flex items-center gap-2.5">
              <div className="min-w-0 grow">
                <GistLine live={live} open={open} panel={panel} toggle={() => setOpened(!opened)} />
                {narrow ? props.keeping : null}
              </div>
              {desk.refused ? null : desk.go}
            </div>
          </>
        ) : (
          <div className="mt-1 flex flex-wrap items-center gap-2">
            <p className="grow basis-[300px] text-[13px] text-ink-2" aria-live="polite">
              {stands}
              {desk.refused !== null || desk.warns ? null : desk.forecast}
            </p>
            <div className="ml-auto flex flex-wrap justify-end gap-2">
              {others}
              {desk.refused ? null : (
                <>
                  {desk.buttons}
                  {desk.go}
                </>
              )}
            </div>
          </div>
        )}
      </div>
    </>
  );
}
