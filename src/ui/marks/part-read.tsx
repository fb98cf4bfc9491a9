'use client';

import Link from 'next/link';
import { conversationAt, postHistoryAt } from '@/contract/addresses';
import type { MarkedPost, MarkedStudent, MarkingPage } from '@/contract/marks';
import { marginText } from '../part/receipt';
import { checkFigure, checkName } from '../words/checks';
import type { Numbered } from '@/core/marks/comment';
import { ComparedView } from '../history/difference-view';
import { CommentedText } from './commented-text';
import type { SelectedPassage } from './use-selected';
import { countedText } from '../words/marks';
import { plural } from '../words/plural';
import { moment } from '../words/time';

function Facts({ post, zone }: { post: MarkedPost; zone: string }) {
  const checks = post.checks.filter((c) => c.id !== 'words' && c.id !== 'title');
  const facts = [
    { text: `${moment(post.at, zone)}, ${marginText(post.deadline, post.at)}`, bad: false },
    ...post.checks
      .filter((c) => c.id === 'words')
      .map((c) => ({ text: `${checkFigure(c)} own words`, bad: c.required && !c.met })),
    ...(post.checks.some((c) => c.id === 'words')
      ? []
      : [{ text: plural(post.ownWords, 'own word'), bad: false }]),
    ...checks.map((c) => ({
      text: `${checkName(c.id).toLowerCase()} ${checkFigure(c)}`,
      bad: c.required && !c.met,
    })),
  ];
  return (
    <ul className="mt-1 flex flex-wrap gap-1.5 text-[12px]">
      {facts.map(({ text, bad }) => (
        <li
          key={text}
          className={`rounded-[5px] border px-2 py-0.5 ${bad ? 'border-ochre bg-ochre-tint font-semibold' : 'border-rule bg-page-2'}`}
        >
          {text}
          {bad ? <span className="sr-only">, not met</span> : null}
        </li>
      ))}
    </ul>
  );
}

const Marks = ({ post }: { post: MarkedPost }) => {
  const words = [
    ...(post.withdrawn ? ['withdrawn'] : []),
    ...(post.hidden ? ['hidden by staff'] : []),
    ...(post.private ? ['to one person only'] : []),
  ];
  return words.length ? <span className="ml-1.5 text-ink-2">({words.join(', ')})</span> : null;
};

/** What is different since the text was marked. */
const Since = ({ post }: { post: MarkedPost }) =>
  post.since ? (
    <details open className="my-2 rounded-control border border-ochre bg-page-2 px-3 py-2">
      <summary className="w-fit font-semibold">Changed since it was marked</summary>
      <div className="mt-1.5">
        <ComparedView
          compared={post.since.compared}
          names={{ first: 'the text that was marked', second: 'this one' }}
        />
      </div>
    </details>
  ) : null;

function Links({ post, slug }: { post: MarkedPost; slug: string }) {
  return (
    <span className="flex shrink-0 gap-3 text-[12.5px]">
      {post.edits ? (
        <Link className="link" href={postHistoryAt(slug, post.id)}>
          {plural(post.edits + 1, 'version')}
        </Link>
      ) : null}
      <Link className="link" href={conversationAt(slug, { post: post.id })}>
        In the conversation
      </Link>
    </span>
  );
}

type Commented = {
  comments: readonly Numbered[];
  chosen: string | null;
  choose: (comment: string) => void;
};

function Reply({
  post,
  slug,
  zone,
  ...commented
}: { post: MarkedPost; slug: string; zone: string } & Commented) {
  return (
    <li className="border-t border-rule-soft py-2.5">
      <p className="flex flex-wrap items-baseline justify-between gap-x-3 text-[13px]">
        <span>
          <b>To {post.to?.name ?? 'a post that is gone'}</b>
          {post.verdict ? (
            <span className={post.verdict.counted ? '' : 'text-brick'}> · {countedText(post.verdict)}</span>
          ) : null}
          <Marks post={post} />
        </span>
        <Links post={post} slug={slug} />
      </p>
      {post.to?.opening ? (
        <blockquote className="mt-1 border-l-2 border-ochre pl-2.5 text-[13px] text-ink-2">
          {post.to.opening}
        </blockquote>
      ) : null}
      <Facts post={post} zone={zone} />
      <Since post={post} />
      <div className="mt-1.5">
        <CommentedText doc={post.doc} post={post.id} {...commented} className="!text-[15px]" />
      </div>
    </li>
  );
}

/** The left page: all that one student shared here, with what the checks found and what counts. */
export function PartRead({
  page,
  one,
  selected,
  comment,
  ...commented
}: {
  page: MarkingPage;
  one: MarkedStudent;
  selected: SelectedPassage | null;
  /** Begins a comment on what is selected. */
  comment: () => boolean;
} & Commented) {
  const { zone } = page.course;
  const { slug } = page.discussion;
  const responses = one.posts.filter((p) => p.kind === 'response');
  const replies = one.posts.filter((p) => p.kind === 'reply');
  const counted = replies.filter((p) => p.verdict?.counted).length;
  return (
    <div className="grow overflow-auto px-4 py-4 sm:px-6" tabIndex={0}>
      {selected ? (
        <p className="sticky top-0 z-10 mb-2 flex justify-end">
          <button
            type="button"
            className="btn go"
            onMouseDown={(e) => e.preventDefault()}
            onClick={() => comment()}
          >
            Comment on this passage <kbd className="hidden lg:scripted:inline">c</kbd>
          </button>
        </p>
      ) : null}
      {one.back ? (
        <p className="mb-3 rounded-control bg-ochre-tint px-3 py-2 text-[13.5px] font-medium">
          Done again and given back {moment(one.back.at, zone)}
          {one.back.said ? (
            <>
              : <q>{one.back.said}</q>
            </>
          ) : (
            '.'
          )}
        </p>
      ) : null}
      {one.excused ? (
        <p className="mb-3 rounded-control bg-page-2 px-3 py-2 text-[13.5px] font-medium">
          {one.name} is excused here and owes nothing.
        </p>
      ) : null}
      {responses.length ? null : (
        <h2 className="text-[18px]">
          {one.name} <span className="font-normal text-ink-2">shared no response here</span>
        </h2>
      )}
      {responses.map((post, i) => (
        <article key={post.id} className={i ? 'mt-4 border-t border-rule pt-3' : ''}>
          <div className="flex flex-wrap items-baseline justify-between gap-x-3">
            <h2 className="text-[18px]">
              {one.name}
              {post.title ? ` · ${post.title}` : ''}
            </h2>
            <Links post={post} slug={slug} />
          </div>
          {post.verdict && !(post.verdict.counted && post.verdict.reason === 'counted') ? (
            <p className="text-[13px] font-semibold text-brick">
              Response {countedText(post.verdict)}
              <Marks post={post} />
            </p>
          ) : null}
          <Facts post={post} zone={zone} />
          <Since post={post} />
          <div className="mt-2">
            <CommentedText doc={post.doc} post={post.id} {...commented} />
          </div>
        </article>
      ))}
      {replies.length || one.missing.some((o) => o.kind === 'reply') ? (
        <section aria-labelledby="replies" className="mt-4 border-t border-rule pt-2">
          <h3 id="replies" className="text-[15px]">
            {replies.length
              ? `${plural(replies.length, 'reply', 'replies')}, ${counted} counted`
              : 'No replies'}
          </h3>
          <ul>
            {replies.map((post) => (
              <Reply key={post.id} post={post} slug={slug} zone={zone} {...commented} />
            ))}
          </ul>
        </section>
      ) : null}
    </div>
  );
}
