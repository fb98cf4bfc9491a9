import { briefAt, newerCopyAt, removeDiscussionAt, sourceAt } from '@/contract/addresses';
import Link from 'next/link';

/** Beneath an outside prompt: that it lives elsewhere, and what can be changed about it. */
export const OutsideNote = ({ slug, awaited }: { slug: string; awaited: boolean }) => (
  <div className="mt-4 border-t border-rule pt-3 text-[13px]">
    {awaited ? (
      <p className="mb-2 rounded-control bg-ochre-tint px-3 py-2">
        <b>The prompt itself is not here yet</b>: this is what the plan of the course says. Once the course
        shows it,{' '}
        <Link className="link" href={newerCopyAt(slug)}>
          bring it in
        </Link>
        , and its own rules take the place of these.
      </p>
    ) : null}
    <p className="text-ink-2">
      Brought in by you from a course that is not in Pulpit; nobody else sees it. Its rules are as you
      confirmed them.
    </p>
    <p className="mt-1.5 flex flex-wrap gap-x-4 gap-y-1">
      <Link className="link min-h-6" href={briefAt(slug)}>
        Correct what it asks
      </Link>
      <a className="link min-h-6" href={sourceAt(slug)}>
        The text as it came
      </a>
    </p>
    <details className="mt-1.5">
      <summary className="link min-h-6 w-fit">Remove this prompt</summary>
      <form
        action={removeDiscussionAt(slug)}
        method="post"
        className="mt-1 rounded-control bg-brick-tint px-3 py-2"
      >
        <p>
          It goes with your drafts, what you noted as posted, and all you pasted in. This cannot be undone.
        </p>
        <button className="btn mt-2">Remove it with everything in it</button>
      </form>
    </details>
  </div>
);
