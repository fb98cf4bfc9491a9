import { foundAt } from '@/contract/addresses';
import { notFound } from 'next/navigation';
import { z } from 'zod';
import { foundPage } from '@/server/outside/found';
import { FoundBlocks } from '@/ui/outside/found-page';
import { Frame } from '../../../_request/frame';
import { requireVisitor } from '../../../_request/session';

export const metadata = { title: 'What stands on the page' };

type Props = { params: Promise<{ id: string }> };

export default async function FoundRoute({ params }: Props) {
  const { id } = await params;
  if (!z.uuid().safeParse(id).success) notFound();
  const here = foundAt(id);
  const who = await requireVisitor(here);
  const page = await foundPage(who.deps, who.actor, id);
  if (!page.ok) notFound();
  return (
    <Frame visitor={who} here={here} place="discussions">
      <FoundBlocks {...page.value} />
    </Frame>
  );
}
