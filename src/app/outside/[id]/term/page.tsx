import { termAt } from '@/contract/addresses';
import { notFound } from 'next/navigation';
import { z } from 'zod';
import { termPage } from '@/server/outside/term';
import { TermRows } from '@/ui/outside/term-rows';
import { Frame } from '../../../_request/frame';
import { requireVisitor } from '../../../_request/session';

export const metadata = { title: 'The term’s discussions' };

type Props = { params: Promise<{ id: string }> };

export default async function TermRoute({ params }: Props) {
  const { id } = await params;
  if (!z.uuid().safeParse(id).success) notFound();
  const here = termAt(id);
  const who = await requireVisitor(here);
  const page = await termPage(who.deps, who.actor, id);
  if (!page.ok) notFound();
  return (
    <Frame visitor={who} here={here} place="discussions">
      <TermRows {...page.value} />
    </Frame>
  );
}
