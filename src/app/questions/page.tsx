import { allQuestionsAt, questionsAt, weekAt } from '@/contract/addresses';
import { firstToAsk } from '@/server/questions/first';
import { redirect } from 'next/navigation';
import { requireVisitor } from '../_request/session';

export const metadata = { title: 'Questions' };

/** The questions of the course where most is new; of one's first where nothing is. */
export default async function AllQuestions() {
  const who = await requireVisitor(allQuestionsAt());
  const course = await firstToAsk(who.deps, who.actor);
  redirect(course === null ? weekAt() : questionsAt(course));
}
