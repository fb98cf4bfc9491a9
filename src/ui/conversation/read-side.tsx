import type { Conversation } from '@/contract/conversation-view';
import type { ReactNode } from 'react';
import Link from 'next/link';
import { deskMarkingAt } from '@/contract/addresses';
import { emptyText } from '../words/conversation-bar';
import type { Look } from './address';
import { Headlines } from './headlines';
import { Pager } from './pager';
import { ThreadPage } from './thread-page';

/** What is read, in its arrangement: the open thread, the posts by time, or headlines. */
export function ReadSide(props: { view: Conversation; slug: string; look: Look; chips: ReactNode }) {
  const { view, slug, look, chips } = props;
  const { head, lines, posts, authors, open, marking } = view;
  const { zone } = head.schedule;
  const { outside } = head.course;
  const inThreads = view.as === 'threads';
  const reading = {
    look,
    posts,
    authors,
    at: open?.at ?? null,
    zone,
    now: head.now,
    outside,
    staff: head.staff,
    onlooker: head.onlooker,
  };
  const pager = (
    <Pager
      look={look}
      post={inThreads ? (open?.thread ?? null) : null}
      page={view.page}
      name={inThreads ? 'Pages of this thread' : 'Pages of this conversation'}
    />
  );
  const mark = marking ? (
    <p className="border-b border-rule bg-page-2 px-4 py-2 text-[13px] sm:px-5">
      <Link
        className="link inline-flex min-h-6 items-center"
        href={deskMarkingAt(head.course.slug, slug, { student: marking.id })}
      >
        Mark {marking.name}’s part
      </Link>
    </p>
  ) : null;
  if (inThreads) return <ThreadPage {...reading} above={mark} below={pager} />;
  return (
    <div className="flex min-h-0 grow flex-col">
      {chips}
      {mark}
      {view.as === 'headlines' ? (
        <Headlines {...reading} lines={lines} />
      ) : (
        <ThreadPage {...reading} empty={emptyText(view.filter, outside)} />
      )}
      {pager}
    </div>
  );
}
