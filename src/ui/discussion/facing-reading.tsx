'use client';

import { readingAt, responseAt } from '@/contract/addresses';
import { readingText as textOfReading } from '@/core/notes/reading-text';
import type { Doc } from '@/core/document/nodes';
import { sourceOf } from '@/core/posts/quote';
import { ArrowLeft, Quote } from 'lucide-react';
import Link from 'next/link';
import { useMemo } from 'react';
import { MarkedText } from '../notes/marked-text';
import { usePassage } from '../notes/use-passage';
import { ReadAloud } from '../aloud/read-aloud';
import { useVoice } from '../aloud/use-voice';
import { ReadingClock } from '../readings/reading-clock';
import { readingText } from '../words/work';
import { QUOTATION_EVENT } from '../writing/quotation-event';

type OpenReading = { slug: string; title: string; author: string; minutes: number; doc: Doc };

const none = () => {};

/** A reading in the prompt's place on the left page, so that it faces the writing. */
export function FacingReading(props: {
  slug: string;
  reading: OpenReading;
  read: boolean;
  writing: boolean;
}) {
  const { slug, reading } = props;
  const text = useMemo(() => textOfReading(reading.doc), [reading.doc]);
  const [passage, clear] = usePassage(text);
  const voice = useVoice(reading.doc);
  return (
    <div className="flex min-h-0 grow flex-col">
      <div className="border-b border-rule px-4 py-2.5 sm:px-[22px]">
        <p className="flex flex-wrap items-center justify-between gap-x-4 gap-y-1 text-[13px]">
          <Link
            className="link inline-flex min-h-7 items-center gap-1"
            href={responseAt(slug)}
            scroll={false}
          >
            <ArrowLeft size={14} aria-hidden /> Back to the prompt
          </Link>
          <Link className="link inline-flex min-h-7 items-center" href={readingAt(reading.slug)}>
            With its margin notes
          </Link>
        </p>
        <h2 className="text-[17px] leading-snug">{reading.title}</h2>
        <p className="text-[12.5px] text-ink-2">
          {reading.author} · about {readingText(reading.minutes)}
        </p>
      </div>
      <div className="min-h-0 grow overflow-auto px-4 py-4 sm:px-[22px]" tabIndex={0}>
        <div className="mb-3">
          <ReadAloud voice={voice} recording={null} what="the reading" />
        </div>
        <MarkedText doc={reading.doc} marks={[]} chosen={null} choose={none} spoken={voice.sentence} />
        <div className="mt-5 border-t border-rule pt-3">
          <ReadingClock key={reading.slug} slug={reading.slug} read={props.read} measures />
        </div>
      </div>
      {props.writing && passage ? (
        <div className="border-t border-rule bg-page px-4 py-2 sm:px-[22px]">
          <p className="line-clamp-2 font-serif text-[13.5px] text-ink-2">“{passage.text}”</p>
          <p className="mt-1 flex gap-2">
            <button
              type="button"
              className="btn !min-h-8 !py-1 !text-[12.5px]"
              onClick={() => {
                window.dispatchEvent(
                  new CustomEvent(QUOTATION_EVENT, {
                    detail: { text: passage.text, source: sourceOf(reading.author, reading.title) },
                  }),
                );
                clear();
              }}
            >
              <Quote size={14} aria-hidden /> Quote it in my response
            </button>
            <button type="button" className="btn !min-h-8 !py-1 !text-[12.5px]" onClick={clear}>
              Not this
            </button>
          </p>
        </div>
      ) : null}
    </div>
  );
}
