'use client';

import { talkKey, type CommentTalk } from '@/contract/marks';
import { AnswerField } from './answer-field';
import { Talk } from './talk';

/** What a student asked about a criterion or the whole mark, with where to answer it. Nothing where nothing was asked. */
export function Asked({
  criterion,
  name,
  talk,
  zone,
  place,
}: {
  criterion: string;
  name: string;
  talk: Record<string, CommentTalk>;
  zone: string;
  place: { course: string; slug: string; person: string };
}) {
  const said = talk[talkKey({ criterion })];
  if (!said) return null;
  return (
    <div className="mt-2 grid gap-1.5 rounded-control bg-ochre-tint px-2.5 py-2">
      <Talk talk={said} zone={zone} />
      <AnswerField place={place} about={{ criterion }} name={name} />
    </div>
  );
}
