import { notFound } from 'next/navigation';
import { stewardsCourseAt } from '@/contract/addresses';
import { isUuid } from '@/core/document/kind';
import { coursePage } from '@/server/stewards/courses';
import { Course } from '@/ui/stewards/course';
import { rosterTakenText } from '@/ui/words/people';
import { queryOf } from '../../../_request/query';
import { answerOf, requireSteward, StewardsFrame } from '../../../_request/stewards';
import { inviteSomebody } from '../../actions';

export const metadata = { title: 'Course' };

type Props = {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ answer?: string; invited?: string; in?: string; there?: string }>;
};

export default async function CoursePage({ params, searchParams }: Props) {
  const { id } = await params;
  const here = stewardsCourseAt(id);
  const { who } = await requireSteward(here);
  const found = isUuid(id) ? await coursePage(who.deps, id) : null;
  if (!found?.ok) notFound();
  const asked = await queryOf(searchParams);
  const n = (text: string | undefined) => (/^\d{1,5}$/u.test(text ?? '') ? Number(text) : 0);
  const taken =
    asked.answer === 'taken'
      ? rosterTakenText({ invited: n(asked.invited), letIn: n(asked.in), there: n(asked.there) })
      : null;
  const { course, people } = found.value;
  return (
    <StewardsFrame
      who={who}
      here={here}
      room="courses"
      above={course.code}
      title={course.title}
      answer={answerOf(asked.answer, taken)}
    >
      <Course
        view={found.value}
        zone={who.actor.timeZone}
        mine={people.some((p) => p.id === who.actor.id)}
        invite={inviteSomebody.bind(null, here)}
      />
    </StewardsFrame>
  );
}
