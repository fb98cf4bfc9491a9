import type { ExportedDiscussion, ExportedPost, ExportWords } from '@/core/formats/discussion-export';
import { plural } from './plural';
import { moment } from './time';

/** "Reply by Jun Hathaway to #12" */
const postName = (post: ExportedPost) =>
  `${post.kind === 'response' ? 'Response' : 'Reply'} by ${post.author}${post.staff ? ' (staff)' : ''}${
    post.answers === null ? '' : ` to #${post.answers}`
  }`;

/** The words of an export, for its reader. */
export const exportWords = (d: ExportedDiscussion, reader: string, zone: string): ExportWords => ({
  line: (post) =>
    [
      `#${post.id}`,
      postName(post),
      moment(post.sharedAt, zone),
      ...(post.changedAt === post.sharedAt ? [] : [`edited ${moment(post.changedAt, zone)}`]),
      ...(post.privateTo ? [`private: for ${post.privateTo} and staff only`] : []),
    ].join(' · '),
  gone: (how) => (how === 'withdrawn' ? 'Its author withdrew this post.' : 'Staff have hidden this post.'),
  about: `Week ${d.week}. ${plural(d.posts.length, 'post')} as ${reader} could read them on ${moment(d.at, zone)}. They are their authors’ words: keep them to yourself.`,
  prompt: 'The prompt',
  posts: 'The posts',
});

/** The words of a discussion's feed. */
export const feedWords = {
  post: postName,
  about: (sealed: boolean) =>
    sealed
      ? 'Sealed: posts appear here once you have shared your own response.'
      : 'The newest posts, as you may read them.',
};
