import { readingAt } from '@/contract/addresses';
import { addNote, noteInputSchema } from '@/server/notes/notes';
import { answered } from '../../../_request/write';
import { form } from '../../../_request/endpoint';

/** Puts a note beside a reading, or under another note. */
export const POST = form<'slug'>(
  'annotate',
  ({ slug }) => readingAt(slug),
  async ({ who, params: { slug }, fields, page, request }) => {
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
  },
);
