import { importCalendar, MOST_CALENDAR_BYTES } from '@/server/calendar/busy';
import { requireVisitor } from '../../_request/session';
import { uploadedForm } from '../../_request/upload';
import { fromOwnPages, seeOther } from '../../_request/write';

const PAGE = '/calendar/elsewhere';

/** Imports busy times from an `.ics` file. */
export async function POST(request: Request) {
  if (!fromOwnPages(request)) return new Response('This form was not sent from Pulpit.\n', { status: 403 });
  const who = await requireVisitor(PAGE);
  const { files } = await uploadedForm(request, {
    files: 1,
    fileBytes: MOST_CALENDAR_BYTES,
    fieldBytes: 1_000,
  });
  const [file] = files;
  if (!file) return seeOther(`${PAGE}?answer=no-file`);
  const imported = await importCalendar(who.deps, who.actor, {
    name: file.name,
    text: file.bytes.toString('utf8'),
    cut: file.cut,
  });
  return seeOther(
    imported.ok
      ? `${PAGE}?answer=imported&times=${imported.value.times}`
      : `${PAGE}?${new URLSearchParams({ answer: imported.failure.code, ...('why' in imported.failure ? { why: imported.failure.why } : {}) })}`,
  );
}
