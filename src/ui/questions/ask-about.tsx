import type { About, Asking } from '@/core/questions/asking';
import Link from 'next/link';
import { askAt } from './address';

/** The way to ask the course about what one has before one. */
export const AskAboutThis = ({
  course,
  about,
  asks = {},
  children,
}: {
  course: string;
  about: About;
  /** How it is asked, where not of everybody under one's name. */
  asks?: Partial<Asking>;
  children: string;
}) => (
  <span className="mt-2 block text-[13px]">
    <Link
      className="link inline-flex min-h-6 items-center"
      prefetch={false}
      href={askAt(course, {
        kind: 'asks',
        audience: 'everybody',
        cover: 'no',
        ...asks,
        about,
      })}
    >
      {children}
    </Link>
  </span>
);
