'use client';

import { keyAt } from '@/contract/addresses';
import { useEffect, useRef } from 'react';
import { TextField } from './fields';

/**
 * Hands the key of a link over. It stands behind the `#` of the address, where no server and no log sees it; scripts take it from
 * there at once, and without them it can be pasted.
 */
export function KeyGate(props: { purpose: string; what: string }) {
  const form = useRef<HTMLFormElement>(null);
  useEffect(() => {
    const key = location.hash.slice(1);
    const field = form.current?.elements.namedItem('key');
    if (!key || !(field instanceof HTMLInputElement)) return;
    field.value = key;
    // It is in the field now: neither the history nor the next page has to know it.
    history.replaceState(null, '', location.pathname);
    form.current?.requestSubmit();
  }, []);
  return (
    <form ref={form} action={keyAt(props.purpose)} method="post" className="grid gap-3">
      <TextField
        label={props.what}
        name="key"
        required
        autoComplete="off"
        spellCheck={false}
        hint="The part of the address behind the sign #. If the link was opened, it is filled in for you."
      />
      <button type="submit" className="btn go justify-self-start">
        Open
      </button>
    </form>
  );
}
