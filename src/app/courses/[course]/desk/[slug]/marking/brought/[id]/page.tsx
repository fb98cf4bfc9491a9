import { notFound } from 'next/navigation';
import { deskBroughtMarksAt } from '@/contract/addresses';
import { isUuid } from '@/core/document/kind';
import { broughtPage } from '@/server/marks/bring';
import { BroughtTable } from '@/ui/marks/brought-table';
import { DeskFrame } from '../../../../../../../_request/desk-frame';
import { queryOf } from '../../../../../../../_request/query';
import { requireVisitor } from '../../../../../../../_request/session';

export const metadata = { title: 'A table of marks' };

type Props = {
  params: Promise<{ course: string; slug: string; id: string }>;
  searchParams: Promise<{ answer?: string }>;
};

export default async function BroughtMarksRoute({ params, searchParams }: Props) {
  const { course, slug, id } = await params;
  const { answer } = await queryOf(searchParams);
  const here = deskBroughtMarksAt(course, slug, id);
  const who = await requireVisitor(here);
  const found = isUuid(id) ? await broughtPage(who.deps, who.actor, { slug: course, name: slug }, id) : null;
  if (!found?.ok) notFound();
  return (
    <DeskFrame visitor={who} here={here} course={found.value.course} room="term" answer={answer}>
      <BroughtTable table={found.value} />
    </DeskFrame>
  );
}
