import { attachmentAt } from '@/contract/addresses';
import { LIMITS, type AttachedFile, type Clip, type Embed, type Picture } from '@/core/posts/document';
import { Node, type NodeViewRenderer } from '@tiptap/core';
import { playingTime } from '../../words/clips';
import { fileTypeText, sizeText } from '../../words/files';

type Attrs = Record<string, unknown>;
/** One attribute of a node as it is written into what is copied, and read back. */
const kept = (name: string, read: (text: string) => unknown, empty: unknown = null) => ({
  default: empty,
  parseHTML: (el: HTMLElement) => {
    const text = el.getAttribute(`data-${name.toLowerCase()}`);
    return text === null ? empty : read(text);
  },
  renderHTML: (attrs: Attrs) =>
    attrs[name] === null || attrs[name] === '' ? {} : { [`data-${name.toLowerCase()}`]: String(attrs[name]) },
});
const text = (most: number) => (said: string) => said.slice(0, most);

function drawPicture(dom: HTMLElement, attrs: Attrs) {
  const { file, width, height, alt, caption, size, place } = attrs as Picture['attrs'];
  dom.className = 'picture';
  dom.dataset.place = place ?? '';
  dom.style.width = size ? `${size}%` : '';
  const image = document.createElement('img');
  Object.assign(image, { src: attachmentAt(file), alt, width, height, draggable: false });
  const below = document.createElement('figcaption');
  below.textContent = caption ?? '';
  if (!alt) {
    const asked = document.createElement('span');
    asked.className = 'picture-asks';
    asked.textContent = 'No description yet: press the picture to write one';
    below.append(asked);
  }
  dom.replaceChildren(image, below);
}

function drawFile(dom: HTMLElement, attrs: Attrs) {
  const { name, mediaType, bytes } = attrs as AttachedFile['attrs'];
  dom.className = 'file-card';
  const title = document.createElement('b');
  title.textContent = name;
  const about = document.createElement('span');
  about.textContent = `${fileTypeText(mediaType)}, ${sizeText(bytes)}`;
  dom.replaceChildren(title, about);
}

function drawClip(dom: HTMLElement, attrs: Attrs) {
  const { title, ms, video } = attrs as Clip['attrs'];
  dom.className = 'file-card';
  const name = document.createElement('b');
  name.textContent = title || 'Clip';
  const about = document.createElement('span');
  about.textContent = `Clip, ${video ? 'picture and sound' : 'sound'}${ms ? `, ${playingTime(Math.round(ms / 1_000) * 1_000)}` : ''}`;
  dom.replaceChildren(name, about);
}

function drawEmbed(dom: HTMLElement, attrs: Attrs) {
  const { title, site } = attrs as Embed['attrs'];
  dom.className = 'file-card';
  const name = document.createElement('b');
  name.textContent = title;
  const about = document.createElement('span');
  about.textContent = `Plays here, from ${site}`;
  dom.replaceChildren(name, about);
}

const view =
  (draw: (dom: HTMLElement, attrs: Attrs) => void, tag: string): NodeViewRenderer =>
  ({ node }) => {
    const dom = document.createElement(tag);
    draw(dom, node.attrs);
    return {
      dom,
      update: (next) => {
        if (next.type !== node.type) return false;
        draw(dom, next.attrs);
        return true;
      },
      ignoreMutation: () => true,
    };
  };

/** A picture of the writer's, on a line of its own. */
export const PictureNode = Node.create({
  name: 'picture',
  group: 'block',
  atom: true,
  draggable: true,
  addAttributes: () => ({
    file: kept('file', String),
    width: kept('width', Number),
    height: kept('height', Number),
    alt: kept('alt', text(LIMITS.altLength), ''),
    caption: kept('caption', text(LIMITS.captionLength)),
    size: kept('size', Number),
    place: kept('place', String),
  }),
  parseHTML: () => [{ tag: 'figure[data-file][data-width][data-height]' }],
  renderHTML: ({ HTMLAttributes }) => ['figure', HTMLAttributes],
  addNodeView: () => view(drawPicture, 'figure'),
});

/** A file of the writer's, on a line of its own. */
export const FileNode = Node.create({
  name: 'file',
  group: 'block',
  atom: true,
  draggable: true,
  addAttributes: () => ({
    file: kept('file', String),
    name: kept('name', text(LIMITS.fileNameLength), 'file'),
    mediaType: kept('mediaType', String, 'application/octet-stream'),
    bytes: kept('bytes', Number, 0),
  }),
  parseHTML: () => [{ tag: 'div[data-file][data-name][data-mediatype]' }],
  renderHTML: ({ HTMLAttributes }) => ['div', HTMLAttributes],
  addNodeView: () => view(drawFile, 'div'),
});

/** A clip of the writer's, on a line of its own. */
export const ClipNode = Node.create({
  name: 'clip',
  group: 'block',
  atom: true,
  draggable: true,
  addAttributes: () => ({
    file: kept('file', String),
    title: kept('title', text(LIMITS.titleLength), ''),
    ms: kept('ms', Number, 0),
    video: kept('video', (said) => said === 'true', false),
  }),
  parseHTML: () => [{ tag: 'div[data-file][data-ms][data-video]' }],
  renderHTML: ({ HTMLAttributes }) => ['div', HTMLAttributes],
  addNodeView: () => view(drawClip, 'div'),
});

/** Something of a media site, on a line of its own. */
export const EmbedNode = Node.create({
  name: 'embed',
  group: 'block',
  atom: true,
  draggable: true,
  addAttributes: () => ({
    url: kept('url', String),
    title: kept('title', text(LIMITS.titleLength), ''),
    site: kept('site', text(80), ''),
  }),
  parseHTML: () => [{ tag: 'div[data-url][data-site]' }],
  renderHTML: ({ HTMLAttributes }) => ['div', HTMLAttributes],
  addNodeView: () => view(drawEmbed, 'div'),
});
