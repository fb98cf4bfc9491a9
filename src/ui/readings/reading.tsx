'use client';

import { courseWeekAt, readingAt, readingRecordingAt, readingTroubleAt } from '@/contract/addresses';
import { readingText as textOfReading } from '@/core/notes/reading-text';
import { noteSourceOf, sourceOf } from '@/core/posts/quote';
import type { Doc } from '@/core/document/nodes';
import { ArrowLeft, ArrowRight } from 'lucide-react';
import Link from 'next/link';
import { useMemo, useState } from 'react';
import { ReadAloud } from '../aloud/read-aloud';
import { useVoice } from '../aloud/use-voice';
import { Broken } from '../discussion/broken';
import { AskAboutThis } from '../questions/ask-about';
import { FacingPages } from '../discussion/facing-pages';
import { MarkedText } from '../notes/marked-text';
import { NoteForm } from '../notes/note-form';
import { NotesPage } from '../notes/notes-page';
import type { NoteLine } from '@/core/notes/note';
import type { MarkView } from '../notes/types';
import { usePassage } from '../notes/use-passage';
import { readingText } from '../words/work';
import { NewerText } from './reading-forms';
import { QuoteInto, useQuoteInto } from './quote-into';
import { ReadingClock } from './reading-clock';
import { RecordingForm } from '../aloud/recording-form';

type Neighbour = { slug: string; title: string } | null;
export type ReadingView = {
  course: { code: string; slug: string; title: string; zone: string; outside: boolean };
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
  staff: boolean;
  onlooker: boolean;
  notes: NoteLine[];
  marks: MarkView[];
  discussions: { slug: string; title: string }[];
  recording: { id: string; speaker: string } | null;
};

/** A passage as what somebody asks about: how it begins leads back to it. */
const aboutPassage = ({ slug, title }: ReadingView['reading'], text: string) => ({
  of: 'reading' as const,
  place: slug,
  at: text.replace(/\s+/gu, ' ').trim().slice(0, 80),
  called: `“${text.replace(/\s+/gu, ' ').trim().slice(0, 90)}${text.length > 90 ? '…' : ''}” in ${title.slice(0, 90)}`,
});

/** On a phone the notes are the other page: this turns to it, with the passage in hand. */
const NoteOnPassage = () => (
  <p className="fixed inset-x-0 bottom-14 z-30 px-4 text-center lg:hidden">
    <button
      type="button"
      className="btn go"
      onClick={() => document.querySelector<HTMLElement>('[data-key-write]')?.click()}
    >
      Note on this passage
    </button>
  </p>
);

