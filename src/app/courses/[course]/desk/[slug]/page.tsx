import { notFound } from 'next/navigation';
import { deskDiscussionAt } from '@/contract/addresses';
import { deskPage } from '@/server/desk/discussion';
import { DeskDiscussionPage } from '@/ui/desk/discussion';
import { queryOf } from '../../../../_request/query';
import { Desk } from '../desk-page';

export const metadata = { title: 'Course desk' };

type Props = {
  params: Promise<{ course: string; slug: string }>;
  searchParams: Promise<{ answer?: string }>;
};

export default async function DeskDiscussionRoute({ params, searchParams }: Props) {
  const { course, slug } = await params;
  const { answer } = await queryOf(searchParams);
  return (
    <Desk here={deskDiscussionAt(course, slug)} course={course} open={slug} answer={answer}>
      {async (who) => {
        const page = await deskPage(who.deps, who.actor, course, slug);
        if (!page.ok) notFound();
        return <DeskDiscussionPage page={page.value} zone={who.actor.timeZone} />;
      }}
    </Desk>
  );
}
