import Link from 'next/link';
import type { ReactNode } from 'react';
import {
  conversationAt,
  deskClassAt,
  deskDiscussionAt,
  deskMarkingAt,
  deskMarksTableAt,
  deskMendedAt,
  deskRulesAt,
  moderationLogAt,
  questionsAt,
  readingAt,
  responseAt,
} from '@/contract/addresses';
import type { Need } from '@/contract/desk';
import { plural } from '../words/plural';
import { moment } from '../words/time';

type Told = { n: number; what: string; where: string | null; href: string; verb: string };

/** What a need asks for: how many of what, where, and the way to it. */
function told(need: Exclude<Need, { kind: 'trouble' }>, course: string): Told {
  const many = (n: number, one: string, more: string) => (n === 1 ? one : more);
  if (need.kind === 'waiting')
    return {
      n: need.n,
      what: many(need.n, 'prompt waits to become a discussion', 'prompts wait to become discussions'),
      where: null,
      href: '#waiting',
      verb: 'See',
    };
  if (need.kind === 'questions')
    return {
      n: need.n,
      what: many(need.n, 'question waits for an answer', 'questions wait for an answer'),
      where: null,
      href: questionsAt(course, { show: 'open' }),
      verb: 'Answer',
    };
  const { n, slug, title } = need;
  switch (need.kind) {
    case 'time':
      return {
        n,
        what: many(n, 'student asks for more time', 'students ask for more time'),
        where: title,
        href: deskDiscussionAt(course, slug),
        verb: 'Answer',
      };
    case 'handed':
      return {
        n,
        what: many(n, 'draft was handed to you', 'drafts were handed to you'),
        where: title,
        href: `${deskDiscussionAt(course, slug)}#handed`,
        verb: 'Answer',
      };
    case 'reports':
      return {
        n,
        what: many(n, 'post is reported', 'posts are reported'),
        where: title,
        href: moderationLogAt(slug),
        verb: 'Settle',
      };
    case 'differs':
      return {
        n,
        what: many(
          n,
          'thing is said otherwise in a prompt’s text than in its rules',
          'things are said otherwise in a prompt’s text than in its rules',
        ),
        where: title,
        href: deskRulesAt(course, slug),
        verb: 'Settle',
      };
    case 'unanswered':
      return {
        n,
        what: many(n, 'response has no reply yet', 'responses have no reply yet'),
        where: title,
        href: conversationAt(slug, { show: 'no-replies' }),
        verb: 'Read',
      };
    case 'unmarked':
      return {
        n,
        what: many(n, 'student’s part waits for a mark', 'students’ parts wait for a mark'),
        where: title,
        href: deskMarkingAt(course, slug),
        verb: 'Mark',
      };
    case 'asked':
      return {
        n,
        what: many(n, 'student asks about their mark', 'students ask about their marks'),
        where: title,
        href: deskMarkingAt(course, slug, { first: 'asked' }),
        verb: 'Answer',
      };
    case 'back':
      return {
        n,
        what: many(n, 'part was done again and given back', 'parts were done again and given back'),
        where: title,
        href: deskMarkingAt(course, slug, { first: 'back' }),
        verb: 'Mark',
      };
    case 'second':
      return {
        n,
        what: many(n, 'part waits for its second reading', 'parts wait for their second readings'),
        where: title,
        href: deskMarksTableAt(course, slug),
        verb: 'See whose',
      };
    case 'silent':
      return {
        n,
        what: many(n, 'student has shared no response yet', 'students have shared no response yet'),
        where: title,
        href: deskClassAt(course, { choose: slug }),
        verb: 'Write to them',
      };
  }
}

const Line = ({ n, children }: { n: number; children: ReactNode }) => (
  <li className="grid grid-cols-[52px_minmax(0,1fr)] items-baseline gap-x-0 border-t border-rule-soft py-2 first:border-t-0">
    <span className="px-4 font-serif text-[18px] font-semibold tabular-nums">{n}</span>
    <div className="flex min-w-0 flex-wrap items-baseline gap-x-3 gap-y-1 px-4">{children}</div>
  </li>
);

function Trouble({
  need,
  course,
  zone,
}: {
  need: Extract<Need, { kind: 'trouble' }>;
  course: string;
  zone: string;
}) {
  const { place, title, said } = need;
  const href = place.kind === 'readings' ? readingAt(place.slug) : responseAt(place.slug);
  return (
    <Line n={said.length}>
      <span className="min-w-0 grow">
        {said.length === 1 ? 'says' : 'say'} something is wrong in <b>{title}</b>
        {said.map((s) => (
          <span key={s.at + s.name} className="block text-[13px] text-ink-2">
            {s.name}, {moment(s.at, zone)}: “{s.text}”
          </span>
        ))}
      </span>
      <Link className="link" href={href} aria-label={`Look at ${title}`}>
        Look
      </Link>
      <details className="w-full">
        <summary className="link min-h-6 w-fit cursor-pointer">It is mended</summary>
        <form
          action={deskMendedAt(course)}
          method="post"
          className="mt-1 flex flex-wrap items-end gap-2"
          aria-label={`Mended: ${title}`}
        >
          <input type="hidden" name="kind" value={place.kind} />
          <input type="hidden" name="slug" value={place.slug} />
          <label className="grid min-w-0 grow gap-1 font-semibold">
            A word to {said.length === 1 ? 'who said it' : 'those who said it'}
            <input
              name="note"
              maxLength={600}
              className="field font-normal"
              placeholder="Left empty: that it is mended, and thank you."
            />
          </label>
          <button type="submit" className="btn">
            Tell them
          </button>
        </form>
      </details>
    </Line>
  );
}

/** What of a course needs who teaches it, above the sheet of its term. */
export function NeedsMe({ needs, course, zone }: { needs: Need[]; course: string; zone: string }) {
  return (
    <section aria-labelledby="needs" className="plate">
      <h2 id="needs" className="border-b border-rule px-4 py-2.5 text-[18px]">
        {needs.length ? 'What needs you' : 'Nothing needs you now'}
      </h2>
      {needs.length ? (
        <ul>
          {needs.map((need) => {
            if (need.kind === 'trouble')
              return (
                <Trouble
                  key={`${need.place.kind}/${need.place.slug}`}
                  need={need}
                  course={course}
                  zone={zone}
                />
              );
            const { n, what, where, href, verb } = told(need, course);
            return (
              <Line key={`${need.kind} ${where}`} n={n}>
                <span className="min-w-0 grow">
                  {what}
                  {where === null ? null : <span className="text-ink-2"> · {where}</span>}
                </span>
                <Link className="link" href={href} aria-label={`${verb}: ${plural(n, what, what)}`}>
                  {verb}
                </Link>
              </Line>
            );
          })}
        </ul>
      ) : null}
    </section>
  );
}
