import { foundAt, newerCopyAt, outsideAt } from '@/contract/addresses';
import { takeNewer } from '@/server/outside/newer';
import { uploadForm } from '../../../../_request/endpoint';
import { takenIn, TAKING_IN } from '../../../../_request/taking-in';

/** Takes in a newer copy of an outside discussion's page. */
export const POST = uploadForm<'slug'>(
  'keep an outside discussion',
  TAKING_IN,
  ({ slug }) => newerCopyAt(slug),
  async ({ who, params: { slug }, fields, files, page }) =>
    takenIn(
      { fields, files },
      page,
      (given) => takeNewer(who.deps, who.actor, slug, given),
      ({ id, posts }) => (posts > 0 ? foundAt(id) : outsideAt(id)),
    ),
);
