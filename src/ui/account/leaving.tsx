import { accountAt, archiveAt, leaveForGoodAt } from '@/contract/addresses';
import type { LeavingPage } from '@/contract/account';
import { stayingText } from '../words/people';
import { plural } from '../words/plural';

/** Before one leaves a course: what stays, and what goes. */
export function Leaving({ leaving }: { leaving: LeavingPage }) {
  const { id, code, title, posts, leavers } = leaving;
  return (
    <main id="main" className="mx-auto grid max-w-[640px] gap-5 px-4 py-6 sm:px-7">
      <h1 className="text-[25px] leading-tight">
        Leave {code} {title}?
      </h1>
      <section className="plate grid gap-3 px-5 py-4">
        {posts ? (
          <>
            <p>
              You have shared {plural(posts, 'post')} there. {stayingText(leavers)}
            </p>
            <p>
              Your drafts, notes, sources, marks and files there are erased, and nobody can bring them back.
              Where classmates quote you or name you, that is theirs and stays.
            </p>
            <p>
              <a className="link" href={archiveAt()} download="">
                Save everything of yours first
              </a>
            </p>
          </>
        ) : (
          <p>You have shared nothing there. Drafts and notes of yours in it are erased.</p>
        )}
        <form action={leaveForGoodAt()} method="post" className="flex flex-wrap gap-2">
          <button type="submit" name="course" value={id} className="btn border-brick text-brick">
            Leave it
          </button>
          <a className="btn" href={accountAt()}>
            Stay
          </a>
        </form>
      </section>
    </main>
  );
}
