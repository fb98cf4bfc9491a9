import { CourseWeekPage } from './week-page';

type Props = { params: Promise<{ course: string }> };

export const metadata = { title: 'Course' };

export default async function CoursePage({ params }: Props) {
  const { course } = await params;
  return <CourseWeekPage course={course} week={null} />;
}
