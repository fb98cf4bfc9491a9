import { notFound } from 'next/navigation';
import { z } from 'zod';
import { emptyDocument } from '@/core/posts/document';
import { THREAD_FILTERS } from '@/core/posts/filters';
import { conversation } from '@/server/discussions/conversation';
import { Sealed } from '@/ui/conversation/sealed';
import { Stranded } from '@/ui/conversation/stranded';
import { ThreadList } from '@/ui/conversation/thread-list';
import { ThreadPage } from '@/ui/conversation/thread-page';
import { BackToList, NothingOpen, OpenedReply, SharedNote } from '@/ui/conversation/notes';
import { FacingPages } from '@/ui/discussion/facing-pages';
import { FormAnswer } from '@/ui/discussion/form-answer';
import { PastePost } from '@/ui/outside/paste-post';
import { Head } from '@/ui/discussion/head';
import { troubleText } from '@/ui/words/outside';
import { MarkForm } from '@/ui/rubric/mark-form';
import { ReplyDesk } from '@/ui/writing/reply-desk';
import { Frame } from '../../../_request/frame';
import { requireVisitor } from '../../../_request/session';

type Props = { params: Promise<{ slug: string }>; searchParams: Promise<Record<string, string | undefined>> };

export const metadata = { title: 'Conversation' };

const query = z.object({
  post: z.coerce.number().int().positive().nullable().catch(null),
  /** Somebody whose post is asked for: what a name in a text leads to. */
  by: z.uuid().nullable().catch(null),
  shared: z.coerce.number().int().positive().nullable().catch(null),
  show: z.enum(THREAD_FILTERS).nullable().catch(null),
  answer: z.string().optional(),
  paste: z
    .union([z.literal('response'), z.coerce.number().int().positive()])
    .nullable()
    .catch(null),
});

export default async function ConversationPage({ params, searchParams }: Props) {
  const { slug } = await params;
  const ask = query.parse(await searchParams);
  const here = `/discussions/${slug}/conversation${ask.post ? `?post=${ask.post}` : ''}`;
  const who = await requireVisitor(here);
  const room = await conversation(who.deps, who.actor, slug, {
    post: ask.post ?? (typeof ask.paste === 'number' ? ask.paste : null),
    filter: ask.show,
    by: ask.by,
  });
  if (!room.ok) notFound();
  const { head, lines, counts, open, reply, ledgerInput, filter, standard, marking, stranded } = room.value;
  const next = lines.find((l) => l.reasons.length > 0 && !l.answered && l.id !== open?.thread[0]?.id) ?? null;
  const { zone } = head.schedule;
  const shared = ask.shared ? (open?.thread.find((p) => p.id === ask.shared && p.mine) ?? null) : null;
  // A post is pasted in as a response of its own, or as a reply to the one that is named.
  const pasting =
    head.course.outside && ask.paste
      ? ask.paste === 'response'
        ? ('response' as const)
        : (open?.thread.find((p) => p.id === ask.paste) ?? null)
      : null;
  const answeredPost = open?.thread.find((p) => p.id === open.at);
  const verdict = shared && head.ledger?.verdicts.find((v) => v.post === shared.id);
  return (
    <Frame visitor={who} here={here} place="/discussions" zone={zone}>
      <main id="main">
        <Head head={head} room="conversation" ownZone={who.actor.timeZone} />
        <div className="px-4 pb-4 sm:px-7">
          {head.course.outside && ask.answer ? (
            <p role="status" className="mb-2 rounded-control bg-brick-tint px-3 py-2 font-medium">
              {troubleText({ code: ask.answer })}
            </p>
          ) : (
            <FormAnswer code={ask.answer ?? null} zone={zone} />
          )}
          {head.sealed ? (
            <Sealed head={head} />
          ) : (
            <div className="grid grid-cols-[minmax(0,1fr)] gap-3 lg:grid-cols-[290px_minmax(0,1fr)] lg:gap-0">
              <div
                className={`plate min-w-0 overflow-hidden lg:h-[calc(100dvh-148px)] lg:min-h-[520px] lg:rounded-r-none lg:border-r-0 ${open || pasting ? 'max-lg:hidden' : ''}`}
              >
                <ThreadList
                  slug={slug}
                  lines={lines}
                  counts={counts}
                  filter={filter}
                  standard={standard}
                  open={open?.thread[0]?.id ?? null}
                  zone={zone}
                  now={head.now}
                  outside={head.course.outside}
                />
              </div>
              {pasting ? (
                <PastePost
                  slug={slug}
                  answers={pasting === 'response' ? null : { id: pasting.id, name: pasting.author.name }}
                  names={[...new Set(lines.filter((l) => !l.mine).map((l) => l.author))]}
                />
              ) : open && (reply || stranded) ? (
                <div className="min-w-0 lg:[&_.plate]:rounded-l-none">
                  <BackToList slug={slug} filter={filter} standard={standard} />
                  <FacingPages
                    first={ask.shared ? 'right' : 'left'}
                    left={{
                      name: 'The post',
                      page: (
                        <ThreadPage
                          above={marking ? <MarkForm slug={slug} zone={zone} marking={marking} /> : null}
                          slug={slug}
                          thread={open.thread}
                          at={open.at}
                          filter={filter}
                          standard={standard}
                          authors={open.authors}
                          zone={zone}
                          canQuote
                          outside={head.course.outside}
                          staff={head.staff}
                        />
                      ),
                    }}
                    right={{
                      name: 'Your reply',
                      page: !reply ? (
                        stranded ? (
                          <Stranded {...stranded} />
                        ) : null
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
                          answering={{
                            ...reply.answering,
                            title: answeredPost?.title ?? '',
                            doc: answeredPost?.doc ?? emptyDocument,
                          }}
                          about={reply.about}
                          changed={reply.changed}
                          draft={reply.draft}
                          refused={reply.refused}
                          ledgerInput={ledgerInput}
                          now={head.now}
                          outside={head.course.outside}
                          ownZone={who.actor.timeZone}
                        />
                      ),
                    }}
                  />
                </div>
              ) : (
                <NothingOpen head={head} asked={ask.post} found={open !== null} next={next} />
              )}
            </div>
          )}
        </div>
      </main>
    </Frame>
  );
}
