'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { answeringComment, type About } from '@/contract/marks';
import { COMMENT_LIMITS } from '@/core/marks/comment';
import { call } from '../request/call';

/** Where staff answer what a student said about a comment or a criterion. It stands in the form of the mark, so it is none of its own. */
export function AnswerField({
  place,
  about,
  name,
}: {
  place: { course: string; slug: string; person: string };
  about: About;
  /** Of what, for its name: "passage 2". */
  name: string;
}) {
  const router = useRouter();
  const [body, setBody] = useState('');
  const [id, setId] = useState(() => crypto.randomUUID());
  const [trouble, setTrouble] = useState(false);
  const send = async () => {
    const answer = await call(answeringComment, place, { about, id, body });
    setTrouble(!answer.ok);
    if (!answer.ok) return;
    setBody('');
    setId(crypto.randomUUID());
    router.refresh();
  };
  return (
    <div className="flex flex-wrap items-end gap-2">
      <textarea
        rows={1}
        aria-label={`Answer about ${name}`}
        placeholder="Answer"
        maxLength={COMMENT_LIMITS.body}
        className="field min-w-0 grow [field-sizing:content] text-[13px]"
        value={body}
        onChange={(e) => setBody(e.target.value)}
      />
      <button type="button" className="btn" disabled={body.trim() === ''} onClick={() => void send()}>
        Answer
      </button>
      {trouble ? (
        <p role="alert" className="w-full font-medium text-brick">
          That was not sent. What you wrote is still here; try again in a moment.
        </p>
      ) : null}
    </div>
  );
}
