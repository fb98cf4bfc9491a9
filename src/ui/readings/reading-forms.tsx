import { editReadingAt, newReadingAt, readingTextAt } from '@/contract/addresses';
import Link from 'next/link';

const ACCEPT =
  '.txt,.md,.markdown,.html,.htm,.docx,.odt,.rtf,.epub,.pdf,.csv,text/plain,text/html,text/csv,application/pdf';

const Source = () => (
  <>
    <label className="grid gap-1 font-semibold">
      A file: HTML, Markdown, text, .docx, a PDF or a table (.csv)
      <input className="field font-normal" type="file" name="file" accept={ACCEPT} />
    </label>
    <label className="grid gap-1 font-semibold">
      Or its text, pasted
      <textarea className="field font-serif font-normal" name="text" rows={4} />
    </label>
  </>
);

/** For whoever keeps a course: a reading put into the week. */
export const NewReading = ({ course, week }: { course: string; week: number }) => (
  <details className="mt-4 text-[13.5px]">
    <summary className="link min-h-6 w-fit">Put a reading into this week</summary>
    <form
      action={newReadingAt(course)}
      method="post"
      encType="multipart/form-data"
      className="plate mt-2 grid gap-3 px-4 py-4"
    >
      <input type="hidden" name="week" value={week} />
      <div className="grid gap-3 sm:grid-cols-2">
        <label className="grid gap-1 font-semibold">
          Title
          <input className="field font-normal" name="title" required maxLength={200} />
        </label>
        <label className="grid gap-1 font-semibold">
          Author
          <input className="field font-normal" name="author" maxLength={200} />
        </label>
      </div>
      <Source />
      <p>
        <button className="btn go">Put it in</button>
      </p>
    </form>
  </details>
);

/** For the same people: the text on the desk, or a newer one in its place. */
export const NewerText = ({ slug }: { slug: string }) => (
  <>
    <p className="mt-3 text-[13px]">
      <Link href={editReadingAt(slug)} className="link inline-flex min-h-6 items-center">
        Edit the text, its pictures, files and clips
      </Link>
    </p>
    <details className="mt-2 text-[13px]">
      <summary className="link min-h-6 w-fit">Put a newer text in its place</summary>
      <form
        action={readingTextAt(slug)}
        method="post"
        encType="multipart/form-data"
        className="mt-2 grid gap-2"
      >
        <Source />
        <p>
          <button className="btn">Put it in its place</button>
        </p>
      </form>
    </details>
  </>
);
