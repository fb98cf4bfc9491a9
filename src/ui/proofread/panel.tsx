'use client';

import type { Part } from '@/core/brief/brief';
import type { Finding } from '@/core/proofread/finding';
import { findingKey } from '@/core/proofread/finding';
import type { Doc } from '@/core/document/nodes';
import type { Editor } from '@tiptap/core';
import { X } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { ReadAloud } from '../aloud/read-aloud';
import { useVoice } from '../aloud/use-voice';
import { plural } from '../words/plural';
import { findingName, findingText } from '../words/proofreading';
import { markEvidence } from '../writing/editor/evidence-marks';
import { versionOf, whereNow } from '../writing/editor/text-versions';
import type { LiveChecks } from '../writing/live-checks';
import { useLatest } from '../writing/use-checks';
import { useProofreading } from './use-proofreading';

const SMALL = 'btn !min-h-8 !px-2.5 !py-1 !text-[12.5px]';

function Item(props: {
  finding: Finding;
  staff: boolean;
  suggest: (word: string) => Promise<string[]>;
  jump: () => void;
  mend: (fix: string) => void;
  wave: () => void;
  learn: (forCourse: boolean) => void;
}) {
  const { finding: f } = props;
  const [suggested, setSuggested] = useState<string[] | null>(null);
  const fixes = f.kind === 'spelling' ? (suggested ?? []) : f.fixes;
  return (
    <li className="border-t border-rule-soft py-2 text-[13.5px]">
      <button type="button" className="w-full text-left hover:underline" onClick={props.jump}>
        <b>{findingName(f.kind)}.</b> {findingText(f)}
      </button>
      <span className="mt-1 flex flex-wrap gap-1.5">
        {f.kind === 'spelling' && suggested === null ? (
          <button
            type="button"
            className={SMALL}
            onClick={() => void props.suggest(f.text).then(setSuggested)}
          >
            Suggest
          </button>
        ) : null}
        {f.kind === 'spelling' && suggested?.length === 0 ? (
          <span className="self-center text-[12.5px] text-ink-2">Nothing is near it.</span>
        ) : null}
        {fixes.map((fix) => (
          <button key={fix} type="button" className={SMALL} onClick={() => props.mend(fix)}>
            {f.kind === 'unquoted' ? 'Put quotation marks around it' : fix}
          </button>
        ))}
        {f.kind === 'spelling' ? (
          <button type="button" className={SMALL} onClick={() => props.learn(false)}>
            It is right: learn it
          </button>
        ) : null}
        {f.kind === 'spelling' && props.staff ? (
          <button type="button" className={SMALL} onClick={() => props.learn(true)}>
            Right in this course
          </button>
        ) : null}
        <button type="button" className="link min-h-8 px-1 text-[12.5px]" onClick={props.wave}>
          Leave it<span className="sr-only">: {f.text || findingName(f.kind)}</span>
        </button>
      </span>
    </li>
  );
}

/** Puts a fix where a finding stands, if the words there are still those it was found in. */
function mend(editor: Editor, f: Finding, fix: string) {
  const { doc, tr } = editor.state;
  if (f.to > doc.content.size || doc.textBetween(f.from, f.to) !== f.text) return;
  // Marks of the words stay: quotation marks go around them, other fixes take their place.
  if (f.kind === 'unquoted') tr.insertText('”', f.to).insertText('“', f.from);
  else tr.insertText(fix, f.from, f.to);
  editor.view.dispatch(tr);
  editor.commands.focus();
}

