import { foundAt, newOutsideAt, outsideAt, termAt } from '@/contract/addresses';
import { takeIn } from '@/server/outside/take-in';
import { uploadForm } from '../../_request/endpoint';
import { takenIn, TAKING_IN } from '../../_request/taking-in';

/** Takes in a prompt: pasted text, files, or both. */
export const POST = uploadForm(
  'bring a prompt in',
  TAKING_IN,
  () => newOutsideAt(),
  async ({ who, fields, files, page }) =>
    takenIn(
      { fields, files },
      page,
      (given) => takeIn(who.deps, who.actor, given),
      ({ id, posts, term }) => (term ? termAt(id) : posts > 0 ? foundAt(id) : outsideAt(id)),
    ),
);
