import { addNote, noteInputSchema } from '@/server/notes/notes';
import { requireVisitor } from '../../../_request/session';
import { answered, bodyFields, fromOwnPages } from '../../../_request/write';

type Context = { params: Promise<{ slug: string }> };

/** Puts a note beside a reading, or under another note. */
export async function POST(request: Request, context: Context) {
  if (!fromOwnPages(request)) return new Response('This form was not sent from Pulpit.\n', { status: 403 });
  const { slug } = await context.params;
  const page = `/readings/${slug}`;
  const who = await requireVisitor(page);
  const fields = await bodyFields(request);
  const place = (name: string) =>
    /^\d{1,9}$/u.test(fields.get(name) ?? '') ? Number(fields.get(name)) : null;
  const read = noteInputSchema.safeParse({
    body: (fields.get('body') ?? '').replace(/\u0000/gu, '').replace(/\r\n/gu, '\n'),
    audience: fields.get('audience'),
    parent: fields.get('parent'),
    start: place('start'),
    end: place('end'),
    words: fields.get('words') ?? '',
  });
  if (!read.success) return answered(request, page, { ok: false, code: 'nothing-written' });
  const added = await addNote(who.deps, who.actor, slug, read.data);
  return answered(
    request,
    page,
    added.ok ? { ok: true, code: 'noted' } : { ok: false, code: added.failure.code },
  );
}
