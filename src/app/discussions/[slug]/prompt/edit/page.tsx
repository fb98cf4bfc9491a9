import { promptEditAt, responseAt } from '@/contract/addresses';
import { notFound } from 'next/navigation';
import { materialPage } from '@/server/courses/material';
import { MaterialDesk } from '@/ui/material/material-desk';
import { MaterialPage } from '@/ui/material/material-page';
import { Frame } from '../../../../_request/frame';
import { requireVisitor } from '../../../../_request/session';

export const metadata = { title: 'Edit the prompt' };

export default async function EditPromptPage({ params }: { params: Promise<{ slug: string }> }) {
  const { slug } = await params;
  const here = promptEditAt(slug);
  const back = responseAt(slug);
  const who = await requireVisitor(here);
  const page = await materialPage(who.deps, who.actor, { of: 'prompt', slug });
  if (!page.ok) notFound();
  return (
    <Frame visitor={who} here={here} place="discussions" zone={page.value.zone}>
      <MaterialPage what="prompt" title={page.value.title} back={back}>
        <MaterialDesk
          view={page.value}
          person={who.actor.id}
          author={who.actor.name}
          what="prompt"
          slug={slug}
          back={back}
        />
      </MaterialPage>
    </Frame>
  );
}
