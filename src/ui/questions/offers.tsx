'use client';

import { announcementsAt, questionAt, responseAt, syllabusAt } from '@/contract/addresses';
import { offering, type QuestionOffer } from '@/contract/questions';
import { isOpen } from '@/core/questions/state';
import type { Editor } from '@tiptap/core';
import Link from 'next/link';
import { useEffect, useState } from 'react';
import { call } from '../request/call';
import { list } from '../words/plural';
import { ActButton } from './act-button';

const QUIET_MS = 600;

const saysOf = (o: Extract<QuestionOffer, { of: 'question' }>): string =>
  o.by.length === 0
    ? 'nobody has answered yet'
    : isOpen(o.state)
      ? `answered by ${list(o.by.slice(0, 2))}`
      : `answered by ${o.by[0] ?? 'staff'}`;

/** What has been asked or ruled already, offered while one types: whoever finds it there asks no more. */
export function Offers(props: { course: string; title: string; editor: Editor | null }) {
  const { course, title, editor } = props;
  const [offers, setOffers] = useState<readonly QuestionOffer[]>([]);
  const [words, setWords] = useState(() => editor?.getText() ?? '');
  useEffect(() => {
    const update = () => setWords(editor?.getText() ?? '');
    update();
    editor?.on('update', update);
    return () => void editor?.off('update', update);
  }, [editor]);
  const typed = `${title} ${words}`.trim();
  useEffect(() => {
    let gone = false;
    const timer = setTimeout(() => {
      void call(offering, { course }, { text: typed.slice(0, 2_000) }).then((answer) => {
        if (!gone && answer.ok) setOffers(answer.value.offers);
      });
    }, QUIET_MS);
    return () => {
      gone = true;
      clearTimeout(timer);
    };
  }, [course, typed]);
  if (offers.length === 0) return null;
  return (
    <section
      aria-label="Asked already"
      aria-live="polite"
      className="rounded-control bg-pine-tint px-3 py-2 text-[13px]"
    >
      <ul className="grid gap-1">
        {offers.map((o) => (
          <li key={o.of === 'question' ? o.number : o.of === 'announcement' ? o.id : o.text}>
            {o.of === 'question' ? (
              <>
                <b className="text-pine-ink">Already asked: </b>
                <Link className="link" href={questionAt(course, o.number)}>
                  “{o.title}”
                </Link>
                , {saysOf(o)}.{' '}
                {o.by.length === 0 ? null : (
                  <ActButton course={course} number={o.number} act="spared" told="Good: it is counted.">
                    This answers it
                  </ActButton>
                )}
              </>
            ) : o.of === 'announcement' ? (
              <>
                <b className="text-pine-ink">It was announced: </b>
                <Link className="link" href={`${announcementsAt(course)}#${o.id}`}>
                  “{o.title}”
                </Link>
              </>
            ) : o.of === 'rules' ? (
              <>
                <b className="text-pine-ink">The rules of “{o.title}” say: </b>
                <Link className="link" href={responseAt(o.slug)}>
                  {o.text}
                </Link>
              </>
            ) : (
              <>
                <b className="text-pine-ink">The syllabus says: </b>
                <Link className="link" href={syllabusAt(course)}>
                  {o.text}
                </Link>
              </>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
