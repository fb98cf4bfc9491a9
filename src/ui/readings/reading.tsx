import { ArrowLeft, ArrowRight } from 'lucide-react';
import Link from 'next/link';
import type { Doc } from '@/core/posts/document';
import { DocumentView } from '../reading/document-view';
import { readingText } from '../words/work';
import { ReadingClock } from './reading-clock';

type Neighbour = { slug: string; title: string } | null;
export type ReadingView = {
  course: { code: string; slug: string; title: string };
  reading: {
    slug: string;
    week: number;
    title: string;
    author: string;
    words: number;
    place: string;
    readAt: number | null;
    doc: Doc | null;
    minutes: number;
  };
  previous: Neighbour;
  next: Neighbour;
};

/** A reading: its text, or where to find it, how long it takes, and the ones before and after it. */
export function Reading({ view }: { view: ReadingView }) {
  const { course, reading, previous, next } = view;
  return (
    <main id="main" className="mx-auto max-w-[820px] px-4 py-6 sm:px-7">
      <p className="text-[12px] font-semibold text-ink-2">
        <Link
          href={`/courses/${course.slug}/weeks/${reading.week}`}
          className="inline-flex min-h-7 items-center hover:underline"
        >
          {course.code} {course.title.split(':')[0]} › Week {reading.week}
        </Link>
      </p>
      <h1 className="text-[25px] leading-tight">{reading.title}</h1>
      <p className="mt-1 text-[14px] text-ink-2">
        {reading.author} · {reading.words.toLocaleString('en-GB')} words · about{' '}
        {readingText(reading.minutes)} at your reading pace
      </p>
      <article className="plate mt-4 px-5 py-6 sm:px-9 sm:py-8">
        {reading.doc ? (
          <DocumentView doc={reading.doc} className="mx-auto" />
        ) : (
          <p className="font-serif text-[15.5px]">
            This text is not in Pulpit. You find it in the {reading.place}.
          </p>
        )}
      </article>
      <div className="mt-4">
        <ReadingClock
          key={reading.slug}
          slug={reading.slug}
          read={reading.readAt !== null}
          measures={reading.doc !== null}
        />
      </div>
      <nav aria-label="Readings beside this one" className="mt-5 flex flex-wrap justify-between gap-2">
        {previous ? (
          <Link className="btn" href={`/readings/${previous.slug}`}>
            <ArrowLeft size={15} aria-hidden /> {previous.title}
          </Link>
        ) : (
          <span />
        )}
        {next ? (
          <Link className="btn" href={`/readings/${next.slug}`}>
            {next.title} <ArrowRight size={15} aria-hidden />
          </Link>
        ) : null}
      </nav>
    </main>
  );
}
