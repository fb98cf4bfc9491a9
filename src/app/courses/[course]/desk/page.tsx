import { deskAt } from '@/contract/addresses';
import { DeskAside, WeekForm } from '@/ui/desk/week-forms';
import { queryOf } from '../../../_request/query';
import { Desk } from './desk-page';

export const metadata = { title: 'Course desk' };

type Props = {
  params: Promise<{ course: string }>;
  searchParams: Promise<{ answer?: string; week?: string }>;
};

export default async function DeskRoute({ params, searchParams }: Props) {
  const { course } = await params;
  const { answer, week } = await queryOf(searchParams);
  return (
    <Desk here={deskAt(course)} course={course} open={null} answer={answer}>
      {(who, term) => {
        const chosen = term.weeks.find((w) => String(w.number) === week);
        return chosen ? (
          <WeekForm course={term.course.slug} week={chosen} />
        ) : (
          <DeskAside term={term} zone={who.actor.timeZone} />
        );
      }}
    </Desk>
  );
}
