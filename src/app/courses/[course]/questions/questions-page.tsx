import { questionAt, questionsAt } from '@/contract/addresses';
import { questionsPage } from '@/server/questions/questions';
import { QuestionsView } from '@/ui/questions/questions-view';
import { notFound } from 'next/navigation';
import { Frame } from '../../../_request/frame';
import { requireVisitor } from '../../../_request/session';
import { askedOf } from './query';

/** The questions of a course, with one of them open where its number is given. */
export async function QuestionsOfCourse(props: {
  course: string;
  number: string | null;
  search: Record<string, string | undefined>;
}) {
  const { course, number } = props;
  const here = number === null ? questionsAt(course, props.search) : questionAt(course, number, props.search);
  const who = await requireVisitor(here);
  if (number !== null && !/^\d{1,9}$/u.test(number)) notFound();
  const found = await questionsPage(who.deps, who.actor, course, {
    ...askedOf(props.search),
    number: number === null ? null : Number(number),
  });
  if (!found.ok) notFound();
  return (
    <Frame visitor={who} here={here} place="questions" zone={found.value.course.zone}>
      <QuestionsView
        page={found.value}
        you={who.actor}
        answer={props.search.answer ?? null}
        typed={props.search}
      />
    </Frame>
  );
}
