import Link from 'next/link';
import { deskDiscussionAt, deskMarkingActAt, deskMarksTableAt } from '@/contract/addresses';
import type { MarkingPage } from '@/contract/marks';
import { plural } from '../words/plural';
import { worthText } from '../words/marks';
import { markingAt } from './address';
import { LookFields } from './look-fields';

/** How far the marks are, how they are looked at, and what can be released. */
export function MarkingHead({ page, ready }: { page: MarkingPage; ready: number }) {
  const { course, discussion, one, look, total, seconds, shared, markers } = page;
  const at = (part: Partial<MarkingPage['look']>, student: string | null = null) =>
    markingAt({ ...page, look: { ...look, ...part } }, student);
  const everybody = markers.reduce((n, m) => n + m.share, 0);
  const isShare = shared && !look.everybody && !look.second && total < everybody;
  return (
    <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
      <div className="min-w-0">
        <p className="text-[13px]">
          <Link className="link" href={deskDiscussionAt(course.slug, discussion.slug)}>
            Week {discussion.week}: {discussion.title}
          </Link>{' '}
          · {worthText(page.scheme)}
        </p>
        <h2 className="text-[21px]">
          {look.second ? 'Your second readings' : isShare ? 'Your share of the marks' : 'Marks'},{' '}
          {page.written} of {total} written
          {look.second ? '' : `, ${page.released ? `${page.released} released` : 'none released'}`}
        </h2>
        <p className="flex flex-wrap gap-x-4 text-[13px]">
          {isShare ? (
            <Link className="link" href={at({ everybody: true }, one?.id)}>
              Everybody’s
            </Link>
          ) : null}
          {shared && look.everybody ? (
            <Link className="link" href={at({ everybody: false })}>
              Your share
            </Link>
          ) : null}
          {look.second ? (
            <Link className="link" href={at({ second: false })}>
              The marks
            </Link>
          ) : seconds ? (
            <Link className="link" href={at({ second: true })}>
              {plural(seconds, 'second reading')} for you
            </Link>
          ) : null}
        </p>
      </div>
      <div className="ml-auto flex flex-wrap items-center gap-3 text-[13px]">
        <span className="text-ink-2">kept as you go · students see nothing until you release</span>
        <Link className="btn" href={at({ covered: !look.covered }, one?.id)}>
          {look.covered ? 'Show names' : 'Cover names'}
        </Link>
        <Link className="btn" href={deskMarksTableAt(course.slug, discussion.slug)}>
          As a table
        </Link>
        {look.second ? null : (
          <form action={deskMarkingActAt(course.slug, discussion.slug)} method="post">
            {one ? <input type="hidden" name="student" value={one.id} /> : null}
            {/* In one's share, only what is one's own is released. */}
            {isShare ? <input type="hidden" name="whose" value="mine" /> : null}
            <LookFields look={look} />
            <button type="submit" name="do" value="release" className="btn go" disabled={ready === 0}>
              {ready ? `Release ${plural(ready, 'mark')}` : 'Nothing to release'}
            </button>
          </form>
        )}
      </div>
    </div>
  );
}
