'use client';

import { postMarksAt } from '@/contract/addresses';
import { markingPost } from '@/contract/conversation';
import type { MarkKind, PostMarks } from '@/core/posts/post-marks';
import { call } from '../request/call';
import { Bookmark, ThumbsUp } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import { plural } from '../words/plural';

const after = (marks: PostMarks, kind: MarkKind, on: boolean): PostMarks =>
  kind === 'bookmark'
    ? { ...marks, bookmarked: on }
    : { ...marks, saidByMe: on, wellSaid: marks.wellSaid + (on ? 1 : -1) };

function Mark(props: {
  address: string;
  kind: MarkKind;
  on: boolean;
  label: string;
  toggle: () => void;
  children: ReactNode;
}) {
  return (
    <form
      action={props.address}
      method="post"
      onSubmit={(e) => {
        e.preventDefault();
        props.toggle();
      }}
    >
      <input type="hidden" name="kind" value={props.kind} />
      <input type="hidden" name="on" value={props.on ? 'no' : 'yes'} />
      <button
        aria-pressed={props.on}
        aria-label={props.label}
        className={`inline-flex min-h-6 items-center gap-1 rounded-[5px] px-1.5 text-[12.5px] font-semibold hover:underline ${
          props.on ? 'bg-pine-tint text-pine-ink' : 'text-ink-2'
        }`}
      >
        {props.children}
      </button>
    </form>
  );
}

/** "Well said", which everybody sees, and the bookmark, which nobody else does. */
export function Marks(props: {
  slug: string;
  post: number;
  author: string;
  /** One's own post: others say whether it is well said. */
  mine: boolean;
  marks: PostMarks;
}) {
  const { slug, post, author, mine } = props;
  const [marks, setMarks] = useState(props.marks);
  const [trouble, setTrouble] = useState(false);
  const address = postMarksAt(slug, post);
  const set = async (kind: MarkKind, on: boolean) => {
    setMarks((here) => after(here, kind, on));
    setTrouble(false);
    // Who goes on at once has marked it all the same.
    const answer = await call(markingPost, { slug, post }, { kind, on }, { keepalive: true });
    if (!answer.ok) {
      setMarks((here) => after(here, kind, !on));
      setTrouble(true);
      return;
    }
    const now = answer.value;
    // The other mark may be on its way: what is known of it here is newer.
    setMarks((here) =>
      kind === 'bookmark'
        ? { ...here, bookmarked: now.bookmarked }
        : { ...here, wellSaid: now.wellSaid, saidByMe: now.saidByMe },
    );
  };
  const said = plural(marks.wellSaid, 'classmate says', 'classmates say');
  return (
    <span className="flex flex-wrap items-center gap-1">
      {mine ? (
        marks.wellSaid > 0 ? (
          <span className="inline-flex items-center gap-1 px-1.5 text-[12.5px] font-semibold text-pine-ink">
            <ThumbsUp size={13} aria-hidden /> Well said {marks.wellSaid}
          </span>
        ) : null
      ) : (
        <Mark
          address={address}
          kind="well-said"
          on={marks.saidByMe}
          label={`Well said, post ${post} by ${author}: ${said} so`}
          toggle={() => void set('well-said', !marks.saidByMe)}
        >
          <ThumbsUp size={13} aria-hidden /> Well said{marks.wellSaid > 0 ? ` ${marks.wellSaid}` : ''}
        </Mark>
      )}
      <Mark
        address={address}
        kind="bookmark"
        on={marks.bookmarked}
        label={`Bookmark, post ${post} by ${author}`}
        toggle={() => void set('bookmark', !marks.bookmarked)}
      >
        <Bookmark size={13} aria-hidden /> {marks.bookmarked ? 'Bookmarked' : 'Bookmark'}
      </Mark>
      {trouble ? (
        <span role="alert" className="text-[12.5px] text-brick">
          Pulpit did not take that. Try again.
        </span>
      ) : null}
    </span>
  );
}
