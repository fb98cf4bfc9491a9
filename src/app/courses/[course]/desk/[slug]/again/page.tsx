import { notFound } from 'next/navigation';
import { deskAgainAt } from '@/contract/addresses';
import { againPage, againSchema } from '@/server/desk/again';
import { DeskAgain } from '@/ui/desk/again';
import { DeskFrame } from '../../../../../_request/desk-frame';
import { queryOf } from '../../../../../_request/query';
import { requireVisitor } from '../../../../../_request/session';

export const metadata = { title: 'Asked again' };

type Props = {
  params: Promise<{ course: string; slug: string }>;
  searchParams: Promise<{ people?: string }>;
};

export default async function DeskAgainRoute({ params, searchParams }: Props) {
  const { course, slug } = await params;
  const query = await queryOf(searchParams);
  const here = deskAgainAt(course, slug, query);
  const who = await requireVisitor(here);
  const act = againSchema.safeParse({ ...query, people: query.people?.split(' ').filter(Boolean) ?? [] });
  if (!act.success) notFound();
  const found = await againPage(who.deps, who.actor, course, slug, act.data);
  if (!found.ok) notFound();
  return (
    <DeskFrame visitor={who} here={here} course={found.value.course} room="term">
      <DeskAgain page={found.value} />
    </DeskFrame>
  );
}
