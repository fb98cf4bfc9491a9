import { buffer } from 'node:stream/consumers';
import sharp from 'sharp';
import { attachmentsIn } from '@/core/document/attachments';
import type { Doc } from '@/core/document/nodes';
import type { Actor } from '../deps';
import { readableFile } from '../files/read';
import type { FileDeps } from '../files/receive';

/** A picture on its way out, in a form that every word processor reads. */
export type TravellingPicture = {
  name: string;
  kind: 'png' | 'jpg';
  mediaType: 'image/png' | 'image/jpeg';
  content: Uint8Array;
};

const MOST = 60;

/** The pictures of a text that go out with it, by their files: those that the one who takes it out may see. */
export async function travellingPictures(
  deps: FileDeps,
  actor: Actor,
  doc: Doc,
): Promise<Map<string, TravellingPicture>> {
  const files = attachmentsIn(doc).flatMap(({ node }) => (node.type === 'picture' ? [node.attrs.file] : []));
  const found = new Map<string, TravellingPicture>();
  for (const file of [...new Set(files)].slice(0, MOST)) {
    const readable = await readableFile(deps, actor, file);
    if (!readable.ok) continue;
    const picture = sharp(await buffer(await deps.files.read(readable.value.sha256)));
    // A picture one can see through stays so; any other is a photograph's size.
    const through = (await picture.metadata()).hasAlpha;
    const content = await (through ? picture.png() : picture.jpeg({ quality: 88 })).toBuffer();
    const kind = through ? 'png' : 'jpg';
    found.set(file, {
      name: `${found.size + 1}.${kind}`,
      kind,
      mediaType: through ? 'image/png' : 'image/jpeg',
      content,
    });
  }
  return found;
}
