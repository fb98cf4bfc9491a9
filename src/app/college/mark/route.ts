import { app } from '@/runtime/app';
import { seeMark } from '@/server/people/picture';
import { content } from '../../_request/endpoint';
import { pictureAnswer } from '../../_request/picture';

/** The college's mark, as it stands at its door. */
export const GET = content('see the college’s mark', async () => {
  const found = await seeMark(app());
  return pictureAnswer(found.ok ? found.value : null, 'public');
});
