import { CornerDownRight, Lock } from 'lucide-react';
import Link from 'next/link';
import type { ReactNode } from 'react';
import { Avatar } from '../frame/avatar';
import { TakeOut } from '../outside/take-back';
import { DocumentView } from '../reading/document-view';
import { plural } from '../words/plural';
import { moment } from '../words/time';
import { ReadingEye } from './reading-eye';
import { Marks } from './marks';
import { PersonCard, type PostOfAuthorView } from './person-card';
import { ReadMark } from './unread';
import { QuoteSelection } from './quote-selection';
import { ShowPost } from './show-post';
import type { ThreadFilter } from '@/core/posts/filters';
import type { ReadPostView } from './types';

const GONE = {
  withdrawn: 'Its author withdrew this post. The replies to it stay.',
  hidden: 'Staff have hidden this post. The replies to it stay.',
};

function Post({
  slug,
  post,
  posts,
  open,
  answerHref,
  zone,
  outside,
  staff,
}: {
  slug: string;
  post: ReadPostView;
  /** What else its author has written here. */
  posts: readonly PostOfAuthorView[];
  open: boolean;
  answerHref: string;
  zone: string;
  outside: boolean;
  /** The reader is staff. */
  staff: boolean;
}) {
  const isReply = post.kind === 'reply';
  return (
    <article
      id={`post-${post.id}`}
      aria-label={`${isReply ? 'Reply' : 'Response'} by ${post.author.name}`}
      className={`px-4 py-3.5 sm:px-5 ${isReply ? 'border-t border-rule-soft' : ''} ${open ? 'bg-page' : ''}`}
      style={{ paddingLeft: isReply ? `${Math.min(post.depth, 4) * 18 + 8}px` : undefined }}
    >
      <div className={isReply ? `border-l-2 pl-3 ${open ? 'border-pine' : 'border-rule'}` : ''}>
        <header className="flex items-start gap-2.5">
          {isReply ? (
            <CornerDownRight size={16} aria-hidden className="mt-0.5 shrink-0 text-ink-3" />
          ) : (
            <Avatar name={post.author.name} mine={post.mine} />
          )}
          <div className="min-w-0 grow text-[13px] leading-snug">
            <h2 className="inline font-sans text-[14px] font-bold tracking-normal">
              <PersonCard slug={slug} name={post.author.name} mine={post.mine} posts={posts} />
            </h2>
            {post.author.role !== 'student' ? (
              <span className="ml-1.5 rounded-[5px] bg-sky-tint px-1.5 text-[11.5px] font-semibold text-sky">
                staff
              </span>
            ) : null}
            <span className="block text-ink-2">
              {isReply ? `reply to ${post.to ?? 'a post'}` : 'response'} · {moment(post.sharedAt, zone)}
              {post.gone ? '' : ` · ${plural(post.ownWords, 'word')}`}
              {post.edited ? (
                post.mine || staff ? (
                  <>
                    {' · '}
                    <Link className="link" href={`/discussions/${slug}/posts/${post.id}/history`}>
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
            {post.privateTo ? (
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
          <p className="mt-2 text-ink-2 italic">{GONE[post.gone]}</p>
        ) : (
          <div className="mt-2" data-quotable="" data-author={post.author.name} data-post={post.id}>
            {post.title ? <h3 className="mb-2 text-[16px]">{post.title}</h3> : null}
            <DocumentView doc={post.doc} className="!text-[15px]" />
          </div>
        )}
        {post.gone ? null : (
          <div className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-1">
            <Marks slug={slug} post={post.id} author={post.author.name} mine={post.mine} marks={post.marks} />
            {open ? null : (
              <Link className="link text-[13px]" href={answerHref}>
                Answer {post.mine ? 'this' : post.author.name}
              </Link>
            )}
            {post.mine && !outside ? (
              <Link className="link text-[13px]" href={`/discussions/${slug}/posts/${post.id}/edit`}>
                Change or withdraw it
              </Link>
            ) : null}
            {outside ? (
              <>
                <Link
                  className="link text-[13px]"
                  href={`/discussions/${slug}/conversation?paste=${post.id}`}
                >
                  Paste a reply to this
                </Link>
                {post.mine && !isReply ? null : (
                  <TakeOut slug={slug} post={post.id} own={post.mine} name={`post by ${post.author.name}`} />
                )}
              </>
            ) : null}
          </div>
        )}
      </div>
    </article>
  );
}

/** The page one reads: a response with the replies to it. */
export function ThreadPage(props: {
  slug: string;
  thread: ReadPostView[];
  authors: Readonly<Record<string, PostOfAuthorView[]>>;
  at: number;
  filter: ThreadFilter;
  standard: ThreadFilter;
  zone: string;
  canQuote: boolean;
  outside: boolean;
  staff: boolean;
  above: ReactNode;
}) {
  return (
    <div className="grow overflow-auto bg-page" tabIndex={0}>
      {props.above}
      {props.thread.map((post) => (
        <Post
          key={post.id}
          slug={props.slug}
          post={post}
          posts={props.authors[post.author.id] ?? []}
          open={post.id === props.at}
          zone={props.zone}
          outside={props.outside}
          staff={props.staff}
          answerHref={`/discussions/${props.slug}/conversation?post=${post.id}${props.filter === props.standard ? '' : `&show=${props.filter}`}`}
        />
      ))}
      <ReadingEye slug={props.slug} unread={props.thread.filter((p) => p.unread).map((p) => p.id)} />
      <ShowPost id={props.at} first={props.thread[0]?.id === props.at} />
      {props.canQuote ? <QuoteSelection /> : null}
    </div>
  );
}
