'use client';

import { useMemo } from 'react';
import type { Doc } from '@/core/document/nodes';
import { commentMarks, type Numbered } from '@/core/marks/comment';
import { readingText } from '@/core/notes/reading-text';
import type { Dressed } from '../document/dressing';
import { DocumentView } from '../document/document-view';
import { list } from '../words/plural';

/**
 * A post's text with the passages that have a comment marked and numbered; struck where the comment suggests so. Other words for a passage
 * stand in its place while its comment is the chosen one.
 */
export function CommentedText(props: {
  doc: Doc;
  post: number;
  comments: readonly Numbered[];
  chosen: string | null;
  choose: (comment: string) => void;
  className?: string;
}) {
  const { doc, post, comments, chosen, choose } = props;
  const text = useMemo(() => readingText(doc), [doc]);
  const struck = new Set(comments.filter((c) => c.comment.instead === '').map((c) => c.comment.id));
  const wording = comments.find((c) => c.comment.id === chosen && c.comment.instead)?.comment;
  const dressed = commentMarks(comments, post).flatMap((mark) =>
    text.stretches(mark.start, mark.end).map(({ from, to }, i, all): Dressed => {
      const on = chosen !== null && mark.ids.includes(chosen);
      const [first] = mark.ids;
      const instead = wording && mark.ids.includes(wording.id) ? wording.instead : null;
      const name = `Comment ${list(mark.numbers.map(String))}`;
      return {
        from,
        to,
        dress: (words) => (
          <>
            <span
              className={`rounded-[2px] ${on ? 'bg-ochre-tint outline-2 outline-ochre' : 'bg-mark'} ${
                instead || mark.ids.every((id) => struck.has(id))
                  ? 'line-through decoration-brick decoration-2'
                  : ''
              }`}
            >
              {words}
            </span>
            {i === all.length - 1 && instead ? (
              <ins data-beside="" className="only-second mx-1">
                {instead}
              </ins>
            ) : null}
            {i === all.length - 1 && first ? (
              <a
                data-beside=""
                href={`#comment-${first}`}
                aria-label={name}
                onClick={() => choose(first)}
                className="mx-0.5 rounded-[3px] bg-ochre px-1 py-px font-sans text-[10.5px] font-bold text-[#ffffff] no-underline"
              >
                {mark.numbers.join(' ')}
              </a>
            ) : null}
          </>
        ),
      };
    }),
  );
  return (
    <div data-passages={post}>
      <DocumentView doc={doc} placed dressed={dressed} className={props.className ?? ''} />
    </div>
  );
}
