import { notFound } from 'next/navigation';
import { deskIntakesAt, deskNewAt } from '@/contract/addresses';
import { own } from '@/core/own';
import { enterDesk } from '@/server/desk/enter';
import { STARTERS } from '@/ui/words/starters';
import { Frame } from '../../../../_request/frame';
import { queryOf } from '../../../../_request/query';
import { requireVisitor } from '../../../../_request/session';
import { intakeTroubles } from '../../../../_request/taking-in';
import { weekAsked } from '../week-asked';
import { TakeInPage } from '../../../../outside/new/take-in-page';

export const metadata = { title: 'Write a prompt' };

type Props = {
  params: Promise<{ course: string }>;
  searchParams: Promise<{ trouble?: string | string[]; week?: string; from?: string }>;
};

export default async function DeskNewRoute({ params, searchParams }: Props) {
  const { course } = await params;
  const here = deskNewAt(course);
  const who = await requireVisitor(here);
  const asked = await queryOf(searchParams);
  const door = await enterDesk(who.deps, who.actor, course);
  if (!door.ok) notFound();
  const week = weekAsked(asked.week);
  return (
    <Frame visitor={who} here={here} place="discussions" zone={door.value.zone}>
      <TakeInPage
        // Another text to begin with is another page.
        key={asked.from}
        action={deskIntakesAt(course)}
        week={week}
        begun={own(STARTERS, asked.from)?.text}
        starters={Object.entries(STARTERS).map(([from, { name }]) => ({
          name,
          href: deskNewAt(course, { week, from }),
        }))}
        files="Or a file: text, Markdown, .html, .docx or a PDF; and an .ics file with its dates"
        title={`Write a prompt for ${door.value.code}`}
        lead="Write it here, paste it from a document, or drop the file. Pulpit reads what it asks for as you write; on the next page you confirm or correct each fact. The class sees nothing until you show it."
        troubles={intakeTroubles(asked.trouble)}
        waiting={[]}
        zone={who.actor.timeZone}
      />
    </Frame>
  );
}
