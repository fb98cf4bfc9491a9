import { notFound, redirect } from 'next/navigation';
import { deskDiscussionAt, deskRulesAt } from '@/contract/addresses';
import { rulesPage } from '@/server/desk/prompts';
import { BriefForm } from '@/ui/outside/brief-form';
import { BriefHead } from '@/ui/outside/brief-head';
import { Frame } from '../../../../../_request/frame';
import { requireVisitor } from '../../../../../_request/session';
import { changeForCourse } from '../../actions';

export const metadata = { title: 'What the prompt asks' };

type Props = { params: Promise<{ course: string; slug: string }> };

export default async function DeskRulesRoute({ params }: Props) {
  const { course, slug } = await params;
  const here = deskRulesAt(course, slug);
  const who = await requireVisitor(here);
  const page = await rulesPage(who.deps, who.actor, course, slug);
  if (!page.ok && page.failure.code === 'has-posts')
    redirect(deskDiscussionAt(course, slug, { answer: 'has-posts' }));
  if (!page.ok) notFound();
  const { title, ...brief } = page.value;
  return (
    <Frame visitor={who} here={here} place="discussions">
      <main id="main" className="px-4 pb-4 sm:px-7">
        <BriefHead title={`What “${title}” asks`} slug={slug} />
        <BriefForm {...brief} button="Keep these rules" action={changeForCourse.bind(null, course, slug)} />
      </main>
    </Frame>
  );
}
