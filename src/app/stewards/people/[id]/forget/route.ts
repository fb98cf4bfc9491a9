import { stewardsPeopleAt, stewardsPersonAt } from '@/contract/addresses';
import { isUuid } from '@/core/document/kind';
import { forgetPerson } from '@/server/stewards/people';
import { stewardForm } from '../../../../_request/endpoint';
import { withFiles } from '../../../../_request/session';
import { seeOther } from '../../../../_request/write';

/** Erases an account for good. */
export const POST = stewardForm<'id'>(
  ({ id }) => stewardsPersonAt(id),
  async ({ who, steward, params: { id }, page }) => {
    if (!isUuid(id)) return seeOther(page);
    const done = await forgetPerson(withFiles(who.deps), steward, id);
    return seeOther(
      done.ok
        ? stewardsPeopleAt({ answer: 'forgotten' })
        : stewardsPersonAt(id, { answer: done.failure.code }),
    );
  },
);
