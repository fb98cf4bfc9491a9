import { beginningFile } from '@/contract/files';
import { beginUpload } from '@/server/files/receive';
import { json } from '../../../_request/endpoint';
import { withFiles } from '../../../_request/session';

/** Begins to take a file. */
export const POST = json('bring files into a course', beginningFile, ({ who, params, input }) =>
  beginUpload(withFiles(who.deps), who.actor, params.course, input),
);
