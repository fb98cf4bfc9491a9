import { notFound } from 'next/navigation';
import { beginningAt } from '@/contract/addresses';
import { beginPage } from '@/server/courses/begin';
import { Begin } from '@/ui/courses/begin';
import { CoursePage } from '@/ui/courses/head';
import { Frame } from '../../../_request/frame';
import { requireVisitor } from '../../../_request/session';

export const metadata = { title: 'Begin here' };

export default async function BeginRoute({ params }: { params: Promise<{ course: string }> }) {
  const { course } = await params;
  const here = beginningAt(course);
  const who = await requireVisitor(here);
  const found = await beginPage(who.deps, who.actor, course);
  if (!found.ok) notFound();
  return (
    <Frame visitor={who} here={here} place="discussions" zone={found.value.course.zone}>
      <CoursePage course={found.value.course} room="begin">
        <Begin page={found.value} />
      </CoursePage>
    </Frame>
  );
}
