import { notFound } from 'next/navigation';
import { deskGroupsAt } from '@/contract/addresses';
import { groupsPage } from '@/server/desk/groups';
import { DeskGroups } from '@/ui/desk/groups';
import { DeskFrame } from '../../../../_request/desk-frame';
import { queryOf } from '../../../../_request/query';
import { requireVisitor } from '../../../../_request/session';

export const metadata = { title: 'Groups' };

type Props = { params: Promise<{ course: string }>; searchParams: Promise<{ answer?: string }> };

export default async function GroupsRoute({ params, searchParams }: Props) {
  const { course } = await params;
  const { answer } = await queryOf(searchParams);
  const here = deskGroupsAt(course);
  const who = await requireVisitor(here);
  const found = await groupsPage(who.deps, who.actor, course);
  if (!found.ok) notFound();
  return (
    <DeskFrame visitor={who} here={here} course={found.value.course} room="groups" answer={answer}>
      <DeskGroups page={found.value} />
    </DeskFrame>
  );
}
