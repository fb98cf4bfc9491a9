import { notebookAt } from '@/contract/addresses';
import { notebookAsMarkdown } from '@/core/notebook/notebook';
import { notebook } from '@/server/notes/notebook';
import { disposition } from '../../_request/disposition';
import { ownContent } from '../../_request/endpoint';

/** One's notebook as a file of Markdown. */
export const GET = ownContent(
  'keep oneself',
  () => notebookAt(),
  async ({ who }) =>
    new Response(notebookAsMarkdown(await notebook(who.deps, who.actor), 'The course'), {
      headers: {
        'content-type': 'text/markdown; charset=utf-8',
        'content-disposition': disposition('attachment', 'notebook.md'),
        'cache-control': 'private, no-store',
      },
    }),
);
