import { lateness, type Deadline, type LateRule } from '../deadlines/late';
import type { OwnPost, Version } from './types';

export type JudgedVersion = {
  version: Version;
  quality: 'met' | 'late' | 'short' | 'too-late';
  penaltyPercent: number;
};

/**
 * Which version of a post is judged (rule 8). The last one shared in time, if it meets the required checks: editing
 * afterwards keeps it. Otherwise the first later one that meets them while the late rule takes it. Otherwise the post
 * is short, or was shared too late altogether.
 *
 * @example shared in time and changed after the deadline: the version in time, `{ quality: 'met' }`
 */
export function judgeVersion(post: OwnPost, deadline: Deadline, late: LateRule): JudgedVersion {
  const judged = post.versions.map((version) => ({ version, how: lateness(deadline, late, version.at) }));
  const inTime = judged.filter((j) => j.how.kind === 'in-time').pop();
  if (inTime && inTime.version.unmet.length === 0) {
    return { version: inTime.version, quality: 'met', penaltyPercent: 0 };
  }
  for (const { version, how } of judged) {
    if (how.kind === 'late' && version.unmet.length === 0) {
      return { version, quality: 'late', penaltyPercent: how.penaltyPercent };
    }
  }
  if (inTime) return { version: inTime.version, quality: 'short', penaltyPercent: 0 };
  const first = judged[0];
  if (!first) throw new Error(`post ${post.id} has no version`);
  return first.how.kind === 'late'
    ? { version: first.version, quality: 'short', penaltyPercent: first.how.penaltyPercent }
    : { version: first.version, quality: 'too-late', penaltyPercent: 0 };
}
