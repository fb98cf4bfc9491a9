import { notFound } from 'next/navigation';
import { deskAsStudentAt } from '@/contract/addresses';
import { typedWall } from '@/core/deadlines/typed';
import { previewPage } from '@/server/desk/preview';
import { AsStudentBar, WhereTheyWrite } from '@/ui/desk/as-student';
import { FacingPages } from '@/ui/discussion/facing-pages';
import { Head } from '@/ui/discussion/head';
import { PromptPage } from '@/ui/discussion/prompt-page';
import { Frame } from '../../../../../_request/frame';
import { queryOf } from '../../../../../_request/query';
import { requireVisitor } from '../../../../../_request/session';

export const metadata = { title: 'As a student sees it' };

type Props = {
  params: Promise<{ course: string; slug: string }>;
  searchParams: Promise<{ at?: string }>;
};

export default async function AsStudentRoute({ params, searchParams }: Props) {
  const { course, slug } = await params;
  const { at } = await queryOf(searchParams);
  const here = deskAsStudentAt(course, slug, { at });
  const who = await requireVisitor(here);
  const found = await previewPage(who.deps, who.actor, course, slug, at ? typedWall(at).slice(0, 16) : null);
  if (!found.ok) notFound();
  const { room, shown, moments, at: then } = found.value;
  const { head } = room;
  return (
    <Frame visitor={who} here={here} place="discussions" zone={head.schedule.zone}>
      <main id="main" className="pb-4">
        <AsStudentBar course={course} slug={slug} shown={shown} at={then} moments={moments} />
        <Head head={head} room="response" ownZone={head.schedule.zone} preview />
        <div className="px-4 sm:px-7">
          <FacingPages
            first="right"
            shape="narrow-left"
            left={{
              name: 'Prompt',
              page: <PromptPage {...room} ownZone={head.schedule.zone} preview />,
            }}
            right={{
              name: 'Your response',
              page: <WhereTheyWrite doc={room.draft.doc} refused={room.refused} zone={head.schedule.zone} />,
            }}
          />
        </div>
      </main>
    </Frame>
  );
}
