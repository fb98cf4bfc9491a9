import type { Editor } from '@tiptap/core';
import { TextSelection } from '@tiptap/pm/state';
import { answersIn } from './editor/put-text';
import { useEffectEvent, useLayoutEffect, useRef, useState, type RefObject } from 'react';

/** Where in the plain form one was typing: in the title, or in which of its texts. */
type Typing = { in: 'title'; start: number; end: number } | { in: 'text'; n: number };

function typingIn(form: HTMLFormElement): Typing | null {
  const field = document.activeElement;
  if (field instanceof HTMLInputElement && field.name === 'title' && field.form === form)
    return { in: 'title', start: field.selectionStart ?? 0, end: field.selectionEnd ?? 0 };
  const n = [...form.querySelectorAll('textarea[name=text]')].findIndex((f) => f === field);
  return n < 0 ? null : { in: 'text', n };
}

/** Puts the cursor where one was typing: the next key is there already. */
function goOnTyping(editor: Editor, typing: Typing) {
  const { view } = editor;
  if (typing.in === 'title') {
    const title = view.dom.closest('[data-writing]')?.querySelector<HTMLTextAreaElement>('[data-title]');
    title?.focus();
    title?.setSelectionRange(typing.start, typing.end);
    return;
  }
  const { doc } = view.state;
  const at = TextSelection.near(doc.resolve(answersIn(doc)[typing.n]?.to ?? doc.content.size), -1);
  view.dispatch(view.state.tr.setSelection(at));
  view.focus();
}

/**
 * The editor once it may take the plain form's place: not while a button of that is held down, for then the press would end on
 * nothing and do nothing. A press that ends on its button is the form's, which shares or keeps as it does without scripts. What stands in the
 * form is asked for in the moment in which it goes, and whoever is typing there types on in the editor.
 */
export function useTakeOver(
  editor: Editor | null,
  form: RefObject<HTMLFormElement | null>,
  goes: (form: HTMLFormElement) => void,
): Editor | null {
  const [taken, setTaken] = useState(false);
  const typing = useRef<Typing | null>(null);
  const tell = useEffectEvent(goes);
  useLayoutEffect(() => {
    if (!editor) return;
    const take = () => {
      if (form.current) {
        typing.current = typingIn(form.current);
        tell(form.current);
      }
      setTaken(true);
    };
    if (!form.current?.querySelector('button:active')) {
      take();
      return;
    }
    // The click comes after the pointer is up, and is heard first.
    const stop = new AbortController();
    const up = () => void setTimeout(take);
    addEventListener('pointerup', up, { signal: stop.signal });
    addEventListener('pointercancel', up, { signal: stop.signal });
    return () => stop.abort();
  }, [editor, form]);
  useLayoutEffect(() => {
    if (!editor || !taken || !typing.current) return;
    goOnTyping(editor, typing.current);
    typing.current = null;
  }, [editor, taken]);
  return taken ? editor : null;
}
