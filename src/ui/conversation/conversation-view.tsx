import type { Conversation } from '@/contract/conversation-view';
import { FacingPages } from '../discussion/facing-pages';
import { FormAnswer } from '../discussion/form-answer';
import { Head } from '../discussion/head';
import { PastePost } from '../outside/paste-post';
import { troubleText } from '../words/outside';
import { addressOf, lookOf } from './address';
import { ConversationBar } from './conversation-bar';
import { FilterChips } from './filter-chips';
import { Live } from './live';
import { BackToList, NothingOpen } from './notes';
import { ReadSide } from './read-side';
import { ReplySide, type You } from './reply-side';
import { Sealed } from './sealed';
import { ThreadList } from './thread-list';

/** What the address asks for beside what is read. */
export type ConversationAsked = {
  post: number | null;
  /** The post that was shared a moment ago. */
  shared: number | null;
  /** When everything was marked as read, which can be undone. */
  marked: number | null;
  /** What a post that is pasted in is: a response of its own, or a reply to that post. */
  paste: 'response' | number | null;
  answer?: string;
};

/** The form for a post pasted in from a course elsewhere, where one is asked for. */
function pasteForm({ lines, posts }: Conversation, slug: string, paste: ConversationAsked['paste']) {
  if (paste === null) return null;
  const answers = paste === 'response' ? null : posts.find((p) => p.id === paste);
  if (answers === undefined) return null;
  return (
    <PastePost
      slug={slug}
      answers={answers && { id: answers.id, name: answers.author.name }}
      names={[...new Set(lines.filter((l) => !l.mine).map((l) => l.author))]}
    />
  );
}

/** The Conversation: a list, the post that is read, and the page to answer it on. */
export function ConversationView(props: {
  view: Conversation;
  slug: string;
  ask: ConversationAsked;
  you: You;
}) {
  const { view, slug, ask, you } = props;
  const { head, lines, posts, open } = view;
  const { zone } = head.schedule;
  const { outside } = head.course;
  const look = lookOf(view, slug);
  const next = lines.find((l) => l.reasons.length > 0 && !l.answered && l.id !== open?.thread) ?? null;
  const shared = ask.shared ? (posts.find((p) => p.id === ask.shared && p.mine) ?? null) : null;
  const inThreads = view.as === 'threads';
  const at = open?.at ?? null;
  const chips = (
    <FilterChips look={look} counts={view.counts} person={view.person} open={at} marked={ask.marked} />
  );
  const read = <ReadSide view={view} slug={slug} look={look} chips={chips} />;
  const looking = (
    <div className="plate flex flex-col overflow-hidden lg:h-[calc(100dvh-var(--above))] lg:min-h-[520px]">
      {read}
    </div>
  );
  const facing = !open ? null : head.onlooker ? (
    looking
  ) : (
    <FacingPages
      first={ask.shared ? 'right' : 'left'}
      about={`${open.at} ${ask.shared ?? ''}`}
      left={{ name: inThreads ? 'The post' : 'The posts', page: read }}
      right={{
        name: 'Your reply',
        page: <ReplySide view={view} slug={slug} you={you} shared={shared} next={next} />,
      }}
    />
  );
  const paste = outside ? pasteForm(view, slug, ask.paste) : null;
  return (
    <main id="main">
      <Head head={head} room="conversation" ownZone={you.timeZone} />
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
            <ConversationBar
              look={look}
              post={at}
              steps={view.steps}
              followsDiscussion={view.followsDiscussion}
              thread={open && { id: open.thread, followed: open.followed }}
              staff={head.staff}
              outside={outside}
              live={outside ? null : <Live slug={slug} events={view.events} followed={view.followed} />}
            />
            {!inThreads && !paste ? (
              (facing ?? looking)
            ) : (
              <div className="grid grid-cols-[minmax(0,1fr)] gap-3 lg:grid-cols-[290px_minmax(0,1fr)] lg:gap-0">
                <div
                  className={`plate min-w-0 overflow-hidden lg:h-[calc(100dvh-var(--above))] lg:min-h-[520px] lg:rounded-r-none lg:border-r-0 ${open || paste ? 'max-lg:hidden' : ''}`}
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
                      <BackToList href={addressOf(look)} all="All responses" />
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
  );
}
