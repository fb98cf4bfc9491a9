import { conversationAt, discussionFeedAt, exportAt } from '@/contract/addresses';
import { FileDown } from 'lucide-react';
import Link from 'next/link';
import type { DiscussionHead } from '@/contract/discussion';
import { FeedAddress, type FeedView } from '../frame/feed-address';

const FILES = [
  { as: 'html', name: 'One HTML page', note: 'reads and prints anywhere, pictures and all' },
  { as: 'md', name: 'Markdown', note: 'for notes and for writing on in' },
  { as: 'json', name: 'JSON', note: 'for programs: every text as words, Markdown and document' },
] as const;

/** A conversation to keep, and to be told of elsewhere. */
export function ExportPage({
  head,
  feed,
  zone,
}: {
  head: DiscussionHead;
  feed: FeedView | null;
  zone: string;
}) {
  return (
    <div className="grid gap-4 px-4 pb-6 sm:px-7 lg:grid-cols-2">
      <section aria-labelledby="files" className="plate px-5 py-4">
        <h2 id="files" className="text-[18px]">
          The conversation as a file
        </h2>
        <p className="mt-1 max-w-[70ch] text-[14px] text-ink-2">
          The prompt and every post as you can read them now, private replies to you among them. They are your
          classmates’ words: keep them to yourself.
        </p>
        {head.sealed ? (
          <p className="mt-3 rounded-control bg-ochre-tint px-3 py-2 font-medium">
            This conversation is sealed: there is nothing to take along before you have shared your response.
          </p>
        ) : (
          <ul className="mt-3 grid gap-2">
            {FILES.map(({ as, name, note }) => (
              <li key={as} className="flex flex-wrap items-center gap-x-3 gap-y-1">
                {/* A file of our own route, not a page. */}
                <a className="btn" href={exportAt(head.slug, { as })} download>
                  <FileDown size={15} aria-hidden /> {name}
                </a>
                <span className="text-[13.5px] text-ink-2">{note}</span>
              </li>
            ))}
          </ul>
        )}
      </section>
      <section aria-labelledby="feed" className="plate px-5 py-4">
        <h2 id="feed" className="text-[18px]">
          New posts in a feed reader
        </h2>
        <p className="mt-1 max-w-[70ch] text-[14px] text-ink-2">
          A private address (Atom) that any feed reader can follow. It holds the newest posts exactly as this
          discussion shows them to you, and nothing while the discussion is sealed for you. Whoever knows the
          address can read them: stop it when you no longer need it.
        </p>
        <FeedAddress feed={feed} zone={zone} action={discussionFeedAt(head.slug)} />
      </section>
      <p className="lg:col-span-2">
        <Link className="link" href={conversationAt(head.slug)}>
          Back to the conversation
        </Link>
      </p>
    </div>
  );
}
