import { outsideAt } from '@/contract/addresses';
import { notFound } from 'next/navigation';
import { z } from 'zod';
import { intakePage } from '@/server/outside/brief-page';
import { BriefForm } from '@/ui/outside/brief-form';
import { BriefHead } from '@/ui/outside/brief-head';
import { Frame } from '../../_request/frame';
import { requireVisitor } from '../../_request/session';
import { confirmPrompt } from '../actions';

export const metadata = { title: 'What the prompt asks' };

type Props = { params: Promise<{ id: string }> };

export default async function IntakePage({ params }: Props) {
  const { id } = await params;
  if (!z.uuid().safeParse(id).success) notFound();
  const here = outsideAt(id);
  const who = await requireVisitor(here);
  const page = await intakePage(who.deps, who.actor, id);
  if (!page.ok) notFound();
  return (
    <Frame visitor={who} here={here} place="discussions">
      <main id="main" className="px-4 pb-4 sm:px-7">
        <BriefHead title="Is this what the prompt asks?" />
        <BriefForm
          {...page.value}
          button={page.value.fixedCourse ? 'Put it in its place' : 'Make it a discussion of mine'}
          action={confirmPrompt.bind(null, id)}
        />
      </main>
    </Frame>
  );
}
