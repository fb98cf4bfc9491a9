import { attachmentAt } from '@/contract/addresses';
import type { AttachedFile, Clip, Embed, Picture } from '@/core/document/nodes';
import { Node, type NodeViewRenderer } from '@tiptap/core';
import { nodeOf, usual } from './from-core';
import { playingTime } from '../../words/clips';
import { fileTypeText, sizeText } from '../../words/files';

type Attrs = Record<string, unknown>;
/** The attributes of a kind as they are written into what is copied, and read back. What is too much is cut when it is kept. */
const copied = (kind: string, readers: Record<string, (said: string) => unknown>) =>
  Object.fromEntries(
    Object.entries(readers).map(([name, read]) => {
      const written = `data-${name.toLowerCase()}`;
      const empty = usual(kind, name);
      return [
        name,
        {
          default: empty,
          parseHTML: (el: HTMLElement) => {
            const said = el.getAttribute(written);
            return said === null ? empty : read(said);
          },
          renderHTML: (attrs: Attrs) =>
            attrs[name] === null || attrs[name] === '' ? {} : { [written]: String(attrs[name]) },
        },
      ];
    }),
  );

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
  ...nodeOf('picture'),
  addAttributes: () =>
    copied('picture', {
      file: String,
      width: Number,
      height: Number,
      alt: String,
      caption: String,
      size: Number,
      place: String,
    }),
  parseHTML: () => [{ tag: 'figure[data-file][data-width][data-height]' }],
  renderHTML: ({ HTMLAttributes }) => ['figure', HTMLAttributes],
  addNodeView: () => view(drawPicture, 'figure'),
});

/** A file of the writer's, on a line of its own. */
export const FileNode = Node.create({
  ...nodeOf('file'),
  addAttributes: () =>
    copied('file', {
      file: String,
      name: String,
      mediaType: String,
      bytes: Number,
    }),
  parseHTML: () => [{ tag: 'div[data-file][data-name][data-mediatype]' }],
  renderHTML: ({ HTMLAttributes }) => ['div', HTMLAttributes],
  addNodeView: () => view(drawFile, 'div'),
});

/** A clip of the writer's, on a line of its own. */
export const ClipNode = Node.create({
  ...nodeOf('clip'),
  addAttributes: () =>
    copied('clip', {
      file: String,
      title: String,
      ms: Number,
      video: (said) => said === 'true',
    }),
  parseHTML: () => [{ tag: 'div[data-file][data-ms][data-video]' }],
  renderHTML: ({ HTMLAttributes }) => ['div', HTMLAttributes],
  addNodeView: () => view(drawClip, 'div'),
});

/** Something of a media site, on a line of its own. */
export const EmbedNode = Node.create({
  ...nodeOf('embed'),
  addAttributes: () =>
    copied('embed', {
      url: String,
      title: String,
      site: String,
    }),
  parseHTML: () => [{ tag: 'div[data-url][data-site]' }],
  renderHTML: ({ HTMLAttributes }) => ['div', HTMLAttributes],
  addNodeView: () => view(drawEmbed, 'div'),
});
