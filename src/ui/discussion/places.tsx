'use client';

import Link from 'next/link';
import { usePathname } from 'next/navigation';
import type { ReactNode } from 'react';
import { partAt, roomAt } from '@/contract/addresses';
import { bringToFront, inFront, useFront, type Side } from './front';

const SHAPE =
  'flex min-h-11 items-center justify-center px-3 text-[13px] font-semibold whitespace-nowrap outline-offset-[-3px]';
const tone = (here: boolean) =>
  here ? 'bg-page text-pine-ink shadow-[inset_0_-3px_var(--pine)]' : 'text-ink-2';

/** On a phone: the rooms of a discussion and the pages of the first of them in one line, and what is owed, which leads to one's part. */
export function Places(props: {
  slug: string;
  /** Whoever owes something has a page of their own and a part. */
  owes: boolean;
  theClass: string;
  due: ReactNode;
}) {
  const { slug, owes } = props;
  const here = usePathname();
  const response = roomAt(slug, 'response');
  const isHere = (address: string) => here === new URL(address, 'http://here').pathname;
  const atResponse = isHere(response);
  const front = useFront('right');
  const page = (side: Side, name: string) => {
    const on = atResponse && (!owes || front === side);
    return (
      <li>
        <Link
          href={inFront(response, side)}
          aria-current={on ? 'page' : undefined}
          className={`${SHAPE} ${tone(on)}`}
          onClick={(e) => {
            if (!atResponse || e.metaKey || e.ctrlKey) return;
            e.preventDefault();
            bringToFront(side);
          }}
        >
          {name}
        </Link>
      </li>
    );
  };
  const conversation = roomAt(slug, 'conversation');
  return (
    <nav aria-label="Pages of this discussion" className="border-b border-rule bg-page-2 lg:hidden">
      <ul className="flex">
        {page('left', 'Prompt')}
        {owes ? page('right', 'Yours') : null}
        <li>
          <Link
            href={conversation}
            aria-current={isHere(conversation) ? 'page' : undefined}
            className={`${SHAPE} ${tone(isHere(conversation))}`}
          >
            {props.theClass}
          </Link>
        </li>
        <li className="min-w-0 grow">
          {owes ? (
            <Link
              href={partAt(slug)}
              aria-current={isHere(partAt(slug)) ? 'page' : undefined}
              className={`block min-h-11 px-2 py-1.5 text-right text-[11.5px] leading-[1.35] outline-offset-[-3px] ${isHere(partAt(slug)) ? tone(true) : ''}`}
            >
              <span className="sr-only">Your part: </span>
              {props.due}
            </Link>
          ) : (
            <span className="block px-2 py-1.5 text-right text-[11.5px] leading-[1.35]">{props.due}</span>
          )}
        </li>
      </ul>
    </nav>
  );
}
