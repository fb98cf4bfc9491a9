import { newerCopyAt, newerIntakesAt } from '@/contract/addresses';
import { notFound } from 'next/navigation';
import { newerCopy } from '@/server/outside/newer';
import { NewerCopy } from '@/ui/outside/newer-copy';
import { Frame } from '../../../_request/frame';
import { queryOf } from '../../../_request/query';
import { requireVisitor } from '../../../_request/session';
import { intakeTroubles } from '../../../_request/taking-in';

export const metadata = { title: 'A newer copy' };

type Props = {
  params: Promise<{ slug: string }>;
  searchParams: Promise<{ trouble?: string | string[] }>;
};

export default async function NewerCopyRoute({ params, searchParams }: Props) {
  const { slug } = await params;
  const here = newerCopyAt(slug);
  const who = await requireVisitor(here);
  const found = await newerCopy(who.deps, who.actor, slug);
  if (!found.ok) notFound();
  return (
    <Frame visitor={who} here={here} place="discussions">
      <NewerCopy
        slug={slug}
        title={found.value.title}
        awaited={found.value.awaited}
        action={newerIntakesAt(slug)}
        troubles={intakeTroubles((await queryOf(searchParams)).trouble)}
      />
    </Frame>
  );
}
