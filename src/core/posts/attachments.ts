import { mapLeaves } from './blocks';
import type { Carried, Doc } from './document';
import { positionsOf } from './flatten';

/** A picture, file or clip that a document carries, and where it stands in the editor's positions. */
export type Attachment = { node: Carried; pos: number };

const CARRIED = new Set<string>(['picture', 'file', 'clip']);
/** Whether a block is something carried, and no words. */
export const isCarried = (node: { type: string }): node is Carried => CARRIED.has(node.type);

/** What a document carries, in reading order. */
export function attachmentsIn(doc: Doc): Attachment[] {
  const positions = positionsOf(doc);
  const found: Attachment[] = [];
  mapLeaves(doc.content, (node) => {
    if (isCarried(node)) found.push({ node, pos: positions.get(node) ?? 0 });
    return [node];
  });
  return found;
}

/** The ids of the files a document carries, each once. */
export const filesIn = (doc: Doc): string[] => [...new Set(attachmentsIn(doc).map((a) => a.node.attrs.file))];

/** The words that stand for what a text carries where only words can go. */
export function standInWords(node: Carried): string {
  switch (node.type) {
    case 'file':
      return `[File: ${node.attrs.name}]`;
    case 'clip':
      return `[Clip: ${node.attrs.title || 'without a title'}]`;
    case 'picture':
      return `[Picture: ${node.attrs.caption || node.attrs.alt || 'without a description'}]`;
  }
}

/** What the server knows of a stored file. */
export type StoredFile = {
  id: string;
  name: string;
  mediaType: string;
  bytes: number;
  /** Of a picture: how many pixels it has. */
  width: number | null;
  height: number | null;
  /** Of a clip: how long it plays, and whether there is a picture. */
  clip: { ms: number; video: boolean } | null;
};

/**
 * A document that carries only files its writer may put there, with what the server knows of each. Of another one only
 * the words stay: a text is never refused for it.
 */
export const withHonestFiles = (doc: Doc, known: ReadonlyMap<string, StoredFile>): Doc => ({
  type: 'doc',
  content: mapLeaves(doc.content, (node) => {
    if (!isCarried(node)) return [node];
    const stored = known.get(node.attrs.file);
    if (node.type === 'clip' && stored?.clip)
      return [{ type: 'clip', attrs: { file: stored.id, title: node.attrs.title, ...stored.clip } }];
    if (node.type === 'file' && stored && !stored.clip) {
      const { name, mediaType, bytes } = stored;
      return [{ type: 'file', attrs: { file: stored.id, name, mediaType, bytes } }];
    }
    if (node.type === 'picture' && stored?.width && stored.height)
      return [{ type: 'picture', attrs: { ...node.attrs, width: stored.width, height: stored.height } }];
    return [{ type: 'paragraph', content: [{ type: 'text', text: standInWords(node) }] }];
  }),
});

/** What a file is to somebody who is to look at it. */
export function fileKind(mediaType: string): 'image' | 'video' | 'audio' | 'pdf' | 'text' | 'file' {
  const [family] = mediaType.split('/');
  if (family === 'image' || family === 'video' || family === 'audio') return family;
  if (mediaType === 'application/pdf') return 'pdf';
  return mediaType === 'text/plain' ? 'text' : 'file';
}
