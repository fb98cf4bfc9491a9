import { notFound } from 'next/navigation';
import { deskPromptAt } from '@/contract/addresses';
import { wallClockAt } from '@/core/deadlines/wallclock';
import { isUuid } from '@/core/document/kind';
import { promptPage } from '@/server/desk/prompts';
import { BriefHead } from '@/ui/outside/brief-head';
import { Frame } from '../../../../../_request/frame';
import { queryOf } from '../../../../../_request/query';
import { requireVisitor } from '../../../../../_request/session';
import { weekAsked } from '../../week-asked';
import { confirmForCourse } from '../../actions';
import { BriefWriter } from '../../brief-writer';

export const metadata = { title: 'What the prompt asks' };

type Props = {
  params: Promise<{ course: string; id: string }>;
  searchParams: Promise<{ week?: string }>;
};

export default async function DeskPromptRoute({ params, searchParams }: Props) {
  const { course, id } = await params;
  const here = deskPromptAt(course, id);
  const who = await requireVisitor(here);
  const week = weekAsked((await queryOf(searchParams)).week);
  const page = isUuid(id) ? await promptPage(who.deps, who.actor, course, id, week) : null;
  if (!page?.ok) notFound();
  return (
    <Frame visitor={who} here={here} place="discussions">
      <main id="main" className="px-4 pb-4 sm:px-7">
        <BriefHead title="Is this what the prompt asks?" />
        <BriefWriter
          {...page.value}
          follows
          writing={{
            course,
            author: who.actor.name,
            keptAs: `${who.actor.id} prompt ${id}`,
            now: wallClockAt(who.deps.now, who.actor.timeZone),
          }}
          button="Make it a discussion"
          action={confirmForCourse.bind(null, course, id)}
        />
      </main>
    </Frame>
  );
}
