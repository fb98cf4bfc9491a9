import { notFound } from 'next/navigation';
import { deskCartridgeAt } from '@/contract/addresses';
import { reportIn } from '@/contract/desk-report';
import { enterDesk } from '@/server/desk/enter';
import { CoursePage } from '@/ui/courses/head';
import { DeskCartridge } from '@/ui/desk/cartridge';
import { DeskRooms } from '@/ui/desk/rooms';
import { Frame } from '../../../../_request/frame';
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
    <Frame visitor={who} here={here} place="discussions" zone={door.value.zone}>
      <CoursePage course={door.value} room="desk" wide>
        <DeskRooms course={course} here="settings" />
        <DeskCartridge
          course={course}
          report={report ? reportIn(report) : null}
          refused={refused && /^[a-z-]{1,30}$/u.test(refused) ? refused : null}
        />
      </CoursePage>
    </Frame>
  );
}