/** A reading on the left page, its margin notes on the right. */
export function Reading({ view, said }: { view: ReadingView; said: string | null }) {
  const { course, reading, previous, next, notes } = view;
  const { doc } = reading;
  const text = useMemo(() => (doc ? textOfReading(doc) : null), [doc]);
  const [passage, clear] = usePassage(text);
  const [chosen, choose] = useState<string[] | null>(null);
  const [hidden, hide] = useState(false);
  const voice = useVoice(doc);
  const into = useQuoteInto(view.discussions);
  const source = sourceOf(reading.author, reading.title);
  const count = notes.filter((n) => !n.removed).length;

  const show = (id: string) => {
    choose([id]);
    hide(false);
    document.querySelector(`[data-mark~="${id}"]`)?.scrollIntoView({ block: 'center' });
  };
  const left = (
    <div className="grow overflow-auto px-4 py-5 sm:px-8" tabIndex={0}>
      {doc ? (
        <div className="mb-4">
          <ReadAloud voice={voice} recording={view.recording} what="the reading" />
        </div>
      ) : null}
      {/* The headings of a text are of the third rank wherever it stands. */}
      <h2 className="sr-only">The text</h2>
      {doc ? (
        <MarkedText
          doc={doc}
          marks={hidden ? [] : view.marks}
          chosen={chosen}
          choose={choose}
          spoken={voice.sentence}
        />
      ) : (
        <p className="font-serif text-[15.5px]">
          This text is not in Pulpit. You find it in the {reading.place}.
        </p>
      )}
      <div className="mt-6 border-t border-rule pt-4">
        <ReadingClock
          key={reading.slug}
          slug={reading.slug}
          read={reading.readAt !== null}
          measures={doc !== null}
        />
        {view.staff ? (
          <RecordingForm action={readingRecordingAt(reading.slug)} there={view.recording !== null} />
        ) : null}
        {view.staff || course.outside ? <NewerText slug={reading.slug} /> : null}
        {course.outside ? null : (
          <AskAboutThis
            course={course.slug}
            about={{ of: 'reading', place: reading.slug, called: reading.title.slice(0, 200) }}
          >
            Ask about this reading
          </AskAboutThis>
        )}
        {course.outside ? null : <Broken action={readingTroubleAt(reading.slug)} />}
      </div>
      <nav aria-label="Readings beside this one" className="mt-5 flex flex-wrap justify-between gap-2">
        {previous ? (
          <Link className="btn" href={readingAt(previous.slug)}>
            <ArrowLeft size={15} aria-hidden /> {previous.title}
          </Link>
        ) : (
          <span />
        )}
        {next ? (
          <Link className="btn" href={readingAt(next.slug)}>
            {next.title} <ArrowRight size={15} aria-hidden />
          </Link>
        ) : null}
      </nav>
      {passage && !view.onlooker ? <NoteOnPassage /> : null}
    </div>
  );
  return (
    <main id="main" className="px-4 pb-4 sm:px-7">
      <div className="flex flex-wrap items-center gap-x-5 gap-y-2 py-3">
        <div className="min-w-0">
          <p className="text-[12px] font-semibold text-ink-2">
            <Link
              href={courseWeekAt(course.slug, reading.week)}
              className="inline-flex min-h-7 items-center hover:underline"
            >
              {course.code} {course.title.split(':')[0]} › Week {reading.week}
            </Link>
          </p>
          <h1 className="text-[21px] leading-tight">{reading.title}</h1>
        </div>
        <p className="text-[12.5px] leading-snug text-ink-2">
          <b className="block text-ink">
            about {readingText(reading.minutes)} at your reading pace
            {reading.readAt === null ? '' : ', read'}
          </b>
          {reading.author} · {reading.words.toLocaleString('en-GB')} words
        </p>
        {view.marks.length ? (
          <button
            type="button"
            aria-pressed={hidden}
            className="btn ml-auto hidden scripted:inline-flex"
            onClick={() => hide(!hidden)}
          >
            {hidden ? 'Show the marks' : 'Hide the marks'}
          </button>
        ) : null}
      </div>
      <FacingPages
        first="left"
        left={{ name: 'Reading', page: left }}
        right={{
          name: count ? `Margin notes ${count}` : 'Margin notes',
          page: (
            <NotesPage
              slug={reading.slug}
              zone={course.zone}
              notes={notes}
              chosen={chosen}
              all={() => choose(null)}
              show={show}
              quote={
                into.ready ? (note) => into.quote(note.body, noteSourceOf(note.author, reading.title)) : null
              }
              said={into.said ?? said}
              form={
                view.onlooker ? null : (
                  <NoteForm
                    slug={reading.slug}
                    passage={passage}
                    clear={clear}
                    canAnchor={doc !== null}
                    quoteInto={
                      <>
                        {passage && into.ready ? (
                          <QuoteInto into={into} text={passage.text} source={source} />
                        ) : null}
                        {passage && !course.outside ? (
                          <AskAboutThis course={course.slug} about={aboutPassage(reading, passage.text)}>
                            Ask about this passage
                          </AskAboutThis>
                        ) : null}
                      </>
                    }
                  />
                )
              }
            />
          ),
        }}
      />
    </main>
  );
}
