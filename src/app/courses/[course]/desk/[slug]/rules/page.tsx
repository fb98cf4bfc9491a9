import { notFound } from 'next/navigation';
import { deskRulesAt } from '@/contract/addresses';
import { wallClockAt } from '@/core/deadlines/wallclock';
import { rulesPage } from '@/server/desk/prompts';
import { BriefHead } from '@/ui/outside/brief-head';
import { Frame } from '../../../../../_request/frame';
import { requireVisitor } from '../../../../../_request/session';
import { changeForCourse } from '../../actions';
import { BriefWriter } from '../../brief-writer';

export const metadata = { title: 'What the prompt asks' };

type Props = { params: Promise<{ course: string; slug: string }> };

export default async function DeskRulesRoute({ params }: Props) {
  const { course, slug } = await params;
  const here = deskRulesAt(course, slug);
  const who = await requireVisitor(here);
  const page = await rulesPage(who.deps, who.actor, course, slug);
  if (!page.ok) notFound();
  const { title, stamp, ...brief } = page.value;
  return (
    <Frame visitor={who} here={here} place="discussions">
      <main id="main" className="px-4 pb-4 sm:px-7">
        <BriefHead title={`What “${title}” asks`} slug={slug} />
        <BriefWriter
          {...brief}
          writing={{
            course,
            author: who.actor.name,
            keptAs: `${who.actor.id} asks ${stamp}`,
            now: wallClockAt(who.deps.now, who.actor.timeZone),
          }}
          button="Keep it so"
          action={changeForCourse.bind(null, course, slug)}
        />
      </main>
    </Frame>
  );
}
