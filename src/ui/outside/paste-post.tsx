'use client';

import { conversationAt, pastedAt } from '@/contract/addresses';
import { WhenField } from '../frame/when-field';
import Link from 'next/link';
import { useState } from 'react';

/** The page on which a classmate's post is pasted in, so that it can be answered. */
export function PastePost(props: {
  slug: string;
  /** The post it answers, when it is a reply. */
  answers: { id: number; name: string } | null;
  names: string[];
}) {
  const { answers } = props;
  const [html, setHtml] = useState('');
  return (
    <section aria-labelledby="paste" className="plate px-5 py-5 lg:rounded-l-none">
      <h2 id="paste" className="text-[19px]">
        {answers ? `Paste a reply to ${answers.name}` : 'Paste a classmate’s post'}
      </h2>
      <p className="mt-1 max-w-[62ch] text-[14px] text-ink-2">
        Copy it from the other course and paste it here: then it faces your reply, and the checks can see what
        you answer. Only you can read it.
      </p>
      <form
        action={pastedAt(props.slug)}
        method="post"
        encType="multipart/form-data"
        className="mt-3 grid gap-3"
      >
        {answers ? <input type="hidden" name="answers" value={answers.id} /> : null}
        <input type="hidden" name="html" value={html} />
        <div className="grid gap-3 sm:grid-cols-2">
          <label className="grid gap-1 text-[13.5px] font-semibold">
            Whose post
            <input
              className="field font-normal"
              name="name"
              required
              maxLength={120}
              list="told-people"
              autoComplete="off"
            />
          </label>
          <datalist id="told-people">
            {props.names.map((n) => (
              <option key={n} value={n} />
            ))}
          </datalist>
          <label className="grid gap-1 text-[13.5px] font-semibold">
            Posted there at, if you know (your time)
            <WhenField className="field font-normal" name="postedAt" wall="" />
          </label>
        </div>
        <label className="flex min-h-7 items-center gap-2 text-[13.5px] font-semibold">
          <input type="checkbox" name="staff" className="size-4 accent-(--pine)" />
          This is an instructor or assistant
        </label>
        <label className="grid gap-1 text-[13.5px] font-semibold">
          The text
          <textarea
            className="field font-serif text-[15.5px] leading-relaxed font-normal"
            name="text"
            rows={10}
            required
            onPaste={(e) => {
              const whole =
                e.currentTarget.selectionEnd - e.currentTarget.selectionStart ===
                e.currentTarget.value.length;
              setHtml(whole ? e.clipboardData.getData('text/html') : '');
            }}
            onInput={(e) => {
              if (!(e.nativeEvent instanceof InputEvent) || e.nativeEvent.inputType !== 'insertFromPaste')
                setHtml('');
            }}
          />
        </label>
        <p className="flex flex-wrap gap-2">
          <button className="btn go">Put it in</button>
          <Link className="btn" href={conversationAt(props.slug, { post: answers?.id })}>
            Back
          </Link>
        </p>
      </form>
    </section>
  );
}
