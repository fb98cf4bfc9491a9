import { notFound } from 'next/navigation';
import { beginningAt, editBeginningAt } from '@/contract/addresses';
import { materialPage } from '@/server/courses/material';
import { MaterialDesk } from '@/ui/material/material-desk';
import { MaterialPage } from '@/ui/material/material-page';
import { Frame } from '../../../../_request/frame';
import { requireVisitor } from '../../../../_request/session';

export const metadata = { title: 'Edit the first page' };

export default async function EditBeginningPage({ params }: { params: Promise<{ course: string }> }) {
  const { course } = await params;
  const here = editBeginningAt(course);
  const back = beginningAt(course);
  const who = await requireVisitor(here);
  const page = await materialPage(who.deps, who.actor, { of: 'first page', slug: course });
  if (!page.ok) notFound();
  return (
    <Frame visitor={who} here={here} place="discussions" zone={page.value.zone}>
      <MaterialPage what="first page" title={page.value.title} back={back}>
        <MaterialDesk
          view={page.value}
          person={who.actor.id}
          author={who.actor.name}
          what="first page"
          slug={course}
          back={back}
        />
      </MaterialPage>
    </Frame>
  );
}
