import { queryOf } from '../../../_request/query';
import { QuestionsOfCourse } from './questions-page';

type Props = {
  params: Promise<{ course: string }>;
  searchParams: Promise<Record<string, string | undefined>>;
};

export const metadata = { title: 'Questions' };

export default async function QuestionsPage({ params, searchParams }: Props) {
  const { course } = await params;
  return <QuestionsOfCourse course={course} number={null} search={await queryOf(searchParams)} />;
}
