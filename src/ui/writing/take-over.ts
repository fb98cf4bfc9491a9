import type { Editor } from '@tiptap/core';
import { useEffectEvent, useLayoutEffect, useState, type RefObject } from 'react';

/**
 * The editor once it may take the plain form's place: not while a button of that is held down, for then the press would end on
 * nothing and do nothing. A press that ends on its button is the form's, which shares or keeps as it does without scripts. What stands in the
 * form is asked for in the moment in which it goes: until then one may be typing.
 */
export function useTakeOver(
  editor: Editor | null,
  form: RefObject<HTMLFormElement | null>,
  goes: (form: HTMLFormElement) => void,
): Editor | null {
  const [taken, setTaken] = useState(false);
  const tell = useEffectEvent(goes);
  useLayoutEffect(() => {
    if (!editor) return;
    const take = () => {
      if (form.current) tell(form.current);
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
  return taken ? editor : null;
}
