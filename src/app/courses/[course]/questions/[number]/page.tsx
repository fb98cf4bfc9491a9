import { queryOf } from '../../../../_request/query';
import { QuestionsOfCourse } from '../questions-page';

type Props = {
  params: Promise<{ course: string; number: string }>;
  searchParams: Promise<Record<string, string | undefined>>;
};

export const metadata = { title: 'A question' };

export default async function QuestionPage({ params, searchParams }: Props) {
  const { course, number } = await params;
  return <QuestionsOfCourse course={course} number={number} search={await queryOf(searchParams)} />;
}
