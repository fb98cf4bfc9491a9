'use client';

import { useEffect, useRef, useState, type ClipboardEvent, type DragEvent, type ReactNode } from 'react';

import { takeShared, type Pasted } from './shared-here';

export const ACCEPTED =
  '.txt,.md,.markdown,.html,.htm,.mht,.mhtml,.eml,.docx,.odt,.rtf,.epub,.pdf,.ics,text/plain,text/html,text/calendar,message/rfc822,application/pdf';

/** A form into which a page is brought: pasted as text with its form, or dropped as a file. */
export function DropFields(props: {
  action: string;
  label: string;
  rows: number;
  placeholder?: string;
  /** What stands in the field at first. */
  begun?: string;
  /** Hears what stands in the field. */
  onText?: (pasted: Pasted) => void;
  above?: ReactNode;
  /** Under the field. */
  under?: ReactNode;
  files?: string;
  children: ReactNode;
}) {
  const [{ text, html }, set] = useState<Pasted>({ text: props.begun ?? '', html: '' });
  const [over, setOver] = useState(false);
  const files = useRef<HTMLInputElement>(null);
  const put = (pasted: Pasted) => {
    set(pasted);
    props.onText?.(pasted);
  };
  const putOnce = useRef(put);
  useEffect(() => {
    void takeShared()
      .catch(() => null)
      .then((shared) => {
        if (!shared) return;
        if (shared.pasted.text) putOnce.current(shared.pasted);
        if (!shared.files.length || !files.current) return;
        const all = new DataTransfer();
        shared.files.forEach((file) => all.items.add(file));
        files.current.files = all.files;
      });
  }, []);
  const paste = (e: ClipboardEvent<HTMLTextAreaElement>) => {
    // Only a whole paste has a form of its own; what is pasted into other text is a part of that.
    const rich = e.clipboardData.getData('text/html');
    const whole = e.currentTarget.selectionEnd - e.currentTarget.selectionStart === text.length;
    if (!rich || !whole) return;
    e.preventDefault();
    put({ text: e.clipboardData.getData('text/plain'), html: rich });
  };
  const drop = (e: DragEvent) => {
    e.preventDefault();
    setOver(false);
    const { dataTransfer } = e;
    if (files.current && dataTransfer.files.length) files.current.files = dataTransfer.files;
    else if (dataTransfer.getData('text/plain'))
      put({ text: dataTransfer.getData('text/plain'), html: dataTransfer.getData('text/html') });
  };
  return (
    <form
      action={props.action}
      method="post"
      encType="multipart/form-data"
      onDragOver={(e) => {
        e.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={drop}
      className={`plate grid gap-4 px-5 py-5 ${over ? 'outline-3 outline-sky' : ''}`}
    >
      {props.above}
      <label className="grid gap-1 font-semibold">
        {props.label}
        <textarea
          name="text"
          rows={props.rows}
          value={text}
          onPaste={paste}
          onChange={(e) => put({ text: e.target.value, html: '' })}
          placeholder={props.placeholder}
          className="field font-serif text-[15.5px] leading-relaxed font-normal"
        />
      </label>
      <input type="hidden" name="html" value={html} />
      {props.under}
      <label className="grid gap-1 font-semibold">
        {props.files ?? 'Or a file: the saved page, a mail, a PDF or a text'}
        <input ref={files} className="field font-normal" type="file" name="file" multiple accept={ACCEPTED} />
        <span className="text-[12.5px] font-normal text-ink-2">
          Files can be dropped anywhere on this page’s form. Nothing in them is run.
        </span>
      </label>
      {props.children}
    </form>
  );
}
