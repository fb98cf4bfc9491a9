'use client';

import { keyAt } from '@/contract/addresses';
import { useEffect, useRef } from 'react';

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
      <label className="grid gap-1 font-semibold">
        {props.what}
        <input
          className="field font-normal"
          name="key"
          required
          autoComplete="off"
          spellCheck={false}
          aria-describedby="key-hint"
        />
        <span id="key-hint" className="text-[12.5px] font-normal text-ink-2">
          The part of the address behind the sign #. If the link was opened, it is filled in for you.
        </span>
      </label>
      <button type="submit" className="btn go justify-self-start">
        Open
      </button>
    </form>
  );
}
