import { notFound } from 'next/navigation';
import { deskSettingsAt } from '@/contract/addresses';
import { settingsPage } from '@/server/desk/settings';
import { DeskSettings } from '@/ui/desk/settings';
import { DeskFrame } from '../../../../_request/desk-frame';
import { queryOf } from '../../../../_request/query';
import { requireVisitor } from '../../../../_request/session';

export const metadata = { title: 'How this course does it' };

type Props = { params: Promise<{ course: string }>; searchParams: Promise<{ answer?: string }> };

export default async function SettingsRoute({ params, searchParams }: Props) {
  const { course } = await params;
  const { answer } = await queryOf(searchParams);
  const here = deskSettingsAt(course);
  const who = await requireVisitor(here);
  const found = await settingsPage(who.deps, who.actor, course);
  if (!found.ok) notFound();
  return (
    <DeskFrame visitor={who} here={here} course={found.value.course} room="settings" answer={answer}>
      <DeskSettings page={found.value} />
    </DeskFrame>
  );
}
