import type { Conversation } from '@/contract/conversation-view';
import type { ReadPost, ThreadLine } from '@/contract/thread';
import type { PersonId } from '@/core/ids';
import { ReplyDesk, type AskedSide } from '../writing/reply-desk';
import { GoneReply, OpenedReply, SharedNote } from './notes';
import { OrphanedDraft } from './orphaned-draft';

/** Who reads: their drafts, their name beneath what they write, their clock. */
export type You = { id: PersonId; name: string; timeZone: string };

/** The right page beside an open post: the desk to answer it on, or what there is in its place. */
export function ReplySide(props: {
  view: Conversation;
  slug: string;
  you: You;
  shared: ReadPost | null;
  next: ThreadLine | null;
  /** What stands above the text of an answer to a question. */
  asked?: AskedSide;
}) {
  const { slug, you, shared, next } = props;
  const { head, reply, orphaned, ledgerInput } = props.view;
  if (!reply) return orphaned ? <OrphanedDraft {...orphaned} /> : <GoneReply />;
  if (shared && !head.asks) {
    const verdict = head.ledger?.verdicts.find((v) => v.post === shared.id) ?? null;
    return <SharedNote head={head} post={shared} verdict={verdict} next={next} />;
  }
  if (reply.answering.self && !head.staff && !head.asks) return <OpenedReply head={head} />;
  return (
    <ReplyDesk
      key={`${reply.answering.id} ${reply.draft.submission}`}
      slug={slug}
      asks={head.asks}
      asked={props.asked}
      course={head.course.slug}
      person={you.id}
      author={you.name}
      staff={head.staff}
      zone={head.schedule.zone}
      brief={head.brief}
      answering={reply.answering}
      about={reply.about}
      changed={reply.changed}
      draft={reply.draft}
      refused={reply.refused}
      ledgerInput={ledgerInput}
      now={head.now}
      outside={head.course.outside}
      ownZone={you.timeZone}
    />
  );
}
