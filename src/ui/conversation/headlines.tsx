import { CornerDownRight, Image as Picture, Lock, Pin } from 'lucide-react';
import Link from 'next/link';
import { plural } from '../words/plural';
import { emptyText } from '../words/conversation-bar';
import { ago, moment } from '../words/time';
import { addressOf, type Look } from './address';
import type { PostOfAuthorView } from './person-card';
import { Post, Reading } from './thread-page';
import { SoftLinks } from './soft-links';
import type { ReadPost, ThreadLine } from '@/contract/thread';
import { UnreadDot } from './unread';

const GONE = { withdrawn: 'Withdrawn by its author', hidden: 'Hidden by staff' };

/** A post on one line: who, what it begins with, when. */
function Headline({ look, line, zone, now }: { look: Look; line: ThreadLine; zone: string; now: number }) {
  const isReply = line.kind === 'reply';
  return (
    <a
      href={addressOf(look, { post: line.id })}
      data-soft=""
      id={`headline-${line.id}`}
      className="flex min-h-9 items-center gap-2 px-3 py-1 text-[13.5px] outline-offset-[-3px] hover:bg-page-2 sm:px-4"
      style={{
        paddingLeft: isReply
          ? `calc(14px + ${Math.min(line.depth, 6)} * clamp(8px, 1.2vw, 16px))`
          : undefined,
      }}
    >
      {isReply ? <CornerDownRight size={13} aria-label="reply" className="shrink-0 text-ink-3" /> : null}
      {line.pinned ? <Pin size={13} aria-label="pinned" className="shrink-0 text-ink-2" /> : null}
      {line.private ? <Lock size={13} aria-label="private" className="shrink-0 text-ochre-ink" /> : null}
      <span className={`w-[6.2rem] shrink-0 truncate sm:w-[10rem] ${isReply ? '' : 'font-bold'}`}>
        {line.author}
        {line.mine ? ' (you)' : ''}
      </span>
      <span className={`min-w-0 grow truncate ${isReply ? 'text-ink-2' : ''} ${line.gone ? 'italic' : ''}`}>
        {line.gone ? GONE[line.gone] : line.opening}
      </span>
      {line.pictured ? (
        <Picture size={13} aria-label="with a picture" className="shrink-0 text-ink-3" />
      ) : null}
      {line.unread.length > 0 ? <UnreadDot post={line.id} /> : null}
      {line.replies > 0 && !isReply ? (
        <span className="hidden shrink-0 text-[12px] text-ink-2 sm:inline">
          {plural(line.replies, 'reply', 'replies')}
        </span>
      ) : null}
      <time
        dateTime={new Date(line.sharedAt).toISOString()}
        title={moment(line.sharedAt, zone)}
        className="shrink-0 text-right text-[12px] text-ink-3 sm:w-[4.6rem]"
      >
        {ago(now - line.sharedAt)}
      </time>
    </a>
  );
}

/** A long room at a glance: a line a post, indented under what it answers; the open one stands in its place. */
export function Headlines(props: {
  look: Look;
  lines: readonly ThreadLine[];
  posts: readonly ReadPost[];
  authors: Readonly<Record<string, readonly PostOfAuthorView[]>>;
  at: number | null;
  zone: string;
  now: number;
  outside: boolean;
  staff: boolean;
  onlooker: boolean;
}) {
  const { look, lines, posts, at } = props;
  return (
    <div className="relative min-h-0 grow overflow-auto bg-page" tabIndex={0}>
      <SoftLinks>
        {lines.map((line) => {
          const post = line.id === at ? posts.find((p) => p.id === line.id) : undefined;
          return (
            <li
              key={line.id}
              className={`border-b border-rule-soft ${post ? 'shadow-[inset_4px_0_var(--pine)]' : ''}`}
            >
              {post ? (
                <>
                  <Post
                    look={look}
                    post={post}
                    posts={props.authors[post.author.id] ?? []}
                    open
                    zone={props.zone}
                    now={props.now}
                    outside={props.outside}
                    staff={props.staff}
                    onlooker={props.onlooker}
                  />
                  <p className="px-4 pb-2.5 text-right sm:px-5">
                    <Link className="link text-[13px]" href={addressOf(look)}>
                      Close post {post.id}
                    </Link>
                  </p>
                </>
              ) : (
                <Headline look={look} line={line} zone={props.zone} now={props.now} />
              )}
            </li>
          );
        })}
        {lines.length === 0 ? (
          <li className="px-4 py-4 text-ink-2">{emptyText(look.filter, props.outside)}</li>
        ) : null}
      </SoftLinks>
      <Reading slug={look.slug} posts={posts} at={at} bring />
    </div>
  );
}
