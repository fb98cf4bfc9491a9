import { importCalendar, MOST_CALENDAR_BYTES } from '@/server/calendar/busy';
import { requireVisitor } from '../../_request/session';
import { firstFile } from '../../_request/upload';
import { fromOwnPages, seeOther } from '../../_request/write';

const PAGE = '/calendar/elsewhere';

/** Imports busy times from an `.ics` file. */
export async function POST(request: Request) {
  if (!fromOwnPages(request)) return new Response('This form was not sent from Pulpit.\n', { status: 403 });
  const who = await requireVisitor(PAGE);
  const file = await firstFile(request, MOST_CALENDAR_BYTES);
  if (!file) return seeOther(`${PAGE}?answer=no-file`);
  const imported = await importCalendar(who.deps, who.actor, {
    name: file.name,
    text: file.bytes.toString('utf8'),
    cut: file.cut,
  });
  return seeOther(
    imported.ok
      ? `${PAGE}?answer=imported&times=${imported.value.times}`
      : `${PAGE}?answer=${imported.failure.code}`,
  );
}
