import { notFound } from 'next/navigation';
import { deskSyllabusAt } from '@/contract/addresses';
import { deskSyllabusPage } from '@/server/desk/syllabus';
import { DeskSyllabus } from '@/ui/desk/syllabus';
import { DeskFrame } from '../../../../_request/desk-frame';
import { requireVisitor } from '../../../../_request/session';
import { keepSyllabusOf } from '../actions';

export const metadata = { title: 'Write the syllabus' };

export default async function DeskSyllabusRoute({ params }: { params: Promise<{ course: string }> }) {
  const { course } = await params;
  const here = deskSyllabusAt(course);
  const who = await requireVisitor(here);
  const found = await deskSyllabusPage(who.deps, who.actor, course);
  if (!found.ok) notFound();
  return (
    <DeskFrame visitor={who} here={here} course={found.value.course} room="settings">
      <DeskSyllabus page={found.value} action={keepSyllabusOf.bind(null, course)} />
    </DeskFrame>
  );
}
