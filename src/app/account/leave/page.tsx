import { notFound } from 'next/navigation';
import { leaveAt } from '@/contract/addresses';
import { isUuid } from '@/core/document/kind';
import { courseId } from '@/core/ids';
import { leavingPage } from '@/server/people/leaving';
import { Leaving } from '@/ui/account/leaving';
import { Frame } from '../../_request/frame';
import { queryOf } from '../../_request/query';
import { requireVisitor } from '../../_request/session';

export const metadata = { title: 'Leave a course' };

type Props = { searchParams: Promise<{ course?: string }> };

export default async function LeavePage({ searchParams }: Props) {
  const { course = '' } = await queryOf(searchParams);
  const here = leaveAt({ course });
  const who = await requireVisitor(here);
  const found = isUuid(course) ? await leavingPage(who.deps, who.actor, courseId(course)) : null;
  if (!found?.ok) notFound();
  return (
    <Frame visitor={who} here={here} place="account">
      <Leaving leaving={found.value} />
    </Frame>
  );
}
