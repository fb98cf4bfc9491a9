'use client';

import { glancing } from '@/contract/conversation';
import { call, type AnswerOf } from '../request/call';
import { useParams } from 'next/navigation';
import { HoverCard } from 'radix-ui';
import { useState, type ReactNode } from 'react';
import { moment } from '../words/time';

type Glance = AnswerOf<typeof glancing>;

/** The number of a post in a text: it leads to the post, and shows how it begins when one points at it or comes by Tab. */
export function PostReference({ post, children }: { post: number; children: ReactNode }) {
  const { slug } = useParams<{ slug?: string }>();
  const [glance, setGlance] = useState<Glance | null>(null);
  const seen = glance?.ok ? glance.value : null;
  // Relative to the room it is read in: the conversation of this discussion.
  const link = (
    <a className="mention" href={`conversation?post=${post}`}>
      {children}
    </a>
  );
  if (!slug) return link;
  const look = async () => {
    if (glance?.ok) return;
    setGlance(await call(glancing, { slug, post }, null));
  };
  return (
    <HoverCard.Root openDelay={250} closeDelay={120} onOpenChange={(open) => open && void look()}>
      <HoverCard.Trigger asChild>{link}</HoverCard.Trigger>
      <HoverCard.Portal>
        <HoverCard.Content
          sideOffset={4}
          className="z-50 w-[min(92vw,340px)] rounded-plate border border-rule bg-page p-3 text-[13px]"
        >
          {glance === null ? (
            'Looking it up…'
          ) : !seen ? (
            'That post is not here to be read.'
          ) : (
            <>
              <p>
                <b>{seen.author}</b>{' '}
                <span className="text-ink-2">
                  {seen.kind} #{post}, {moment(seen.sharedAt, seen.zone)}
                </span>
              </p>
              {seen.title ? <p className="mt-1 font-serif font-semibold">{seen.title}</p> : null}
              <p className="mt-1 font-serif text-[14px]">
                {seen.gone ? 'It is no longer shown.' : seen.beginning}
              </p>
            </>
          )}
        </HoverCard.Content>
      </HoverCard.Portal>
    </HoverCard.Root>
  );
}
