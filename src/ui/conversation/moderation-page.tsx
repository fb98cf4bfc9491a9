import { conversationAt } from '@/contract/addresses';
import Link from 'next/link';
import type { ModerationAct } from '@/core/posts/moderation';
import { plural } from '../words/plural';
import { MODERATION_DONE } from '../words/conversation-bar';
import { moment } from '../words/time';
import { ModerationMenu } from './moderation-menu';

export type ReportedView = {
  id: number;
  author: string;
  opening: string;
  hidden: boolean;
  reports: { by: string; reason: string; at: number }[];
};
export type ModerationEntry = {
  post: number;
  author: string;
  by: string;
  act: ModerationAct;
  reason: string;
  at: number;
};

const postHref = (slug: string, post: number) => conversationAt(slug, { post });

/** For staff: what was reported and waits, and everything that was done. */
export function ModerationPage(props: {
  slug: string;
  reported: readonly ReportedView[];
  log: readonly ModerationEntry[];
  zone: string;
}) {
  const { slug, reported, log, zone } = props;
  return (
    <div className="grid gap-4 px-4 pb-6 sm:px-7 lg:grid-cols-2">
      <section aria-labelledby="reports" className="plate px-5 py-4">
        <h2 id="reports" className="text-[18px]">
          {reported.length === 0 ? 'Nothing is reported' : `${plural(reported.length, 'post')} reported`}
        </h2>
        <p className="mt-1 text-[14px] text-ink-2">
          Readers report a post with a reason. Hide it, or say that nothing is to be done: either settles its
          reports.
        </p>
        <ul>
          {reported.map((post) => (
            <li key={post.id} className="mt-3 border-t border-rule-soft pt-3">
              <div className="flex items-start justify-between gap-3">
                <p className="min-w-0">
                  <Link className="link font-semibold" href={postHref(slug, post.id)}>
                    #{post.id} by {post.author}
                  </Link>
                  {post.hidden ? <span className="text-ink-2"> · hidden</span> : null}
                  <span className="line-clamp-2 text-ink-2">{post.opening}</span>
                </p>
                <ModerationMenu
                  slug={slug}
                  post={post.id}
                  author={post.author}
                  acts={post.hidden ? ['show', 'settle'] : ['hide', 'settle']}
                />
              </div>
              <ul className="mt-1.5 grid gap-1.5">
                {post.reports.map((r) => (
                  <li key={`${r.by} ${r.at}`} className="border-l-2 border-ochre pl-3 text-[14px]">
                    “{r.reason}”{' '}
                    <span className="text-[12.5px] text-ink-2">
                      {r.by}, {moment(r.at, zone)}
                    </span>
                  </li>
                ))}
              </ul>
            </li>
          ))}
        </ul>
      </section>
      <section aria-labelledby="log" className="plate px-5 py-4">
        <h2 id="log" className="text-[18px]">
          What was done
        </h2>
        <p className="mt-1 text-[14px] text-ink-2">
          Every report and every act of staff, for good: nothing here can be changed.
        </p>
        {log.length === 0 ? <p className="mt-3">Nothing yet.</p> : null}
        <ol className="mt-2">
          {log.map((entry, i) => (
            <li key={i} className="border-t border-rule-soft py-2 text-[14px]">
              <b>{entry.by}</b> {MODERATION_DONE[entry.act]}{' '}
              <Link className="link" href={postHref(slug, entry.post)}>
                #{entry.post}
              </Link>
              {entry.author && entry.act !== 'answer' ? ` by ${entry.author}` : ''}
              <span className="text-[12.5px] text-ink-2"> · {moment(entry.at, zone)}</span>
              {entry.reason ? <span className="block text-ink-2">“{entry.reason}”</span> : null}
            </li>
          ))}
        </ol>
      </section>
      <p className="lg:col-span-2">
        <Link className="link" href={conversationAt(slug)}>
          Back to the conversation
        </Link>
      </p>
    </div>
  );
}
