import type { Conversation } from '@/contract/conversation-view';
import { FacingPages } from '../discussion/facing-pages';
import { FormAnswer } from '../discussion/form-answer';
import { Head } from '../discussion/head';
import { PastePost } from '../outside/paste-post';
import { troubleText } from '../words/outside';
import { filterName } from '../words/conversation-bar';
import { lookOf } from './address';
import { BesideList } from './beside-list';
import { ConversationBar } from './conversation-bar';
import { FilterChips } from './filter-chips';
import { Live } from './live';
import { NothingOpen } from './notes';
import { Answered, Hint, PostFoot } from './phone';
import { ReadSide } from './read-side';
import { ReplySide, type You } from './reply-side';
import { Sealed } from './sealed';
import { ThreadList } from './thread-list';
import { ToolsFold } from './tools-fold';
import { WITH_TOOLS } from './with-tools';

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
  const counted = view.counts[view.filter];
  const listed = `${filterName(view.filter, view.words, view.person?.name ?? null)} ${counted}`;
  const chips = (
    <FilterChips
      look={look}
      counts={view.counts}
      className={WITH_TOOLS}
      person={view.person}
      open={at}
      marked={ask.marked}
    />
  );
  const read = <ReadSide view={view} slug={slug} look={look} chips={chips} />;
  const looking = (
    <div className="plate flex flex-col overflow-hidden max-lg:rounded-none max-lg:border-x-0 lg:h-[calc(100dvh-var(--above))] lg:min-h-[520px]">
      {read}
    </div>
  );
  const facing = !open ? null : head.onlooker ? (
    looking
  ) : (
    <FacingPages
      first={ask.shared ? 'right' : 'left'}
      about={`${open.at} ${ask.shared ?? ''}`}
      ways={{ foot: <PostFoot view={view} look={look} /> }}
      left={{ name: inThreads ? 'The post' : 'The posts', page: read }}
      right={{
        name: 'Your reply',
        page: (
          <>
            <Answered view={view} />
            <ReplySide view={view} slug={slug} you={you} shared={shared} next={next} />
          </>
        ),
      }}
    />
  );
  const paste = outside ? pasteForm(view, slug, ask.paste) : null;
  return (
    <main id="main">
      <Head head={head} room="conversation" ownZone={you.timeZone} />
      <div className="[--above:188px] lg:px-7 lg:pb-4">
        <div className="max-lg:px-4">
          {outside && ask.answer ? (
            <p role="status" className="mb-2 rounded-control bg-brick-tint px-3 py-2 font-medium">
              {troubleText({ code: ask.answer })}
            </p>
          ) : (
            <FormAnswer code={ask.answer ?? null} zone={zone} />
          )}
        </div>
        {head.sealed ? (
          <Sealed head={head} />
        ) : (
          <ToolsFold
            key={at ?? ''}
            hint={<Hint view={view} look={look} next={next} />}
            listed={listed}
            beside={open !== null}
            first={ask.shared ? 'right' : 'left'}
          >
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
              <BesideList
                key={at ?? ''}
                beside={open !== null || paste !== null}
                begun={!paste && (view.reply?.draft.revision ?? 0) > 0}
                listed={listed}
                list={
                  <ThreadList
                    look={look}
                    lines={lines}
                    chips={chips}
                    open={lines.some((l) => l.id === at) ? at : (open?.thread ?? null)}
                    zone={zone}
                    now={head.now}
                    outside={outside}
                  />
                }
              >
                {paste ??
                  (facing ? (
                    <div className="min-w-0 lg:[&_.plate]:rounded-l-none">{facing}</div>
                  ) : (
                    <NothingOpen head={head} asked={ask.post} found={open !== null} next={next} />
                  ))}
              </BesideList>
            )}
          </ToolsFold>
        )}
      </div>
    </main>
  );
}
