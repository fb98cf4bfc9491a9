import { mapLeaves } from './blocks';
import { isCarried, standInWords } from './carried';
import type { Carried, Doc } from './nodes';
import { visitLeaves } from './walk';

/** A picture, file or clip that a document carries, and where it stands in the editor's positions. */
export type Attachment = { node: Carried; pos: number };

/**
 * What a document carries, in reading order.
 * @example a paragraph, a picture and a file give the two, each with its position
 */
export function attachmentsIn(doc: Doc): Attachment[] {
  const found: Attachment[] = [];
  visitLeaves(doc, (node, pos) => {
    if (isCarried(node)) found.push({ node, pos });
  });
  return found;
}

/**
 * The ids of the files a document carries, each once.
 * @example a document that shows one picture twice gives its id once
 */
export const filesIn = (doc: Doc): string[] => [
  ...new Set(attachmentsIn(doc).flatMap(({ node }) => (node.type === 'embed' ? [] : [node.attrs.file]))),
];

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
 *
 * @example a picture of somebody else's goes, the paragraph beside it stays
 */
export const withKnownFiles = (doc: Doc, known: ReadonlyMap<string, StoredFile>): Doc => ({
  type: 'doc',
  content: mapLeaves(doc.content, (node) => {
    if (!isCarried(node) || node.type === 'embed') return [node];
    const stored = known.get(node.attrs.file);
    if (node.type === 'clip' && stored?.clip)
      return [{ type: 'clip', attrs: { file: stored.id, title: node.attrs.title, ...stored.clip } }];
    if (node.type === 'file' && stored && !stored.clip) {
      const { name, mediaType, bytes } = stored;
      return [{ type: 'file', attrs: { file: stored.id, name, mediaType, bytes } }];
    }
    if (node.type === 'picture' && stored?.width && stored.height)
      return [
        {
          type: 'picture',
          attrs: { ...node.attrs, file: stored.id, width: stored.width, height: stored.height },
        },
      ];
    return [{ type: 'paragraph', content: [{ type: 'text', text: standInWords(node) }] }];
  }),
});

/**
 * The same with each clip as the file it is in: where a text is taken to another place its clip is a recording that nobody has made into one yet.
 * @example a clip of two minutes stands as the file "My introduction.webm"
 */
export const clipsAsFiles = (doc: Doc, known: ReadonlyMap<string, StoredFile>): Doc => ({
  type: 'doc',
  content: mapLeaves(doc.content, (node) => {
    const stored = node.type === 'clip' ? known.get(node.attrs.file) : undefined;
    if (!stored || stored.clip) return [node];
    const { id, name, mediaType, bytes } = stored;
    return [{ type: 'file', attrs: { file: id, name, mediaType, bytes } }];
  }),
});

/**
 * What a file is to somebody who is to look at it.
 * @example fileKind('application/pdf') // 'pdf'
 */
export function fileKind(mediaType: string): 'image' | 'video' | 'audio' | 'pdf' | 'text' | 'file' {
  const [family] = mediaType.split('/');
  if (family === 'image' || family === 'video' || family === 'audio') return family;
  if (mediaType === 'application/pdf') return 'pdf';
  return mediaType === 'text/plain' ? 'text' : 'file';
}
