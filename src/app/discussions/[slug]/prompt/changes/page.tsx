import { notFound } from 'next/navigation';
import { promptChangesAt } from '@/contract/addresses';
import { promptChanges } from '@/server/discussions/prompt-versions';
import { Head } from '@/ui/discussion/head';
import { PromptChangesPage } from '@/ui/discussion/prompt-changes';
import { Frame } from '../../../../_request/frame';
import { requireVisitor } from '../../../../_request/session';

export const metadata = { title: 'What was changed' };

export default async function PromptChangesRoute({ params }: { params: Promise<{ slug: string }> }) {
  const { slug } = await params;
  const here = promptChangesAt(slug);
  const who = await requireVisitor(here);
  const found = await promptChanges(who.deps, who.actor, slug);
  if (!found.ok) notFound();
  const { head, changes } = found.value;
  return (
    <Frame visitor={who} here={here} place="discussions" zone={head.schedule.zone}>
      <main id="main" className="pb-4">
        <Head head={head} room="response" ownZone={who.actor.timeZone} />
        <div className="px-4 sm:px-7">
          <PromptChangesPage slug={slug} changes={changes} zone={who.actor.timeZone} />
        </div>
      </main>
    </Frame>
  );
}
