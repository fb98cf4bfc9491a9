'use client';

import { LIMITS, safeHref } from '@/core/document/limits';
import type { Editor } from '@tiptap/core';
import { useDeferredValue, useState } from 'react';
import { MathText } from '../../math/math';

/** Where a link leads; asked for in the bar itself, so that nothing covers the text. */
export function LinkField({ editor, close }: { editor: Editor; close: () => void }) {
  const [href, setHref] = useState(String(editor.getAttributes('link').href ?? ''));
  const [refused, setRefused] = useState(false);
  const set = () => {
    const text = href.trim();
    const address = text && !/^[a-z][a-z+.-]*:/iu.test(text) ? `https://${text}` : text;
    if (address && !safeHref.safeParse(address).success) return setRefused(true);
    const run = editor.chain().focus().extendMarkRange('link');
    if (!address) run.unsetLink().run();
    else if (editor.state.selection.empty && !editor.isActive('link')) {
      run.insertContent({ type: 'text', text, marks: [{ type: 'link', attrs: { href: address } }] }).run();
    } else run.setLink({ href: address }).run();
    close();
  };
  return (
    <span className="flex w-full flex-wrap items-center gap-2 pt-1">
      <label className="sr-only" htmlFor="link-address">
        Address of the link
      </label>
      <input
        id="link-address"
        className="field grow basis-60"
        aria-invalid={refused}
        aria-describedby={refused ? 'link-refused' : undefined}
        autoFocus
        placeholder="https://… (empty takes the link away)"
        value={href}
        onChange={(e) => {
          setHref(e.target.value);
          setRefused(false);
        }}
        onKeyDown={(e) => {
          if (e.key === 'Enter') {
            e.preventDefault();
            set();
          } else if (e.key === 'Escape') {
            e.stopPropagation();
            close();
            editor.commands.focus();
          }
        }}
      />
      <button type="button" className="btn" onClick={set}>
        Set link
      </button>
      {refused ? (
        <span id="link-refused" role="alert" className="w-full text-[12.5px] font-medium text-brick">
          This is not an address that can be a link: it begins with https://, http:// or mailto: and holds no
          blanks. Nothing was changed.
        </span>
      ) : null}
    </span>
  );
}

export type NoteAsked = { pos: number | null; text: string };
/** Opens a note of the text for changing, or an empty one. */
export type OpenNote = (note: NoteAsked) => void;

/** The words of a note at the foot of the text. */
export function NoteField(props: { editor: Editor; asked: NoteAsked; close: () => void }) {
  const { editor, asked } = props;
  const [text, setText] = useState(asked.text);
  const set = () => {
    const said = text.trim();
    const chain = editor.chain().focus();
    const at = asked.pos;
    if (at === null) {
      if (said) chain.insertContent({ type: 'note', attrs: { text: said } }).run();
    } else if (said === '') chain.deleteRange({ from: at, to: at + 1 }).run();
    else chain.command(({ tr }) => Boolean(tr.setNodeAttribute(at, 'text', said))).run();
    props.close();
  };
  return (
    <div className="flex w-full flex-wrap items-end gap-2 pt-1">
      <label className="grid grow basis-60 gap-0.5 text-[12.5px] font-semibold">
        Note at the foot of the text
        <textarea
          className="field [field-sizing:content] max-h-40 font-normal"
          rows={2}
          autoFocus
          maxLength={LIMITS.noteLength}
          value={text}
          onChange={(e) => setText(e.target.value.replace(/\n/gu, ' '))}
          onKeyDown={(e) => {
            if (e.key === 'Enter') {
              e.preventDefault();
              set();
            } else if (e.key === 'Escape') {
              e.stopPropagation();
              props.close();
              editor.commands.focus();
            }
          }}
        />
      </label>
      <button type="button" className="btn" onClick={set}>
        {asked.pos === null ? 'Put it in' : text.trim() ? 'Change it' : 'Take it out'}
      </button>
    </div>
  );
}

/** Whether a formula can be set. Where that cannot be loaded it is taken as it is, as its readers will see it. */
const canBeSet = (latex: string, ownLine: boolean) =>
  import('../../math/styled').then(
    ({ typeset }) => typeset(latex, ownLine) !== null,
    () => true,
  );

export type FormulaAsked = { pos: number | null; latex: string; ownLine: boolean };

/** A formula being written, with how it will look beneath. */
export function FormulaField(props: { editor: Editor; asked: FormulaAsked; close: () => void }) {
  const { editor, asked } = props;
  const [latex, setLatex] = useState(asked.latex);
  const [ownLine, setOwnLine] = useState(asked.ownLine);
  const shown = useDeferredValue(latex.trim());
  const [broken, setBroken] = useState(false);
  const set = async () => {
    const text = latex.trim();
    if (text && !(await canBeSet(text, ownLine))) return setBroken(true);
    const chain = editor.chain().focus();
    const at = asked.pos;
    const node = { type: ownLine ? 'blockMath' : 'inlineMath', attrs: { latex: text } };
    if (at === null) {
      // A line to go on in, or the next thing put in would take the formula's place.
      if (text) chain.insertContent(ownLine ? [node, { type: 'paragraph' }] : node).run();
    } else if (text === '') chain.deleteRange({ from: at, to: at + 1 }).run();
    else if (ownLine === asked.ownLine) {
      chain.command(({ tr }) => Boolean(tr.setNodeAttribute(at, 'latex', text))).run();
    } else
      chain
        .deleteRange({ from: at, to: at + 1 })
        .insertContentAt(at, node)
        .run();
    props.close();
  };
  return (
    <div className="w-full space-y-1.5 pt-1">
      <div className="flex flex-wrap items-center gap-2">
        <label className="sr-only" htmlFor="formula">
          Formula in LaTeX
        </label>
        <input
          id="formula"
          className="field grow basis-60 font-mono"
          autoFocus
          maxLength={LIMITS.latexLength}
          placeholder="LaTeX, for example Q = \frac{1}{n} A R^{2/3}"
          value={latex}
          aria-invalid={broken}
          aria-describedby={broken ? 'formula-broken' : undefined}
          onChange={(e) => {
            setLatex(e.target.value);
            setBroken(false);
          }}
          onKeyDown={(e) => {
            if (e.key === 'Enter') {
              e.preventDefault();
              void set();
            } else if (e.key === 'Escape') {
              e.stopPropagation();
              props.close();
              editor.commands.focus();
            }
          }}
        />
        <label className="flex min-h-8 items-center gap-1.5 text-[13px]">
          <input type="checkbox" checked={ownLine} onChange={(e) => setOwnLine(e.target.checked)} /> on a line
          of its own
        </label>
        <button type="button" className="btn" onClick={() => void set()}>
          {asked.pos === null ? 'Put it in' : latex.trim() ? 'Change it' : 'Take it out'}
        </button>
      </div>
      {broken ? (
        <p id="formula-broken" role="alert" className="text-[12.5px] font-medium text-brick">
          This formula cannot be set as it stands, so it was not put in: most often a bracket is left open or
          a command is misspelt. What you typed is still here.
        </p>
      ) : null}
      <div
        className="text min-h-8 overflow-x-auto rounded-control bg-page-2 px-3 py-1.5"
        aria-label="Preview"
        role="group"
      >
        {shown ? (
          <MathText latex={shown} ownLine={ownLine} />
        ) : (
          <span className="text-ink-3">The formula appears here.</span>
        )}
      </div>
    </div>
  );
}
