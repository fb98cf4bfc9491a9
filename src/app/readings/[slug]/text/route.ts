import { readingAt } from '@/contract/addresses';
import { puttingReading } from '@/contract/readings';
import { changeMaterial } from '@/server/courses/material';
import { replaceText } from '@/server/courses/add-reading';
import { MOST_FILE_BYTES } from '@/server/formats/read-file';
import { json, uploadForm } from '../../../_request/endpoint';
import { withFiles, withSites } from '../../../_request/session';
import { seeOther } from '../../../_request/write';

/** Puts a newer text in a reading's place. */
export const POST = uploadForm<'slug'>(
  'keep material',
  { files: 1, fileBytes: MOST_FILE_BYTES, fieldBytes: 2_000_000 },
  ({ slug }) => readingAt(slug),
  async ({ who, params: { slug }, fields, files }) => {
    const text = (fields.get('text') ?? '').replace(/\u0000/gu, '');
    const deps = withSites(withFiles(who.deps));
    const done = await replaceText(deps, who.actor, slug, text, files[0] ?? null);
    return seeOther(readingAt(slug, { answer: done.ok ? 'text-replaced' : done.failure.code }));
  },
);

/** Puts a text that was changed on the desk in its place. */
export const PUT = json('keep material', puttingReading, ({ who, params, input }) =>
  changeMaterial(who.deps, who.actor, { of: 'reading', slug: params.slug }, input),
);
