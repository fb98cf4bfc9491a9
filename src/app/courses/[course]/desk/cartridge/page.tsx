import { notFound } from 'next/navigation';
import { deskCartridgeAt } from '@/contract/addresses';
import { reportIn } from '@/contract/desk-report';
import { enterDesk } from '@/server/desk/enter';
import { DeskCartridge } from '@/ui/desk/cartridge';
import { DeskFrame } from '../../../../_request/desk-frame';
import { queryOf } from '../../../../_request/query';
import { requireVisitor } from '../../../../_request/session';

export const metadata = { title: 'In and out' };

type Props = {
  params: Promise<{ course: string }>;
  searchParams: Promise<{ report?: string; refused?: string }>;
};

export default async function CartridgeRoute({ params, searchParams }: Props) {
  const { course } = await params;
  const { report, refused } = await queryOf(searchParams);
  const here = deskCartridgeAt(course);
  const who = await requireVisitor(here);
  const door = await enterDesk(who.deps, who.actor, course);
  if (!door.ok) notFound();
  return (
    <DeskFrame visitor={who} here={here} course={door.value} room="settings">
      <DeskCartridge
        course={course}
        report={report ? reportIn(report) : null}
        refused={refused && /^[a-z-]{1,30}$/u.test(refused) ? refused : null}
      />
    </DeskFrame>
  );
}
