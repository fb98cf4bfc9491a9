import { z } from 'zod';
import { noteBody } from '@/core/notes/note';
import { editNote } from '@/server/notes/notes';
import { requireVisitor } from '../../../../_request/session';
import { answered, bodyFields, fromOwnPages } from '../../../../_request/write';

type Context = { params: Promise<{ slug: string; id: string }> };

const edit = z.discriminatedUnion('do', [
  z.object({ do: z.literal('change'), body: noteBody }),
  z.object({ do: z.literal('remove') }),
]);

/** Changes or removes one's own note. */
export async function POST(request: Request, context: Context) {
  if (!fromOwnPages(request)) return new Response('This form was not sent from Pulpit.\n', { status: 403 });
  const { slug, id } = await context.params;
  const page = `/readings/${slug}`;
  const who = await requireVisitor(page);
  const fields = Object.fromEntries(await bodyFields(request));
  const read = edit.safeParse({
    ...fields,
    body: fields.body?.replace(/\u0000/gu, '').replace(/\r\n/gu, '\n'),
  });
  if (!read.success) return answered(request, page, { ok: false, code: 'nothing-written' });
  if (!z.uuid().safeParse(id).success) return answered(request, page, { ok: false, code: 'note-gone' });
  const done = await editNote(who.deps, who.actor, slug, id, read.data);
  const good = read.data.do === 'change' ? 'changed' : 'removed';
  return answered(request, page, done.ok ? { ok: true, code: good } : { ok: false, code: done.failure.code });
}
