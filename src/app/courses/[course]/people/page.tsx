import { peopleAt } from '@/contract/addresses';
import { notFound } from 'next/navigation';
import { peoplePage } from '@/server/courses/people';
import { CoursePage } from '@/ui/courses/head';
import { People } from '@/ui/courses/people';
import { Frame } from '../../../_request/frame';
import { requireVisitor } from '../../../_request/session';

type Props = { params: Promise<{ course: string }> };

export const metadata = { title: 'People' };

export default async function PeoplePage({ params }: Props) {
  const { course } = await params;
  const here = peopleAt(course);
  const who = await requireVisitor(here);
  const found = await peoplePage(who.deps, who.actor, course);
  if (!found.ok) notFound();
  return (
    <Frame visitor={who} here={here} place="discussions" zone={found.value.course.zone}>
      <CoursePage course={found.value.course} room="people">
        <People people={found.value.people} me={who.actor.id} />
      </CoursePage>
    </Frame>
  );
}
