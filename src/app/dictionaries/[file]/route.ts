import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { content } from '../../_request/endpoint';

const FILES = new Map<string, [string, string]>([
  ['en-GB.aff', ['dictionary-en-gb', 'index.aff']],
  ['en-GB.dic', ['dictionary-en-gb', 'index.dic']],
  ['en-US.aff', ['dictionary-en', 'index.aff']],
  ['en-US.dic', ['dictionary-en', 'index.dic']],
]);

/** A spelling dictionary (Hunspell's two files), for the worker that reads drafts over. */
export const GET = content<'file'>('watch the server', async ({ params }) => {
  const found = FILES.get(params.file);
  if (!found) return new Response('There is no such dictionary.\n', { status: 404 });
  const text = await readFile(join(process.cwd(), 'node_modules', ...found));
  return new Response(new Uint8Array(text), {
    headers: { 'content-type': 'text/plain; charset=utf-8', 'cache-control': 'public, max-age=604800' },
  });
});
