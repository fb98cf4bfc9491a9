'use client';

import { reactionsAt } from '@/contract/addresses';
import { reacting } from '@/contract/conversation';
import type { ReactionKind, Reactions } from '@/core/posts/reactions';
import { call } from '../request/call';
import { Bookmark, ThumbsUp } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import { plural } from '../words/plural';

const after = (reactions: Reactions, kind: ReactionKind, on: boolean): Reactions =>
  kind === 'bookmark'
    ? { ...reactions, bookmarked: on }
    : { ...reactions, saidByMe: on, wellSaid: reactions.wellSaid + (on ? 1 : -1) };

function Mark(props: {
  address: string;
  kind: ReactionKind;
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
export function PostReactions(props: {
  slug: string;
  post: number;
  author: string;
  /** One's own post: others say whether it is well said. */
  mine: boolean;
  reactions: Reactions;
  /** What one press says: that it is well said, or of an answer that it is right. */
  says?: string;
}) {
  const { slug, post, author, mine, says = 'Well said' } = props;
  const [reactions, setReactions] = useState(props.reactions);
  const [trouble, setTrouble] = useState(false);
  const address = reactionsAt(slug, post);
  const set = async (kind: ReactionKind, on: boolean) => {
    setReactions((here) => after(here, kind, on));
    setTrouble(false);
    // Who goes on at once has marked it all the same.
    const answer = await call(reacting, { slug, post }, { kind, on }, { keepalive: true });
    if (!answer.ok) {
      setReactions((here) => after(here, kind, !on));
      setTrouble(true);
      return;
    }
    const now = answer.value;
    // The other mark may be on its way: what is known of it here is newer.
    setReactions((here) =>
      kind === 'bookmark'
        ? { ...here, bookmarked: now.bookmarked }
        : { ...here, wellSaid: now.wellSaid, saidByMe: now.saidByMe },
    );
  };
  const said = plural(reactions.wellSaid, 'classmate says', 'classmates say');
  return (
    <span className="flex flex-wrap items-center gap-1">
      {mine ? (
        reactions.wellSaid > 0 ? (
          <span className="inline-flex items-center gap-1 px-1.5 text-[12.5px] font-semibold text-pine-ink">
            <ThumbsUp size={13} aria-hidden /> {says} {reactions.wellSaid}
          </span>
        ) : null
      ) : (
        <Mark
          address={address}
          kind="well-said"
          on={reactions.saidByMe}
          label={`${says}, post ${post} by ${author}: ${said} so`}
          toggle={() => void set('well-said', !reactions.saidByMe)}
        >
          <ThumbsUp size={13} aria-hidden /> {says}
          {reactions.wellSaid > 0 ? ` ${reactions.wellSaid}` : ''}
        </Mark>
      )}
      <Mark
        address={address}
        kind="bookmark"
        on={reactions.bookmarked}
        label={`Bookmark, post ${post} by ${author}`}
        toggle={() => void set('bookmark', !reactions.bookmarked)}
      >
        <Bookmark size={13} aria-hidden /> {reactions.bookmarked ? 'Bookmarked' : 'Bookmark'}
      </Mark>
      {trouble ? (
        <span role="alert" className="text-[12.5px] text-brick">
          Pulpit did not take that. Try again.
        </span>
      ) : null}
    </span>
  );
}
