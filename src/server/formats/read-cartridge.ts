import { DOMParser, type Element } from '@xmldom/xmldom';
import { escapeHtml } from '@/core/document/written';
import { readDiscussionFile } from '@/core/formats/discussion-file';
import { htmlOf } from '@/core/formats/to-html';
import type { Cartridge, CartridgeItem, CartridgeSection } from '@/core/formats/cartridge';
import { fail, ok, type Result } from '@/core/result';
import { unzipped } from './zip';

export type CartridgeTrouble = { code: 'no-cartridge' } | { code: 'cartridge-broken' };
/** What was read, and what of it has no place here: kinds of content by name, and attributes. */
export type ReadCartridge = { cartridge: Cartridge; left: string[]; attributes: string[] };

const DEPTH = 12;
const MOST_ITEMS = 1_000;
const MOST_PICTURE = 3_000_000;
const PICTURES: Record<string, string> = {
  png: 'image/png',
  jpg: 'image/jpeg',
  jpeg: 'image/jpeg',
  gif: 'image/gif',
  webp: 'image/webp',
};

const children = (node: Element, name?: string): Element[] => {
  const found: Element[] = [];
  for (let child = node.firstChild; child; child = child.nextSibling)
    if (child.nodeType === 1 && (!name || (child as Element).localName === name))
      found.push(child as Element);
  return found;
};
const child = (node: Element, name: string): Element | undefined => children(node, name)[0];
const textOf = (node: Element | undefined) => (node?.textContent ?? '').trim();
const attr = (node: Element, name: string) => node.getAttribute(name) ?? '';

function xmlOf(bytes: Uint8Array | undefined): Element | null {
  if (!bytes) return null;
  const text = new TextDecoder('utf-8').decode(bytes);
  // A document of its own types could be made to unfold without end; a cartridge has none.
  if (/<!DOCTYPE/iu.test(text)) return null;
  try {
    return new DOMParser({ onError: () => undefined }).parseFromString(text, 'text/xml').documentElement;
  } catch {
    return null;
  }
}

