import { listAskSchema } from '@/contract/discussion-list';
import { listDiscussions } from '@/server/discussions/list';
import { listAddress } from '@/ui/discussion-list/address';
import { DiscussionList } from '@/ui/discussion-list/list';
import { Frame } from '../_request/frame';
import { queryOf } from '../_request/query';
import { requireVisitor } from '../_request/session';

type Props = { searchParams: Promise<Record<string, string | string[] | undefined>> };

export const metadata = { title: 'Discussions' };

export default async function DiscussionsPage({ searchParams }: Props) {
  const ask = listAskSchema.parse(await queryOf(searchParams));
  const here = listAddress(ask);
  const who = await requireVisitor(here);
  const list = await listDiscussions(who.deps, who.actor, ask);
  return (
    <Frame visitor={who} here={here} place="discussions">
      <DiscussionList list={list} />
    </Frame>
  );
}
