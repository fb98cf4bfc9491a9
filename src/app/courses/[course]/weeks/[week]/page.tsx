import { notFound } from 'next/navigation';
import { queryOf } from '../../../../_request/query';
import { CourseWeekPage } from '../../week-page';

type Props = {
  params: Promise<{ course: string; week: string }>;
  searchParams: Promise<{ answer?: string }>;
};

export const metadata = { title: 'Course week' };

export default async function WeekPage({ params, searchParams }: Props) {
  const { answer } = await queryOf(searchParams);
  const { course, week } = await params;
  if (!/^\d{1,2}$/u.test(week)) notFound();
  return <CourseWeekPage course={course} week={Number(week)} answer={answer} />;
}
