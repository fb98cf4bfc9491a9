import type { FileTrouble, UploadFailure } from '@/contract/files';
import type { CourseId } from '@/core/ids';
import type { StoredFile } from '@/core/document/attachments';
import type { Doc, Picture } from '@/core/document/nodes';
import { ok, type Result } from '@/core/result';
import type { Actor } from '../deps';
import { readableFile } from '../files/read';
import { receiveWhole, type FileDeps } from '../files/receive';
import { pageFor } from './opened';
import type { OpenedFile } from './read-file';

const MOST_PICTURES = 60;
const FULL = new Set<UploadFailure['code']>(['quota-person', 'quota-course', 'store-full']);
type Attrs = Pick<Picture['attrs'], 'file' | 'width' | 'height'>;

/** Pictures of Pulpit's own that a text points to: those that its reader may see, and nothing of anybody else's. */
async function ownPictures(deps: FileDeps, actor: Actor, addresses: Iterable<string>) {
  const found = new Map<string, Attrs>();
  for (const src of addresses) {
    const file = /\/attachments\/([0-9a-f-]{36})$/iu.exec(src)?.[1];
    const readable = file ? await readableFile(deps, actor, file) : null;
    // Its size is the server's to say when the text is kept.
    if (file && readable?.ok && readable.value.mediaType.startsWith('image/'))
      found.set(src, { file, width: 1, height: 1 });
  }
  return found;
}

/**
 * Makes the pictures of an opened file the person's own in a course, and reads it with what each address in its text is to be.
 * Counts those that could not be read, and those from outside the file, which nobody asks for.
 */
export async function keepPictures(
  deps: FileDeps,
  actor: Actor,
  course: CourseId,
  file: { name: string },
  opened: OpenedFile,
): Promise<Result<{ title: string; doc: Doc; unread: number; outside: number }, FileTrouble>> {
  const pictured = new Map<string, Attrs>();
  let full = false;
  for (const [src, bytes] of [...opened.pictures].slice(0, MOST_PICTURES)) {
    if (full) break;
    const received: Result<StoredFile, UploadFailure> = await receiveWhole(
      deps,
      actor,
      course,
      'picture',
      bytes,
    );
    if (received.ok && received.value.width && received.value.height) {
      const { id, width, height } = received.value;
      pictured.set(src, { file: id, width, height });
    } else if (!received.ok) full = FULL.has(received.failure.code);
  }
  const page = await pageFor(deps, actor, file, opened, pictured);
  if (!page.ok) return page;
  const asked = page.value.asked.filter((src) => !pictured.has(src));
  const own = await ownPictures(deps, actor, asked.slice(0, MOST_PICTURES));
  const unread = asked.filter((src) => !own.has(src));
  const outside = unread.filter((src) => /^(?:https?|file|ftp):/iu.test(src)).length;
  const { title, doc } = page.value;
  const counts = { unread: unread.length - outside, outside };
  if (own.size === 0) return ok({ title, doc, ...counts });
  const again = await pageFor(deps, actor, file, opened, new Map([...pictured, ...own]));
  return again.ok ? ok({ title, doc: again.value.doc, ...counts }) : again;
}
