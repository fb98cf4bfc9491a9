import { withPartsFound } from '@/core/posts/compose';
import type { StoredFile } from '@/core/posts/attachments';
import { LIMITS, parseDocument, type Doc, type Picture } from '@/core/posts/document';
import { isBlank } from '@/core/posts/flatten';
import { fail, ok, type Result } from '@/core/result';
import { enterDiscussion, type NotFound } from '../access/enter';
import type { Actor } from '../deps';
import { readableFile } from '../files/read';
import { receiveWhole, type FileDeps, type UploadFailure } from '../files/receive';
import { openFile, type FileTrouble, type OpenedFile } from './read-file';

const MOST_PICTURES = 60;
/** What is longer no post can hold, whatever of it is markup. */
const MOST_HTML = 10 * LIMITS.bytes;
const FULL = new Set<UploadFailure['code']>(['quota-person', 'quota-course', 'store-full']);

export type BroughtIn = { title: string; doc: Doc; left: OpenedFile['left'] };
export type BringInFailure = NotFound | FileTrouble | { code: 'text-too-long'; name: string };

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
 * A text that was written elsewhere, as a draft could be: its pictures become files of the writer's, the questions of the
 * prompt that stand in it become the draft's part headings. Nothing of the draft changes: the writer looks at it first.
 */
export async function bringIn(
  deps: FileDeps,
  actor: Actor,
  slug: string,
  file: { name: string; bytes: Buffer; cut: boolean },
): Promise<Result<BroughtIn, BringInFailure>> {
  const door = await enterDiscussion(deps, actor, slug);
  if (!door.ok) return door;
  const opened = await openFile(file);
  if (!opened.ok) return opened;
  const { pictures, left, text, length } = opened.value;
  if (length > MOST_HTML) return fail({ code: 'text-too-long', name: file.name });
  const stored = new Map<string, Attrs>();
  let full = false;
  for (const [src, bytes] of [...pictures].slice(0, MOST_PICTURES)) {
    if (full) break;
    const received: Result<StoredFile, UploadFailure> = await receiveWhole(
      deps,
      actor,
      slug,
      'picture',
      bytes,
    );
    if (received.ok && received.value.width && received.value.height) {
      const { id, width, height } = received.value;
      stored.set(src, { file: id, width, height });
    } else if (!received.ok) full = FULL.has(received.failure.code);
  }
  const asked = new Set<string>();
  text((src) => {
    asked.add(src);
    return null;
  });
  const own = await ownPictures(deps, actor, [...asked].slice(0, MOST_PICTURES));
  const unread = [...asked].filter((src) => !stored.has(src) && !own.has(src));
  const outside = unread.filter((src) => /^(?:https?|file|ftp):/iu.test(src)).length;
  const { title, doc } = text((src) => stored.get(src) ?? own.get(src) ?? null);
  const fits = parseDocument({ ...doc, content: withPartsFound(door.value.record.brief.parts, doc).content });
  if (!fits.ok) return fail({ code: 'text-too-long', name: file.name });
  if (isBlank(fits.value) && !title) return fail({ code: 'file-empty', name: file.name });
  return ok({
    title: title.slice(0, LIMITS.titleLength),
    doc: fits.value,
    left: {
      ...left,
      'unread-pictures': (left['unread-pictures'] ?? 0) + unread.length - outside,
      outside: (left.outside ?? 0) + outside,
    },
  });
}
