import type { Media } from '../brief/brief';
import { attachmentsIn, fileKind } from '../document/attachments';
import type { Doc } from '../document/nodes';
import type { Passage } from './passages';
import type { Evidence } from './types';

/**
 * What a text carries beside its words, by kind. A link is one that leads somewhere on the web, each address once.
 * @example a text with one picture gives a map of 'image' to one stretch of evidence
 */
export function mediaOf(doc: Doc, all: readonly Passage[]): ReadonlyMap<Media['kind'], Evidence[]> {
  const found = new Map<Media['kind'], Evidence[]>();
  const note = (kind: Media['kind'], at: Evidence) => found.set(kind, [...(found.get(kind) ?? []), at]);
  for (const { node, pos } of attachmentsIn(doc)) {
    const at = { from: pos, to: pos + 1 };
    if (node.type === 'picture') note('image', at);
    else if (node.type === 'embed') {
      note('video', at);
      note('link', at);
    } else if (node.type === 'clip') note(node.attrs.video ? 'video' : 'audio', at);
    else {
      const kind = fileKind(node.attrs.mediaType);
      if (kind === 'image' || kind === 'video' || kind === 'audio') note(kind, at);
      note('file', at);
    }
  }
  const addresses = new Set<string>();
  for (const { line } of all)
    for (const l of line.links) {
      if (!/^https?:/iu.test(l.href) || addresses.has(l.href)) continue;
      addresses.add(l.href);
      note('link', { from: line.pos + l.start, to: line.pos + l.end });
    }
  return found;
}
