import { noteToSelfSchema, notingToSelf } from '@/contract/writing';
import { responseAt } from '@/contract/addresses';
import { keepNoteToSelf } from '@/server/notes/note-to-self';
import { byContent, form, json } from '../../../_request/endpoint';
import { seeOther } from '../../../_request/write';

/** Keeps a note to oneself: while one writes, or from the form that works without scripts. */
export const POST = byContent(
  json('write', notingToSelf, ({ who, params, input }) =>
    keepNoteToSelf(who.deps, who.actor, params.slug, input),
  ),
  form<'slug'>(
    'write',
    ({ slug }) => responseAt(slug),
    async ({ who, params, fields }) => {
      const read = noteToSelfSchema.safeParse(Object.fromEntries(fields));
      if (read.success) await keepNoteToSelf(who.deps, who.actor, params.slug, read.data);
      return seeOther(responseAt(params.slug, { answer: read.success ? 'note-kept' : 'document-too-large' }));
    },
  ),
);
