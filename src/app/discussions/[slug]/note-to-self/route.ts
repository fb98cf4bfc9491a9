import { noteToSelfSchema, notingToSelf } from '@/contract/writing';
import { notebookAt, responseAt } from '@/contract/addresses';
import { noteIntoDraft } from '@/server/drafts/quote';
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
      const { from, do: does, ...note } = Object.fromEntries(fields);
      const read = noteToSelfSchema.safeParse(note);
      if (read.success) await keepNoteToSelf(who.deps, who.actor, params.slug, read.data);
      if (read.success && does === 'draft') {
        const put = read.data.body.trim()
          ? await noteIntoDraft(who.deps, who.actor, params.slug, read.data.body)
          : null;
        return seeOther(
          put?.ok
            ? responseAt(params.slug)
            : responseAt(params.slug, { answer: put ? put.failure.code : 'nothing-written' }),
        );
      }
      if (from === 'notebook') return seeOther(notebookAt());
      return seeOther(responseAt(params.slug, { answer: read.success ? 'note-kept' : 'document-too-large' }));
    },
  ),
);
