import { refusal, type Refusal } from '@/core/counting/permission';
import type { PostKind } from '@/core/counting/types';
import type { Deps } from '../deps';
import type { Entered } from './enter';

/**
 * What stands against sharing a post now. In a course that is not hosted here nothing does: what was posted there was
 * posted, and the ledger says what it counts as.
 * `locked` says that staff locked the thread of a reply: they themselves may still answer in it.
 */
export function refused(deps: Deps, entered: Entered, kind: PostKind, locked = false): Refusal | null {
  const { record, schedule, responded, staff, seal } = entered;
  if (record.course.outside) return null;
  // Who asks is never late.
  if (record.asks) return locked && !staff ? { code: 'thread-locked' } : null;
  return refusal({ kind, schedule, seal, responded, locked: locked && !staff, now: deps.now });
}
