import type { JudgedText } from '@/contract/part';
import type { Ledger } from '@/core/counting/types';
import type { SharedPost } from '@/db/queries/own-posts';

/** The version of a post that the ledger judges (rule 8), with the newest text beside it. */
export function judgedText(post: SharedPost, ledger: Ledger | null): JudgedText {
  const [first] = post.versions;
  const newest = post.versions[post.versions.length - 1];
  if (!first || !newest) throw new Error(`post ${post.id} has no version`);
  const at = ledger?.verdicts.find((v) => v.post === post.id)?.at;
  const judged = post.versions.findLast((v) => v.sharedAt === at) ?? first;
  return {
    ...judged,
    latest: newest.n === judged.n ? null : { at: newest.sharedAt, title: newest.title, doc: newest.doc },
    edits: post.versions.length - 1,
  };
}
