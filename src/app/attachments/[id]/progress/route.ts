import { askingProgress } from '@/contract/files';
import { uploadProgress } from '@/server/files/receive';
import { json } from '../../../_request/endpoint';
import { withFiles } from '../../../_request/session';

/** How much of one's file has come in. */
export const GET = json('keep one’s files', askingProgress, ({ who, params }) =>
  uploadProgress(withFiles(who.deps), who.actor, params.id),
);
