import { conversationAt, editPostAt, postHistoryAt } from '@/contract/addresses';
import { CornerDownRight, Lock, Pin } from 'lucide-react';
import Link from 'next/link';
import type { ReactNode } from 'react';
import { Avatar } from '../frame/avatar';
import { TakeOut } from '../outside/take-back';
import { DocumentView } from '../document/document-view';
import { plural } from '../words/plural';
import { ago, moment } from '../words/time';
import { addressOf, type Look } from './address';
import { ModerationMenu } from './moderation-menu';
import { ReadingEye } from './reading-eye';
import { PostReactions } from './reactions';
import { PersonCard, type PostOfAuthorView } from './person-card';
import { ReadMark } from './unread';
import { QuoteSelection } from './quote-selection';
import { ShowPost } from './show-post';
import { actsOn } from '@/core/posts/moderation';
import { COVERED, type ReadPost } from '@/contract/thread';

const Sign = ({ icon: Icon, children }: { icon: typeof Lock; children: string }) => (
  <span className="ml-1.5 inline-flex items-center gap-1 rounded-[5px] bg-rule-soft px-1.5 text-[11.5px] font-semibold text-ink-2">
    <Icon size={11} aria-hidden /> {children}
  </span>
);

/** What one says of a post by one press: whoever only tells something asks nothing that one could ask, too. */
const applause = ({ asks }: Look, isReply: boolean): string =>
  asks === null
    ? 'Well said'
    : asks.kind !== 'asks'
      ? 'Thank you'
      : isReply
        ? 'I find this right'
        : 'I ask this, too';

/** What posts are called where one asks, and where one discusses. */
const KINDS = {
  discusses: { response: 'Response', reply: 'Reply' },
  asks: { response: 'Question', reply: 'Answer' },
};

const GONE = {
  withdrawn: 'Its author withdrew this post. The replies to it stay.',
  hidden: 'Staff have hidden this post. The replies to it stay.',
};

/** Deep threads stay readable on a phone: the steps are narrow there, and end where the column would. */
const indentOf = (depth: number) => `calc(8px + ${Math.min(depth, 6)} * clamp(8px, 1.6vw, 18px))`;

