'use client';

import Link from 'next/link';
import { Popover } from 'radix-ui';
import { Avatar } from '../frame/avatar';
import { addressOf, type Look } from './address';

export type PostOfAuthorView = {
  id: number;
  kind: 'response' | 'reply';
  opening: string;
  to: string | null;
};

/** A name that opens a small card: what else its owner has written in this discussion. */
export function PersonCard(props: {
  look: Look;
  id: string;
  name: string;
  picture: string | null;
  mine: boolean;
  /** The first of what they have written. */
  posts: readonly PostOfAuthorView[];
}) {
  const { look, name, mine, posts } = props;
  return (
    <Popover.Root>
      <Popover.Trigger
        className="min-h-6 text-left font-bold hover:underline"
        aria-label={`${name}${mine ? ' (you)' : ''}: posts here`}
      >
        {name}
        {mine ? ' (you)' : ''}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          sideOffset={4}
          align="start"
          aria-label={`Posts of ${name} here`}
          className="z-50 max-h-[60dvh] w-[min(92vw,340px)] overflow-auto rounded-plate border border-rule bg-page p-3 text-[13px]"
        >
          <p className="flex items-center gap-2.5">
            <Avatar name={name} mine={mine} picture={props.picture} />
            <span>
              <b className="block text-[14px]">{name}</b>
              <Link
                className="link inline-flex min-h-6 items-center"
                href={addressOf({ ...look, filter: 'person', person: props.id })}
              >
                Everything they wrote here
              </Link>
            </span>
          </p>
          <ul className="mt-2 grid gap-0.5">
            {posts.map((p) => (
              <li key={p.id}>
                <Popover.Close asChild>
                  <Link
                    className="block rounded-[5px] px-1.5 py-1 hover:bg-page-2"
                    href={addressOf(look, { post: p.id })}
                  >
                    <span className="font-semibold">
                      #{p.id} {p.kind === 'response' ? 'response' : `reply to ${p.to ?? 'a post'}`}
                    </span>
                    <span className="line-clamp-2 text-ink-2">{p.opening}</span>
                  </Link>
                </Popover.Close>
              </li>
            ))}
          </ul>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
