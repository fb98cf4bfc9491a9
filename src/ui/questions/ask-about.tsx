import type { About } from '@/core/questions/asking';
import Link from 'next/link';
import { askAt } from './address';

/** The way to ask the course about what one has before one. */
export const AskAboutThis = ({
  course,
  about,
  children,
}: {
  course: string;
  about: About;
  children: string;
}) => (
  <p className="mt-2 text-[13px]">
    <Link
      className="link inline-flex min-h-6 items-center"
      prefetch={false}
      href={askAt(course, { kind: 'asks', audience: 'everybody', cover: 'no', about })}
    >
      {children}
    </Link>
  </p>
);
