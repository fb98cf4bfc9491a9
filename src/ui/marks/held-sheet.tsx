import Link from 'next/link';
import type { MarkedStudent, MarkingPage } from '@/contract/marks';
import { markingAt } from './address';

/** In the place of a mark that is not to be seen yet: whoever looks reads this part a second time, and writes that first. */
export function HeldSheet({ page, one }: { page: MarkingPage; one: MarkedStudent }) {
  const { before, after, look } = page;
  return (
    <div className="flex min-h-0 grow flex-col bg-page-2">
      <div className="grid grow content-start gap-3 px-4 py-3.5 sm:px-5">
        <p>
          You read this part <b>a second time</b>. Its mark shows itself here once your own reading is written
          in full, so that the one says nothing to the other.
        </p>
        <p>
          <Link className="btn go" href={markingAt({ ...page, look: { ...look, second: true } }, one.id)}>
            Write your second reading
          </Link>
        </p>
      </div>
      <div className="flex justify-end gap-2 border-t border-rule px-4 py-2.5 sm:px-5">
        {before ? (
          <Link className="btn" href={markingAt(page, before)} data-key-previous="" scroll={false}>
            Back <kbd className="hidden lg:scripted:inline">k</kbd>
          </Link>
        ) : null}
        {after ? (
          <Link className="btn go" href={markingAt(page, after)} data-key-next="" scroll={false}>
            Next student <kbd className="hidden lg:scripted:inline">j</kbd>
          </Link>
        ) : null}
      </div>
    </div>
  );
}
