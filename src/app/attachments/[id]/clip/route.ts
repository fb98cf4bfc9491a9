import { clipState, finishingClip } from '@/contract/files';
import { ok } from '@/core/result';
import { visibleClip } from '@/server/clips/look';
import { finishClip } from '@/server/clips/record';
import { json } from '../../../_request/endpoint';
import { withFiles } from '../../../_request/session';

/** How far a clip is, for those who may see it. */
export const GET = json('keep one’s files', clipState, async ({ who, params }) => {
  const found = await visibleClip(withFiles(who.deps), who.actor, params.id);
  if (!found.ok) return found;
  const { state, ms, captions, poster } = found.value;
  return ok({ state, ms, captions: captions !== null, poster: poster !== null });
});

/** One's recording is over: what it is called, which stretch is meant, what is said in it. */
export const POST = json('keep one’s files', finishingClip, async ({ who, params, input }) => {
  const done = await finishClip(withFiles(who.deps), who.actor, params.id, input);
  return done.ok ? ok({ file: done.value }) : done;
});
