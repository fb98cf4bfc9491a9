import { replaceText } from '@/server/courses/add-reading';
import { MOST_FILE_BYTES } from '@/server/formats/read-file';
import { requireVisitor, withFiles, withSites } from '../../../_request/session';
import { uploadedForm } from '../../../_request/upload';
import { putMaterial } from '../../../_request/material';
import { fromOwnPages, seeOther } from '../../../_request/write';

/** Puts a newer text in a reading's place. */
export async function POST(request: Request, context: { params: Promise<{ slug: string }> }) {
  if (!fromOwnPages(request)) return new Response('This form was not sent from Pulpit.\n', { status: 403 });
  const { slug } = await context.params;
  const page = `/readings/${slug}`;
  const who = await requireVisitor(page);
  const { fields, files } = await uploadedForm(request, {
    files: 1,
    fileBytes: MOST_FILE_BYTES,
    fieldBytes: 2_000_000,
  });
  const text = (fields.get('text') ?? '').replace(/\u0000/gu, '');
  const done = await replaceText(withSites(withFiles(who.deps)), who.actor, slug, text, files[0] ?? null);
  return seeOther(done.ok ? `${page}?answer=text-replaced` : `${page}?answer=${done.failure.code}`);
}

/** Puts a text that was changed on the desk in its place. */
export const PUT = async (request: Request, { params }: { params: Promise<{ slug: string }> }) =>
  putMaterial(request, { of: 'reading', slug: (await params).slug });
