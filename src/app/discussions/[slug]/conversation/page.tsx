import { conversationAt } from '@/contract/addresses';
import { notFound } from 'next/navigation';
import { z } from 'zod';
import { ARRANGEMENTS } from '@/core/posts/arrange';
import { THREAD_FILTERS } from '@/core/posts/filters';
import { conversation } from '@/server/discussions/conversation';
import { Sealed } from '@/ui/conversation/sealed';
import { Stranded } from '@/ui/conversation/stranded';
import type { Look } from '@/ui/conversation/address';
import { FilterChips } from '@/ui/conversation/filter-chips';
import { Headlines } from '@/ui/conversation/headlines';
import { Live } from '@/ui/conversation/live';
import { Pager } from '@/ui/conversation/pager';
import { RoomBar } from '@/ui/conversation/room-bar';
import { ThreadList } from '@/ui/conversation/thread-list';
import { ThreadPage } from '@/ui/conversation/thread-page';
import { BackToList, GoneReply, NothingOpen, OpenedReply, SharedNote } from '@/ui/conversation/notes';
import { FacingPages } from '@/ui/discussion/facing-pages';
import { FormAnswer } from '@/ui/discussion/form-answer';
import { PastePost } from '@/ui/outside/paste-post';
import { Head } from '@/ui/discussion/head';
import { troubleText } from '@/ui/words/outside';
import { emptyText } from '@/ui/words/room';
import { MarkForm } from '@/ui/rubric/mark-form';
import { ReplyDesk } from '@/ui/writing/reply-desk';
import { Frame } from '../../../_request/frame';
import { queryOf } from '../../../_request/query';
import { requireVisitor } from '../../../_request/session';

type Props = { params: Promise<{ slug: string }>; searchParams: Promise<Record<string, string | undefined>> };

export const metadata = { title: 'Conversation' };

const query = z.object({
  post: z.coerce.number().int().positive().nullable().catch(null),
  /** Somebody whose post is asked for: what a name in a text leads to. */
  by: z.uuid().nullable().catch(null),
  as: z.enum(ARRANGEMENTS).nullable().catch(null),
  order: z.enum(['newest', 'oldest']).nullable().catch(null),
  shared: z.coerce.number().int().positive().nullable().catch(null),
  show: z.enum(THREAD_FILTERS).nullable().catch(null),
  /** Whose posts are shown, of the filter by a person. */
  of: z.uuid().nullable().catch(null),
  page: z.coerce.number().int().positive().nullable().catch(null),
  words: z.string().max(200).nullable().catch(null),
  answer: z.string().optional(),
  /** When everything was marked as read, which can be undone. */
  marked: z.coerce.number().int().positive().nullable().catch(null),
  paste: z
    .union([z.literal('response'), z.coerce.number().int().positive()])
    .nullable()
    .catch(null),
});

