'use client';

import { FileText } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { useCallback, useRef, useState } from 'react';
import type { BroughtIn } from '@/contract/files';
import { notHeldBy, type Left } from '@/core/formats/left-behind';
import { notHeldText } from '../words/left-behind';
import { ConfirmShare } from '../writing/confirm-share';
import { BringIn, type Into } from './bring-in';
import { PrintSheet, type Paper } from './print-sheet';
import { FORMAT_NAMES, saveText, type Format, type Text } from './save-text';
import { moveAtOnce } from '../frame/move-at-once';

const PAPERS: Record<Paper, string> = { A4: 'Print on A4', letter: 'Print on Letter' };
const TAKEN = '.docx,.odt,.rtf,.epub,.md,.markdown,.html,.htm,.txt';

/** The way of a text in from a word processor and out to one, and onto paper. */
export function TextMenu(props: {
  text: () => Text;
  /** What the file is to be called, and whose text it is. */
  name: string;
  by: string;
  /** Where a text may be brought in, and what becomes of it. */
  into?: Into & { take: (brought: BroughtIn, how: 'instead' | 'below') => void };
}) {
  const { into } = props;
  const chooser = useRef<HTMLInputElement>(null);
  const [said, setSaid] = useState<string | null>(null);
  const [sheet, setSheet] = useState<{ text: Text; paper: Paper } | null>(null);
  const [file, setFile] = useState<File | null>(null);
  const [asked, setAsked] = useState<{ format: Format; text: Text; left: Left[] } | null>(null);
  const printed = useCallback(() => setSheet(null), []);

  const save = async (format: Format, text: Text) => {
    setSaid('Making the file…');
    const there = await saveText(text, format, props.name);
    setSaid(there ? 'Saved.' : 'Pulpit did not answer, so there is no file. Your text is kept; try again.');
  };
  /** What a file of the format cannot hold is said before there is one. */
  const choose = (format: Format) => {
    const text = props.text();
    const left = notHeldBy(format, text.doc);
    if (left.length) setAsked({ format, text, left });
    else void save(format, text);
  };
  return (
    <>
      <span role="status" className="text-[12.5px] text-ink-2">
        {said}
      </span>
      <DropdownMenu.Root>
        <DropdownMenu.Trigger className="link inline-flex min-h-6 items-center gap-1 text-[12.5px]">
          <FileText size={14} aria-hidden /> {into ? 'In and out' : 'Save or print'}
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content
            onKeyDownCapture={moveAtOnce('down')}
            sideOffset={4}
            align="end"
            className="z-50 min-w-56 rounded-control border border-rule bg-page p-1 text-[13.5px]"
          >
            {into ? (
              <>
                <DropdownMenu.Item className="menu-item" onSelect={() => chooser.current?.click()}>
                  Bring in a text from a file…
                </DropdownMenu.Item>
                <DropdownMenu.Separator className="my-1 border-t border-rule-soft" />
              </>
            ) : null}
            {(Object.keys(FORMAT_NAMES) as Format[]).map((format) => (
              <DropdownMenu.Item key={format} className="menu-item" onSelect={() => choose(format)}>
                {FORMAT_NAMES[format]}
              </DropdownMenu.Item>
            ))}
            <DropdownMenu.Separator className="my-1 border-t border-rule-soft" />
            {(Object.keys(PAPERS) as Paper[]).map((paper) => (
              <DropdownMenu.Item
                key={paper}
                className="menu-item"
                onSelect={() => setSheet({ text: props.text(), paper })}
              >
                {PAPERS[paper]}
              </DropdownMenu.Item>
            ))}
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
      {into ? (
        <>
          <input
            ref={chooser}
            type="file"
            hidden
            accept={TAKEN}
            aria-label="A text from a file"
            onChange={(e) => {
              setFile(e.target.files?.[0] ?? null);
              // The same file can be chosen again.
              e.target.value = '';
            }}
          />
          {file ? (
            <BringIn
              key={`${file.name} ${file.lastModified}`}
              file={file}
              into={into}
              now={props.text}
              take={into.take}
              close={() => setFile(null)}
            />
          ) : null}
        </>
      ) : null}
      <ConfirmShare
        open={asked !== null}
        close={() => setAsked(null)}
        title="What this file does not hold"
        go="Save it all the same"
        cancel="Do not save"
        onGo={() => void (asked && save(asked.format, asked.text))}
      >
        <ul className="grid list-disc gap-1 pl-5">
          {(asked?.left ?? []).map((l) => (
            <li key={l.kind} className="min-w-0 break-words">
              {notHeldText(l)}
            </li>
          ))}
        </ul>
      </ConfirmShare>
      {sheet ? <PrintSheet text={sheet.text} paper={sheet.paper} by={props.by} done={printed} /> : null}
    </>
  );
}
