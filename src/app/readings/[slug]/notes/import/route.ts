import { importNotes } from '@/server/notes/exchange';
import { requireVisitor } from '../../../../_request/session';
import { uploadedForm } from '../../../../_request/upload';
import { fromOwnPages, seeOther } from '../../../../_request/write';

type Context = { params: Promise<{ slug: string }> };
const MOST_BYTES = 4_000_000;

/** Takes notes in from a file of Web Annotations. */
export async function POST(request: Request, context: Context) {
  if (!fromOwnPages(request)) return new Response('This form was not sent from Pulpit.\n', { status: 403 });
  const { slug } = await context.params;
  const page = `/readings/${slug}`;
  const who = await requireVisitor(page);
  const { files } = await uploadedForm(request, { files: 1, fileBytes: MOST_BYTES, fieldBytes: 1_000 });
  const text = files[0]?.bytes.toString('utf8').replace(/^\uFEFF/u, '') ?? '';
  const taken = await importNotes(who.deps, who.actor, slug, text);
  if (!taken.ok) return seeOther(`${page}?answer=${taken.failure.code}`);
  const { added, known, problems, lost } = taken.value;
  return seeOther(
    `${page}?answer=imported&added=${added}&known=${known}&skipped=${problems.length}&lost=${lost}`,
  );
}
