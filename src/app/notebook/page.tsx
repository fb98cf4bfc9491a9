import { notebookAt } from '@/contract/addresses';
import { pagesWith } from '@/core/notebook/notebook';
import { notebook } from '@/server/notes/notebook';
import { NotebookView } from '@/ui/notebook/notebook-view';
import { z } from 'zod';
import { Frame } from '../_request/frame';
import { queryOf } from '../_request/query';
import { requireVisitor } from '../_request/session';

export const metadata = { title: 'Notebook' };

const query = z.object({ words: z.string().max(200).catch('') });

export default async function NotebookRoute(props: {
  searchParams: Promise<Record<string, string | undefined>>;
}) {
  const { words } = query.parse(await queryOf(props.searchParams));
  const here = notebookAt({ words: words || null });
  const who = await requireVisitor(here);
  const pages = await notebook(who.deps, who.actor);
  return (
    <Frame visitor={who} here={here} place="notebook">
      <NotebookView pages={pagesWith(pages, words)} words={words} />
    </Frame>
  );
}