/** What to look at before sharing: one list, each thing leads to its place, is mended with a press or left as it is. */
export function ProofreadPanel(props: {
  slug: string;
  parts: Part[];
  editor: Editor;
  text: () => { doc: Doc };
  live: LiveChecks;
  staff: boolean;
  close: () => void;
}) {
  const { editor } = props;
  // The checks' newest result is another one whenever the text is.
  const read = () => {
    const { selection } = editor.state;
    const caret = editor.isFocused && selection.empty ? selection.to : null;
    return { doc: props.text().doc, version: versionOf(editor.state), caret };
  };
  const p = useProofreading(props.slug, props.parts, read, useLatest(props.live));
  const [spoken] = useState(() => props.text().doc);
  const voice = useVoice(spoken);
  const { sentence } = voice;
  const [spokenVersion] = useState(() => versionOf(editor.state));
  useEffect(
    () => markEvidence(editor, sentence ? [sentence] : [], spokenVersion),
    [editor, sentence, spokenVersion],
  );

  /** A finding where its words stand by now, if they do. */
  const standing = (finding: Finding) => whereNow(editor.state, [finding], p.version)[0];
  const jump = (finding: Finding) => {
    const f = standing(finding);
    if (!f) return;
    markEvidence(editor, [{ from: f.from, to: f.to }], versionOf(editor.state));
    const chain = editor.chain().focus();
    if (f.kind === 'alt') chain.setNodeSelection(f.from).scrollIntoView().run();
    else if (f.kind === 'part')
      chain
        .setTextSelection(f.from + 2)
        .scrollIntoView()
        .run();
    else chain.setTextSelection({ from: f.from, to: f.to }).scrollIntoView().run();
  };
  const { looking, findings } = p;
  // What was pressed goes with its finding: whoever works by keyboard goes on from the head of the list.
  const section = useRef<HTMLElement>(null);
  // On a phone it opens above the checks, which may be out of sight.
  useEffect(() => section.current?.scrollIntoView({ block: 'nearest' }), []);
  const settle = (work: () => void) => {
    work();
    section.current?.focus();
  };
  return (
    <section
      ref={section}
      aria-label="Proofreading"
      className="max-h-[38dvh] shrink-0 overflow-auto border-t max-lg:scroll-mb-[230px] border-rule bg-page px-4 py-2.5 sm:px-5"
      tabIndex={0}
    >
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1.5">
        <h2 className="text-[15px]" aria-live="polite">
          {looking.state === 'looking'
            ? 'Reading it over…'
            : looking.state === 'failed'
              ? 'It could not be read over'
              : findings.length
                ? plural(findings.length, 'thing to look at', 'things to look at')
                : 'Nothing to look at'}
        </h2>
        <ReadAloud voice={voice} recording={null} what="your draft" />
        <label className="ml-auto flex items-center gap-1.5 text-[12.5px]">
          English
          <select
            className="field !min-h-8 !w-auto !py-0.5"
            value={p.spelling}
            onChange={(e) => p.speak(e.target.value as 'en-GB' | 'en-US')}
          >
            <option value="en-GB">British</option>
            <option value="en-US">American</option>
          </select>
        </label>
        <button type="button" className={SMALL} onClick={props.close} aria-label="Close proofreading">
          <X size={15} aria-hidden />
        </button>
      </div>
      {looking.state === 'failed' ? (
        <p className="mt-1 text-[13px]">
          Pulpit did not answer. Your text is kept; close this and try again when you are connected.
        </p>
      ) : null}
      {looking.state === 'found' && !looking.spelled ? (
        <p className="mt-1 text-[13px] text-ochre-ink">
          The dictionary could not be fetched: spelling was not looked at.
        </p>
      ) : null}
      {looking.state === 'found' && findings.length === 0 ? (
        <p className="mt-1 text-[13px] text-ink-2">
          Spelling, names, doubled words, quotation marks, links and questions are in order
          {p.waved ? `, but for ${plural(p.waved, 'thing', 'things')} you left as it is` : ''}.
        </p>
      ) : null}
      <ul className="mt-1">
        {findings.map((f) => (
          <Item
            key={`${findingKey(f)} ${f.from}`}
            finding={f}
            staff={props.staff}
            suggest={p.suggest}
            jump={() => jump(f)}
            mend={(fix) => {
              const now = standing(f);
              if (now) mend(editor, now, fix);
            }}
            wave={() => settle(() => p.wave(f))}
            learn={(forCourse) => settle(() => void p.learn(f.text, forCourse))}
          />
        ))}
      </ul>
    </section>
  );
}
