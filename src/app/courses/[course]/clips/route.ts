import { beginningClip, unfinishedClips } from '@/contract/files';
import { beginClip, unfinished } from '@/server/clips/record';
import { json } from '../../../_request/endpoint';
import { withFiles } from '../../../_request/session';

/** Begins to take a recording; its pieces follow while it is made. */
export const POST = json('bring files into a course', beginningClip, ({ who, params, input }) =>
  beginClip(withFiles(who.deps), who.actor, params.course, input),
);

/** One's recordings that were never finished. */
export const GET = json('bring files into a course', unfinishedClips, ({ who, params }) =>
  unfinished(withFiles(who.deps), who.actor, params.course),
);
