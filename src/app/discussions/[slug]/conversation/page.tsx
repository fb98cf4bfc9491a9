import { notFound } from 'next/navigation';
import { z } from 'zod';
import { THREAD_FILTERS } from '@/core/posts/filters';
import { conversation } from '@/server/discussions/conversation';
import { Sealed } from '@/ui/conversation/sealed';
import { ThreadList } from '@/ui/conversation/thread-list';
import { ThreadPage } from '@/ui/conversation/thread-page';
import { BackToList, NothingOpen, OpenedReply, SharedNote } from '@/ui/conversation/notes';
import { FacingPages } from '@/ui/discussion/facing-pages';
import { FormAnswer } from '@/ui/discussion/form-answer';
import { Head } from '@/ui/discussion/head';
import { ReplyDesk } from '@/ui/writing/reply-desk';
import { Frame } from '../../../_request/frame';
import { requireVisitor } from '../../../_request/session';

type Props = { params: Promise<{ slug: string }>; searchParams: Promise<Record<string, string | undefined>> };

export const metadata = { title: 'Conversation' };

const query = z.object({
  post: z.coerce.number().int().positive().nullable().catch(null),
  shared: z.coerce.number().int().positive().nullable().catch(null),
  show: z.enum(THREAD_FILTERS).catch('all'),
  answer: z.string().optional(),
});

export default async function ConversationPage({ params, searchParams }: Props) {
  const { slug } = await params;
  const ask = query.parse(await searchParams);
  const here = `/discussions/${slug}/conversation${ask.post ? `?post=${ask.post}` : ''}`;
  const who = await requireVisitor(here);
  const room = await conversation(who.deps, who.actor, slug, { post: ask.post, filter: ask.show });
  if (!room.ok) notFound();
  const { head, lines, counts, open, reply, ledgerInput, filter } = room.value;
  const { zone } = head.schedule;
  const shared = ask.shared ? (open?.thread.find((p) => p.id === ask.shared && p.mine) ?? null) : null;
  const verdict = shared && head.ledger?.verdicts.find((v) => v.post === shared.id);
  return (
    <Frame visitor={who} here={here} place="/discussions" zone={zone}>
      <main id="main">
        <Head head={head} room="conversation" ownZone={who.actor.timeZone} />
        <div className="px-4 pb-4 sm:px-7">
          <FormAnswer code={ask.answer ?? null} zone={zone} />
          {head.sealed ? (
            <Sealed head={head} />
          ) : (
            <div className="grid grid-cols-[minmax(0,1fr)] gap-3 lg:grid-cols-[290px_minmax(0,1fr)] lg:gap-0">
              <div
                className={`plate min-w-0 overflow-hidden lg:h-[calc(100dvh-148px)] lg:min-h-[520px] lg:rounded-r-none lg:border-r-0 ${open ? 'max-lg:hidden' : ''}`}
              >
                <ThreadList
                  slug={slug}
                  lines={lines}
                  counts={counts}
                  filter={filter}
                  open={open?.thread[0]?.id ?? null}
                  zone={zone}
                  now={head.now}
                />
              </div>
              {open && reply ? (
                <div className="min-w-0 lg:[&_.plate]:rounded-l-none">
                  <BackToList slug={slug} filter={filter} />
                  <FacingPages
                    first={ask.shared ? 'right' : 'left'}
                    left={{
                      name: 'The post',
                      page: (
                        <ThreadPage
                          slug={slug}
                          thread={open.thread}
                          at={open.at}
                          filter={filter}
                          zone={zone}
                          canQuote
                        />
                      ),
                    }}
                    right={{
                      name: 'Your reply',
                      page: shared ? (
                        <SharedNote
                          head={head}
                          post={shared}
                          verdict={verdict ?? null}
                          others={lines.filter((l) => !l.mine && !l.answered).length}
                        />
                      ) : reply.answering.self && !head.staff ? (
                        <OpenedReply head={head} />
                      ) : (
                        <ReplyDesk
                          key={`${reply.answering.id} ${reply.draft.submission}`}
                          slug={slug}
                          person={who.actor.id}
                          zone={zone}
                          brief={head.brief}
                          answering={reply.answering}
                          draft={reply.draft}
                          refused={reply.refused}
                          ledgerInput={ledgerInput}
                          now={head.now}
                        />
                      ),
                    }}
                  />
                </div>
              ) : (
                <NothingOpen head={head} asked={ask.post} found={open !== null} />
              )}
            </div>
          )}
        </div>
      </main>
    </Frame>
  );
}
