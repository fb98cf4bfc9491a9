import { editReadingAt, readingAt } from '@/contract/addresses';
import { notFound } from 'next/navigation';
import { materialPage } from '@/server/courses/material';
import { MaterialDesk } from '@/ui/material/material-desk';
import { MaterialPage } from '@/ui/material/material-page';
import { Frame } from '../../../_request/frame';
import { requireVisitor } from '../../../_request/session';

export const metadata = { title: 'Edit the reading' };

export default async function EditReadingPage({ params }: { params: Promise<{ slug: string }> }) {
  const { slug } = await params;
  const here = editReadingAt(slug);
  const back = readingAt(slug);
  const who = await requireVisitor(here);
  const page = await materialPage(who.deps, who.actor, { of: 'reading', slug });
  if (!page.ok) notFound();
  return (
    <Frame visitor={who} here={here} place="discussions" zone={page.value.zone}>
      <MaterialPage what="reading" title={page.value.title} back={back}>
        <MaterialDesk
          view={page.value}
          person={who.actor.id}
          author={who.actor.name}
          what="reading"
          slug={slug}
          back={back}
        />
      </MaterialPage>
    </Frame>
  );
}
