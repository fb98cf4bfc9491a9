import { elsewhereAt } from '@/contract/addresses';
import { importCalendar, MOST_CALENDAR_BYTES } from '@/server/calendar/busy';
import { seeOther } from '../../_request/write';
import { uploadForm } from '../../_request/endpoint';

const PAGE = elsewhereAt();

/** Imports busy times from an `.ics` file. */
export const POST = uploadForm(
  'keep one’s calendar',
  { files: 1, fileBytes: MOST_CALENDAR_BYTES, fieldBytes: 1_000 },
  () => PAGE,
  async ({ who, files }) => {
    const [file] = files;
    if (!file) return seeOther(`${PAGE}?answer=no-file`);
    const imported = await importCalendar(who.deps, who.actor, {
      name: file.name,
      bytes: file.bytes,
      cut: file.cut,
    });
    return seeOther(
      imported.ok
        ? `${PAGE}?answer=imported&times=${imported.value.times}`
        : `${PAGE}?${new URLSearchParams({ answer: imported.failure.code, ...('why' in imported.failure ? { why: imported.failure.why } : {}) })}`,
    );
  },
);
