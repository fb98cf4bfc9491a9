import { isUuid } from '@/core/document/kind';
import { personId } from '@/core/ids';
import { seePicture } from '@/server/people/picture';
import { content } from '../../../_request/endpoint';
import { pictureAnswer } from '../../../_request/picture';
import { withFiles } from '../../../_request/session';

/** Somebody's picture, for whoever shares a course with them. */
export const GET = content<'id'>('see a face', async ({ visitor, params: { id } }) => {
  const who = await visitor();
  if (!who) return new Response('Sign in to see this picture.\n', { status: 401 });
  const found = isUuid(id)
    ? await seePicture(withFiles(who.deps), who.actor, who.steward, personId(id))
    : null;
  return pictureAnswer(found?.ok ? found.value : null, 'private');
});
