import Link from 'next/link';
import { deskAsStudentAt, deskDiscussionAt } from '@/contract/addresses';
import { DocumentView } from '../document/document-view';
import { WhenField } from '../frame/when-field';
import { refusalText } from '../words/verdicts';
import type { Refusal } from '@/core/counting/permission';
import type { Doc } from '@/core/document/nodes';

const MOMENTS = {
  now: 'Now',
  opens: 'When it opens',
  closing: 'An hour before the response is due',
  over: 'When it is over',
} as const;

type Asked = {
  course: string;
  slug: string;
  shown: boolean;
  at: string;
  moments: readonly { name: keyof typeof MOMENTS; at: string }[];
};

/** Above a page as students see it: as of when, and that nothing of it is noted. */
export function AsStudentBar({ course, slug, shown, at, moments }: Asked) {
  return (
    <div role="note" className="mx-4 mt-3 grid gap-2 rounded-control bg-ochre-tint px-4 py-3 sm:mx-7">
      <p>
        <b>As a student sees it</b> who has done nothing yet. Nothing on it does anything, and nothing is
        noted.
        {shown ? '' : ' The class does not see it yet.'}{' '}
        <Link className="link" href={deskDiscussionAt(course, slug)}>
          Back to the desk
        </Link>
      </p>
      <form method="get" className="flex flex-wrap items-center gap-x-3 gap-y-2">
        <label className="grid gap-1 text-[13.5px] font-semibold">
          As of, by the course’s clock
          <WhenField className="field font-normal" name="at" wall={at} />
        </label>
        <button type="submit" className="btn">
          Show it as of then
        </button>
        <span className="flex flex-wrap gap-x-3 text-[13.5px]">
          {moments.map((m) => (
            <Link
              key={m.name}
              className="link inline-flex min-h-6 items-center"
              aria-current={m.at === at ? 'true' : undefined}
              href={deskAsStudentAt(course, slug, { at: m.at })}
            >
              {MOMENTS[m.name]}
            </Link>
          ))}
        </span>
      </form>
    </div>
  );
}

/** The right page, where a student writes. */
export function WhereTheyWrite(props: { doc: Doc; refused: Refusal | null; zone: string }) {
  return (
    <div className="flex grow flex-col">
      <div className="grow px-4 py-4 sm:px-8">
        {props.doc.content.length > 1 ? (
          <DocumentView doc={props.doc} />
        ) : (
          <p className="font-serif text-ink-2">Here a student writes the response.</p>
        )}
      </div>
      <div className="rounded-b-plate border-t border-rule bg-page-2 px-4 py-2.5">
        {props.refused ? (
          <p className="text-[13.5px] font-medium">{refusalText(props.refused, props.zone)}</p>
        ) : (
          <p className="text-[13.5px] text-ink-2">“Share with the class” stands here.</p>
        )}
      </div>
    </div>
  );
}
