import { notebookAt, notebookFileAt, questionsAt, responseAt } from '@/contract/addresses';
import { groupBy } from '@/core/group';
import type { NotebookPage } from '@/core/notebook/notebook';
import Link from 'next/link';
import { NoteField } from '../notes/note-to-self';
import { plural } from '../words/plural';

/** One page: what it is of, and the note, which is kept as one types. */
function Page({ page }: { page: NotebookPage }) {
  const { slug, title, course, week, note } = page;
  const name = week === null ? `${course.code}, the course` : `${course.code} week ${week}: ${title}`;
  return (
    <section aria-label={name} className="plate p-4">
      <h3 className="text-[16px]">{week === null ? 'The course' : `Week ${week}: ${title}`}</h3>
      <NoteField
        slug={slug}
        note={note}
        label={`Notes of ${name}`}
        from="notebook"
        intoDraft={page.writing}
      />
      <p className="mt-1 text-[12.5px]">
        <Link
          className="link inline-flex min-h-6 items-center"
          href={week === null ? questionsAt(course.slug) : responseAt(slug)}
        >
          {week === null
            ? 'To the questions of the course'
            : page.writing
              ? 'Open it beside your draft'
              : 'To the discussion'}
        </Link>
      </p>
    </section>
  );
}

/** One's notebook: every note to self, by course and week; with find, and as a file. */
export function NotebookView({ pages, words }: { pages: readonly NotebookPage[]; words: string }) {
  const courses = [...groupBy(pages, (p) => p.course.slug).values()];
  return (
    <main id="main" className="px-4 pb-6 sm:px-7">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2 py-3">
        <h1 className="text-[24px]">Notebook</h1>
        <form action={notebookAt()} className="flex gap-2" role="search">
          <input
            className="field w-56"
            name="words"
            defaultValue={words}
            placeholder="Find in your notes"
            aria-label="Find in your notes"
          />
          <button className="btn">Find</button>
        </form>
        <p className="text-[13px] text-ink-2">Only you can read this, not even staff.</p>
        <a className="btn ml-auto" href={notebookFileAt()} download>
          Take it along
        </a>
      </div>
      {words ? (
        <p role="status" className="pb-2 text-[13.5px]">
          {plural(pages.length, 'page')} with “{words}”.{' '}
          <Link className="link" href={notebookAt()}>
            All of them
          </Link>
        </p>
      ) : null}
      {courses.map((of) => (
        <section key={of[0]?.course.slug} aria-label={of[0]?.course.code} className="pb-4">
          <h2 className="pb-2 text-[18px]">
            {of[0]?.course.code} <span className="font-normal text-ink-2">{of[0]?.course.title}</span>
          </h2>
          <div className="grid gap-3 lg:grid-cols-2">
            {of.map((page) => (
              <Page key={page.slug} page={page} />
            ))}
          </div>
        </section>
      ))}
      {pages.length === 0 && !words ? (
        <p className="text-ink-2">You are in no course yet: what you note beside a prompt stands here.</p>
      ) : null}
    </main>
  );
}
