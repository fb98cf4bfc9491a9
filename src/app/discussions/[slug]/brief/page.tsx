import { briefAt } from '@/contract/addresses';
import { notFound } from 'next/navigation';
import { correctPage } from '@/server/outside/brief-page';
import { BriefForm } from '@/ui/outside/brief-form';
import { BriefHead } from '@/ui/outside/brief-head';
import { Frame } from '../../../_request/frame';
import { requireVisitor } from '../../../_request/session';
import { correctPrompt } from '../../../outside/actions';

export const metadata = { title: 'What the prompt asks' };

type Props = { params: Promise<{ slug: string }> };

export default async function CorrectPage({ params }: Props) {
  const { slug } = await params;
  const here = briefAt(slug);
  const who = await requireVisitor(here);
  const page = await correctPage(who.deps, who.actor, slug);
  if (!page.ok) notFound();
  return (
    <Frame visitor={who} here={here} place="discussions">
      <main id="main" className="px-4 pb-4 sm:px-7">
        <BriefHead title="What this prompt asks" slug={slug} />
        <BriefForm {...page.value} button="Keep these rules" action={correctPrompt.bind(null, slug)} />
      </main>
    </Frame>
  );
}