/** One post as it is read, whatever arrangement it stands in. */
export function Post({
  look,
  post,
  posts,
  open,
  zone,
  now,
  outside,
  staff,
  onlooker,
  beneath,
}: {
  look: Look;
  post: ReadPost;
  /** What else its author has written here. */
  posts: readonly PostOfAuthorView[];
  open: boolean;
  zone: string;
  now: number;
  outside: boolean;
  /** The reader is staff. */
  staff: boolean;
  /** The reader looks on, and writes nothing. */
  onlooker: boolean;
  /** What is said about it beneath its text. */
  beneath?: ReactNode;
}) {
  const { slug } = look;
  const answerHref = addressOf(look, { post: post.id });
  const isReply = post.kind === 'reply';
  const care = actsOn(
    {
      ...post,
      withdrawn: post.gone === 'withdrawn',
      hidden: post.gone === 'hidden',
      private: post.privateTo !== null,
    },
    staff,
  ).filter((act) => act !== 'answer' && act !== 'accept');
  return (
    <article
      id={`post-${post.id}`}
      aria-label={`${KINDS[look.asks ? 'asks' : 'discusses'][post.kind]} by ${post.author.name}`}
      className={`px-4 py-3.5 max-lg:pt-2.5 sm:px-5 ${isReply ? 'border-t border-rule-soft' : ''} ${open ? 'bg-page' : ''}`}
      style={{ paddingLeft: isReply && look.as !== 'time' ? indentOf(post.depth) : undefined }}
    >
      <div className={isReply ? `border-l-2 pl-3 ${open ? 'border-pine' : 'border-rule'}` : ''}>
        <header className="flex items-start gap-2.5">
          {isReply ? (
            <CornerDownRight size={16} aria-hidden className="mt-0.5 shrink-0 text-ink-3" />
          ) : (
            <Avatar name={post.author.name} mine={post.mine} picture={post.author.picture} />
          )}
          <div className="min-w-0 grow text-[13px] leading-snug">
            <h2 className="inline font-sans text-[14px] font-bold tracking-normal">
              {look.asks ? (
                <>
                  {post.author.name}
                  {post.mine ? ' (you)' : ''}
                </>
              ) : (
                <PersonCard
                  look={look}
                  id={post.author.id}
                  name={post.author.name}
                  picture={post.author.picture}
                  mine={post.mine}
                  posts={posts}
                />
              )}
            </h2>
            {post.author.role !== 'student' ? (
              <span className="ml-1.5 rounded-[5px] bg-sky-tint px-1.5 text-[11.5px] font-semibold text-sky">
                staff
              </span>
            ) : null}
            {post.pinned ? <Sign icon={Pin}>pinned</Sign> : null}
            {post.locked ? <Sign icon={Lock}>locked</Sign> : null}
            <span className="block text-ink-2">
              {!isReply ? (
                KINDS[look.asks ? 'asks' : 'discusses'].response.toLowerCase()
              ) : post.depth > 1 || look.as === 'time' ? (
                <>
                  reply to{' '}
                  <Link
                    className="link"
                    href={addressOf(look, { post: post.parent })}
                    aria-label={`${post.to ?? 'a post'}, post number ${post.parent}`}
                  >
                    {post.to ?? 'a post'}
                  </Link>
                </>
              ) : (
                `reply to ${post.to ?? 'a post'}`
              )}{' '}
              ·{' '}
              <time dateTime={new Date(post.sharedAt).toISOString()}>
                {moment(post.sharedAt, zone)} ({ago(now - post.sharedAt)})
              </time>
              {post.gone ? '' : ` · ${plural(post.ownWords, 'word')}`}
              {post.edited ? (
                post.mine || staff ? (
                  <>
                    {' · '}
                    <Link className="link" href={postHistoryAt(slug, post.id)}>
                      edited
                    </Link>
                  </>
                ) : (
                  ' · edited'
                )
              ) : (
                ''
              )}
            </span>
            {post.underCover ? (
              <span className="mt-0.5 inline-flex items-center gap-1 font-semibold text-sky">
                {post.underCover}
              </span>
            ) : null}
            {post.privateTo && !look.asks ? (
              <span className="mt-0.5 inline-flex items-center gap-1 font-semibold text-ochre-ink">
                <Lock size={12} aria-hidden /> private: for {post.privateTo} and staff only
              </span>
            ) : null}
          </div>
          {post.mine || post.gone ? null : (
            <ReadMark slug={slug} post={post.id} unread={post.unread} author={post.author.name} />
          )}
          <Link
            className="shrink-0 text-[12.5px] text-ink-2 hover:underline"
            href={answerHref}
            aria-label={`Post number ${post.id}`}
          >
            #{post.id}
          </Link>
        </header>
        {post.gone ? (
          <p className="mt-2 text-ink-2 italic">
            {GONE[post.gone]}
            {post.hiddenReason ? ` The reason they gave: ${post.hiddenReason}` : ''}
          </p>
        ) : (
          <div
            className="mt-2"
            data-quotable=""
            data-author={post.underCover ? COVERED : post.author.name}
            data-post={post.id}
          >
            {post.title ? <h3 className="mb-2 text-[16px]">{post.title}</h3> : null}
            <DocumentView doc={post.doc} className="!text-[15px]" />
            {post.repeats ? (
              <p className="mt-2 rounded-control bg-ochre-tint px-2.5 py-1 text-[12.5px] font-medium text-ochre-ink">
                For staff: nearly the same as this student’s reply to {post.repeats}.
              </p>
            ) : null}
          </div>
        )}
        {beneath}
        {post.gone ? (
          care.length ? (
            <ModerationMenu slug={slug} post={post.id} author={post.author.name} acts={care} />
          ) : null
        ) : onlooker ? null : (
          <div className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-1">
            <PostReactions
              slug={slug}
              post={post.id}
              author={post.author.name}
              mine={post.mine}
              reactions={post.reactions}
              says={applause(look, isReply)}
            />
            {open ? null : (
              <Link className="link text-[13px]" href={answerHref}>
                Answer {post.mine ? 'this' : post.author.name}
              </Link>
            )}
            {post.mine && !outside ? (
              <Link className="link text-[13px]" href={editPostAt(slug, post.id)}>
                Change or withdraw it
              </Link>
            ) : null}
            {outside ? (
              <>
                <Link className="link text-[13px]" href={conversationAt(slug, { paste: post.id })}>
                  Paste a reply to this
                </Link>
                {post.mine && !isReply ? null : (
                  <TakeOut slug={slug} post={post.id} own={post.mine} name={`post by ${post.author.name}`} />
                )}
              </>
            ) : null}
            {outside ? null : (
              <span className="ml-auto">
                <ModerationMenu slug={slug} post={post.id} author={post.author.name} acts={care} />
              </span>
            )}
          </div>
        )}
      </div>
    </article>
  );
}

/** The posts one reads: those of a thread, or of a page by time. */
export function ThreadPage(props: {
  look: Look;
  posts: readonly ReadPost[];
  authors: Readonly<Record<string, readonly PostOfAuthorView[]>>;
  at: number | null;
  zone: string;
  now: number;
  outside: boolean;
  staff: boolean;
  onlooker: boolean;
  above?: ReactNode;
  below?: ReactNode;
  /** What is said where there is no post. */
  empty?: string;
  /** What is said about a post beneath its text. */
  beneath?: (post: ReadPost) => ReactNode;
}) {
  const { posts, at } = props;
  return (
    <div className="relative min-h-0 grow overflow-auto bg-page" tabIndex={0}>
      {props.above}
      {posts.map((post) => (
        <Post
          key={post.id}
          look={props.look}
          post={post}
          posts={props.authors[post.author.id] ?? []}
          open={post.id === at}
          zone={props.zone}
          now={props.now}
          outside={props.outside}
          staff={props.staff}
          onlooker={props.onlooker}
          beneath={props.beneath?.(post)}
        />
      ))}
      {posts.length === 0 ? <p className="px-4 py-4 text-ink-2 sm:px-5">{props.empty}</p> : null}
      {props.below}
      <Reading slug={props.look.slug} posts={posts} at={at} />
    </div>
  );
}

/** What goes on while posts are read: the eye marks them, the open one is brought into view, and words can be quoted. */
export function Reading({
  slug,
  posts,
  at,
  bring = false,
}: {
  slug: string;
  posts: readonly ReadPost[];
  at: number | null;
  /** The open post is brought into view even where it is the first that is read: it stands far down a list. */
  bring?: boolean;
}) {
  return (
    <>
      <ReadingEye slug={slug} unread={posts.filter((p) => p.unread).map((p) => p.id)} />
      {at === null ? null : <ShowPost id={at} first={!bring && posts[0]?.id === at} />}
      <QuoteSelection />
    </>
  );
}
