'use client';

import { useEffect, useRef, useState } from 'react';
import type { CommentTalk } from '@/contract/marks';
import { COMMENT_LIMITS, type Comment, type Numbered } from '@/core/marks/comment';
import { AnswerField } from './answer-field';
import { Talk } from './talk';

/** A comment as it is written: what is said about the passage, and other words for it where there are any. */
export function CommentField(props: {
  item: Numbered;
  fresh: boolean;
  chosen: boolean;
  talk: CommentTalk | null;
  zone: string;
  place: { course: string; slug: string; person: string };
  change: (part: Partial<Comment>) => void;
  remove: () => void;
}) {
  const { item, fresh, chosen, talk, change, remove } = props;
  const { comment, number, place } = item;
  const field = useRef<HTMLTextAreaElement>(null);
  const [rewording, setRewording] = useState(comment.instead !== null);
  useEffect(() => {
    if (fresh) field.current?.focus();
  }, [fresh]);
  return (
    <li
      id={`comment-${comment.id}`}
      className={`grid gap-1.5 rounded-control border bg-page px-3 py-2 ${chosen ? 'border-ochre' : 'border-rule'}`}
    >
      <p className="text-[12.5px] text-ink-2">
        <b className="rounded-[3px] bg-ochre px-1 py-px text-[11px] text-[#ffffff]">{number}</b>{' '}
        <q className="font-serif">
          {comment.anchor.exact.length > 90 ? `${comment.anchor.exact.slice(0, 90)}…` : comment.anchor.exact}
        </q>
        {place ? '' : ' (this passage is no longer in the text)'}
      </p>
      <textarea
        ref={field}
        rows={2}
        aria-label={`On passage ${number}`}
        maxLength={COMMENT_LIMITS.body}
        className="field [field-sizing:content] text-[14px]"
        value={comment.body}
        onChange={(e) => change({ body: e.target.value })}
        onKeyDown={(e) => e.key === 'Escape' && e.currentTarget.blur()}
      />
      {rewording ? (
        <label className="grid gap-0.5 text-[12.5px] font-semibold">
          In other words (empty: strike it)
          <textarea
            rows={1}
            maxLength={COMMENT_LIMITS.instead}
            className="field [field-sizing:content] font-serif text-[14px] font-normal"
            value={comment.instead ?? ''}
            onChange={(e) => change({ instead: e.target.value })}
          />
        </label>
      ) : null}
      <p className="flex flex-wrap gap-x-4 text-[12.5px]">
        {rewording ? (
          <button
            type="button"
            className="link min-h-6"
            onClick={() => {
              setRewording(false);
              change({ instead: null });
            }}
          >
            Suggest no words
          </button>
        ) : (
          <>
            <button
              type="button"
              className="link min-h-6"
              onClick={() => {
                setRewording(true);
                change({ instead: comment.anchor.exact.slice(0, COMMENT_LIMITS.instead) });
              }}
            >
              Other words
            </button>
            <button
              type="button"
              className="link min-h-6"
              onClick={() => {
                setRewording(true);
                change({ instead: '' });
              }}
            >
              Strike it
            </button>
          </>
        )}
        <button type="button" className="link min-h-6 text-brick" onClick={remove}>
          Take the comment away
        </button>
      </p>
      {talk ? (
        <>
          <Talk talk={talk} zone={props.zone} />
          <AnswerField place={props.place} about={{ comment: comment.id }} name={`passage ${number}`} />
        </>
      ) : null}
    </li>
  );
}
