import { conversationAt } from '@/contract/addresses';
import { DOMParser, XMLSerializer } from '@xmldom/xmldom';
import { Feed } from 'feed';
import { htmlOf } from '@/core/formats/to-html';
import type { ExportedPost } from '@/core/formats/discussion-export';
import { escapeHtml } from '@/core/document/written';
import { plainText } from '@/core/document/flatten';

/** What XML 1.0 cannot hold at all, not even escaped. */
const UNSPEAKABLE = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]/gu;
const speakable = (text: string) => text.replace(UNSPEAKABLE, '');

const OPENING = 70;

/** How a feed words what is not the posts' own text. */
export type FeedWords = { post: (post: ExportedPost) => string; about: (sealed: boolean) => string };

const THREADS = 'http://purl.org/syndication/thread/1.0';

/** Writes into each entry which post it answers (RFC 4685, 3): the feed's package has no place for it. */
function withAnswers(feed: string, page: string, posts: readonly ExportedPost[]): string {
  const xml = new DOMParser().parseFromString(feed, 'application/xml');
  const entries = [...xml.getElementsByTagName('entry')];
  posts.forEach((post, i) => {
    if (post.answers === null) return;
    const answers = xml.createElementNS(THREADS, 'thr:in-reply-to');
    answers.setAttribute('ref', idOf(page, post.answers));
    answers.setAttribute('href', idOf(page, post.answers));
    answers.setAttribute('type', 'text/html');
    entries[i]?.appendChild(answers);
  });
  return new XMLSerializer().serializeToString(xml);
}

/** A post is named by its address: no other post of any installation has that, and it never changes. */
const idOf = (page: string, post: number) => `${page}?post=${post}`;

/**
 * A discussion's newest posts as an Atom feed (RFC 4287).
 *
 * @param self where the feed itself is to be had
 */
export function atomText(
  discussion: {
    slug: string;
    title: string;
    course: string;
    sealed: boolean;
    posts: readonly ExportedPost[];
  },
  { origin, self }: { origin: string; self: string },
  words: FeedWords,
): string {
  const { slug, posts } = discussion;
  const page = origin + conversationAt(slug);
  const feed = new Feed({
    id: page,
    title: speakable(`${discussion.course}: ${discussion.title}`),
    description: words.about(discussion.sealed),
    link: page,
    feedLinks: { atom: self },
    copyright: 'Posts are their authors’ own.',
    generator: 'Pulpit',
    // An empty feed was last changed before anything was said; a moment of its own would make it change at each reading.
    updated: new Date(Math.max(0, ...posts.map((p) => p.changedAt))),
  });
  for (const post of posts) {
    const opening = post.title || plainText(post.doc).slice(0, OPENING).replace(/\s+/gu, ' ');
    feed.addItem({
      id: idOf(page, post.id),
      // The feed says that titles are HTML (RFC 4287, 3.1.1.2), so what is text is written as such.
      title: escapeHtml(speakable(`${words.post(post)}${opening ? `: ${opening}` : ''}`)),
      link: idOf(page, post.id),
      date: new Date(post.changedAt),
      published: new Date(post.sharedAt),
      author: [{ name: speakable(post.author) }],
      content: speakable(htmlOf(post.doc, { title: post.title, within: `post-${post.id}-` })),
    });
  }
  return withAnswers(feed.atom1(), page, posts);
}
