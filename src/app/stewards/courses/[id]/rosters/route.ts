import { rosterAt, stewardsCourseAt } from '@/contract/addresses';
import { isUuid } from '@/core/document/kind';
import { bringRoster, MOST_ROSTER_BYTES } from '@/server/stewards/roster';
import { stewardUpload } from '../../../../_request/endpoint';
import { seeOther } from '../../../../_request/write';

/** Takes a roster in, to be looked at. */
export const POST = stewardUpload<'id'>(
  { files: 1, fileBytes: MOST_ROSTER_BYTES, fieldBytes: 1_000 },
  ({ id }) => stewardsCourseAt(id),
  async ({ who, steward, params: { id }, files: [file] }) => {
    const back = (answer: string) => seeOther(stewardsCourseAt(id, { answer }));
    if (!isUuid(id)) return back('not-found');
    if (!file) return back('no-file');
    const brought = await bringRoster(who.deps, steward, id, file);
    return brought.ok ? seeOther(rosterAt(brought.value.roster)) : back(brought.failure.code);
  },
);
