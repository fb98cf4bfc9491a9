import { announcementsAt } from '@/contract/addresses';
import { own } from '@/core/own';
import { notFound } from 'next/navigation';
import { announcementsPage } from '@/server/courses/announcements';
import { Announcements } from '@/ui/courses/announcements';
import { CoursePage } from '@/ui/courses/head';
import { Frame } from '../../../_request/frame';
import { queryOf } from '../../../_request/query';
import { requireVisitor } from '../../../_request/session';

type Props = {
  params: Promise<{ course: string }>;
  searchParams: Promise<{ answer?: string; from?: string }>;
};

export const metadata = { title: 'Announcements' };

const PROBLEMS: Record<string, string> = {
  'taken-back': 'Taken back: it will not go out.',
  'gone-out': 'It had gone out already, so it stays.',
  'no-time':
    'The date is no time. Write it like 2026-10-15 23:59. Nothing was announced, and nothing you wrote is lost.',
  'no-student': 'Somebody you chose is not in this course any more. Nothing was announced.',
  'document-too-large':
    'The text is too large for an announcement. Nothing was announced, and nothing you wrote is lost.',
  'document-malformed': 'The text could not be read, so nothing was announced. Nothing you wrote is lost.',
  empty:
    'Nothing was announced: it needs a title (at most 200 characters) and a text (at most 10,000). Nothing you wrote is lost.',
};

export default async function AnnouncementsPage({ params, searchParams }: Props) {
  const { course } = await params;
  const here = announcementsAt(course);
  const who = await requireVisitor(here);
  const { answer, from } = await queryOf(searchParams);
  const post = from && /^\d{1,15}$/u.test(from) ? Number(from) : null;
  const found = await announcementsPage(who.deps, who.actor, course, post);
  if (!found.ok) notFound();
  return (
    <Frame visitor={who} here={here} place="discussions" zone={found.value.course.zone}>
      <CoursePage course={found.value.course} room="announcements">
        <Announcements
          {...found.value}
          zone={who.actor.timeZone}
          author={who.actor.name}
          problem={own(PROBLEMS, answer) ?? null}
        />
      </CoursePage>
    </Frame>
  );
}
