import { notFound } from 'next/navigation';
import { deskMarksTableAt } from '@/contract/addresses';
import { marksSortSchema } from '@/contract/marks';
import { marksTable } from '@/server/marks/table';
import { MarksTableView } from '@/ui/marks/table';
import { DeskFrame } from '../../../../../../_request/desk-frame';
import { queryOf } from '../../../../../../_request/query';
import { requireVisitor } from '../../../../../../_request/session';

export const metadata = { title: 'Marks as a table' };

type Props = {
  params: Promise<{ course: string; slug: string }>;
  searchParams: Promise<{ sort?: string; page?: string; answer?: string }>;
};

export default async function MarksTableRoute({ params, searchParams }: Props) {
  const { course, slug } = await params;
  const { sort: asked, page, answer } = await queryOf(searchParams);
  const sort = marksSortSchema.parse(asked);
  const here = deskMarksTableAt(course, slug, { sort, page });
  const who = await requireVisitor(here);
  const table = await marksTable(who.deps, who.actor, course, slug, sort, Number(page) || 1);
  if (!table.ok) notFound();
  return (
    <DeskFrame visitor={who} here={here} course={table.value.course} room="term" answer={answer}>
      <MarksTableView table={table.value} />
    </DeskFrame>
  );
}
