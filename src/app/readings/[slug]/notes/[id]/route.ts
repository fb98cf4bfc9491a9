import { readingAt } from '@/contract/addresses';
import { z } from 'zod';
import { noteBody } from '@/core/notes/note';
import { editNote } from '@/server/notes/notes';
import { answered } from '../../../../_request/write';
import { form } from '../../../../_request/endpoint';

const edit = z.discriminatedUnion('do', [
  z.object({ do: z.literal('change'), body: noteBody }),
  z.object({ do: z.literal('remove') }),
]);

/** Changes or removes one's own note. */
export const POST = form<'slug' | 'id'>(
  'annotate',
  ({ slug }) => readingAt(slug),
  async ({ who, params: { slug, id }, fields, page, request }) => {
    const read = edit.safeParse({
      ...Object.fromEntries(fields),
      body: fields
        .get('body')
        ?.replace(/\u0000/gu, '')
        .replace(/\r\n/gu, '\n'),
    });
    if (!read.success) return answered(request, page, { ok: false, code: 'nothing-written' });
    if (!z.uuid().safeParse(id).success) return answered(request, page, { ok: false, code: 'note-gone' });
    const done = await editNote(who.deps, who.actor, slug, id, read.data);
    const good = read.data.do === 'change' ? 'changed' : 'removed';
    return answered(
      request,
      page,
      done.ok ? { ok: true, code: good } : { ok: false, code: done.failure.code },
    );
  },
);