/** A path in the archive, as it is named from a file of it; null for one that leads out of it. */
function pathFrom(base: string, href: string): string | null {
  let said: string;
  try {
    said = decodeURIComponent(href.replace(/^\$IMS-CC-FILEBASE\$\/?/u, '/').replace(/[?#].*$/su, ''));
  } catch {
    return null;
  }
  const parts = said.startsWith('/') ? [] : base.split('/').slice(0, -1);
  for (const part of said.split('/')) {
    if (part === '..') {
      if (parts.length === 0) return null;
      parts.pop();
    } else if (part && part !== '.') parts.push(part);
  }
  return parts.join('/');
}

/** HTML whose pictures stand in it: those that the archive holds come along, the others stay addresses. */
const withPictures = (html: string, base: string, entries: ReadonlyMap<string, Uint8Array>) =>
  html.replace(
    /(<img\b[^>]*?\bsrc\s*=\s*)(["'])(.*?)\2/giu,
    (whole, before: string, quote: string, src: string) => {
      const path = /^[a-z]+:/iu.test(src) ? null : pathFrom(base, src.replace(/&amp;/gu, '&'));
      const kind = PICTURES[(path ?? '').split('.').pop()?.toLowerCase() ?? ''];
      const bytes = path && kind ? (entries.get(path) ?? entries.get(`web_resources/${path}`)) : undefined;
      return bytes && kind && bytes.length <= MOST_PICTURE
        ? `${before}${quote}data:${kind};base64,${Buffer.from(bytes).toString('base64')}${quote}`
        : whole;
    },
  );

const KNOWN_ATTRIBUTES: Record<string, readonly string[]> = {
  item: ['identifier', 'identifierref'],
  resource: ['identifier', 'type', 'href'],
};
const NAMES: [RegExp, string][] = [
  [/^imsqti/u, 'quiz'],
  [/^imswl/u, 'link'],
  [/lti/u, 'tool of another maker'],
  [/^assignment/u, 'assignment'],
];

class Reading {
  readonly left: string[] = [];
  readonly attributes = new Set<string>();
  private items = 0;

  constructor(
    private readonly entries: ReadonlyMap<string, Uint8Array>,
    private readonly resources: ReadonlyMap<string, Element>,
  ) {}

  private notice(node: Element) {
    const known = KNOWN_ATTRIBUTES[node.localName ?? ''] ?? [];
    for (const a of Array.from(node.attributes))
      if (!known.includes(a.name) && !a.name.startsWith('xmlns'))
        this.attributes.add(`${node.localName} ${a.name}`);
  }

  private topic(path: string, title: string): CartridgeItem | null {
    const root = xmlOf(this.entries.get(path));
    if (root?.localName !== 'topic') return null;
    const text = child(root, 'text');
    for (const other of children(root))
      if (!['title', 'text'].includes(other.localName ?? '')) this.attributes.add(`topic ${other.localName}`);
    const said = text?.textContent ?? '';
    const html =
      text && attr(text, 'texttype') === 'text/plain'
        ? said
            .split(/\n{2,}/u)
            .map((p) => `<p>${escapeHtml(p.trim())}</p>`)
            .join('')
        : withPictures(said, path, this.entries);
    return { kind: 'topic', title: textOf(child(root, 'title')) || title, html };
  }

  private itemOf(id: string, title: string): CartridgeItem | null {
    const resource = this.resources.get(id);
    if (!resource) return null;
    this.notice(resource);
    const type = attr(resource, 'type');
    const href = attr(resource, 'href') || attr(child(resource, 'file') ?? resource, 'href');
    const path = pathFrom('', href) ?? '';
    if (/^imsdt/u.test(type)) return this.topic(path, title);
    if (type !== 'webcontent') {
      const name = NAMES.find(([sign]) => sign.test(type))?.[1] ?? type;
      this.left.push(`${title} (${name})`);
      return null;
    }
    const bytes = this.entries.get(path);
    if (!bytes) return null;
    if (/\.x?html?$/iu.test(path)) {
      const html = new TextDecoder('utf-8').decode(bytes);
      const body = /<body\b[^>]*>(.*)<\/body>/isu.exec(html)?.[1] ?? html;
      return { kind: 'page', title, html: withPictures(body, path, this.entries) };
    }
    return { kind: 'file', title, name: path.split('/').pop() ?? 'file', bytes };
  }

  /** What stands beneath an item of the organization, in order, however deep. */
  under(node: Element, depth: number): CartridgeItem[] {
    if (depth > DEPTH || this.items >= MOST_ITEMS) return [];
    this.notice(node);
    const id = attr(node, 'identifierref');
    const title = textOf(child(node, 'title')) || 'Without a title';
    const own = id ? this.itemOf(id, title.slice(0, 200)) : null;
    if (own) this.items += 1;
    else if (id && !this.left.some((l) => l.startsWith(title))) this.left.push(`${title} (not found)`);
    return [...(own ? [own] : []), ...children(node, 'item').flatMap((c) => this.under(c, depth + 1))];
  }
}

/** A discussion that was taken along as data, as a section with its prompt; the posts in it are not taken in. */
function fromDiscussion(bytes: Uint8Array): Result<ReadCartridge, CartridgeTrouble> {
  const found = readDiscussionFile(new TextDecoder().decode(bytes));
  if (!found) return fail({ code: 'no-cartridge' });
  const { course, title, week, posts } = found.file;
  const items = [{ kind: 'topic' as const, title: title.slice(0, 200), html: htmlOf(found.prompt) }];
  return ok({
    cartridge: { title: course.slice(0, 200), sections: [{ title: `Week ${week}`, items }] },
    left: posts.length
      ? [
          `${title} (its ${posts.length} posts: they are their authors’ own. To read them, bring the file in for yourself, under Discussions)`,
        ]
      : [],
    attributes: [],
  });
}

/** Reads a Common Cartridge, or a discussion that was taken along: its sections with topics, pages and files. What it holds beside is named, not taken. */
export function readCartridge(bytes: Uint8Array): Result<ReadCartridge, CartridgeTrouble> {
  const entries = unzipped(bytes);
  if (!entries) return fromDiscussion(bytes);
  const manifest = xmlOf(entries.get('imsmanifest.xml'));
  if (manifest?.localName !== 'manifest') return fail({ code: 'no-cartridge' });
  const resources = children(manifest, 'resources').flatMap((r) => children(r, 'resource'));
  const reading = new Reading(entries, new Map(resources.map((r) => [attr(r, 'identifier'), r])));
  const organization = children(manifest, 'organizations').flatMap((o) => children(o, 'organization'))[0];
  if (!organization) return fail({ code: 'cartridge-broken' });
  const tops = children(organization, 'item');
  const [only] = tops;
  const sections = tops.length === 1 && only && !attr(only, 'identifierref') ? children(only, 'item') : tops;
  const loose: CartridgeItem[] = [];
  const read = sections.flatMap((section): CartridgeSection[] => {
    const items = reading.under(section, 1);
    if (attr(section, 'identifierref') && children(section, 'item').length === 0) {
      loose.push(...items);
      return [];
    }
    return [{ title: textOf(child(section, 'title')).slice(0, 200) || 'Without a title', items }];
  });
  const lom = manifest.getElementsByTagName('lomimscc:string').item(0);
  return ok({
    cartridge: {
      title: textOf((lom ?? undefined) as Element | undefined).slice(0, 200),
      sections: loose.length ? [...read, { title: 'Beside the weeks', items: loose }] : read,
    },
    left: reading.left,
    attributes: [...reading.attributes].sort(),
  });
}
