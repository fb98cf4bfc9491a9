import { notFound } from 'next/navigation';
import { deskMarkingAt } from '@/contract/addresses';
import { firstSchema } from '@/contract/marks';
import { markingPage } from '@/server/marks/marking';
import { lookQuery } from '@/ui/marks/address';
import { MarkingDesk } from '@/ui/marks/marking-desk';
import { DeskFrame } from '../../../../../_request/desk-frame';
import { queryOf } from '../../../../../_request/query';
import { requireVisitor } from '../../../../../_request/session';

export const metadata = { title: 'Marks' };

type Props = {
  params: Promise<{ course: string; slug: string }>;
  searchParams: Promise<{
    student?: string;
    covered?: string;
    everybody?: string;
    second?: string;
    first?: string;
    answer?: string;
  }>;
};

export default async function MarkingRoute({ params, searchParams }: Props) {
  const { course, slug } = await params;
  const { student, answer, ...asked } = await queryOf(searchParams);
  const look = {
    covered: asked.covered === 'yes',
    everybody: asked.everybody === 'yes',
    second: asked.second === 'yes',
  };
  const here = deskMarkingAt(course, slug, { student, ...lookQuery(look) });
  const who = await requireVisitor(here);
  const found = await markingPage(
    who.deps,
    who.actor,
    course,
    slug,
    student ?? null,
    look,
    firstSchema.parse(asked.first),
  );
  if (!found.ok) notFound();
  const page = found.value;
  return (
    <DeskFrame visitor={who} here={here} course={page.course} room="term" answer={answer}>
      <MarkingDesk page={page} />
    </DeskFrame>
  );
}
