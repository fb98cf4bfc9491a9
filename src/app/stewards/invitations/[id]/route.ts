import { stewardsPeopleAt } from '@/contract/addresses';
import { isUuid } from '@/core/document/kind';
import { inviteAgain, takeBackInvitation } from '@/server/people/invite';
import { stewardForm } from '../../../_request/endpoint';
import { localPath, seeOther } from '../../../_request/write';

/** Sends an invitation again, or takes it back. */
export const POST = stewardForm<'id'>(
  () => stewardsPeopleAt(),
  async ({ who, steward, params: { id }, fields }) => {
    const page = localPath(fields.get('to') ?? stewardsPeopleAt());
    if (!isUuid(id)) return seeOther(page);
    const again = fields.get('act') === 'again';
    const done = await (again ? inviteAgain : takeBackInvitation)(who.deps, steward, id);
    const answer = done.ok ? (again ? 'again' : 'taken-back') : done.failure.code;
    return seeOther(`${page}?${new URLSearchParams({ answer })}`);
  },
);
