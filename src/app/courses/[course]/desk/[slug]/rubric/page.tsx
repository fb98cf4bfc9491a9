import { notFound, redirect } from 'next/navigation';
import { deskDiscussionAt, deskRubricAt } from '@/contract/addresses';
import { rubricPage } from '@/server/desk/rubric';
import { CoursePage } from '@/ui/courses/head';
import { RubricBuilder } from '@/ui/desk/rubric';
import { Frame } from '../../../../../_request/frame';
import { queryOf } from '../../../../../_request/query';
import { requireVisitor } from '../../../../../_request/session';
import { keepRubricOf } from '../../actions';

export const metadata = { title: 'Rubric' };

type Props = {
  params: Promise<{ course: string; slug: string }>;
  searchParams: Promise<{ from?: string }>;
};

export default async function DeskRubricRoute({ params, searchParams }: Props) {
  const { course, slug } = await params;
  const { from = '' } = await queryOf(searchParams);
  const here = deskRubricAt(course, slug);
  const who = await requireVisitor(here);
  const page = await rubricPage(who.deps, who.actor, course, slug, from);
  if (!page.ok) notFound();
  if (page.value.marks) redirect(deskDiscussionAt(course, slug, { answer: 'has-marks' }));
  return (
    <Frame visitor={who} here={here} place="discussions" zone={page.value.course.zone}>
      <CoursePage course={page.value.course} room="desk" wide>
        <h2 className="text-[19px]">What “{page.value.discussion.title}” is marked by</h2>
        <RubricBuilder key={from} page={page.value} action={keepRubricOf.bind(null, course, slug)} />
      </CoursePage>
    </Frame>
  );
}
