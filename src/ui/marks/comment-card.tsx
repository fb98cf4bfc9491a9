'use client';

import { partCommentsAt } from '@/contract/addresses';
import type { CommentTalk } from '@/contract/marks';
import { COMMENT_LIMITS, type Numbered } from '@/core/marks/comment';
import { QuietForm } from '../notes/note-form';
import { Talk } from './talk';

/** A comment as its student reads it: the passage, what is said, other words in place of it; to answer, to take along, to mark as understood. */
export function CommentCard({
  slug,
  zone,
  item,
  talk,
  chosen,
}: {
  slug: string;
  zone: string;
  item: Numbered;
  talk: CommentTalk | null;
  chosen: boolean;
}) {
  const { comment, number, place } = item;
  const said = talk ?? { answers: [], understood: false };
  const passage =
    comment.anchor.exact.length > 160 ? `${comment.anchor.exact.slice(0, 160)}…` : comment.anchor.exact;
  return (
    <li
      id={`comment-${comment.id}`}
      className={`grid gap-1.5 rounded-control border bg-page px-3.5 py-2.5 ${chosen ? 'border-ochre' : 'border-rule'}`}
    >
      <p className="text-[12.5px] text-ink-2">
        <b className="rounded-[3px] bg-ochre px-1 py-px text-[11px] text-[#ffffff]">
          <span className="sr-only">Comment </span>
          {number}
        </b>{' '}
        {comment.instead === null ? (
          <q className="font-serif">{passage}</q>
        ) : (
          <span className="font-serif text-[14px]">
            <del className="only-first">{passage}</del>{' '}
            {comment.instead ? <ins className="only-second">{comment.instead}</ins> : null}
          </span>
        )}
        {place ? '' : ' (this passage is no longer in the text)'}
      </p>
      {comment.body.trim() ? <p className="text-[14px] whitespace-pre-line">{comment.body}</p> : null}
      <Talk talk={said} zone={zone} />
      <div className="flex flex-wrap gap-x-4">
        <QuietForm action={partCommentsAt(slug)} className="text-[12.5px]" label={`About comment ${number}`}>
          <input type="hidden" name="comment" value={comment.id} />
          <button
            className="link min-h-6"
            name="do"
            value={said.understood ? 'not-understood' : 'understood'}
          >
            {said.understood ? 'Not understood after all' : 'Understood'}
          </button>
        </QuietForm>
        <QuietForm
          action={partCommentsAt(slug)}
          className="text-[12.5px]"
          label={`Take comment ${number} along`}
          told="It stands in your note to yourself, beside the next prompt."
        >
          <input type="hidden" name="comment" value={comment.id} />
          <button className="link min-h-6" name="do" value="take-along">
            Into my note for next time
          </button>
        </QuietForm>
      </div>
      <details className="text-[13px]">
        <summary className="link min-h-6 w-fit">Answer</summary>
        <QuietForm
          action={partCommentsAt(slug)}
          className="mt-1 grid gap-1.5"
          label={`Answer comment ${number}`}
        >
          <input type="hidden" name="comment" value={comment.id} />
          <textarea
            className="field"
            name="body"
            rows={2}
            required
            maxLength={COMMENT_LIMITS.body}
            aria-label={`Your answer to comment ${number}`}
          />
          <button className="btn justify-self-start" name="do" value="answer">
            Answer
          </button>
        </QuietForm>
      </details>
    </li>
  );
}