export default async function ConversationPage({ params, searchParams }: Props) {
  const { slug } = await params;
  const ask = query.parse(await queryOf(searchParams));
  const here = conversationAt(slug, { post: ask.post });
  const who = await requireVisitor(here);
  const found = await conversation(who.deps, who.actor, slug, {
    post: ask.post ?? (typeof ask.paste === 'number' ? ask.paste : null),
    filter: ask.show,
    by: ask.by,
    person: ask.of,
    as: ask.as,
    newestFirst: ask.order && ask.order === 'newest',
    page: ask.page,
    words: ask.words,
  });
  if (!found.ok) notFound();
  const room = found.value;
  const { head, lines, posts, open, reply, stranded, marking } = room;
  const look: Look = { ...room, slug, person: room.person?.id ?? null };
  const next = lines.find((l) => l.reasons.length > 0 && !l.answered && l.id !== open?.thread) ?? null;
  const { zone } = head.schedule;
  const { outside } = head.course;
  const shared = ask.shared ? (posts.find((p) => p.id === ask.shared && p.mine) ?? null) : null;
  // A post is pasted in as a response of its own, or as a reply to the one that is named.
  const pasting =
    outside && ask.paste
      ? ask.paste === 'response'
        ? ('response' as const)
        : (posts.find((p) => p.id === ask.paste) ?? null)
      : null;
  const verdict = shared && head.ledger?.verdicts.find((v) => v.post === shared.id);
  const inThreads = room.as === 'threads';
  const at = open?.at ?? null;
  const chips = (
    <FilterChips look={look} counts={room.counts} person={room.person} open={at} marked={ask.marked} />
  );
  const reading = { look, posts, authors: room.authors, at, zone, now: head.now, outside, staff: head.staff };
  const pager = (
    <Pager
      look={look}
      post={inThreads ? (open?.thread ?? null) : null}
      page={room.page}
      name={inThreads ? 'Pages of this thread' : 'Pages of this conversation'}
    />
  );
  const mark = marking ? <MarkForm slug={slug} zone={zone} marking={marking} /> : null;
  /** What is read, in its arrangement. */
  const left = inThreads ? (
    <ThreadPage {...reading} above={mark} below={pager} />
  ) : (
    <div className="flex min-h-0 grow flex-col">
      {chips}
      {mark}
      {room.as === 'headlines' ? (
        <Headlines {...reading} lines={lines} />
      ) : (
        <ThreadPage {...reading} empty={emptyText(room.filter, outside)} />
      )}
      {pager}
    </div>
  );
  const facing = open ? (
    <FacingPages
      first={ask.shared ? 'right' : 'left'}
      about={`${open.at} ${ask.shared ?? ''}`}
      left={{ name: inThreads ? 'The post' : 'The posts', page: left }}
      right={{
        name: 'Your reply',
        page: !reply ? (
          stranded ? (
            <Stranded {...stranded} />
          ) : (
            <GoneReply />
          )
        ) : shared ? (
          <SharedNote head={head} post={shared} verdict={verdict ?? null} next={next} />
        ) : reply.answering.self && !head.staff ? (
          <OpenedReply head={head} />
        ) : (
          <ReplyDesk
            key={`${reply.answering.id} ${reply.draft.submission}`}
            slug={slug}
            course={head.course.slug}
            person={who.actor.id}
            author={who.actor.name}
            staff={head.staff}
            zone={zone}
            brief={head.brief}
            answering={reply.answering}
            about={reply.about}
            changed={reply.changed}
            draft={reply.draft}
            refused={reply.refused}
            ledgerInput={room.ledgerInput}
            now={head.now}
            outside={outside}
            ownZone={who.actor.timeZone}
          />
        ),
      }}
    />
  ) : null;
  const paste =
    pasting === null ? null : (
      <PastePost
        slug={slug}
        answers={pasting === 'response' ? null : { id: pasting.id, name: pasting.author.name }}
        names={[...new Set(lines.filter((l) => !l.mine).map((l) => l.author))]}
      />
    );
  return (
    <Frame visitor={who} here={here} place="discussions" zone={zone}>
      <main id="main">
        <Head head={head} room="conversation" ownZone={who.actor.timeZone} />
        <div className="px-4 pb-4 [--above:188px] sm:px-7">
          {outside && ask.answer ? (
            <p role="status" className="mb-2 rounded-control bg-brick-tint px-3 py-2 font-medium">
              {troubleText({ code: ask.answer })}
            </p>
          ) : (
            <FormAnswer code={ask.answer ?? null} zone={zone} />
          )}
          {head.sealed ? (
            <Sealed head={head} />
          ) : (
            <>
              <RoomBar
                look={look}
                post={at}
                steps={room.steps}
                followsDiscussion={room.followsDiscussion}
                thread={open && { id: open.thread, followed: open.followed }}
                staff={head.staff}
                outside={outside}
                live={outside ? null : <Live slug={slug} events={room.events} followed={room.followed} />}
              />
              {!inThreads && !paste ? (
                (facing ?? (
                  <div className="plate flex flex-col overflow-hidden lg:h-[calc(100dvh-var(--above))] lg:min-h-[520px]">
                    {left}
                  </div>
                ))
              ) : (
                <div className="grid grid-cols-[minmax(0,1fr)] gap-3 lg:grid-cols-[290px_minmax(0,1fr)] lg:gap-0">
                  <div
                    className={`plate min-w-0 overflow-hidden lg:h-[calc(100dvh-var(--above))] lg:min-h-[520px] lg:rounded-r-none lg:border-r-0 ${open || pasting ? 'max-lg:hidden' : ''}`}
                  >
                    <ThreadList
                      look={look}
                      lines={lines}
                      chips={chips}
                      open={lines.some((l) => l.id === at) ? at : (open?.thread ?? null)}
                      zone={zone}
                      now={head.now}
                      outside={outside}
                    />
                  </div>
                  {paste ??
                    (facing ? (
                      <div className="min-w-0 lg:[&_.plate]:rounded-l-none">
                        <BackToList look={look} />
                        {facing}
                      </div>
                    ) : (
                      <NothingOpen head={head} asked={ask.post} found={open !== null} next={next} />
                    ))}
                </div>
              )}
            </>
          )}
        </div>
      </main>
    </Frame>
  );
}
